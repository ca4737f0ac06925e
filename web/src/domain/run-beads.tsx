import { t } from "../catalogue";
import type { ReactNode } from "react";
import type { Schemas } from "../api/client";
import { CursorScope } from "../ui/cursor";
import { StripWithTracks } from "./strip-with-tracks";
import { TintBadge } from "./tint";
import { measure, type Units } from "./units";
import type { Attempt } from "./use-attempt";
import { useUnits } from "./use-units";
import { percent } from "./words";

type Photo = Schemas["Photo"];
type Props = { attempt: Attempt; more?: (run: number, measured: Schemas["Measurement"]) => ReactNode };

/** The newest photo of each run that the next one covered, by run. */
export function photosOfRuns(attempt: Attempt): { run: number; photo: Photo }[] {
  const found = new Map<number, Photo>();
  for (const photo of attempt.photos)
    if (photo.kind === "run" && photo.run !== null && !found.has(photo.run)) found.set(photo.run, photo);
  return [...found].map(([run, photo]) => ({ run, photo })).sort((a, b) => a.run - b.run);
}

/** What was measured of each run before the next one covered it. */
export function RunBeads({ attempt, more }: Props) {
  const units = useUnits();
  return photosOfRuns(attempt).map(({ run, photo }) => (
    <section key={run} aria-label={t("common-run-photo", { number: run })} className="mt-3 space-y-2">
      <h3 className="font-bold">
        {t("common-run-photo", { number: run })}
        {attempt.mark?.runs[String(run)] !== undefined &&
          ` · ${t("common-run-marked", { total: attempt.mark.runs[String(run)] ?? 0 })}`}
      </h3>
      <RunBead photo={photo} units={units} more={(measured) => more?.(run, measured)} />
    </section>
  ));
}

type BeadProps = { photo: Photo; units: Units; more: (measured: Schemas["Measurement"]) => ReactNode };

function RunBead({ photo, units, more }: BeadProps) {
  const measured = photo.measurements[0];
  const report = measured?.report;
  if (report?.refusal) return <p className="text-sm">{report.refusal.message}</p>;
  if (!report?.bead || !measured?.strip)
    return <p className="text-sm">{t("attempt-photo-received-measuring")}</p>;
  return (
    <CursorScope>
      <p>
        {t("common-width")} {measure(report.bead.width_mm.mean, "length", units)}
        {" · "}
        {t("common-width-variation")} {percent(report.bead.width_mm.cv)}
        {" · "}
        {t("common-ripple-variation")}{" "}
        {report.ripple ? percent(report.ripple.cv) : t("common-no-distinct-ripples-2")}{" "}
        <TintBadge level={report.tint?.bead.level} />
      </p>
      <StripWithTracks strip={measured.strip} report={report} overlay={measured.overlay} units={units} />
      {more(measured)}
    </CursorScope>
  );
}
