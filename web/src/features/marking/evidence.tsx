import { useState } from "react";
import { BeadChoice } from "../../ui/bead-choice";
import { BeadPhoto } from "../../ui/bead-photo";
import { Toggle } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { PhotoWarnings } from "../../ui/photo-warnings";
import { Empty, Problem } from "../../ui/states";
import { may, newest, type Attempt } from "../../ui/use-attempt";
import { useUnits } from "../../ui/use-units";
import { Figures } from "./figures";
import { useMeasureAgain } from "./queries";
import { ScaleSetter } from "./scale-setter";
import { Standing } from "./standing";
import { StripAndFaults } from "./strip-and-faults";

type Mode = "look" | "correct" | "scale";

/** Photo, strip, tracks and figures of the measurement that counts, and correcting it. */
export function Evidence({ attempt }: { attempt: Attempt }) {
  const units = useUnits();
  const [traced, setTraced] = useState(true);
  const [close, setClose] = useState(true);
  const [mode, setMode] = useState<Mode>("look");
  const { photo, measurement, busy } = newest(attempt);
  const again = useMeasureAgain(attempt.id);
  if (!photo) return <Empty>No photo of the bead has been sent for this attempt yet.</Empty>;
  const report = measurement?.report;
  const turn = (to: Mode) => setMode(mode === to ? "look" : to);
  return (
    <Panel tight className="space-y-3">
      {report?.bead && measurement?.strip && (
        <StripAndFaults
          attempt={attempt}
          photo={photo}
          measurement={measurement}
          report={report}
          strip={measurement.strip}
          units={units}
          correcting={mode === "correct"}
        />
      )}
      {report && <PhotoWarnings report={report} />}
      {measurement && measurement.beads.length > 1 && (
        <BeadChoice attempt={attempt} photo={photo} measurement={measurement} />
      )}
      <Standing measurement={measurement} busy={busy} />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
        {report?.bead && may(attempt, "correct") && (
          <button
            className={`btn btn-sm ${mode === "correct" ? "btn-primary" : ""}`}
            aria-pressed={mode === "correct"}
            onClick={() => turn("correct")}
          >
            {mode === "correct" ? "Done correcting" : "Correct by hand"}
          </button>
        )}
        <button
          className="btn btn-sm"
          aria-pressed={mode === "scale"}
          disabled={busy}
          onClick={() => turn("scale")}
        >
          Set the scale by two points
        </button>
        <button
          className="btn btn-sm"
          disabled={busy || again.isPending}
          onClick={() => again.mutate(photo.id)}
        >
          Measure again
        </button>
        {mode !== "scale" && (
          <>
            <Toggle checked={traced} onChange={setTraced}>
              what was traced
            </Toggle>
            <Toggle checked={!close} onChange={(whole) => setClose(!whole)}>
              whole photo
            </Toggle>
          </>
        )}
      </div>
      <Problem error={again.error} />
      {mode === "scale" && (
        <ScaleSetter attemptId={attempt.id} photo={photo} units={units} close={() => setMode("look")} />
      )}
      <div className="grid gap-3 xl:grid-cols-[minmax(0,1fr)_19rem]">
        {mode !== "scale" && (
          <BeadPhoto photo={photo} overlay={measurement?.overlay ?? null} traced={traced} close={close} />
        )}
        {report?.bead && measurement && (
          <Figures report={report} engine={measurement.engine_version} units={units} />
        )}
      </div>
    </Panel>
  );
}
