import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, unwrap } from "../../api/client";
import { t } from "../../catalogue";
import { Problem } from "../../ui/states";
import { useCourse, usePaths } from "../course";
import { attemptKeys } from "../keys";
import { figure, measure, type Units } from "../units";
import { may, useAttemptChange, type Attempt } from "../use-attempt";
import { wholePercent } from "../words";
import type { Changed } from "./what-if";

type Props = { attempt: Attempt; units: Units; at: Changed; choose: (changed: Changed) => void };

/**
 * Amps over travel: where beads come out as wanted, what this machine cannot give, and where the
 * class's passes lie. A tap takes a cell.
 */
export function SettingsMap({ attempt, units, at, choose }: Props) {
  const map = useQuery({
    queryKey: attemptKeys.settingsMap(attempt.id, attempt.version),
    queryFn: () =>
      unwrap(
        api.GET("/api/attempts/{attempt_id}/settings-map", { params: { path: { attempt_id: attempt.id } } }),
      ),
  });
  if (!map.data) return null;
  const { current_a, travel_mm_s, probability, most_a, least_a, passes, best, offered } = map.data;
  const rows = current_a.map((amps, k) => ({ amps, cells: probability[k] ?? [] })).reverse();
  const near = (list: number[], value: number) =>
    list.reduce(
      (found, one, k) => (Math.abs(one - value) < Math.abs((list[found] ?? 0) - value) ? k : found),
      0,
    );
  const here = [near(current_a, at.current_a ?? 0), near(travel_mm_s, at.travel_mm_s ?? 0)];
  const passed = new Set(
    passes.map(([a = 0, v = 0]) => `${String(near(current_a, a))} ${String(near(travel_mm_s, v))}`),
  );
  return (
    <section aria-label={t("whatif-map")} className="space-y-2">
      <h3 className="font-bold">{t("whatif-map")}</h3>
      <p className="text-sm">
        {best
          ? t("whatif-offer", {
              amps: measure(best[0], "current", units),
              speed: measure(best[1], "speed", units),
              chance: wholePercent(offered),
            })
          : t("whatif-no-offer", { chance: wholePercent(offered) })}
      </p>
      <div className="overflow-x-auto">
        <table className="border-separate border-spacing-0.5 text-xs">
          <tbody>
            {rows.map(({ amps, cells }, r) => {
              const k = current_a.length - 1 - r;
              const beyond = (most_a !== null && amps > most_a) || (least_a !== null && amps < least_a);
              return (
                <tr key={amps}>
                  <th scope="row" className="pr-1 text-right font-normal">
                    {figure(amps, "current", units, 0)}
                  </th>
                  {cells.map((chance, c) => {
                    const speed = travel_mm_s[c] ?? 0;
                    const mine = here[0] === k && here[1] === c;
                    return (
                      <td key={speed} className="p-0">
                        <button
                          className={`h-7 w-8 rounded-sm border ${frameOf(mine, chance >= offered)}`}
                          style={{
                            background: beyond ? undefined : shadeOf(chance),
                          }}
                          disabled={beyond}
                          aria-pressed={mine}
                          aria-label={t("whatif-cell", {
                            amps: measure(amps, "current", units),
                            speed: measure(speed, "speed", units),
                            chance: wholePercent(chance),
                          })}
                          onClick={() => choose({ current_a: amps, travel_mm_s: speed })}
                        >
                          {beyond ? "×" : passed.has(`${String(k)} ${String(c)}`) ? "●" : ""}
                        </button>
                      </td>
                    );
                  })}
                </tr>
              );
            })}
            <tr>
              <td />
              {travel_mm_s.map((speed) => (
                <td key={speed} className="text-center">
                  {figure(speed, "speed", units, 1)}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
      <p className="quiet text-xs">{t("whatif-legend")}</p>
      <TakeCell
        attempt={attempt}
        amps={current_a[here[0] ?? 0] ?? 0}
        speed={travel_mm_s[here[1] ?? 0] ?? 0}
        units={units}
      />
    </section>
  );
}

type TakeProps = { attempt: Attempt; amps: number; speed: number; units: Units };

/** The chosen cell as what the coupon is started with next time, or as the middle of a trial. */
function TakeCell({ attempt, amps, speed, units }: TakeProps) {
  const paths = usePaths();
  const queries = useQueryClient();
  const teaches = useCourse().role !== "student";
  const take = useAttemptChange(attempt.id, (whose: "student" | "class") =>
    unwrap(
      api.POST("/api/attempts/{attempt_id}/starts", {
        params: { path: { attempt_id: attempt.id } },
        body: { current_a: amps, travel_mm_s: speed, whose },
      }),
    ),
  );
  const whose = teaches ? "class" : "student";
  const cell = t("whatif-chosen", {
    amps: measure(amps, "current", units),
    speed: measure(speed, "speed", units),
  });
  const middle = (key: string, value: number) =>
    `${paths.attempt(attempt.id)}/trials?varied=${key}&middle=${String(value)}`;
  return (
    <div className="space-y-2">
      <p className="font-semibold">{cell}</p>
      <div className="flex flex-wrap gap-2">
        <button
          className="btn"
          disabled={take.isPending}
          onClick={() =>
            take.mutate(whose, {
              onSuccess: () => void queries.invalidateQueries({ queryKey: attemptKeys.setups(attempt.id) }),
            })
          }
        >
          {t(`whatif-start-${whose}`)}
        </button>
        {may(attempt, "try") && (
          <>
            <Link className="btn" to={middle("current_a", amps)}>
              {t("whatif-try-amps")}
            </Link>
            <Link className="btn" to={middle("travel_mm_s", speed)}>
              {t("whatif-try-travel")}
            </Link>
          </>
        )}
      </div>
      <p role="status">{take.isSuccess && t("whatif-taken")}</p>
      <Problem error={take.error} />
    </div>
  );
}

/** How a cell is framed: where one stands, or where the bead is likely. */
function frameOf(mine: boolean, likely: boolean): string {
  if (mine) return "border-4 border-secondary";
  return likely ? "border-2 border-primary" : "border-base-300";
}

/** The likelier, the darker; under three quarters of the colour, so that a sign on it can be read. */
function shadeOf(chance: number): string {
  return `color-mix(in oklab, var(--color-primary) ${(chance * 70).toFixed(0)}%, var(--color-base-100))`;
}
