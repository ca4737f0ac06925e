import type { ReactNode } from "react";
import type { Schemas } from "../api/client";
import { faultMarks, gapsOf, linePath, tintRuns } from "./track-shapes";
import { defectWords, tintColours, tintNames } from "./words";

type Report = Schemas["Report"];
export type Axis = { from_mm: number; to_mm: number };

const HEIGHT = 40;
const fills = { even: "fill-primary/70", lapse: "fill-error", unseen: "fill-base-300" };

/** Where on an axis a stretch lies, as CSS. */
export const placeOn = (axis: Axis, from: number, to: number) => {
  const whole = axis.to_mm - axis.from_mm;
  return {
    left: `${String(((from - axis.from_mm) / whole) * 100)}%`,
    width: `${String(((to - from) / whole) * 100)}%`,
  };
};

export function Track({ words, span, children }: { words: string; span: Axis; children: ReactNode }) {
  return (
    <div className="relative border-t border-base-300 bg-base-100">
      <TrackName words={words} />
      <svg
        viewBox={`${String(span.from_mm)} 0 ${String(span.to_mm - span.from_mm)} ${String(HEIGHT)}`}
        preserveAspectRatio="none"
        className="block h-14 w-full"
        aria-hidden
      >
        {children}
      </svg>
    </div>
  );
}

/** Width along the bead with the band of an even one; between `limits` mm where two are compared. */
export function WidthTrack({
  report,
  limits,
  second = false,
}: {
  report: Report;
  limits?: [number, number];
  second?: boolean;
}) {
  if (!report.bead || !report.profile) return null;
  const { mean } = report.bead.width_mm;
  const [low, high] = limits ?? [mean * 0.7, mean * 1.3];
  const y = (v: number) => HEIGHT - ((v - low) / (high - low)) * HEIGHT;
  const { s_mm, width_mm } = report.profile;
  const [first, last] = [s_mm[0] ?? 0, s_mm.at(-1) ?? 0];
  return (
    <>
      {!second && (
        <rect
          x={first}
          width={last - first}
          y={y(mean * 1.1)}
          height={y(mean * 0.9) - y(mean * 1.1)}
          className="fill-accent/30"
        />
      )}
      {!second && (
        <rect
          x={first}
          width={last - first}
          y={y(mean * 1.06)}
          height={y(mean * 0.94) - y(mean * 1.06)}
          className="fill-accent/50"
        />
      )}
      <path
        d={linePath(s_mm, width_mm, low, high, HEIGHT)}
        fill="none"
        className={second ? "stroke-secondary" : "stroke-primary"}
        strokeDasharray={second ? "7 3" : undefined}
        strokeWidth={2}
        vectorEffect="non-scaling-stroke"
      />
    </>
  );
}

export function GapTrack({ report }: { report: Report }) {
  if (!report.ripple) return null;
  const { gaps, median } = gapsOf(report.ripple.positions_mm, report.ripple.lapses_mm);
  const y = (gap: number) => HEIGHT - Math.min(1, gap / (2.2 * median)) * HEIGHT;
  return (
    <>
      <rect
        x={gaps[0]?.from ?? 0}
        width={(gaps.at(-1)?.to ?? 0) - (gaps[0]?.from ?? 0)}
        y={y(1.5 * median)}
        height={y(0.6 * median) - y(1.5 * median)}
        className="fill-accent/30"
      />
      {gaps.map((g) => (
        <rect
          key={g.from}
          x={g.from + 0.1}
          width={Math.max(0.2, g.to - g.from - 0.2)}
          y={y(g.size)}
          height={HEIGHT - y(g.size)}
          className={fills[g.kind]}
        />
      ))}
    </>
  );
}

/** Faults as pins at their place; a long one as a bar over its stretch. */
export function FaultTrack({ defects, span }: { defects: Schemas["Defect"][]; span: Axis }) {
  return (
    <div className="relative h-12 border-t border-base-300 bg-base-100">
      <TrackName words="Faults" />
      {faultMarks(defects).map((mark, i) => (
        <span
          key={`${mark.kind}${String(mark.from)}`}
          className="absolute bottom-1"
          style={placeOn(span, mark.from, mark.to)}
        >
          <span className="flex justify-center text-xs leading-none whitespace-nowrap">
            {i + 1} {defectWords[mark.kind] ?? mark.kind}
          </span>
          <span className="mt-0.5 block h-2 min-w-1.5 rounded-sm bg-error" />
        </span>
      ))}
    </div>
  );
}

/** The tint ribbon: colour, level number and, where there is room, the name. */
export function TintTrack({ report, span }: { report: Report; span: Axis }) {
  const whole = span.to_mm - span.from_mm;
  return (
    <div className="relative h-12 border-t border-base-300 bg-base-100">
      <TrackName words="Heat tint" />
      {report.tint &&
        report.bead &&
        tintRuns(report.tint.along, report.bead.length_mm).map((run) => (
          <span
            key={run.from}
            className="absolute top-4 bottom-0 grid place-items-center overflow-hidden text-xs font-bold whitespace-nowrap text-white [text-shadow:0_0_3px_#000,0_0_3px_#000,0_0_2px_#000]"
            style={{ ...placeOn(span, run.from, run.to), background: tintColours[run.level] }}
          >
            {(run.to - run.from) / whole > 0.13
              ? `${String(run.level)} ${tintNames[run.level] ?? ""}`
              : (run.to - run.from) / whole > 0.02
                ? run.level
                : ""}
          </span>
        ))}
    </div>
  );
}

function TrackName({ words }: { words: string }) {
  return (
    <span className="pointer-events-none absolute top-0 left-1 z-10 rounded bg-base-100/80 px-1 text-xs">
      {words}
    </span>
  );
}
