type Props = {
  points: readonly (readonly number[])[];
  /** Where the figure lies, and the score it gives. */
  dot?: { figure: number; score: number } | undefined;
  words: string;
  className?: string;
};

const [WIDE, TALL, ROOM] = [120, 44, 4];
const MOST = 10;

/** The farthest figure drawn: the curve's last point, or the dot beyond it. */
export const reachOf = (points: Props["points"], figure = 0): number =>
  Math.max(...points.map((p) => p[0] ?? 0), figure, 1e-9);

/** A curve from figure to score as a small drawing; outside of its points the nearest one counts. */
export function Curve({ points, dot, words, className = "" }: Props) {
  const reach = reachOf(points, dot?.figure);
  const x = (v: number) => ROOM + (v / reach) * (WIDE - 2 * ROOM);
  const y = (score: number) => TALL - ROOM - (score / MOST) * (TALL - 2 * ROOM);
  const first = points[0]?.[1] ?? 0;
  const last = points.at(-1)?.[1] ?? 0;
  const all = [[0, first], ...points, [reach, last]];
  return (
    <svg viewBox={[0, 0, WIDE, TALL].join(" ")} role="img" aria-label={words} className={className}>
      <line x1={ROOM} x2={WIDE - ROOM} y1={y(0)} y2={y(0)} className="stroke-base-content/40" />
      <polyline
        points={all.map(([f = 0, score = 0]) => `${String(x(f))},${String(y(score))}`).join(" ")}
        className="fill-none stroke-primary"
        strokeWidth={2}
      />
      {dot && (
        <circle
          cx={x(dot.figure)}
          cy={y(dot.score)}
          r={4}
          className="fill-secondary stroke-base-100"
          strokeWidth={1.5}
        />
      )}
    </svg>
  );
}
