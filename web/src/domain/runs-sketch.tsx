import { t } from "../catalogue";
import { placesOf, type PlacedRun } from "./run-places";

/** The runs in section, numbered in the order in which they are welded: in a corner, or in a groove. */
export function RunsSketch({ runs, corner }: { runs: readonly PlacedRun[]; corner: boolean }) {
  const { places, size, walls } = placesOf(runs, corner);
  return (
    <svg
      viewBox={`0 0 ${String(size)} ${String(size)}`}
      role="img"
      aria-label={t("shared-runs-in-section", { count: runs.length })}
      className="w-40"
    >
      <path d={walls} className="fill-base-300 stroke-base-content" strokeWidth={1.5} />
      {places.map(({ number, x, y, rx, ry, turn }) => (
        <g key={number}>
          <ellipse
            cx={x}
            cy={y}
            rx={rx}
            ry={ry}
            transform={`rotate(${String(turn)} ${String(x)} ${String(y)})`}
            className="fill-accent stroke-base-content"
            strokeWidth={1}
          />
          <text x={x} y={y + 4} textAnchor="middle" className="fill-accent-content text-[12px] font-bold">
            {number}
          </text>
        </g>
      ))}
    </svg>
  );
}
