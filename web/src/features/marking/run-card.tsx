import { Say, t } from "../../catalogue";
import { CircleCheck, CircleDashed } from "lucide-react";
import type { Schemas } from "../../api/client";
import { MachineLog } from "../../domain/machine-log";
import { OffCard } from "../../domain/off-card";
import { Panel } from "../../ui/panel";
import { fields, quantityIn, type Field } from "../../domain/run-fields";
import { Empty } from "../../ui/states";
import type { Attempt } from "../../domain/use-attempt";
import { useSetup } from "../../domain/use-setup";
import { useUnits } from "../../domain/use-units";
import { measure, type Units } from "../../domain/units";
import { choiceWords, fieldWords } from "../../domain/words";

type Run = Schemas["NumberedRun"];

/** What the student prepared and logged, run by run, and what of it lies off the card. */
export function RunCard({ attempt }: { attempt: Attempt }) {
  const setup = useSetup(attempt.id, attempt.version);
  const units = useUnits();
  if (attempt.runs.length === 0) return <Empty>{t("marking-no-runs-logged")}</Empty>;
  const real = setup.data?.real_travel_mm_s ?? null;
  return (
    <Panel tight className="space-y-3">
      {attempt.runs.map((run) => {
        const check = setup.data?.checks.find((c) => c.number === run.number);
        return (
          <div key={run.number}>
            <h2 className="mb-1 font-bold">
              {attempt.runs.length > 1 ? t("common-run", { number: run.number }) : t("marking-logged")}
            </h2>
            {check && (
              <div className="mb-2 text-sm">
                <OffCard check={check} units={units} />
              </div>
            )}
            <RunFigures run={run} units={units} />
            <MachineLog attempt={attempt} run={run} />
          </div>
        );
      })}
      {real !== null && (
        <p className="text-sm">
          <Say
            id="marking-travel-speed-from-arc-time-and"
            vars={{ real: measure(real, "speed", units) }}
            elems={{ strong: <strong /> }}
          />
        </p>
      )}
      <Prepared steps={attempt.preparation} />
    </Panel>
  );
}

function RunFigures({ run, units }: { run: Run; units: Units }) {
  const values = run as unknown as Record<string, unknown>;
  const shown = fields.filter((f) => f.sort !== "text" && isNoted(values[f.key]));
  return (
    <>
      <dl className="grid gap-x-5 gap-y-0.5 text-sm sm:grid-cols-2 xl:grid-cols-3">
        {shown.map((field) => (
          <div key={field.key} className="flex justify-between gap-2 border-b border-base-300">
            <dt>{fieldWords(field.key)}</dt>
            <dd className="font-semibold">
              {formatValue(field, values[field.key], units)}
              {run.measured.includes(field.key) && (
                <span className="ml-1 badge badge-sm">{t("marking-measured-2")}</span>
              )}
            </dd>
          </div>
        ))}
      </dl>
      {run.note && <p className="mt-2 text-sm whitespace-pre-wrap">{run.note}</p>}
    </>
  );
}

const isNoted = (value: unknown) =>
  value !== null && value !== undefined && value !== "" && value !== false && String(value) !== "";

function formatValue(field: Field, value: unknown, units: Units): string {
  const kind = quantityIn(field)?.kind;
  if (Array.isArray(value)) return value.map((v) => measure(Number(v), kind ?? "plain", units)).join(", ");
  if (typeof value === "number" && kind) return measure(value, kind, units);
  if (value === true) return "yes";
  return choiceWords(field.key, String(value));
}

function Prepared({ steps }: { steps: Schemas["PreparationStep"][] }) {
  const skipped = steps.filter((s) => !s.done).length;
  return (
    <div className="text-sm">
      <h2 className="mb-1 font-bold">
        {t("marking-prep-checklist")}{" "}
        {skipped > 0 && (
          <span className="font-normal">
            {"– "}
            {t("marking-of-not-ticked", { skipped, count: steps.length })}
          </span>
        )}
      </h2>
      <ul className="grid gap-x-5 sm:grid-cols-2">
        {steps.map((s) => (
          <li key={s.step} className={`flex items-center gap-2 ${s.done ? "" : "font-semibold text-error"}`}>
            {s.done ? (
              <CircleCheck size={16} aria-label={t("marking-done")} />
            ) : (
              <CircleDashed size={16} aria-label={t("marking-not-ticked-2")} />
            )}{" "}
            {s.words}
          </li>
        ))}
      </ul>
    </div>
  );
}
