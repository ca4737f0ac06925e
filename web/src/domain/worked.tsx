import type { Schemas } from "../api/client";
import { figure, measure, type Units } from "./units";
import { fieldWords, quantityOf } from "./words";

/** Settings of attempts that passed in this course, beside the rules: median and range. */
export function Worked({ worked, units }: { worked: Schemas["Worked"]; units: Units }) {
  if (worked.attempts === 0)
    return (
      <p className="quiet mt-3 text-sm">
        No one in this course has passed this coupon yet. The settings above come from the rules.
      </p>
    );
  return (
    <section className="mt-3 rounded-box bg-base-200 p-3" aria-label="What worked here">
      <h3 className="font-semibold">
        What worked here{" "}
        <span className="quiet font-normal">
          in {worked.attempts} {worked.attempts === 1 ? "attempt" : "attempts"} that passed
        </span>
      </h3>
      <dl className="grid grid-cols-2 gap-x-4 text-sm sm:grid-cols-3">
        {worked.figures.map((f) => {
          const quantity = quantityOf(f.key)?.kind ?? "count";
          return (
            <div
              key={f.key}
              className="flex flex-wrap justify-between gap-x-2 border-b border-base-300 py-0.5"
            >
              <dt>{fieldWords(f.key)}</dt>
              <dd>
                <strong>{measure(f.median, quantity, units)}</strong>
                {f.low === f.high ? (
                  ""
                ) : (
                  <span className="quiet">
                    {" "}
                    ({figure(f.low, quantity, units)} to {figure(f.high, quantity, units)})
                  </span>
                )}
              </dd>
            </div>
          );
        })}
      </dl>
    </section>
  );
}
