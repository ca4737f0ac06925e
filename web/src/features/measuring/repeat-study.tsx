import { t } from "../../catalogue";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { dateWords, wholePercent } from "../../domain/words";
import { TextField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { TableHead } from "../../ui/table-head";
import { useStudies, useStudy } from "./queries";
import { TakePhoto } from "./take-photo";

type Study = Schemas["Study"];

/**
 * The same beads photographed again and again by several people and phones: planned, walked through
 * photo by photo, taken apart.
 */
export function RepeatStudies() {
  const { read, start } = useStudies();
  if (read.isPending) return <Loading />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  const { studies, limits } = read.data;
  return (
    <Panel className="space-y-3" aria-label={t("study-title")}>
      <h2 className="text-lg font-bold">{t("study-title")}</h2>
      <p>{t("study-how")}</p>
      {studies.map((study) => (
        <OneStudy key={study.id} study={study} />
      ))}
      <details open={studies.length === 0}>
        <summary className="cursor-pointer font-semibold">{t("study-plan-one")}</summary>
        <PlanStudy limits={limits} busy={start.isPending} start={start.mutate} />
      </details>
      <Problem error={start.error} />
    </Panel>
  );
}

type PlanProps = {
  limits: Schemas["StudyLimits"];
  busy: boolean;
  start: (asked: Schemas["StudyRequest"]) => void;
};

const namesIn = (typed: string) =>
  typed
    .split(",")
    .map((name) => name.trim())
    .filter((name) => name !== "");

function PlanStudy({ limits, busy, start }: PlanProps) {
  const [beads, setBeads] = useState("10");
  const [people, setPeople] = useState("");
  const [phones, setPhones] = useState("");
  const [photos, setPhotos] = useState("2");
  const asked = {
    beads: Number(beads),
    people: namesIn(people),
    phones: namesIn(phones),
    photos: Number(photos),
  };
  const total = asked.beads * asked.people.length * asked.phones.length * asked.photos;
  const number = ([least, most]: number[]) => ({ type: "number", min: least, max: most });
  return (
    <form
      className="mt-2 grid gap-3 sm:grid-cols-2"
      onSubmit={(e) => {
        e.preventDefault();
        start(asked);
      }}
    >
      <TextField label={t("study-beads")} value={beads} onChange={setBeads} {...number(limits.beads)} />
      <TextField label={t("study-each")} value={photos} onChange={setPhotos} {...number(limits.photos)} />
      <TextField label={t("study-who")} value={people} onChange={setPeople} />
      <TextField label={t("study-which-phones")} value={phones} onChange={setPhones} />
      <div className="flex flex-wrap items-center gap-3 sm:col-span-2">
        <button className="btn btn-primary" disabled={busy || total === 0}>
          {t("study-start")}
        </button>
        {total > 0 && <p role="status">{t("study-total", { total, most: limits.total })}</p>}
      </div>
    </form>
  );
}

function OneStudy({ study }: { study: Study }) {
  const { photograph, drop } = useStudy(study.id);
  const [sure, setSure] = useState(false);
  const sheet = `/api/studies/${String(study.id)}/sheet.pdf`;
  return (
    <section
      className="space-y-2 rounded-box border-2 border-base-300 p-3"
      aria-label={t("study-of", { date: dateWords(study.started_at) })}
    >
      <h3 className="font-bold">{t("study-of", { date: dateWords(study.started_at) })}</h3>
      <p className="quiet">
        {t("study-plan", {
          beads: study.beads,
          people: study.people.join(", "),
          phones: study.phones.join(", "),
          photos: study.photos,
        })}
      </p>
      {study.next && (
        <Next study={study} next={study.next} busy={photograph.isPending} take={photograph.mutate} />
      )}
      {study.last && study.next && (
        <p role="status">
          {study.last.words}{" "}
          <TakePhoto words={t("study-take-again")} closed={photograph.isPending} className="btn-sm">
            {(photo) => photograph.mutate({ turn: study.last?.turn ?? 0, photo })}
          </TakePhoto>
        </p>
      )}
      <Problem error={photograph.error} />
      {study.said.map((line) => (
        <p key={line}>{line}</p>
      ))}
      {study.figures.length > 0 && <Figures study={study} />}
      {study.consistency.length > 0 && <Consistency study={study} />}
      <div className="flex flex-wrap gap-3">
        {study.done > 0 && (
          <>
            <a className="link" href={sheet} target="_blank" rel="noreferrer">
              {t("study-sheet-a4")}
            </a>
            <a className="link" href={`${sheet}?paper=letter`} target="_blank" rel="noreferrer">
              {t("study-sheet-letter")}
            </a>
          </>
        )}
        <button
          className="btn btn-sm"
          disabled={drop.isPending}
          onClick={() => (sure ? drop.mutate() : setSure(true))}
        >
          {sure ? t("study-really-delete") : t("study-delete")}
        </button>
      </div>
      <Problem error={drop.error} />
    </section>
  );
}

type NextProps = {
  study: Study;
  next: Schemas["StudyTurn"];
  busy: boolean;
  take: (given: { turn: number; photo: File }) => void;
};

/** What is photographed now, big enough to read at the bench. */
function Next({ study, next, busy, take }: NextProps) {
  return (
    <div className="space-y-2 rounded-box bg-base-200 p-3">
      <p className="text-2xl font-bold">{t("study-next", { bead: next.bead })}</p>
      <p className="text-lg">{t("study-next-by", { person: next.person, phone: next.phone })}</p>
      <progress
        className="progress w-full progress-primary"
        value={study.done}
        max={study.total}
        aria-label={t("study-progress")}
      />
      <p>{t("study-done", { done: study.done, total: study.total })}</p>
      <TakePhoto
        words={busy ? t("measuring-busy") : t("study-take", { bead: next.bead })}
        closed={busy}
        className="h-14 btn-primary"
      >
        {(photo) => take({ turn: next.turn, photo })}
      </TakePhoto>
    </div>
  );
}

function Figures({ study }: { study: Study }) {
  const names = [
    "figure",
    "repeat",
    "people",
    "phones",
    "measuring",
    "between-beads",
    "share",
    "classes",
  ] as const;
  return (
    <div className="overflow-x-auto" role="region" aria-label={t("study-differs")} tabIndex={0}>
      <table className="table table-xs">
        <TableHead words={names.map((name) => t(`study-${name}`))} />
        <tbody>
          {study.figures.map((one) => (
            <tr key={one.name}>
              <th scope="row" className="font-medium">
                {one.name}
              </th>
              {[one.repeat, one.people, one.phones, one.measuring, one.beads].map((value, k) => (
                <td key={k}>{value}</td>
              ))}
              <td>{wholePercent(one.share)}</td>
              <td>{one.classes}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Consistency({ study }: { study: Study }) {
  return (
    <div className="overflow-x-auto" role="region" aria-label={t("study-consistency-title")} tabIndex={0}>
      <table className="table table-xs">
        <TableHead words={[t("study-kind"), t("study-agree"), t("study-kappa")]} />
        <tbody>
          {study.consistency.map((one) => (
            <tr key={one.name}>
              <th scope="row" className="font-medium">
                {one.name}
              </th>
              <td>{wholePercent(one.share)}</td>
              <td>{one.kappa === null ? "–" : one.kappa.toFixed(2)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
