import { useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from "react";
import type { Schemas } from "../api/client";
import { useCursor, useReadCursor, useSetCursor } from "./cursor";
import { Ruler, Strip } from "./strip";
import { faultMarks, gapsOf, linePath, tintRuns, valueAt } from "./track-shapes";
import { measure, type Units } from "./units";
import { defectWords, tintColours, tintNames } from "./words";

type Report = Schemas["Report"];
type Props = { strip: Schemas["Strip"]; report: Report; units: Units };

const HEIGHT = 40;

/** The strip and, on the same millimetre axis, its tracks, with one cursor through all of them. */
export function StripWithTracks({ strip, report, units }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const setCursor = useSetCursor();
  const cursor = useReadCursor();
  const length = report.bead?.length_mm ?? 0;

  function point(event: PointerEvent) {
    const area = box.current?.getBoundingClientRect();
    if (!area) return;
    const s = strip.from_mm + ((event.clientX - area.left) / area.width) * (strip.to_mm - strip.from_mm);
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
    <div>
      <Reading report={report} units={units} />
      <div ref={box} className="relative touch-pan-y" onPointerMove={point} onPointerDown={point}>
        <Strip strip={strip} label={`Bead straightened, ${measure(length, "length", units)} long`} />
        {(report.defects ?? []).length > 0 && <FaultTrack defects={report.defects ?? []} span={strip} />}
        <Track words="Width" span={strip}><WidthTrack report={report} /></Track>
        <Track words={report.ripple ? "Ripple gaps" : "No distinct ripples"} span={strip}><GapTrack report={report} /></Track>
        <TintTrack report={report} span={strip} />
        <CursorLine span={strip} length={length} onKeyDown={key} />
      </div>
      <Ruler fromMm={strip.from_mm} toMm={strip.to_mm} />
    </div>
  );
}

function Track({ words, span, children }: { words: string; span: Schemas["Strip"]; children: ReactNode }) {
  return (
    <div className="relative border-t border-base-300 bg-base-100">
      <TrackName words={words} />
      <svg viewBox={`${String(span.from_mm)} 0 ${String(span.to_mm - span.from_mm)} ${String(HEIGHT)}`} preserveAspectRatio="none" className="block h-14 w-full" aria-hidden>
        {children}
      </svg>
    </div>
  );
}

function WidthTrack({ report }: { report: Report }) {
  if (!report.bead || !report.profile) return null;
  const { mean } = report.bead.width_mm;
  const [low, high] = [mean * 0.7, mean * 1.3];
  const y = (v: number) => HEIGHT - ((v - low) / (high - low)) * HEIGHT;
  const { s_mm, width_mm } = report.profile;
  const [first, last] = [s_mm[0] ?? 0, s_mm.at(-1) ?? 0];
  return (
    <>
      <rect x={first} width={last - first} y={y(mean * 1.1)} height={y(mean * 0.9) - y(mean * 1.1)} className="fill-accent/30" />
      <rect x={first} width={last - first} y={y(mean * 1.06)} height={y(mean * 0.94) - y(mean * 1.06)} className="fill-accent/50" />
      <path d={linePath(s_mm, width_mm, low, high, HEIGHT)} fill="none" className="stroke-primary" strokeWidth={2} vectorEffect="non-scaling-stroke" />
    </>
  );
}

function GapTrack({ report }: { report: Report }) {
  if (!report.ripple) return null;
  const { gaps, median } = gapsOf(report.ripple.positions_mm);
  const y = (gap: number) => HEIGHT - Math.min(1, gap / (2.2 * median)) * HEIGHT;
  return (
    <>
      <rect x={gaps[0]?.from ?? 0} width={(gaps.at(-1)?.to ?? 0) - (gaps[0]?.from ?? 0)} y={y(1.5 * median)} height={y(0.6 * median) - y(1.5 * median)} className="fill-accent/30" />
      {gaps.map((g) => (
        <rect key={g.from} x={g.from + 0.1} width={Math.max(0.2, g.to - g.from - 0.2)} y={y(g.size)} height={HEIGHT - y(g.size)} className={g.lapse ? "fill-error" : "fill-primary/70"} />
      ))}
    </>
  );
}

/** Faults as pins at their place; a long one as a bar over its stretch. */
function FaultTrack({ defects, span }: { defects: Schemas["Defect"][]; span: Schemas["Strip"] }) {
  const whole = span.to_mm - span.from_mm;
  return (
    <div className="relative h-12 border-t border-base-300 bg-base-100">
      <TrackName words="Faults" />
      {faultMarks(defects).map((mark) => (
        <span key={`${mark.kind}${String(mark.from)}`} className="absolute bottom-1" style={{ left: `${String(((mark.from - span.from_mm) / whole) * 100)}%`, width: `${String(((mark.to - mark.from) / whole) * 100)}%` }}>
          <span className="block text-center text-xs leading-none whitespace-nowrap">{defectWords[mark.kind] ?? mark.kind}</span>
          <span className="mt-0.5 block h-2 min-w-1.5 rounded-sm bg-error" />
        </span>
      ))}
    </div>
  );
}

/** The tint ribbon: colour, level number and, where there is room, the name. */
function TintTrack({ report, span }: { report: Report; span: Schemas["Strip"] }) {
  const whole = span.to_mm - span.from_mm;
  const share = (mm: number) => `${String((mm / whole) * 100)}%`;
  return (
    <div className="relative h-12 border-t border-base-300 bg-base-100">
      <TrackName words="Heat tint" />
      {report.tint && report.bead && tintRuns(report.tint.along, report.bead.length_mm).map((run) => (
        <span
          key={run.from}
          className="absolute bottom-0 top-4 grid place-items-center overflow-hidden whitespace-nowrap text-xs font-bold text-white [text-shadow:0_0_3px_#000,0_0_3px_#000,0_0_2px_#000]"
          style={{ left: share(run.from - span.from_mm), width: share(run.to - run.from), background: tintColours[run.level] }}
        >
          {(run.to - run.from) / whole > 0.13 ? `${String(run.level)} ${tintNames[run.level] ?? ""}` : (run.to - run.from) / whole > 0.02 ? run.level : ""}
        </span>
      ))}
    </div>
  );
}

function TrackName({ words }: { words: string }) {
  return <span className="pointer-events-none absolute left-1 top-0 z-10 rounded bg-base-100/80 px-1 text-xs">{words}</span>;
}

function CursorLine({ span, length, onKeyDown }: { span: Schemas["Strip"]; length: number; onKeyDown: (e: KeyboardEvent) => void }) {
  const s = useCursor();
  const left = (((s ?? 0) - span.from_mm) / (span.to_mm - span.from_mm)) * 100;
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
      className={`absolute inset-y-0 w-0.5 bg-error ${s === null ? "opacity-40" : ""}`}
      style={{ left: `${String(left)}%` }}
    />
  );
}

/** What stands at the cursor, in figures. */
function Reading({ report, units }: { report: Report; units: Units }) {
  const s = useCursor();
  const width = s === null || !report.profile ? null : valueAt(report.profile.s_mm, report.profile.width_mm, s);
  const level = s === null ? undefined : report.tint?.along[Math.min(Math.floor(s), report.tint.along.length - 1)];
  return (
    <p className="h-6 text-sm">
      {s === null
        ? "Move along the strip, or use the arrow keys on the red line."
        : `At ${measure(s, "length", units)}: width ${measure(width, "length", units, units.length === "mm" ? 2 : 0)}${level === undefined ? "" : `, tint ${String(level)} ${tintNames[level] ?? ""}`}`}
    </p>
  );
}
