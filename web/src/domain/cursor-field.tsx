import { t } from "../catalogue";
import { useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from "react";
import { useCursor, useReadCursor, useSetCursor } from "../ui/cursor";
import { placeOn, type Axis } from "./track-frame";
import { measure } from "./units";
import { useUnits } from "./use-units";

const STEPS_MM: Record<string, number> = { ArrowLeft: -0.5, ArrowRight: 0.5, PageUp: 10, PageDown: -10 };

/** Whatever lies on one millimetre axis, with the cursor through it: by pointer anywhere, by arrow keys on its line. */
export function CursorField({ axis, length, children }: { axis: Axis; length: number; children: ReactNode }) {
  const box = useRef<HTMLDivElement>(null);
  const setCursor = useSetCursor();
  const cursor = useReadCursor();

  function point(event: PointerEvent) {
    const area = box.current?.getBoundingClientRect();
    if (!area) return;
    const s = axis.from_mm + ((event.clientX - area.left) / area.width) * (axis.to_mm - axis.from_mm);
    setCursor(Math.min(length, Math.max(0, s)));
  }
  function key(event: KeyboardEvent) {
    const step = STEPS_MM[event.key];
    if (step === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    setCursor(Math.min(length, Math.max(0, (cursor() ?? 0) + step)));
  }
  return (
    <div ref={box} className="relative touch-pan-y" onPointerMove={point} onPointerDown={point}>
      {children}
      <CursorLine span={axis} length={length} onKeyDown={key} />
    </div>
  );
}

function CursorLine({
  span,
  length,
  onKeyDown,
}: {
  span: Axis;
  length: number;
  onKeyDown: (e: KeyboardEvent) => void;
}) {
  const s = useCursor();
  const units = useUnits();
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={t("shared-place-along-the-bead")}
      aria-valuemin={0}
      aria-valuemax={Math.round(length * 10) / 10}
      aria-valuenow={Math.round((s ?? 0) * 10) / 10}
      aria-valuetext={measure(s ?? 0, "length", units)}
      onKeyDown={onKeyDown}
      className={`pointer-events-none absolute inset-y-0 w-0.5 bg-error ${s === null ? "opacity-40" : ""}`}
      style={{ left: placeOn(span, s ?? 0, 0).left }}
    />
  );
}
