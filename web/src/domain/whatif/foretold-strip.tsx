import type { Schemas } from "../../api/client";
import { t } from "../../catalogue";
import { tintLevels, tintWords } from "../words";

const ROOM_MM = 1;
/** mm between two ripples as they are drawn: a drawing, not a claim. */
const RIPPLE_MM = 2.2;
const GREY_LEVEL = 7;

type Props = { bead: Schemas["ForetoldBead"]; length: number };

/**
 * The bead that would come, drawn to scale in its tint: wider towards the end, with the zone beside
 * it and what greys at the end.
 */
export function ForetoldStrip({ bead, length }: Props) {
  const zone = bead.zone_mm?.value ?? 0;
  const [from, to] = [bead.width_mm.value, bead.width_end_mm.value];
  const tall = Math.max(from, to) + 2 * zone + 2 * ROOM_MM;
  const middle = tall / 2;
  const colour = (level: number | undefined) =>
    level === undefined ? "currentColor" : tintLevels[level]?.colour;
  const grey = Math.min(bead.grey_end_mm?.value ?? 0, length);
  const outline = [
    [0, middle - from / 2],
    [length, middle - to / 2],
    [length, middle + to / 2],
    [0, middle + from / 2],
  ]
    .map((point) => point.join(","))
    .join(" ");
  const ripples = Array.from({ length: Math.floor(length / RIPPLE_MM) }, (_, k) => (k + 1) * RIPPLE_MM);
  const words = bead.tint_bead ? tintWords(bead.tint_bead.level) : "";
  return (
    <svg
      role="img"
      aria-label={t("whatif-drawn", { tint: words })}
      viewBox={[-1, 0, length + 2, tall].join(" ")}
      className="w-full rounded-field bg-base-200"
    >
      <defs>
        <linearGradient id="zone-above" x1="0" x2="0" y1="1" y2="0">
          <stop offset="0" stopColor={colour(bead.tint_zone?.level)} stopOpacity={bead.tint_zone ? 0.9 : 0} />
          <stop offset="1" stopColor={colour(bead.tint_zone?.level)} stopOpacity={0} />
        </linearGradient>
        <linearGradient id="zone-below" x1="0" x2="0" y1="0" y2="1">
          <stop offset="0" stopColor={colour(bead.tint_zone?.level)} stopOpacity={bead.tint_zone ? 0.9 : 0} />
          <stop offset="1" stopColor={colour(bead.tint_zone?.level)} stopOpacity={0} />
        </linearGradient>
      </defs>
      <rect x={0} width={length} y={middle - from / 2 - zone} height={zone} fill="url(#zone-above)" />
      <rect x={0} width={length} y={middle + from / 2} height={zone} fill="url(#zone-below)" />
      <polygon
        points={outline}
        fill={colour(bead.tint_bead?.level)}
        stroke="black"
        strokeOpacity={0.5}
        strokeWidth={0.2}
        strokeLinejoin="round"
      />
      {grey > 0 && (
        <rect
          x={length - grey}
          width={grey}
          y={middle - to / 2}
          height={to}
          fill={colour(GREY_LEVEL)}
          fillOpacity={0.9}
        />
      )}
      {ripples.map((s) => {
        const half = (from + ((to - from) * s) / length) / 2;
        const [back, front] = [s - half / 2, s + half / 2].map(String);
        const [above, below] = [middle - half, middle + half].map(String);
        return (
          <path
            key={s}
            d={`M ${back} ${above} Q ${front} ${String(middle)} ${back} ${below}`}
            fill="none"
            stroke="black"
            strokeOpacity={0.35}
            strokeWidth={0.2}
          />
        );
      })}
    </svg>
  );
}
