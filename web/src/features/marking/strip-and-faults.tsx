import { t } from "../../catalogue";
import { useState, type ReactNode } from "react";
import type { Schemas } from "../../api/client";
import { vocabulary } from "../../api/generated-vocabulary";
import { FaultCrops } from "../../domain/fault-crops";
import { StripWithTracks } from "../../domain/strip-with-tracks";
import type { Attempt } from "../../domain/use-attempt";
import { useSetup } from "../../domain/use-setup";
import { toSi, type Units } from "../../domain/units";
import { CorrectionLayer } from "./correction-layer";
import { CorrectionPanel, type FaultDraft } from "./correction-panel";
import type { Tool } from "./correction-shape";
import { CorrectionsList } from "./corrections-list";
import { useCorrection } from "./queries";

type Props = {
  attempt: Attempt;
  photo: Schemas["Photo"];
  measurement: Schemas["Measurement"];
  report: Schemas["Report"];
  strip: Schemas["Strip"];
  units: Units;
  correcting: boolean;
  tools: ReactNode;
};

/** The strip with its tracks, the tools of correcting over it, and every fault cut out. */
export function StripAndFaults(props: Props) {
  const { attempt, photo, measurement, report, strip, units, correcting, tools } = props;
  const setup = useSetup(attempt.id, attempt.version);
  const [crops, setCrops] = useState(false);
  const [tool, setTool] = useState<Tool>("toe");
  const [reach, setReach] = useState<number>(vocabulary.reachMm);
  const [fault, setFault] = useState<FaultDraft>({ kind: "pore", size: units.length === "mm" ? "1" : "40" });
  const { correct, undo, busy, error } = useCorrection(attempt.id, measurement.id);
  const typed = toSi(fault.size, "length", units);
  const size = typed !== null && typed > 0 ? typed : null;
  const { overlay } = measurement;
  const asked = setup.data?.card.bead.width_mm;
  const notAFault = (d: Schemas["Defect"]) => (
    <button
      className="btn mt-1 btn-xs"
      disabled={busy}
      onClick={() => {
        const kind = d.kind as FaultDraft["kind"];
        correct({ step: "remove_fault", kind, s_mm: d.s_mm, n_mm: d.n_mm });
      }}
    >
      {t("marking-remove-fault")}
    </button>
  );
  return (
    <>
      <StripWithTracks
        strip={strip}
        report={report}
        overlay={overlay}
        units={units}
        asked={asked && [asked.low, asked.high]}
        tools={
          <span className="flex flex-wrap gap-1.5">
            {(report.defects ?? []).length > 0 && !correcting && (
              <button className="btn btn-xs" aria-expanded={crops} onClick={() => setCrops(!crops)}>
                {t("marking-faults-close-up")}
              </button>
            )}
            {tools}
          </span>
        }
      >
        {correcting && overlay && (
          <CorrectionLayer
            strip={strip}
            overlay={overlay}
            report={report}
            tool={tool}
            reach={reach}
            fault={{ kind: fault.kind, size_mm: size ?? 1 }}
            busy={busy}
            correct={correct}
          />
        )}
      </StripWithTracks>
      {correcting && overlay && (
        <CorrectionPanel
          {...{
            overlay,
            report,
            units,
            tool,
            setTool,
            reach,
            setReach,
            fault,
            setFault,
            busy,
            error,
            correct,
          }}
          faultSize={size}
        />
      )}
      <CorrectionsList measurement={measurement} units={units} busy={busy} undo={undo} />
      {overlay && (correcting || crops) && (
        <FaultCrops
          defects={report.defects ?? []}
          photo={photo}
          overlay={overlay}
          units={units}
          {...(correcting && { action: notAFault })}
        />
      )}
    </>
  );
}
