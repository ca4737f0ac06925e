import { tintLevels, tintWords } from "./words";

/** A tint level: swatch, number and name, never the colour alone. */
export function TintBadge({ level }: { level: number | null | undefined }) {
  if (level === null || level === undefined) return <span>–</span>;
  return (
    <span className="inline-flex items-center gap-1.5 whitespace-nowrap">
      <span
        className="size-4 rounded-sm border border-base-content/40"
        style={{ background: tintLevels[level]?.colour }}
        aria-hidden
      />
      {tintWords(level)}
    </span>
  );
}
