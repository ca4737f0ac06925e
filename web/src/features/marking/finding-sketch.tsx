/** Where each finding is measured, drawn on a fillet's section or a flat sheet; numbered lines of one's own. */

const lines: Record<string, { shape: string; mark: string }> = {
  leg_upper_mm: { shape: "fillet", mark: "M36 60 V30" },
  leg_lower_mm: { shape: "fillet", mark: "M40 64 H70" },
  throat_mm: { shape: "fillet", mark: "M40 60 L55 45" },
  face: { shape: "fillet", mark: "M40 30 L70 60" },
  back: { shape: "butt", mark: "M42 46 Q50 54 58 46" },
  distortion_mm: { shape: "bow", mark: "M50 62 V44" },
  distortion_deg: { shape: "turned", mark: "M62 60 A22 22 0 0 0 58 45" },
  bend: { shape: "bent", mark: "M46 34 Q50 30 54 34" },
};
const shapes: Record<string, string> = {
  fillet: "M32 8 H40 V60 H92 V68 H8 V60 H32 Z M40 30 L70 60",
  butt: "M8 36 H48 V46 H8 Z M52 36 H92 V46 H52 Z M44 36 Q50 28 56 36",
  bow: "M8 62 Q50 26 92 62 M8 64 H92",
  turned: "M8 60 H92 V66 H8 Z M40 60 L52 14 L58 16 L46 60 Z",
  bent: "M14 66 L44 34 Q50 28 56 34 L86 66",
};

export function FindingSketch({ of }: { of: string }) {
  const one = lines[of];
  if (!one) return null;
  return (
    <svg viewBox="0 0 100 76" className="h-14 w-20 shrink-0" aria-hidden>
      <path d={shapes[one.shape]} className="fill-base-300 stroke-base-content" strokeWidth={1.5} />
      <path d={one.mark} className="fill-none stroke-error" strokeWidth={3} />
    </svg>
  );
}
