import { t } from "../catalogue";
import type { Schemas } from "../api/client";
import { useCursor } from "../ui/cursor";
import { boxAround } from "./photo-box";

type Overlay = Schemas["Overlay"];

const SAMPLE_MM = 0.5;
const asPoints = (points: number[][]) => points.map((p) => p.join(",")).join(" ");

type Props = { photo: Schemas["Photo"]; overlay: Overlay | null; traced: boolean; close: boolean };

/** The photo, whole or close to the bead, with what was traced drawn over it. */
export function BeadPhoto({ photo, overlay, traced, close }: Props) {
  const box =
    close && overlay
      ? boxAround([overlay.left, overlay.right], overlay.size)
      : [0, 0, photo.width_px, photo.height_px];
  const words = overlay
    ? t("shared-photo-of-the-bead-with-its", { count: overlay.fronts.length })
    : t("common-photo-of-the-bead");
  return (
    <figure>
      <svg
        viewBox={box.join(" ")}
        role="img"
        aria-label={words}
        className="block max-h-[65vh] w-full rounded-box bg-base-300"
      >
        <image href={photo.url} width={photo.width_px} height={photo.height_px} />
        {overlay && traced && (
          <g fill="none" vectorEffect="non-scaling-stroke">
            {overlay.fronts.map((front, i) => (
              <polyline
                key={i}
                points={asPoints(front)}
                stroke="#ffffff"
                strokeOpacity={0.7}
                strokeWidth={1}
                vectorEffect="non-scaling-stroke"
              />
            ))}
            {[overlay.left, overlay.right].map((toe, i) => (
              <polyline
                key={i}
                points={asPoints(toe)}
                stroke="#00e5ff"
                strokeWidth={1.6}
                vectorEffect="non-scaling-stroke"
              />
            ))}
          </g>
        )}
        {overlay && <CursorAcross overlay={overlay} />}
      </svg>
      {photo.gone && (
        <figcaption className="py-1 text-sm">{t("shared-the-photo-was-deleted-by-the")}</figcaption>
      )}
    </figure>
  );
}

function CursorAcross({ overlay }: { overlay: Overlay }) {
  const s = useCursor();
  if (s === null) return null;
  const i = Math.min(overlay.left.length - 1, Math.round(s / SAMPLE_MM));
  const [a, b] = [overlay.left[i], overlay.right[i]];
  if (!a || !b) return null;
  const stretch = (from: number[], to: number[], k: number) =>
    (to[k] ?? 0) + ((to[k] ?? 0) - (from[k] ?? 0)) * 0.8;
  return (
    <line
      x1={stretch(b, a, 0)}
      y1={stretch(b, a, 1)}
      x2={stretch(a, b, 0)}
      y2={stretch(a, b, 1)}
      stroke="#ff3b30"
      strokeWidth={2}
      vectorEffect="non-scaling-stroke"
    />
  );
}
