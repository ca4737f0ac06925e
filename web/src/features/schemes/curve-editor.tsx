import { t } from "../../catalogue";
import { useRef, useState, type PointerEvent } from "react";
import { reachOf } from "../../ui/curve";
import { movedPoint } from "./scheme-shape";

type Props = { curve: number[][]; words: string; unit: string; change: (curve: number[][]) => void };

const [WIDE, TALL, ROOM] = [220, 90, 8];
const MOST = 10;

/** A curve whose points are dragged, or typed below it. */
export function CurveEditor({ curve, words, unit, change }: Props) {
  const drawing = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<number | null>(null);
  // The scale stays while a point is dragged to its end.
  const [reach, setReach] = useState(() => reachOf(curve) * 1.15);
  const x = (v: number) => ROOM + (v / reach) * (WIDE - 2 * ROOM);
  const y = (score: number) => TALL - ROOM - (score / MOST) * (TALL - 2 * ROOM);
  const drag = (event: PointerEvent) => {
    const box = drawing.current?.getBoundingClientRect();
    if (held === null || !box) return;
    const px = ((event.clientX - box.left) / box.width) * WIDE;
    const py = ((event.clientY - box.top) / box.height) * TALL;
    const figure = ((px - ROOM) / (WIDE - 2 * ROOM)) * reach;
    change(movedPoint(curve, held, figure, ((TALL - ROOM - py) / (TALL - 2 * ROOM)) * MOST));
  };
  const drop = () => {
    setHeld(null);
    setReach(reachOf(curve) * 1.15);
  };
  const first = curve[0] ?? [0, 0];
  const last = curve.at(-1) ?? [0, 0];
  const line = [[0, first[1] ?? 0], ...curve, [reach, last[1] ?? 0]];
  return (
    <div className="flex flex-wrap items-start gap-3">
      <svg
        ref={drawing}
        viewBox={[0, 0, WIDE, TALL].join(" ")}
        className="h-24 w-60 touch-none rounded border border-base-300 bg-base-100"
        role="img"
        aria-label={t("schemes-curve-of-its-points-are-typed", { words })}
        onPointerMove={drag}
        onPointerUp={drop}
        onPointerLeave={drop}
      >
        <polyline
          points={line.map(([f = 0, score = 0]) => `${String(x(f))},${String(y(score))}`).join(" ")}
          className="fill-none stroke-primary"
          strokeWidth={2}
        />
        {curve.map(([f = 0, score = 0], i) => (
          <circle
            key={i}
            cx={x(f)}
            cy={y(score)}
            r={6}
            className="cursor-grab fill-secondary"
            onPointerDown={(e) => {
              e.currentTarget.ownerSVGElement?.setPointerCapture(e.pointerId);
              setHeld(i);
            }}
          />
        ))}
      </svg>
      <Points {...{ curve, words, unit, change }} />
    </div>
  );
}

function Points({ curve, words, unit, change }: Props) {
  return (
    <ol className="space-y-1 text-sm">
      {curve.map(([figure = 0, score = 0], i) => (
        <li key={i} className="flex items-center gap-1">
          <Typed
            label={t("schemes-point-figure", { words, i: i + 1, unit })}
            value={figure}
            set={(v) => change(movedPoint(curve, i, v, score))}
          />
          <span aria-hidden>→</span>
          <Typed
            label={t("schemes-point-score", { words, i: i + 1 })}
            value={score}
            set={(v) => change(movedPoint(curve, i, figure, v))}
          />
          {curve.length > 2 && (
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              aria-label={t("schemes-remove-point", { words, i: i + 1 })}
              onClick={() => change(curve.filter((_, k) => k !== i))}
            >
              ×
            </button>
          )}
        </li>
      ))}
    </ol>
  );
}

/** A figure that is taken over when one is done typing it. */
function Typed({ label, value, set }: { label: string; value: number; set: (value: number) => void }) {
  return (
    <input
      key={value}
      className="input w-16 input-xs"
      inputMode="decimal"
      aria-label={label}
      defaultValue={String(value)}
      onBlur={(e) => {
        const typed = Number(e.target.value.replace(",", "."));
        if (Number.isFinite(typed) && typed !== value) set(typed);
      }}
    />
  );
}
