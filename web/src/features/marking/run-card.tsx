import { CircleCheck, CircleDashed } from "lucide-react";
import type { Schemas } from "../../api/client";
import { OffCard } from "../../ui/off-card";
import { runQuantities } from "../../ui/run-quantities";
import { Empty } from "../../ui/states";
import type { Attempt } from "../../ui/use-attempt";
import { useSetup } from "../../ui/use-setup";
import { useUnits } from "../../ui/use-units";
import { measure } from "../../ui/units";
import { choiceWords, runWords } from "../../ui/words";

/** What the student prepared and logged, run by run, and what of it lies off the card. */
export function RunCard({ attempt }: { attempt: Attempt }) {
  const setup = useSetup(attempt.id, attempt.version);
  const units = useUnits();
  if (attempt.runs.length === 0) return <Empty>No run has been logged.</Empty>;
  return (
    <section className="space-y-3 rounded-box border border-base-300 bg-base-100 p-3">
      {attempt.runs.map((run) => {
        const check = setup.data?.checks.find((c) => c.number === run.number);
        return (
          <div key={run.number}>
            <h2 className="mb-1 font-bold">
              {attempt.runs.length > 1 ? `Run ${String(run.number)}` : "Logged"}
            </h2>
            {check && (
              <div className="mb-2 text-sm">
                <OffCard check={check} units={units} />
              </div>
            )}
            <RunFigures run={run} />
          </div>
        );
      })}
      <Prepared steps={attempt.preparation} />
    </section>
  );
}

function RunFigures({ run }: { run: Schemas["NumberedRun"] }) {
  const units = useUnits();
  const shown = Object.entries(run).filter(
    ([key, value]) => !["note", "number", "measured"].includes(key) && value !== null && value !== "",
  );
  return (
    <>
      <dl className="grid gap-x-5 gap-y-0.5 text-sm sm:grid-cols-2 xl:grid-cols-3">
        {shown.map(([key, value]) => (
          <div key={key} className="flex justify-between gap-2 border-b border-base-300">
            <dt>{runWords[key]}</dt>
            <dd className="font-semibold">
              {typeof value === "number"
                ? measure(value, runQuantities[key] ?? "count", units)
                : (choiceWords[String(value)] ?? String(value))}
              {run.measured.includes(key) && <span className="ml-1 badge badge-sm">measured</span>}
            </dd>
          </div>
        ))}
      </dl>
      {run.note && <p className="mt-2 text-sm whitespace-pre-wrap">{run.note}</p>}
    </>
  );
}

function Prepared({ steps }: { steps: Schemas["PreparationStep"][] }) {
  const skipped = steps.filter((s) => !s.done);
  return (
    <div className="text-sm">
      <h2 className="mb-1 font-bold">
        Prepared{" "}
        {skipped.length === 0 ? (
          ""
        ) : (
          <span className="font-normal">
            – {skipped.length} of {steps.length} not ticked
          </span>
        )}
      </h2>
      <ul className="grid gap-x-5 sm:grid-cols-2">
        {steps.map((s) => (
          <li key={s.step} className={`flex items-center gap-2 ${s.done ? "" : "font-semibold text-error"}`}>
            {s.done ? (
              <CircleCheck size={16} aria-label="done" />
            ) : (
              <CircleDashed size={16} aria-label="not ticked" />
            )}{" "}
            {s.words}
          </li>
        ))}
      </ul>
    </div>
  );
}
