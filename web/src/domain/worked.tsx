import { t } from "../catalogue";
import type { Schemas } from "../api/client";
import { figure, measure, type Units } from "./units";
import { fieldWords, quantityOf } from "./words";

/** Settings of attempts that passed in this course, beside the rules: median and range. */
export function Worked({ worked, units }: { worked: Schemas["Worked"]; units: Units }) {
  if (worked.attempts === 0)
    return <p className="quiet mt-3 text-sm">{t("shared-no-one-in-this-course-has")}</p>;
  return (
    <section className="mt-3 rounded-box bg-base-200 p-3" aria-label={t("shared-what-worked-here")}>
      <h3 className="font-semibold">
        {t("shared-what-worked-here")}{" "}
        <span className="quiet font-normal">
          {t("shared-in-passed-attempts", { attempts: worked.attempts })}
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
                    {t("shared-to-3", {
                      low: figure(f.low, quantity, units),
                      high: figure(f.high, quantity, units),
                    })}
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
