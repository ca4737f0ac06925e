import { t } from "../../../catalogue";
import type { Trial } from "./trial-shape";

const ROOM_MM = 8;
const TEXT_MM = 5;

/**
 * The blank with its lines to scale: what is welded stands bold; the first line lies apart, so that
 * a photo tells which end is which.
 */
export function Blank({ trial }: { trial: Trial }) {
  const long = trial.blank_length_mm;
  const wide = trial.tube_od_mm ?? trial.blank_width_mm;
  const bead = Math.min(trial.bead_mm, wide);
  const top = (wide - bead) / 2;
  const words = trial.lines
    .map((line) => t("trials-line", { number: line.number, value: line.words, turn: line.turn }))
    .join("; ");
  return (
    <svg
      role="img"
      aria-label={t("trials-blank", { lines: words })}
      viewBox={[-1, -ROOM_MM, long + 2, wide + 2 * ROOM_MM].join(" ")}
      className="max-h-64 w-full"
    >
      <rect
        x={0}
        y={0}
        width={long}
        height={wide}
        className="fill-base-200 stroke-base-content/50"
        strokeWidth={0.4}
      />
      {trial.lines.map((line) => (
        <g key={line.number} className="fill-base-content">
          <line
            x1={line.at_mm}
            x2={line.at_mm}
            y1={top}
            y2={top + bead}
            className={line.welded ? "stroke-base-content" : "stroke-base-content/60"}
            strokeWidth={line.welded ? 3 : 0.5}
            strokeDasharray={line.welded ? undefined : "2 1.5"}
          />
          <text x={line.at_mm} y={-2} fontSize={TEXT_MM} textAnchor="middle" fontWeight="bold">
            {line.number}
          </text>
          <text x={line.at_mm} y={wide + TEXT_MM} fontSize={TEXT_MM - 1} textAnchor="middle">
            {line.words}
          </text>
        </g>
      ))}
    </svg>
  );
}
