import { t } from "../../catalogue";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../domain/course";
import { Panel } from "../../ui/panel";
import { stuckIn } from "./order";
import { markWords } from "../../domain/units";
import { wholePercent } from "../../domain/words";

type Standing = Schemas["CouponStanding"];

/** People by coupons: tries, good ones in a row of those asked, and how likely the next one passes. */
export function Grid({ standings }: { standings: Standing[] }) {
  const paths = usePaths();
  const coupons = [...new Map(standings.map((s) => [s.forecast.assignment, s.forecast.title])).entries()];
  const people = [...new Map(standings.map((s) => [s.student.id, s.student])).values()];
  const stuck = new Set(stuckIn(standings));
  const at = new Map(standings.map((s) => [`${String(s.student.id)}-${String(s.forecast.assignment)}`, s]));
  if (people.length === 0) return null;
  return (
    <Panel tight className="mb-4 overflow-x-auto" aria-label={t("wall-people-by-coupons")} tabIndex={0}>
      <table className="table table-sm">
        <caption className="text-left font-bold">{t("wall-passes-in-a-row-attempts-best")}</caption>
        <thead>
          <tr>
            <th scope="col">{t("common-student")}</th>
            {coupons.map(([id, title]) => (
              <th key={id} scope="col">
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {people.map((one) => (
            <tr key={one.id}>
              <th scope="row" className="font-medium">
                <Link className="hover:underline" to={paths.student(one.id)}>
                  {one.display_name}
                </Link>
              </th>
              {coupons.map(([id]) => (
                <Cell key={id} standing={at.get(`${String(one.id)}-${String(id)}`)} stuck={stuck} />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </Panel>
  );
}

function Cell({ standing, stuck }: { standing: Standing | undefined; stuck: Set<Standing> }) {
  if (!standing) return <td className="quiet">–</td>;
  const { forecast, best } = standing;
  const held = stuck.has(standing);
  const tone = forecast.ready ? "text-success font-bold" : held ? "text-error font-bold" : "";
  const word = forecast.ready
    ? t("wall-ready")
    : held
      ? t("wall-is-stuck")
      : wholePercent(forecast.next_pass);
  return (
    <td>
      <span className={tone}>
        {t("wall-of", {
          good_in_a_row: Math.min(forecast.good_in_a_row, forecast.in_a_row),
          in_a_row: forecast.in_a_row,
        })}
      </span>{" "}
      <span className="quiet text-xs">
        {t("wall-attempts-best", { attempts: forecast.attempts, best: markWords(best), word })}
      </span>
    </td>
  );
}
