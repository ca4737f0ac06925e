import { t } from "../../catalogue";
import { fieldWords } from "../../domain/words";
import { useState } from "react";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import type { Attempt } from "../../domain/use-attempt";
import { MachineLog } from "../../domain/machine-log";
import { useSetup } from "../../domain/use-setup";
import { useUnits } from "../../domain/use-units";
import { shownAs, type Units } from "../../domain/units";
import { fields, quantityIn } from "../../domain/run-fields";
import { openedRun, typedFrom, type Run } from "./log-shape";
import { useLastRuns } from "./queries";
import { RunForm } from "./run-form";

/** The log of an attempt: its runs, and the form for one of them. */
export function LogForm({ attempt }: { attempt: Attempt }) {
  const last = useLastRuns(attempt.id);
  const setup = useSetup(attempt.id, attempt.version);
  const units = useUnits();
  const [open, setOpen] = useState<number | null>(attempt.runs.length === 0 ? 1 : null);
  const [openedAt, setOpenedAt] = useState(() => Date.now());
  if (last.isPending || setup.isPending) return <Loading />;
  if (setup.isError) return <Problem error={setup.error} again={() => void setup.refetch()} />;
  if (open !== null) {
    const { start, card } = openedRun(attempt, setup.data, last.data ?? null, open, openedAt);
    return (
      <RunForm
        key={`${String(open)}${units.length}${units.flow}`}
        attempt={attempt}
        number={open}
        start={start}
        card={card}
        last={last.data ?? null}
        units={units}
        readOff={attempt.runs.length === 0 ? setup.data.read_off : null}
        close={() => setOpen(null)}
      />
    );
  }
  const several = attempt.runs.length > 1;
  const next = setup.data.card.passes[attempt.runs.length];
  return (
    <Panel>
      <h2 className="text-lg font-bold">{t("attempt-log")}</h2>
      <ul className="divide-y divide-base-300">
        {attempt.runs.map((run) => (
          <li key={run.number} className="py-2">
            <div className="flex items-center justify-between gap-3">
              <span>
                {several && <strong>{t("attempt-run", { number: run.number })} </strong>}
                {summary(run as unknown as Run, units)}
              </span>
              <button className="btn h-12" onClick={() => setOpen(run.number)}>
                {several ? t("attempt-edit-run", { number: run.number }) : t("attempt-edit-log")}
              </button>
            </div>
            {attempt.id > 0 && <MachineLog attempt={attempt} run={run} />}
          </li>
        ))}
      </ul>
      <button
        className="btn mt-2 h-12 w-full"
        onClick={() => {
          setOpenedAt(Date.now());
          setOpen(attempt.runs.length + 1);
        }}
      >
        {next
          ? t("attempt-log-planned-run", { number: next.number, kind: next.kind })
          : t("attempt-log-another-run")}
      </button>
    </Panel>
  );
}

const TELLING = ["current_a", "gas_l_min", "cup", "postflow_s", "filler_mm"];

function summary(run: Run, units: Units): string {
  const typed = typedFrom(run, fields, units);
  const parts = fields.flatMap((field) => {
    const kind = quantityIn(field)?.kind;
    if (!kind || !TELLING.includes(field.key) || !typed[field.key]) return [];
    return [`${fieldWords(field.key)} ${typed[field.key] ?? ""} ${shownAs(kind, units).label}`.trim()];
  });
  return parts.join(" · ");
}
