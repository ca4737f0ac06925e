import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { PlotFrame } from "../../ui/plot-frame";

const [WIDE, TALL, ROOM] = [300, 84, 8];

/** One marker's moving mean over what is suggested, between the limits that chance alone would keep. */
export function SeverityPlot({ marker }: { marker: Schemas["Marker"] }) {
  const name = marker.marker.display_name;
  const usual = marker.usual ?? 0;
  const reach = Math.max(
    5,
    ...marker.limits.map((limit) => Math.abs(usual) + limit),
    ...marker.moving.map((value) => Math.abs(value)),
  );
  const x = (k: number) => ROOM + (k / Math.max(marker.moving.length - 1, 1)) * (WIDE - 2 * ROOM);
  const y = (v: number) => TALL / 2 - (v / reach) * (TALL / 2 - ROOM);
  const line = (values: number[]) => values.map((v, k) => `${String(x(k))},${String(y(v))}`).join(" ");
  const band = [
    ...marker.limits.map((limit, k) => `${String(x(k))},${String(y(usual + limit))}`),
    ...marker.limits.map((limit, k) => `${String(x(k))},${String(y(usual - limit))}`).reverse(),
  ].join(" ");
  const rows = [
    [t("common-mark-2"), t("markers-moving-mean"), t("markers-lower-limit"), t("markers-upper-limit")],
    ...marker.moving.map((v, k) => [
      String(marker.marks - marker.moving.length + k + 1),
      v.toFixed(1),
      (usual - (marker.limits[k] ?? 0)).toFixed(1),
      (usual + (marker.limits[k] ?? 0)).toFixed(1),
    ]),
  ];
  return (
    <div>
      <PlotFrame
        title={t("markers-marks-2", { name, marks: marker.marks })}
        words={`${name}: ${marker.said}`}
        rows={rows}
      >
        <svg viewBox={[0, 0, WIDE, TALL].join(" ")} width={WIDE} height={TALL} className="max-w-full">
          <polygon points={band} className="fill-accent" fillOpacity={0.5} />
          <line x1={ROOM} x2={WIDE - ROOM} y1={y(0)} y2={y(0)} className="stroke-base-content/40" />
          <line
            x1={ROOM}
            x2={WIDE - ROOM}
            y1={y(usual)}
            y2={y(usual)}
            strokeDasharray="4 4"
            className="stroke-primary"
          />
          <polyline
            points={line(marker.moving)}
            className={`fill-none ${marker.drifts ? "stroke-error" : "stroke-base-content"}`}
            strokeWidth={2}
          />
        </svg>
      </PlotFrame>
      <p className={`max-w-75 text-sm ${marker.drifts ? "font-bold text-error" : ""}`}>{marker.said}</p>
    </div>
  );
}
