import type { Schemas } from "../api/client";
import { useCursor } from "./cursor";

type Overlay = Schemas["Overlay"];

const SAMPLE_MM = 0.5;
const asPoints = (points: number[][]) => points.map((p) => p.join(",")).join(" ");

/** The photo with what was traced drawn over it. */
export function BeadPhoto({ url, overlay, shown }: { url: string; overlay: Overlay | null; shown: boolean }) {
  return (
    <div className="relative overflow-hidden rounded-box bg-base-300">
      <img src={url} alt="Photo of the bead beside the scale card" className="block w-full" draggable={false} />
      {overlay && shown && (
        <svg viewBox={`0 0 ${String(overlay.size[0])} ${String(overlay.size[1])}`} className="absolute inset-0 size-full" role="img" aria-label={`Traced toes and ${String(overlay.fronts.length)} ripple fronts`}>
          <g fill="none" vectorEffect="non-scaling-stroke">
            {overlay.fronts.map((front, i) => <polyline key={i} points={asPoints(front)} stroke="#ffffff" strokeOpacity={0.75} strokeWidth={1} vectorEffect="non-scaling-stroke" />)}
            {[overlay.left, overlay.right].map((toe, i) => <polyline key={i} points={asPoints(toe)} stroke="#00e5ff" strokeWidth={1.6} vectorEffect="non-scaling-stroke" />)}
          </g>
          <CursorAcross overlay={overlay} />
        </svg>
      )}
    </div>
  );
}

function CursorAcross({ overlay }: { overlay: Overlay }) {
  const s = useCursor();
  if (s === null) return null;
  const i = Math.min(overlay.left.length - 1, Math.round(s / SAMPLE_MM));
  const [a, b] = [overlay.left[i], overlay.right[i]];
  if (!a || !b) return null;
  const stretch = (from: number[], to: number[], k: number) => (to[k] ?? 0) + ((to[k] ?? 0) - (from[k] ?? 0)) * 0.8;
  return <line x1={stretch(b, a, 0)} y1={stretch(b, a, 1)} x2={stretch(a, b, 0)} y2={stretch(a, b, 1)} stroke="#ff3b30" strokeWidth={2} vectorEffect="non-scaling-stroke" />;
}
