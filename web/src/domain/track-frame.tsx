export type Axis = { from_mm: number; to_mm: number };

/** Where on an axis a stretch lies, as CSS. */
export const placeOn = (axis: Axis, from: number, to: number) => {
  const whole = axis.to_mm - axis.from_mm;
  return {
    left: `${String(((from - axis.from_mm) / whole) * 100)}%`,
    width: `${String(((to - from) / whole) * 100)}%`,
  };
};

export function TrackName({ words }: { words: string }) {
  return (
    <span className="pointer-events-none absolute top-0 left-1 z-10 rounded bg-base-100/80 px-1 text-xs">
      {words}
    </span>
  );
}
