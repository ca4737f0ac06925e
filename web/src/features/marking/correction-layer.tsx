import { t } from "../../catalogue";
import { useRef, useState, type PointerEvent } from "react";
import type { Schemas } from "../../api/client";
import {
  dragged,
  frontStep,
  nearestTo,
  toeAt,
  toesOf,
  type Side,
  type Step,
  type Tool,
} from "./correction-shape";

type Props = {
  strip: Schemas["Strip"];
  overlay: Schemas["Overlay"];
  report: Schemas["Report"];
  tool: Tool;
  reach: number;
  fault: { kind: NonNullable<Step["kind"]>; size_mm: number };
  busy: boolean;
  correct: (step: Step) => void;
};
type Held = { side: Side; s: number; n: number };

const WORDS = t("marking-toes-and-ripple-fronts-to-be");

/** Toes and fronts over the strip; toes are dragged, fronts cut and joined, faults set by pointing. */
export function CorrectionLayer({ strip, overlay, report, tool, reach, fault, busy, correct }: Props) {
  const box = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<Held | null>(null);
  const toes = toesOf(overlay);
  if (!toes) return null;
  const fronts = report.ripple?.positions_mm ?? [];
  const hand = tool === "toe" ? "cursor-row-resize" : "cursor-crosshair";

  function place(event: PointerEvent): [number, number] {
    const area = box.current?.getBoundingClientRect();
    if (!area) return [0, 0];
    return [
      strip.from_mm + ((event.clientX - area.left) / area.width) * (strip.to_mm - strip.from_mm),
      ((event.clientY - area.top) / area.height - 0.5) * 2 * strip.half_height_mm,
    ];
  }
  function down(event: PointerEvent) {
    if (busy || !toes) return;
    const [s, n] = place(event);
    if (s < 0 || s > (report.bead?.length_mm ?? 0)) return;
    if (tool === "front") correct(frontStep(fronts, s));
    if (tool === "fault") correct({ step: "add_fault", ...fault, s_mm: s, n_mm: n });
    const side = tool === "toe" ? toeAt(toes, s, n) : null;
    if (side) {
      box.current?.setPointerCapture(event.pointerId);
      setHeld({ side, s, n: offsetsOf(side)[nearestTo(toes.s_mm, s)] ?? n });
    }
  }
  function move(event: PointerEvent) {
    if (held) setHeld({ ...held, n: place(event)[1] });
  }
  function up() {
    if (held) correct({ step: "move_toe", side: held.side, s_mm: held.s, n_mm: held.n, reach_mm: reach });
    setHeld(null);
  }
  const offsetsOf = (side: Side) => (side === "left" ? toes.left_n_mm : toes.right_n_mm);
  const lineOf = (side: Side) => {
    const offsets =
      held?.side === side ? dragged(toes.s_mm, offsetsOf(side), held.s, held.n, reach) : offsetsOf(side);
    return toes.s_mm.map((s, i) => `${s.toFixed(2)},${(offsets[i] ?? 0).toFixed(3)}`).join(" ");
  };
  const half = strip.half_height_mm;
  return (
    <svg
      ref={box}
      viewBox={`${String(strip.from_mm)} ${String(-half)} ${String(strip.to_mm - strip.from_mm)} ${String(2 * half)}`}
      preserveAspectRatio="none"
      className={["absolute inset-0 size-full touch-none", hand, busy ? "opacity-60" : ""].join(" ")}
      role="img"
      aria-label={WORDS}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={() => setHeld(null)}
    >
      {fronts.map((s) => (
        <line
          key={s}
          x1={s}
          x2={s}
          y1={-1.6}
          y2={1.6}
          stroke="#ffffff"
          strokeOpacity={tool === "front" ? 1 : 0.5}
          strokeWidth={1.5}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {(["left", "right"] as const).map((side) => (
        <polyline
          key={side}
          points={lineOf(side)}
          fill="none"
          stroke="#000000"
          strokeOpacity={0.6}
          strokeWidth={4}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {(["left", "right"] as const).map((side) => (
        <polyline
          key={side}
          points={lineOf(side)}
          fill="none"
          stroke="#00e5ff"
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}
