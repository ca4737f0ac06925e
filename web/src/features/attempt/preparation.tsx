import { api, unwrap } from "../../api/client";
import { Problem } from "../../ui/states";
import { useAttemptChange, type Attempt } from "../../ui/use-attempt";

/** The checklist before the arc, for a gloved finger; every tick is kept at once, what is skipped stays visible to the marker. */
export function Preparation({ attempt }: { attempt: Attempt }) {
  const tick = useAttemptChange(attempt.id, (prepared: string[]) =>
    unwrap(
      api.PUT("/api/attempts/{attempt_id}/preparation", {
        params: { path: { attempt_id: attempt.id } },
        body: { prepared },
      }),
    ),
  );
  const done = new Set(
    tick.isPending ? tick.variables : attempt.preparation.filter((s) => s.done).map((s) => s.step),
  );
  const toggle = (step: string) => {
    tick.mutate(done.has(step) ? [...done].filter((s) => s !== step) : [...done, step]);
  };
  return (
    <details
      className="rounded-box border border-base-300 bg-base-100 p-4"
      open={attempt.state === "assigned" && done.size < attempt.preparation.length}
    >
      <summary className="cursor-pointer text-lg font-bold">
        Preparation{" "}
        <span className="quiet text-base font-normal">
          {done.size} of {attempt.preparation.length}
        </span>
      </summary>
      <ul className="mt-2 grid gap-1 sm:grid-cols-2">
        {attempt.preparation.map(({ step, words }) => (
          <li key={step}>
            <label className="flex min-h-12 items-center gap-3">
              <input
                type="checkbox"
                className="checkbox checkbox-lg"
                checked={done.has(step)}
                disabled={tick.isPending}
                onChange={() => {
                  toggle(step);
                }}
              />{" "}
              {words}
            </label>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="btn mt-2 h-12 w-full"
        disabled={tick.isPending || done.size === attempt.preparation.length}
        onClick={() => {
          tick.mutate(attempt.preparation.map((s) => s.step));
        }}
      >
        All of it done
      </button>
      <Problem error={tick.error} />
    </details>
  );
}
