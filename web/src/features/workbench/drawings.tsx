import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { measure, type Units } from "../../domain/units";
import { curve, line, onRing, ringArc, turnOf, type Point } from "./drawing-shapes";

type Series = Schemas["CalculatorAnswer"]["series"];
const ink = { className: "stroke-primary", fill: "none", strokeWidth: 2.5 };

type Props = { panel: string; series: Series; units: Units };

/** The drawing of a calculator, where it has one. */
export function Drawing({ panel, series, units }: Props) {
  switch (panel) {
    case "pulse":
    case "pulse_for":
      return (
        <Curve
          label={t("workbench-current-over-three-pulses")}
          x={series.time_s ?? []}
          y={series.current_a ?? []}
        />
      );
    case "heat":
      return (
        <Curve
          label={t("workbench-heat-in-the-work-over-travel", {
            value: measure(0.5, "speed", units),
            value_2: measure(6, "speed", units),
          })}
          x={series.travel_mm_s ?? []}
          y={series.net_kj_mm ?? []}
        />
      );
    case "cooling":
      return (
        <Curve
          label={t("workbench-hottest-beside-the-bead", {
            most: Math.round(series.peak_c?.[0] ?? 0),
            least: Math.round(series.peak_c?.at(-1) ?? 0),
          })}
          x={series.beside_mm ?? []}
          y={series.peak_c ?? []}
        />
      );
    case "tint":
      return (
        <Curve
          label={t("workbench-film-beside-the-bead", {
            most: Math.round(Math.max(...(series.film_nm ?? [0]))),
            least: Math.round(series.film_nm?.at(-1) ?? 0),
          })}
          x={series.beside_mm ?? []}
          y={series.film_nm ?? []}
        />
      );
    case "warming":
      return (
        <Curve
          label={t("workbench-part-over-the-runs", {
            runs: (series.part_c?.length ?? 0) / 2,
            most: Math.round(Math.max(...(series.part_c ?? [0]))),
          })}
          x={series.time_s ?? []}
          y={series.part_c ?? []}
        />
      );
    case "gas":
      return <ReynoldsBar series={series} />;
    case "runs":
      return <Ring series={series} />;
    case "turntable":
      return <Bands series={series} units={units} />;
    default:
      return null;
  }
}

function Curve({ label, x, y }: { label: string; x: number[]; y: number[] }) {
  return (
    <svg viewBox="-4 -6 308 102" role="img" aria-label={label} className="h-24 w-full">
      <path d="M0 90H300" className="stroke-base-content" strokeWidth={1} />
      <path d={line(curve(x, y, 300, 90))} {...ink} />
    </svg>
  );
}

function ReynoldsBar({ series }: { series: Series }) {
  const at = (value: number) => Math.min(300, (value / 3000) * 300);
  const [number, warn, turbulent, [from = 0, to = 0] = []] = [
    series.reynolds?.[0] ?? 0,
    series.warn?.[0] ?? 0,
    series.turbulent?.[0] ?? 0,
    series.practice ?? [],
  ];
  return (
    <svg
      viewBox="-6 -22 312 62"
      role="img"
      aria-label={[
        t("workbench-reynolds-number", { number: number.toFixed(0) }),
        t("workbench-practice-to", { from, to }),
        t("workbench-warned-from", { warn }),
        t("workbench-turbulent-from", { turbulent }),
      ].join(", ")}
      className="w-full"
    >
      <rect x={0} y={0} width={300} height={12} className="fill-base-300" />
      <rect x={at(from)} y={0} width={at(to) - at(from)} height={12} className="fill-success" />
      <rect x={at(warn)} y={0} width={at(turbulent) - at(warn)} height={12} className="fill-warning" />
      <rect x={at(turbulent)} y={0} width={300 - at(turbulent)} height={12} className="fill-error" />
      <path d={`M${String(at(number))} 16l-6 10h12Z`} className="fill-base-content" />
      <text x={at(from)} y={-6} className="fill-base-content text-[11px]">
        {t("workbench-practice-to", { from, to })}
      </text>
      <text x={at(turbulent)} y={-6} className="fill-base-content text-[11px]">
        {t("workbench-turbulent", { turbulent })}
      </text>
      <text x={at(warn)} y={38} textAnchor="end" className="fill-base-content text-[11px]">
        {t("workbench-warned-from", { warn })}
      </text>
    </svg>
  );
}

function Ring({ series }: { series: Series }) {
  const starts = series.starts_deg ?? [];
  const order = series.order ?? [];
  const middle: Point = [80, 80];
  const step = 360 / Math.max(1, starts.length);
  return (
    <svg
      viewBox="0 0 160 160"
      role="img"
      aria-label={t("workbench-runs-round-the-seam-welded-in", {
        count: starts.length,
        order: order.join(", "),
      })}
      className="mx-auto h-40"
    >
      {starts.map((deg, k) => {
        const label = onRing(deg + step / 2, 44, middle);
        const tick = [onRing(deg, 54, middle), onRing(deg, 74, middle)] as const;
        return (
          <g key={deg}>
            <path
              d={ringArc(deg + 1, deg + step - 1, 64, middle)}
              fill="none"
              className={k % 2 === 0 ? "stroke-primary" : "stroke-secondary"}
              strokeWidth={12}
            />
            <line
              x1={tick[0][0]}
              y1={tick[0][1]}
              x2={tick[1][0]}
              y2={tick[1][1]}
              className="stroke-base-content"
              strokeWidth={2}
            />
            <text
              x={label[0]}
              y={label[1] + 5}
              textAnchor="middle"
              className="fill-base-content text-[14px] font-bold"
            >
              {turnOf(order, k + 1)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

function Bands({ series, units }: { series: Series; units: Units }) {
  const rpm = series.rpm ?? [];
  const speeds = series.travel_mm_s ?? [];
  const chosen = series.chosen?.[0] ?? 0;
  const most = Math.max(...speeds, 1e-9);
  const speed = (k: number) => measure(speeds[k] ?? 0, "speed", units, 2);
  const bandWords = (n: number, k: number) =>
    t("workbench-turns-a-minute", { n: n.toFixed(2), speed: speed(k) });
  return (
    <svg
      viewBox={`0 0 300 ${String(rpm.length * 22 + 4)}`}
      role="img"
      aria-label={t("workbench-trial-bands", { rpm: rpm.map(bandWords).join("; ") })}
      className="w-full"
    >
      {rpm.map((n, k) => (
        <g key={n} transform={`translate(0 ${String(k * 22 + 2)})`}>
          <rect
            x={22}
            y={2}
            width={((speeds[k] ?? 0) / most) * 120}
            height={14}
            className={k === chosen ? "fill-secondary" : "fill-base-300"}
          />
          <text x={2} y={14} className="fill-base-content text-[13px] font-bold">
            {k + 1}
          </text>
          <text x={150} y={14} className="fill-base-content text-[13px]">
            {t("workbench-min", { n: n.toFixed(3), speed: speed(k) })}
          </text>
        </g>
      ))}
    </svg>
  );
}
