import { t } from "../../catalogue";
import { Area, ComposedChart, Line, ReferenceArea, XAxis, YAxis } from "recharts";
import type { Schemas } from "../../api/client";
import { PlotFrame } from "../../ui/plot-frame";
import { dateWords } from "../../domain/words";
import { plotRows, tableOf, topOf } from "./figure-shape";

type Props = { figure: Schemas["FigureOverTime"]; attempts: Schemas["AttemptBrief"][]; coupon: string };

const [WIDE, TALL] = [158, 64];
const ink = "var(--color-base-content)";

/** One figure over the attempts as a small line: what is good as a band, where it is going as a cone. */
export function FigurePlot({ figure, attempts, coupon }: Props) {
  const dates = attempts.map((a) => `${dateWords(a.created_at)} #${String(a.number)}`);
  const last = figure.formatted.findLast((one) => one !== null);
  const top = topOf(figure);
  return (
    <div>
      <PlotFrame
        title={`${figure.words}: ${last ?? t("common-not-measured")}`}
        words={wordsOf(figure, coupon)}
        rows={tableOf(figure, dates)}
      >
        <ComposedChart
          width={WIDE}
          height={TALL}
          data={plotRows(figure)}
          margin={{ left: 2, right: 2, top: 4, bottom: 4 }}
          accessibilityLayer={false}
        >
          <XAxis dataKey="at" hide type="number" domain={["dataMin - 0.4", "dataMax + 0.4"]} />
          <YAxis hide domain={[0, top]} />
          <ReferenceArea y1={0} y2={top} fill="var(--color-base-200)" fillOpacity={0.6} />
          {figure.good !== null && (
            <ReferenceArea y1={0} y2={figure.good} fill="var(--color-accent)" fillOpacity={0.5} />
          )}
          <Area
            dataKey="cone"
            stroke="none"
            fill="var(--color-secondary)"
            fillOpacity={0.35}
            isAnimationActive={false}
            connectNulls
          />
          <Line
            dataKey="mid"
            stroke="var(--color-secondary)"
            strokeDasharray="3 3"
            dot={false}
            isAnimationActive={false}
          />
          <Line
            dataKey="value"
            stroke={ink}
            strokeWidth={1.75}
            dot={{ r: 2.2, fill: ink, strokeWidth: 0 }}
            isAnimationActive={false}
            connectNulls
          />
        </ComposedChart>
      </PlotFrame>
      <p className="quiet text-xs">
        {t(figure.good === null ? "time-attempts-higher-is-better" : "time-attempts-lower-is-better")}
      </p>
    </div>
  );
}

function wordsOf(figure: Schemas["FigureOverTime"], coupon: string): string {
  const known = figure.formatted.filter((one) => one !== null);
  if (known.length === 0) return t("time-at-not-measured-yet", { figure: figure.words, coupon });
  const first = known[0] ?? "";
  const last = known.at(-1) ?? "";
  return t("time-at-from-to-over-attempts", {
    figure: figure.words,
    coupon,
    first,
    last,
    count: known.length,
  });
}
