import { drawings } from "./preparation-shapes";

/** How a step of the preparation looks, as a small line drawing; its words stand beside it. */
export function PreparationDrawing({ step }: { step: string }) {
  const drawing = drawings[step];
  if (!drawing) return null;
  return (
    <svg viewBox="0 0 96 60" aria-hidden className="w-28 shrink-0">
      {drawing.metal && (
        <path d={drawing.metal} className="fill-base-300 stroke-base-content" strokeWidth={1.4} />
      )}
      {drawing.tool && <path d={drawing.tool} className="fill-none stroke-primary" strokeWidth={2.2} />}
      {drawing.touch && <path d={drawing.touch} className="fill-none stroke-accent" strokeWidth={2.6} />}
    </svg>
  );
}
