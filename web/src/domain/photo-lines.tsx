import { t } from "../catalogue";
import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import type { Schemas } from "../api/client";

export type Point = [number, number];
export type DrawnLine = { words: string; colour: string; ends: [Point, Point] };

export type Drawable = Pick<Schemas["Photo"], "url" | "width_px" | "height_px">;

type Props = {
  photo: Drawable;
  lines: DrawnLine[];
  change: (lines: DrawnLine[]) => void;
  label: string;
};

/** A photo with lines whose ends are dragged, or moved by arrow keys (Shift: further). */
export function PhotoLines({ photo, lines, change, label }: Props) {
  const box = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<[number, 0 | 1] | null>(null);
  const size = Math.max(photo.width_px, photo.height_px);

  function set(line: number, end: 0 | 1, [x, y]: Point) {
    const at: Point = [Math.min(photo.width_px, Math.max(0, x)), Math.min(photo.height_px, Math.max(0, y))];
    change(
      lines.map((l, i) => (i === line ? { ...l, ends: end === 0 ? [at, l.ends[1]] : [l.ends[0], at] } : l)),
    );
  }
  function move(event: PointerEvent) {
    const area = box.current?.getBoundingClientRect();
    if (!held || !area) return;
    set(...held, [
      ((event.clientX - area.left) / area.width) * photo.width_px,
      ((event.clientY - area.top) / area.height) * photo.height_px,
    ]);
  }
  function key(event: KeyboardEvent, line: number, end: 0 | 1) {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    const from = lines[line]?.ends[end];
    if (!by || !from) return;
    event.preventDefault();
    event.stopPropagation();
    const far = event.shiftKey ? size / 40 : size / 400;
    set(line, end, [from[0] + (by[0] ?? 0) * far, from[1] + (by[1] ?? 0) * far]);
  }
  return (
    <svg
      ref={box}
      viewBox={`0 0 ${String(photo.width_px)} ${String(photo.height_px)}`}
      role="group"
      aria-label={label}
      className="block w-full touch-none rounded-box bg-base-300"
      onPointerMove={move}
      onPointerUp={() => setHeld(null)}
      onPointerCancel={() => setHeld(null)}
    >
      <image href={photo.url} width={photo.width_px} height={photo.height_px} />
      {lines.map((line, i) => (
        <g key={line.words}>
          <line
            x1={line.ends[0][0]}
            y1={line.ends[0][1]}
            x2={line.ends[1][0]}
            y2={line.ends[1][1]}
            stroke="#000000"
            strokeOpacity={0.6}
            strokeWidth={6}
            vectorEffect="non-scaling-stroke"
          />
          <line
            x1={line.ends[0][0]}
            y1={line.ends[0][1]}
            x2={line.ends[1][0]}
            y2={line.ends[1][1]}
            stroke={line.colour}
            strokeWidth={3}
            vectorEffect="non-scaling-stroke"
          />
          {([0, 1] as const).map((end) => (
            <circle
              key={end}
              cx={line.ends[end][0]}
              cy={line.ends[end][1]}
              r={size / 34}
              fill={line.colour}
              fillOpacity={end === 0 ? 0.75 : 0.35}
              stroke="#000000"
              strokeWidth={1.5}
              vectorEffect="non-scaling-stroke"
              tabIndex={0}
              role="slider"
              aria-label={t(end === 0 ? "shared-first-end-of" : "shared-second-end-of", { line: line.words })}
              aria-valuenow={Math.round(line.ends[end][0])}
              aria-valuetext={t("shared-right-and-down", {
                right: Math.round(line.ends[end][0]),
                down: Math.round(line.ends[end][1]),
              })}
              className="cursor-move focus:outline-3 focus:outline-secondary"
              onPointerDown={(e) => {
                box.current?.setPointerCapture(e.pointerId);
                setHeld([i, end]);
              }}
              onKeyDown={(e) => key(e, i, end)}
            />
          ))}
        </g>
      ))}
    </svg>
  );
}

/** A line across a photo to begin with: from a share of its width and height to another. */
export function lineFrom(
  photo: { width_px: number; height_px: number },
  words: string,
  colour: string,
  from: Point,
  to: Point,
): DrawnLine {
  const at = ([x, y]: Point): Point => [x * photo.width_px, y * photo.height_px];
  return { words, colour, ends: [at(from), at(to)] };
}
