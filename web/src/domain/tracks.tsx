import { t } from "../catalogue";
import type { ReactNode } from "react";
import type { Schemas } from "../api/client";
import { vocabulary } from "../api/generated-vocabulary";
import { placeOn, TrackName, type Axis } from "./track-frame";
import { faultMarks, gapsOf, linePath, tintRuns, widthLimits } from "./track-shapes";
import { faultWords, tintLevels, tintWords } from "./words";

type Report = Schemas["Report"];

const HEIGHT = 40;
const fills = { even: "fill-primary/70", lapse: "fill-error", unseen: "fill-base-300" };
/** Shares of the whole strip under which a run of tint has no room for its name, and for its number. */
const ROOM_FOR_NAME = 0.13;
const ROOM_FOR_NUMBER = 0.02;
/** Gaps are drawn to this many medians. */
const TALLEST_GAP = 2.2;

export function Track({ words, span, children }: { words: string; span: Axis; children: ReactNode }) {
  const box = [span.from_mm, 0, span.to_mm - span.from_mm, HEIGHT].join(" ");
  return (
    <div className="relative border-t border-base-300 bg-base-100">
      <TrackName words={words} />
      <svg viewBox={box} preserveAspectRatio="none" className="block h-11 w-full" aria-hidden>
        {children}
      </svg>
    </div>
  );
}

type WidthProps = {
  report: Report;
  /** The widths the card allows, mm, drawn as a band where there are any. */
  asked?: [low: number, high: number] | undefined;
  /** Lowest and highest width drawn, mm, where two beads share a track. */
  limits?: [low: number, high: number];
  second?: boolean;
};

/** Width along the bead, its mean as a thin line, and the widths that the card asks for. */
export function WidthTrack({ report, asked, limits, second = false }: WidthProps) {
  if (!report.bead || !report.profile) return null;
  const { mean } = report.bead.width_mm;
  const { s_mm, width_mm } = report.profile;
  const [low, high] = limits ?? widthLimits(mean, width_mm, asked);
  const y = (v: number) => HEIGHT - ((Math.min(high, Math.max(low, v)) - low) / (high - low)) * HEIGHT;
  const [first, last] = [s_mm[0] ?? 0, s_mm.at(-1) ?? 0];
  const thin = { strokeWidth: 1, vectorEffect: "non-scaling-stroke" } as const;
  return (
    <>
      {asked && (
        <rect
          x={first}
          width={last - first}
          y={y(asked[1])}
          height={Math.max(0.5, y(asked[0]) - y(asked[1]))}
          className="fill-accent/40"
        />
      )}
      {!second && (
        <line x1={first} x2={last} y1={y(mean)} y2={y(mean)} className="stroke-base-content/50" {...thin} />
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

/** Gaps between fronts; the band holds those that are no lapse. */
export function GapTrack({ report }: { report: Report }) {
  if (!report.ripple) return null;
  const { gaps, median } = gapsOf(report.ripple.positions_mm, report.ripple.lapses_mm);
  const y = (gap: number) => HEIGHT - Math.min(1, gap / (TALLEST_GAP * median)) * HEIGHT;
  const { long, short } = vocabulary.lapse;
  return (
    <>
      <rect
        x={gaps[0]?.from ?? 0}
        width={(gaps.at(-1)?.to ?? 0) - (gaps[0]?.from ?? 0)}
        y={y(long * median)}
        height={y(short * median) - y(long * median)}
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
    <div className="relative h-10 border-t border-base-300 bg-base-100">
      <TrackName words={t("common-faults")} />
      {faultMarks(defects).map((mark, i) => (
        <span
          key={`${mark.kind}${String(mark.from)}`}
          className="absolute bottom-1"
          style={placeOn(span, mark.from, mark.to)}
        >
          <span className="flex justify-center text-xs leading-none whitespace-nowrap">
            {i + 1} {faultWords(mark.kind)}
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
  const runs = report.tint && report.bead ? tintRuns(report.tint.along, report.bead.length_mm) : [];
  return (
    <div className="relative h-10 border-t border-base-300 bg-base-100">
      <TrackName words={t("common-heat-tint")} />
      {runs.map((run) => {
        const share = (run.to - run.from) / whole;
        return (
          <span
            key={run.from}
            className="tint-run absolute top-4 bottom-0 grid place-items-center overflow-hidden text-xs font-bold"
            style={{ ...placeOn(span, run.from, run.to), background: tintLevels[run.level]?.colour }}
          >
            {share > ROOM_FOR_NAME ? tintWords(run.level) : share > ROOM_FOR_NUMBER ? run.level : ""}
          </span>
        );
      })}
    </div>
  );
}
