import { Say, t } from "../../catalogue";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../domain/course";
import { Panel } from "../../ui/panel";
import { FigurePlot } from "./figure-plot";
import { GoesOn } from "./goes-on";

type Props = { series: Schemas["Series"]; goesOn: Schemas["Forecast"] | undefined };

/** One coupon: how it goes on in words, and each figure as a small line with its band and where it is going. */
export function Coupon({ series, goesOn }: Props) {
  const paths = usePaths();
  const { assignment } = series;
  const shown = series.attempts.filter((a) => a.measurement?.strip);
  const [first, last] = [shown[0], shown.at(-1)];
  const known = series.figures.filter((figure) => figure.values.some((v) => v !== null));
  return (
    <Panel tight aria-label={assignment.design.title}>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="text-lg font-bold">{assignment.design.title}</h2>
        <p className="text-sm">
          <Say
            id="time-of-passes-in-a-row"
            vars={{ have: series.good_in_a_row, needed: assignment.good_in_a_row }}
            elems={{ strong: <strong /> }}
          />
          {first && last && first.id !== last.id && (
            <>
              {" · "}
              <Link className="link" to={paths.compare(first.id, last.id)}>
                {t("time-compare-first-and-last")}
              </Link>
            </>
          )}
          {series.engines.length > 1 && (
            <span className="quiet">
              {" · "}
              {t("time-measured-with-versions-small-changes-may", { engines: series.engines.join(", ") })}
            </span>
          )}
        </p>
      </div>
      {goesOn && goesOn.attempts > 0 && <GoesOn forecast={goesOn} />}
      <div className="flex flex-wrap gap-x-4 gap-y-2">
        {known.length === 0 && <p className="quiet text-sm">{t("time-no-measured-or-marked-beads-yet")}</p>}
        {known.map((figure) => (
          <FigurePlot
            key={figure.key}
            figure={figure}
            attempts={series.attempts}
            coupon={assignment.design.title}
          />
        ))}
      </div>
    </Panel>
  );
}
