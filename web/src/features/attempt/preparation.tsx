import { Say, t } from "../../catalogue";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import type { Attempt } from "../../domain/use-attempt";
import { PreparationDrawing } from "./preparation-drawing";
import { useTick } from "./queries";

/** The checklist before the arc, for a gloved finger; a tick is kept at once, what is skipped the marker sees. */
export function Preparation({ attempt }: { attempt: Attempt }) {
  const tick = useTick(attempt.id);
  const every = attempt.preparation.map((s) => s.step);
  const done = new Set(
    tick.isPending ? tick.variables : attempt.preparation.filter((s) => s.done).map((s) => s.step),
  );
  const toggle = (step: string) =>
    tick.mutate(done.has(step) ? [...done].filter((s) => s !== step) : [...done, step]);
  return (
    <Panel as="details" open={attempt.state === "assigned" && done.size < every.length}>
      <summary className="cursor-pointer text-lg font-bold">
        <Say
          id="attempt-preparation-of"
          vars={{ size: done.size, count: every.length }}
          elems={{ span: <span className="quiet text-base font-normal" /> }}
        />
      </summary>
      <ul className="mt-2 grid gap-1 sm:grid-cols-2">
        {attempt.preparation.map(({ step, words, how }) => (
          <li key={step}>
            <label className="flex min-h-12 items-center gap-3">
              <input
                type="checkbox"
                className="checkbox checkbox-lg"
                checked={done.has(step)}
                disabled={tick.isPending}
                onChange={() => toggle(step)}
              />{" "}
              {words}
            </label>
            <details className="ml-11">
              <summary className="cursor-pointer py-1 text-sm">{t("attempt-how")}</summary>
              <div className="flex items-center gap-3 text-sm">
                <PreparationDrawing step={step} />
                <p>{how}</p>
              </div>
            </details>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="btn mt-2 h-12 w-full"
        disabled={tick.isPending || done.size === every.length}
        onClick={() => tick.mutate(every)}
      >
        {t("attempt-tick-all")}
      </button>
      <Problem error={tick.error} />
    </Panel>
  );
}
