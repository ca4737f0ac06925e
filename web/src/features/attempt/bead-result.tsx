import { t } from "../../catalogue";
import type { ReactNode } from "react";
import type { Schemas } from "../../api/client";
import { BeadChoice } from "../../domain/bead-choice";
import { Callipers } from "../../domain/callipers";
import { BeadPhoto } from "../../domain/bead-photo";
import { CursorScope } from "../../ui/cursor";
import { FaultCrops } from "../../domain/fault-crops";
import { PhotoWarnings } from "../../domain/photo-warnings";
import { StripWithTracks } from "../../domain/strip-with-tracks";
import { TintBadge } from "../../domain/tint";
import type { Attempt } from "../../domain/use-attempt";
import { useUnits } from "../../domain/use-units";
import { measure } from "../../domain/units";
import { percent } from "../../domain/words";

type Props = { attempt: Attempt; photo: Schemas["Photo"]; measurement: Schemas["Measurement"] | undefined };

/** A photo with what was measured on it: four figures, the strip, the faults. */
export function BeadResult({ attempt, photo, measurement }: Props) {
  const units = useUnits();
  const overlay = measurement?.overlay ?? null;
  const report = measurement?.report;
  return (
    <CursorScope>
      <div className="mt-3 space-y-3">
        {measurement && measurement.beads.length > 1 ? (
          <BeadChoice attempt={attempt} photo={photo} measurement={measurement} />
        ) : (
          <BeadPhoto photo={photo} overlay={overlay} traced close={false} />
        )}
        {report?.bead && measurement?.strip && (
          <>
            <dl className="grid grid-cols-2 gap-2 sm:grid-cols-4">
              <Figure words={t("common-width")}>{measure(report.bead.width_mm.mean, "length", units)}</Figure>
              <Figure words={t("common-width-variation")}>{percent(report.bead.width_mm.cv)}</Figure>
              <Figure words={t("common-ripple-variation")}>
                {report.ripple ? percent(report.ripple.cv) : t("common-no-distinct-ripples-2")}
              </Figure>
              <Figure words={t("common-heat-tint")}>
                <TintBadge level={report.tint?.bead.level} />
              </Figure>
            </dl>
            <PhotoWarnings report={report} />
            <StripWithTracks strip={measurement.strip} report={report} overlay={overlay} units={units} />
            {overlay && (
              <FaultCrops defects={report.defects ?? []} photo={photo} overlay={overlay} units={units} />
            )}
            <Callipers attempt={attempt} />
            {measurement.corrected && (
              <p className="text-sm">{t("attempt-corrected-by-hand-by-your-instructor")}</p>
            )}
          </>
        )}
      </div>
    </CursorScope>
  );
}

function Figure({ words, children }: { words: string; children: ReactNode }) {
  return (
    <div>
      <dt className="quiet text-sm">{words}</dt>
      <dd className="text-lg font-semibold">{children}</dd>
    </div>
  );
}
