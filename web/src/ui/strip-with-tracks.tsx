import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from "react";
import type { Schemas } from "../api/client";
import { useCursor, useReadCursor, useSetCursor } from "./cursor";
import { Ruler, spanOf, Strip } from "./strip";
import { valueAt } from "./track-shapes";
import { FaultTrack, GapTrack, placeOn, TintTrack, Track, WidthTrack } from "./tracks";
import { measure, type Units } from "./units";
import { tintNames } from "./words";

type Report = Schemas["Report"];
type Props = {
  strip: Schemas["Strip"];
  report: Report;
  overlay?: Schemas["Overlay"] | null;
  units: Units;
  children?: ReactNode;
};

const SIZES = { fit: "whole bead", twice: "2 ×", four: "4 ×", true: "true size" } as const;
type Size = keyof typeof SIZES;

const widthOf = (size: Size, mm: number) =>
  size === "true" ? `${String(mm)}mm` : { fit: "100%", twice: "200%", four: "400%" }[size];

/** The strip and, on the same millimetre axis, its tracks, with one cursor through all of them. `children` lie on the strip. */
export function StripWithTracks({ strip, report, overlay, units, children }: Props) {
  const [size, setSize] = useState<Size>("fit");
  const length = report.bead?.length_mm ?? 0;
  return (
    <div>
      <div className="flex flex-wrap items-center justify-between gap-x-3">
        <Reading report={report} units={units} />
        <div className="join" role="group" aria-label="Size of the strip">
          {(Object.keys(SIZES) as Size[]).map((s) => (
            <button
              key={s}
              className={`btn join-item btn-xs ${s === size ? "btn-active" : ""}`}
              aria-pressed={s === size}
              onClick={() => {
                setSize(s);
              }}
            >
              {SIZES[s]}
            </button>
          ))}
        </div>
      </div>
      <div
        className="overflow-x-auto"
        tabIndex={size === "fit" ? undefined : 0}
        role={size === "fit" ? undefined : "group"}
        aria-label={size === "fit" ? undefined : "Strip, scrolled sideways"}
      >
        <div style={{ width: widthOf(size, spanOf(strip)) }}>
          <CursorField axis={strip} length={length}>
            <div className="relative">
              <Strip strip={strip} label={`Bead straightened, ${measure(length, "length", units)} long`} />
              {(overlay?.unsure_mm ?? []).map(([from = 0, to = 0]) => (
                <Unsure key={from} axis={strip} from={from} to={to} />
              ))}
              {children}
            </div>
            {(report.defects ?? []).length > 0 && <FaultTrack defects={report.defects ?? []} span={strip} />}
            <Track words="Width" span={strip}>
              <WidthTrack report={report} />
            </Track>
            <Track words={report.ripple ? "Ripple gaps" : "No distinct ripples"} span={strip}>
              <GapTrack report={report} />
            </Track>
            <TintTrack report={report} span={strip} />
          </CursorField>
          <Ruler fromMm={strip.from_mm} toMm={strip.to_mm} />
        </div>
      </div>
    </div>
  );
}

/** Hatched where a toe stood out so little that it may lie elsewhere. */
function Unsure({ axis, from, to }: { axis: Schemas["Strip"]; from: number; to: number }) {
  const hatch =
    "repeating-linear-gradient(135deg, rgb(255 255 255 / 0.75) 0 2px, rgb(0 0 0 / 0.55) 2px 4px, transparent 4px 11px)";
  return (
    <span
      className="absolute inset-y-0"
      style={{ ...placeOn(axis, from, to), background: hatch }}
      title="Unsure here: the toes hardly stand out"
    >
      <span className="absolute bottom-0 left-0 bg-black/70 px-1 text-xs text-white">unsure</span>
    </span>
  );
}

/** Whatever lies on one millimetre axis, with the cursor through it: by pointer anywhere, by arrow keys on its line. */
export function CursorField({
  axis,
  length,
  children,
}: {
  axis: { from_mm: number; to_mm: number };
  length: number;
  children: ReactNode;
}) {
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
    const step = { ArrowLeft: -0.5, ArrowRight: 0.5, PageUp: 10, PageDown: -10 }[event.key];
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
  span: { from_mm: number; to_mm: number };
  length: number;
  onKeyDown: (e: KeyboardEvent) => void;
}) {
  const s = useCursor();
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label="Place along the bead"
      aria-valuemin={0}
      aria-valuemax={Math.round(length * 10) / 10}
      aria-valuenow={Math.round((s ?? 0) * 10) / 10}
      aria-valuetext={`${(s ?? 0).toFixed(1)} mm`}
      onKeyDown={onKeyDown}
      className={`pointer-events-none absolute inset-y-0 w-0.5 bg-error ${s === null ? "opacity-40" : ""}`}
      style={{ left: placeOn(span, s ?? 0, 0).left }}
    />
  );
}

/** What stands at the cursor, in figures. */
function Reading({ report, units }: { report: Report; units: Units }) {
  const s = useCursor();
  const width =
    s === null || !report.profile ? null : valueAt(report.profile.s_mm, report.profile.width_mm, s);
  const level =
    s === null ? undefined : report.tint?.along[Math.min(Math.floor(s), report.tint.along.length - 1)];
  return (
    <p className="min-h-6 text-sm">
      {s === null
        ? "Move along the strip; arrow keys work too."
        : `At ${measure(s, "length", units)}: width ${measure(width, "length", units, units.length === "mm" ? 2 : 0)}${level === undefined ? "" : `, tint ${String(level)} ${tintNames[level] ?? ""}`}`}
    </p>
  );
}
