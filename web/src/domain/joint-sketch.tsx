import { sectionOf, type Point } from "./section-shapes";

const path = (points: Point[]) => `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join("L")}Z`;

type Props = { joint: string; thickness_mm: number; width_mm: number };

/** A joint in section with its bead, small: a picture beside its name, so it says nothing itself. */
export function JointSketch({ joint, thickness_mm, width_mm }: Props) {
  const sketch = sectionOf({
    joint,
    thickness_mm,
    width_mm,
    work_deg: 90,
    cup: 8,
    stickout_mm: 8,
    electrode_mm: 1.6,
  });
  return (
    <svg viewBox="20 40 280 150" className="w-20 shrink-0" aria-hidden>
      {sketch.plates.map((plate, k) => (
        <path key={k} d={path(plate)} className="fill-base-300 stroke-base-content" strokeWidth={2.5} />
      ))}
      <path d={path(sketch.bead)} className="fill-accent stroke-base-content" strokeWidth={2.5} />
      {sketch.centreLine !== null && (
        <path
          d={`M14 ${String(sketch.centreLine)}H306`}
          className="stroke-base-content"
          strokeWidth={2}
          strokeDasharray="14 4 3 4"
        />
      )}
    </svg>
  );
}
