import { t } from "../catalogue";
import { sectionOf, type Point, type SketchInput } from "./section-shapes";

const path = (points: Point[]) => `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join("L")}Z`;

/** The joint in section with bead and torch at its work angle, and the torch from the side at its travel angle. */
export function SectionSketch({
  input,
  travel_deg,
  filler_deg,
  fused,
}: {
  input: SketchInput;
  travel_deg: number;
  filler_deg: number;
  fused: boolean;
}) {
  const sketch = sectionOf(input);

  return (
    <div className="grid grid-cols-2 gap-2">
      <svg
        viewBox="0 0 320 200"
        role="img"
        aria-label={t("shared-section-of-the-joint-torch-at", { work_deg: input.work_deg })}
        className="w-full"
      >
        {sketch.plates.map((p, k) => (
          <path key={k} d={path(p)} className="fill-base-300 stroke-base-content" strokeWidth={1.2} />
        ))}
        <path d={path(sketch.bead)} className="fill-accent stroke-base-content" strokeWidth={1.2} />
        {sketch.centreLine !== null && (
          <path
            d={`M14 ${String(sketch.centreLine)}H306`}
            className="stroke-base-content"
            strokeWidth={1}
            strokeDasharray="14 4 3 4"
          />
        )}
        <line
          x1={sketch.torch.rod[0][0]}
          y1={sketch.torch.rod[0][1]}
          x2={sketch.torch.rod[1][0]}
          y2={sketch.torch.rod[1][1]}
          className="stroke-primary"
          strokeWidth={Math.max(2, input.electrode_mm * 1.6)}
        />
        <path d={path(sketch.torch.cup)} className="fill-base-100 stroke-primary" strokeWidth={2} />
        <text x={8} y={16} className="fill-base-content text-[13px]">
          {t("shared-work", { work_deg: input.work_deg })}
        </text>
      </svg>
      <svg
        viewBox="0 0 320 200"
        role="img"
        aria-label={
          fused
            ? t("shared-from-the-side-fused", { travel_deg })
            : t("shared-from-the-side", { travel_deg, filler_deg })
        }
        className="w-full"
      >
        <rect
          x={20}
          y={150}
          width={280}
          height={16}
          className="fill-base-300 stroke-base-content"
          strokeWidth={1.2}
        />
        <path
          d="M20 150q10 -8 20 0t20 0t20 0t20 0t20 0t20 0V150Z"
          className="fill-accent stroke-base-content"
          strokeWidth={1}
        />
        <g transform={`rotate(${String(-travel_deg)} 150 146)`}>
          <line x1={150} y1={142} x2={150} y2={100} className="stroke-primary" strokeWidth={3} />
          <path d="M135 108L139 62H161L165 108Z" className="fill-base-100 stroke-primary" strokeWidth={2} />
        </g>
        {!fused && (
          <g transform={`rotate(${String(-filler_deg)} 162 148)`}>
            <line x1={162} y1={148} x2={290} y2={148} className="stroke-secondary" strokeWidth={4} />
          </g>
        )}
        <path d="M190 186H262m-9 -6l9 6l-9 6" fill="none" className="stroke-base-content" strokeWidth={1.6} />
        <text x={118} y={190} className="fill-base-content text-[13px]">
          {t("shared-travel")}
        </text>
        <text x={8} y={16} className="fill-base-content text-[13px]">
          {fused ? t("shared-push", { travel_deg }) : t("shared-push-and-filler", { travel_deg, filler_deg })}
        </text>
      </svg>
    </div>
  );
}
