import { t } from "../../catalogue";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../domain/course";
import { dateWords, faultWords } from "../../domain/words";
import { calendarOf } from "./calendar-shape";

const PIN = "inline-grid size-4 place-items-center rounded-full bg-secondary text-secondary-content";

/** Which fault showed when, and since when it has not: kinds down, beads along, a pin where it was. */
export function FaultCalendar({ attempts, mine }: { attempts: Schemas["AttemptBrief"][]; mine: boolean }) {
  const paths = usePaths();
  const { beads, rows } = calendarOf(attempts);
  if (rows.length === 0)
    return (
      <p className="quiet text-sm">
        {beads.length > 0 ? t("time-no-faults-seen-in-any-bead") : t("time-no-beads-yet")}
      </p>
    );
  return (
    <div className="overflow-x-auto" role="region" aria-label={t("time-faults-by-bead")} tabIndex={0}>
      <table className="border-separate border-spacing-x-0.5 text-xs">
        <thead>
          <tr>
            <th scope="col" className="text-left">
              {t("time-fault")}
            </th>
            {beads.map((bead) => (
              <th key={bead.id} scope="col" className="h-12 w-5 align-bottom font-normal">
                <Link
                  className="inline-block origin-left -rotate-60 whitespace-nowrap"
                  to={paths.attempt(bead.id)}
                >
                  <span className="inline-block w-5">{dateWords(bead.created_at)}</span>
                </Link>
              </th>
            ))}
            <th scope="col">
              <span className="sr-only">{t("time-last-seen")}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.kind}>
              <th scope="row" className="pr-2 text-left font-semibold whitespace-nowrap">
                {faultWords(row.kind)}
              </th>
              {row.counts.map((count, i) => (
                <td key={beads[i]?.id} className="h-5 border-b border-base-300 text-center">
                  {count > 0 ? (
                    <span className={PIN}>{count}</span>
                  ) : (
                    <span className="sr-only">{t("common-none")}</span>
                  )}
                </td>
              ))}
              <td className="pl-2 whitespace-nowrap">
                {row.goneFor > 0 && (
                  <strong className="text-success">
                    {t(mine && row.goneFor > 2 ? "time-not-seen-for-well-done" : "time-not-seen-for", {
                      beads: row.goneFor,
                    })}
                  </strong>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
