import { t } from "../../catalogue";
import { useState } from "react";
import { useCourse } from "../../domain/course";
import { TextField, Toggle } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { dateWords } from "../../domain/words";
import { MachineFields } from "./machine-fields";
import { machineOf, typedMachine } from "./machine-shape";
import type { Booth, Change, Sessions, Session } from "./queries";

type Props = { sessions: Sessions; session: Session | undefined; change: Change };

/** The booths: each can be opened and changed; a new one is made. */
export function Booths({ sessions, session, change }: Props) {
  const [open, setOpen] = useState<number | "new" | null>(null);
  const booth = sessions.booths.find((one) => one.id === open);
  const labels = `/api/courses/${String(useCourse().id)}/labels`;
  return (
    <Panel tight aria-label={t("sessions-booths")} className="space-y-2 print:hidden">
      <h2 className="font-bold">{t("sessions-booths")}</h2>
      <p className="mb-1 flex gap-3 text-sm">
        <a className="link" href={`${labels}/booths.pdf`} target="_blank" rel="noreferrer">
          {t("sessions-print-labels")}
        </a>
        <a className="link" href={`${labels}/blanks.pdf`} target="_blank" rel="noreferrer">
          {t("sessions-print-blank-labels")}
        </a>
      </p>
      <div className="flex flex-wrap gap-1">
        {sessions.booths.map((one) => (
          <button
            key={one.id}
            className={`btn btn-sm ${one.broken ? "text-error" : ""}`}
            aria-pressed={open === one.id}
            onClick={() => setOpen(open === one.id ? null : one.id)}
          >
            {one.name}
          </button>
        ))}
        <button className="btn btn-sm" onClick={() => setOpen(open === "new" ? null : "new")}>
          {t("sessions-new-booth")}
        </button>
      </div>
      {open !== null && (
        <Form key={open} booth={booth} {...{ sessions, session, change }} done={() => setOpen(null)} />
      )}
    </Panel>
  );
}

/** What was broken at a booth over time, newest first. */
function Notes({ notes }: { notes: Sessions["notes"] }) {
  if (notes.length === 0) return null;
  return (
    <ul className="quiet list-disc pl-5 text-sm">
      {notes.map((note) => (
        <li key={note.id}>
          {note.text}: {note.by?.display_name ?? t("sessions-somebody")}, {dateWords(note.at)}
          {note.mended_at ? `, fixed ${dateWords(note.mended_at)}` : ""}
        </li>
      ))}
    </ul>
  );
}

type FormProps = Props & { booth: Booth | undefined; done: () => void };

function Form({ booth, sessions, session, change, done }: FormProps) {
  const [name, setName] = useState(booth?.name ?? "");
  const [has, setHas] = useState<string[]>(booth?.has ?? []);
  const [broken, setBroken] = useState(booth?.broken ?? "");
  const [closed, setClosed] = useState<number[]>(booth?.closed ?? []);
  const [machine, setMachine] = useState(() => typedMachine(booth?.machine ?? {}));
  const turn = <T,>(list: T[], one: T, on: boolean) => (on ? [...list, one] : list.filter((x) => x !== one));
  return (
    <form
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        change.booth.mutate(
          { id: booth?.id ?? null, name, has, broken, closed, machine: machineOf(machine) },
          { onSuccess: done },
        );
      }}
    >
      <TextField label={t("common-name")} value={name} onChange={setName} />
      <fieldset className="grid grid-cols-2 gap-1 text-sm">
        <legend className="font-medium">{t("sessions-equipment")}</legend>
        {Object.entries(sessions.features).map(([key, words]) => (
          <Toggle key={key} checked={has.includes(key)} onChange={(on) => setHas(turn(has, key, on))}>
            {words}
          </Toggle>
        ))}
      </fieldset>
      <MachineFields typed={machine} change={setMachine} />
      <TextField label={t("sessions-reported-fault")} value={broken} onChange={setBroken} />
      {booth && <Notes notes={sessions.notes.filter((note) => note.booth === booth.id)} />}
      {session && (
        <Toggle
          checked={closed.includes(session.id)}
          onChange={(on) => setClosed(turn(closed, session.id, on))}
        >
          {t("sessions-closed-for-this-session")}
        </Toggle>
      )}
      <Problem error={change.booth.error} />
      <button className="btn btn-primary btn-sm" disabled={change.booth.isPending}>
        {t("sessions-save-booth")}
      </button>
    </form>
  );
}
