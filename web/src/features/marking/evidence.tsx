import { Say, t } from "../../catalogue";
import { useState } from "react";
import { BeadChoice } from "../../domain/bead-choice";
import { BeadPhoto } from "../../domain/bead-photo";
import { Panel } from "../../ui/panel";
import { PhotoWarnings } from "../../domain/photo-warnings";
import { Empty, Problem } from "../../ui/states";
import { may, newest, type Attempt } from "../../domain/use-attempt";
import { useUnits } from "../../domain/use-units";
import { useMeasureAgain } from "./queries";
import { ScaleSetter } from "./scale-setter";
import { SameAs } from "../../domain/same-as";
import { Standing } from "./standing";
import { StripAndFaults } from "./strip-and-faults";

type Mode = "look" | "correct" | "scale";

/** Strip, tracks and faults of the measurement that counts, and correcting it; the photo itself where none was made. */
export function Evidence({ attempt, openPhoto }: { attempt: Attempt; openPhoto: () => void }) {
  const units = useUnits();
  const [mode, setMode] = useState<Mode>("look");
  const { photo, measurement, busy } = newest(attempt);
  const again = useMeasureAgain(attempt.id);
  if (!photo) return <Empty>{t("marking-no-bead-photo-yet-the-student")}</Empty>;
  const report = measurement?.report;
  const turn = (to: Mode) => setMode(mode === to ? "look" : to);
  const tools = (
    <>
      <button className="btn btn-xs" onClick={openPhoto}>
        <Say id="marking-photo-p" elems={{ kbd: <kbd className="kbd kbd-xs" /> }} />
      </button>
      {report?.bead && may(attempt, "correct") && (
        <button
          className={`btn btn-xs ${mode === "correct" ? "btn-primary" : ""}`}
          aria-pressed={mode === "correct"}
          onClick={() => turn("correct")}
        >
          {mode === "correct" ? t("marking-done-correcting") : t("marking-correct")}
        </button>
      )}
      <button
        className="btn btn-xs"
        aria-pressed={mode === "scale"}
        disabled={busy}
        onClick={() => turn("scale")}
      >
        {t("marking-set-scale")}
      </button>
      <button
        className="btn btn-xs"
        disabled={busy || again.isPending}
        onClick={() => again.mutate(photo.id)}
      >
        {t("marking-measure-again")}
      </button>
    </>
  );
  const measured = report?.bead && measurement?.strip;
  return (
    <Panel tight className="space-y-2">
      {measured ? (
        <StripAndFaults
          attempt={attempt}
          photo={photo}
          measurement={measurement}
          report={report}
          strip={measured}
          units={units}
          correcting={mode === "correct"}
          tools={tools}
        />
      ) : (
        <BeadPhoto photo={photo} overlay={null} traced={false} close={false} />
      )}
      <SameAs photo={photo} />
      {report && <PhotoWarnings report={report} />}
      {measurement && measurement.beads.length > 1 && (
        <BeadChoice attempt={attempt} photo={photo} measurement={measurement} />
      )}
      <Standing measurement={measurement} busy={busy} />
      {!measured && <div className="flex flex-wrap gap-1.5">{tools}</div>}
      <Problem error={again.error} />
      {mode === "scale" && (
        <ScaleSetter attemptId={attempt.id} photo={photo} units={units} close={() => setMode("look")} />
      )}
    </Panel>
  );
}
