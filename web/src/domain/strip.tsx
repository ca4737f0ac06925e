import type { Schemas } from "../api/client";
import { rulerOf } from "./units";
import { useUnits } from "./use-units";

type StripPlace = Schemas["Strip"];

/** Left free at the end of a ruler for its unit, mm. */
const ROOM_MM = 14;

export const spanOf = (strip: StripPlace) => strip.to_mm - strip.from_mm;

/** The bead straightened and to scale: `perMm` CSS pixels a millimetre, or the given share of its box's width. */
export function Strip({
  strip,
  perMm,
  share = 1,
  label,
}: {
  strip: StripPlace;
  perMm?: number;
  share?: number;
  label: string;
}) {
  const mm = spanOf(strip);
  const tall = 2 * strip.half_height_mm;
  const size = perMm
    ? { width: mm * perMm, height: tall * perMm }
    : { width: `${String(share * 100)}%`, aspectRatio: `${String(mm)} / ${String(tall)}` };
  return (
    <img
      src={strip.url}
      alt={label}
      style={size}
      className="block max-w-none bg-base-300 object-fill"
      loading="lazy"
      draggable={false}
    />
  );
}

/** A ruler for strips drawn at `perMm`, in the person's unit: centimetres counted in mm, or half inches. */
export function Ruler({ fromMm, toMm }: { fromMm: number; toMm: number }) {
  const units = useUnits();
  const { every, label, name } = rulerOf(units);
  const ticks = Array.from({ length: Math.floor((toMm - ROOM_MM) / every) + 1 }, (_, i) => i * every);
  const share = (s: number) => `${String(((s - fromMm) / (toMm - fromMm)) * 100)}%`;
  return (
    <div className="relative h-5 border-t border-base-content/50 text-xs" aria-hidden>
      {ticks.map((s) => (
        <span
          key={s}
          className="absolute top-0 border-l border-base-content/50 pl-1"
          style={{ left: share(s) }}
        >
          {label(s)}
        </span>
      ))}
      <span className="absolute top-0 right-0 pr-1">{name}</span>
    </div>
  );
}
