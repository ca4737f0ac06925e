import {
  CartesianGrid,
  Legend,
  Line,
  LineChart,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from "recharts";
import type { Schemas } from "../../api/client";
import { vocabulary } from "../../api/generated-vocabulary";
import { dateWords, tintLevels, tintWords } from "../../ui/words";

type Series = Schemas["Series"];

function rowsOf(series: Series) {
  return series.attempts.map((a) => ({
    at: `${dateWords(a.created_at)} #${String(a.number)}`,
    width: a.measurement?.width_cv == null ? null : a.measurement.width_cv * 100,
    ripples: a.measurement?.pitch_cv == null ? null : a.measurement.pitch_cv * 100,
    tint: a.measurement?.tint_level ?? null,
  }));
}

const ink = "var(--color-base-content)";
const box = { background: "var(--color-base-100)", border: "1px solid var(--color-base-300)", color: ink };

/** Width cv and ripple cv over the attempts, with the limits that are good enough. */
export function SteadinessPlot({ series }: { series: Series }) {
  const { width_cv, pitch_cv } = vocabulary.bands;
  return (
    <figure>
      <figcaption className="mb-1 font-semibold">
        How much width and ripples vary (%), lower is steadier
      </figcaption>
      <ResponsiveContainer width="100%" height={220}>
        <LineChart data={rowsOf(series)} margin={{ left: -18, right: 8, top: 4 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--color-base-300)" />
          <ReferenceArea y1={0} y2={width_cv.good * 100} fill="var(--color-accent)" fillOpacity={0.35} />
          <ReferenceLine
            y={width_cv.accepted * 100}
            stroke="var(--color-primary)"
            strokeDasharray="5 4"
            label={{ value: "width accepted", position: "insideTopRight", fill: ink, fontSize: 12 }}
          />
          <ReferenceLine
            y={pitch_cv.accepted * 100}
            stroke="var(--color-secondary)"
            strokeDasharray="5 4"
            label={{ value: "ripples accepted", position: "insideTopRight", fill: ink, fontSize: 12 }}
          />
          <XAxis dataKey="at" tick={{ fill: ink, fontSize: 12 }} />
          <YAxis
            domain={[0, (max: number) => Math.max(25, Math.ceil(max / 5) * 5)]}
            tick={{ fill: ink, fontSize: 12 }}
          />
          <Tooltip contentStyle={box} formatter={(v) => `${Number(v).toFixed(1)} %`} />
          <Legend formatter={(words: string) => <span style={{ color: ink }}>{words}</span>} />
          <Line
            name="width"
            dataKey="width"
            stroke="var(--color-primary)"
            strokeWidth={2.5}
            dot={{ r: 4 }}
            isAnimationActive={false}
            connectNulls
          />
          <Line
            name="ripples"
            dataKey="ripples"
            stroke="var(--color-secondary)"
            strokeWidth={2.5}
            strokeDasharray="7 3"
            dot={{ r: 4 }}
            isAnimationActive={false}
            connectNulls
          />
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}

/** Tint level of the bead over the attempts, with what the finish goal accepts. */
export function TintPlot({ series }: { series: Series }) {
  return (
    <figure>
      <figcaption className="mb-1 font-semibold">Heat tint of the bead, level and name</figcaption>
      <ResponsiveContainer width="100%" height={190}>
        <LineChart data={rowsOf(series)} margin={{ left: 24, right: 8, top: 4 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--color-base-300)" />
          <ReferenceArea
            y1={0}
            y2={vocabulary.finishLevel[series.assignment.finish]}
            fill="var(--color-accent)"
            fillOpacity={0.35}
          />
          <XAxis dataKey="at" tick={{ fill: ink, fontSize: 12 }} />
          <YAxis
            domain={[0, tintLevels.length - 1]}
            ticks={tintLevels.map((_, level) => level)}
            interval={0}
            tickFormatter={(v: number) => tintWords(v)}
            tick={{ fill: ink, fontSize: 11 }}
          />
          <Tooltip contentStyle={box} formatter={(v) => tintWords(Number(v))} />
          <Line
            name="tint"
            dataKey="tint"
            stroke={ink}
            strokeWidth={2}
            dot={{ r: 4 }}
            isAnimationActive={false}
            connectNulls
          />
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}
