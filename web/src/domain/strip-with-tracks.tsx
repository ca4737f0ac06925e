import { t } from "../catalogue";
import { useState, type ReactNode } from "react";
import type { Schemas } from "../api/client";
import { useCursor } from "../ui/cursor";
import { CursorField } from "./cursor-field";
import { Picker } from "../ui/panel";
import { Lit } from "./place";
import { Ruler, spanOf, Strip } from "./strip";
import { valueAt } from "./track-shapes";
import { placeOn } from "./track-frame";
import { FaultTrack, GapTrack, TintTrack, Track, WidthTrack } from "./tracks";
import { fineDigits, measure, type Units } from "./units";
import { tintWords } from "./words";

type Report = Schemas["Report"];
type Props = {
  strip: Schemas["Strip"];
  report: Report;
  overlay?: Schemas["Overlay"] | null;
  units: Units;
  /** The widths the card allows, mm. */
  asked?: [number, number] | undefined;
  /** Buttons that stand over the strip. */
  tools?: ReactNode;
  children?: ReactNode;
};

const SIZES = { fit: t("shared-whole"), twice: "2 ×", four: "4 ×", true: t("shared-true-size") } as const;
type Size = keyof typeof SIZES;

const widthOf = (size: Size, mm: number) =>
  size === "true" ? `${String(mm)}mm` : { fit: "100%", twice: "200%", four: "400%" }[size];

/** The strip and, on the same millimetre axis, its tracks, one cursor through all; `children` lie on the strip. */
export function StripWithTracks({ strip, report, overlay, units, asked, tools, children }: Props) {
  const [size, setSize] = useState<Size>("fit");
  const length = report.bead?.length_mm ?? 0;
  return (
    <div>
      <div className="flex flex-wrap items-center justify-between gap-x-3">
        <Reading report={report} units={units} />
        {tools}
        <Picker
          label={t("shared-size-of-the-strip")}
          size="btn-xs"
          options={Object.keys(SIZES) as Size[]}
          words={(one) => SIZES[one]}
          value={size}
          choose={setSize}
        />
      </div>
      <div
        className="overflow-x-auto"
        tabIndex={size === "fit" ? undefined : 0}
        role={size === "fit" ? undefined : "group"}
        aria-label={size === "fit" ? undefined : t("shared-strip-scrolled-sideways")}
      >
        <div style={{ width: widthOf(size, spanOf(strip)) }}>
          <CursorField axis={strip} length={length}>
            <div className="relative">
              <Strip
                strip={strip}
                label={t("shared-bead-straightened-long", { length: measure(length, "length", units) })}
              />
              {(overlay?.unsure_mm ?? []).map(([from = 0, to = 0]) => (
                <Unsure key={from} axis={strip} from={from} to={to} />
              ))}
              {children}
              <Lit track={t("common-strip")} axis={strip} length={length} />
            </div>
            {(report.defects ?? []).length > 0 && (
              <div className="relative">
                <FaultTrack defects={report.defects ?? []} span={strip} />
                <Lit track={t("shared-faults")} axis={strip} length={length} />
              </div>
            )}
            <div className="relative">
              <Track words={t("common-width")} span={strip}>
                <WidthTrack report={report} asked={asked} />
              </Track>
              <Lit track={t("shared-width")} axis={strip} length={length} />
            </div>
            <div className="relative">
              <Track
                words={report.ripple ? t("shared-ripple-gaps") : t("common-no-distinct-ripples")}
                span={strip}
              >
                <GapTrack report={report} />
              </Track>
              <Lit track={t("shared-ripples")} axis={strip} length={length} />
            </div>
            <div className="relative">
              <TintTrack report={report} span={strip} />
              <Lit track={t("shared-tint")} axis={strip} length={length} />
            </div>
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
      title={t("shared-unsure-here-the-toes-hardly-stand")}
    >
      <span className="absolute bottom-0 left-0 bg-black/70 px-1 text-xs text-white">
        {t("shared-unsure")}
      </span>
    </span>
  );
}

/** What stands at the cursor, in figures. */
function Reading({ report, units }: { report: Report; units: Units }) {
  const s = useCursor();
  if (s === null) return <p className="min-h-6 text-sm">{t("shared-move-along-the-strip-for-values")}</p>;
  const width = report.profile ? valueAt(report.profile.s_mm, report.profile.width_mm, s) : null;
  const along = report.tint?.along ?? [];
  const level = along[Math.min(Math.floor(s), along.length - 1)];
  const here = {
    at: measure(s, "length", units),
    width: measure(width, "length", units, fineDigits(units)),
  };
  return (
    <p className="min-h-6 text-sm">
      {level === undefined
        ? t("shared-width-here", here)
        : t("shared-width-and-tint-here", { ...here, tint: tintWords(level) })}
    </p>
  );
}
