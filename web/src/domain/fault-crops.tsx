import { t } from "../catalogue";
import type { ReactNode } from "react";
import type { Schemas } from "../api/client";
import { pointAt } from "./photo-box";
import { measure, type Units } from "./units";
import { faultWords } from "./words";

type Defect = Schemas["Defect"];
const MIN_MM = 6;

type Props = {
  defects: Defect[];
  photo: Schemas["Photo"];
  overlay: Schemas["Overlay"];
  units: Units;
  action?: (defect: Defect) => ReactNode;
};

/** Every fault cut out of the photo, numbered as its pin. */
export function FaultCrops({ defects, photo, overlay, units, action }: Props) {
  if (defects.length === 0) return null;
  return (
    <ol className="flex flex-wrap gap-3" aria-label={t("shared-faults-cut-out-of-the-photo")}>
      {defects.map((d, i) => {
        const [x, y] = pointAt(overlay, d.s_mm, d.n_mm);
        const half = (Math.max(MIN_MM, 1.6 * d.size_mm) / 2) * (overlay.px_per_mm ?? 20);
        const words = d.pinhole
          ? t("shared-fault-with-a-pinhole", { fault: faultWords(d.kind) })
          : faultWords(d.kind);
        return (
          <li key={`${d.kind}${String(d.s_mm)}`} className="w-28 text-xs">
            <svg
              viewBox={[x - half, y - half, 2 * half, 2 * half].join(" ")}
              role="img"
              aria-label={t("shared-at", { words, s_mm: measure(d.s_mm, "length", units) })}
              className="block aspect-square w-full rounded bg-base-300"
            >
              <image href={photo.url} width={photo.width_px} height={photo.height_px} />
            </svg>
            <p className="mt-0.5">
              <strong>
                {i + 1} {words}
              </strong>
              <br />
              {t(d.confidence < 0.7 ? "shared-size-at-doubtful" : "shared-size-at", {
                size: measure(d.size_mm, "length", units),
                at: measure(d.s_mm, "length", units),
              })}
            </p>
            {action?.(d)}
          </li>
        );
      })}
    </ol>
  );
}
