import { useState } from "react";
import { api, unwrap, type Schemas } from "../../api/client";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { BeadPhoto } from "../../ui/bead-photo";
import { FaultCrops } from "../../ui/fault-crops";
import { Empty, Problem } from "../../ui/states";
import { TintBadge } from "../../ui/tint";
import { StripWithTracks } from "../../ui/strip-with-tracks";
import { newest, type Attempt } from "../../ui/use-attempt";
import { useUnits } from "../../ui/use-units";
import { figure, measure, toSi, type Units } from "../../ui/units";
import { percent } from "../../ui/words";
import { CorrectionLayer } from "./correction-layer";
import { CorrectionPanel, type FaultDraft } from "./correction-panel";
import type { Tool } from "./correction-shape";
import { CorrectionsList } from "./corrections-list";
import { ScaleSetter } from "./scale-setter";
import { useCorrection } from "./use-correction";

/** Photo, strip, tracks and figures of the measurement that counts, and correcting it. */
export function Evidence({ attempt }: { attempt: Attempt }) {
  const units = useUnits();
  const [traced, setTraced] = useState(true);
  const [close, setClose] = useState(true);
  const [mode, setMode] = useState<"look" | "correct" | "scale">("look");
  const { photo, measurement, busy } = newest(attempt);
  const queries = useQueryClient();
  const again = useMutation({
    mutationFn: (id: number) =>
      unwrap(api.POST("/api/photos/{photo_id}/measure-again", { params: { path: { photo_id: id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["attempt", attempt.id] }),
  });
  if (!photo) return <Empty>No photo of the bead has been sent for this attempt yet.</Empty>;
  const report = measurement?.report;
  return (
    <section className="space-y-3 rounded-box border border-base-300 bg-base-100 p-3">
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
      {report?.refusal && (
        <p role="alert" className="alert alert-warning">
          <span>
            <strong>Not measured.</strong> {report.refusal.message} The mark can be set by eye
            {report.refusal.code === "no_scale" ? ", or the scale by two points of known distance" : ""}.
          </span>
        </p>
      )}
      {busy && (
        <p role="status" className="flex items-center gap-2">
          <span className="loading loading-dots" aria-hidden /> Being measured.
        </p>
      )}
      {measurement?.state === "failed" && !busy && (
        <p role="alert" className="alert alert-error">
          Measuring broke down. Measure it again, or mark by eye.
        </p>
      )}
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
        {report?.bead && (
          <button
            className={`btn btn-sm ${mode === "correct" ? "btn-primary" : ""}`}
            aria-pressed={mode === "correct"}
            onClick={() => {
              setMode(mode === "correct" ? "look" : "correct");
            }}
          >
            {mode === "correct" ? "Done correcting" : "Correct by hand"}
          </button>
        )}
        <button
          className="btn btn-sm"
          aria-pressed={mode === "scale"}
          disabled={busy}
          onClick={() => {
            setMode(mode === "scale" ? "look" : "scale");
          }}
        >
          Set the scale by two points
        </button>
        <button
          className="btn btn-sm"
          disabled={busy || again.isPending}
          onClick={() => {
            again.mutate(photo.id);
          }}
        >
          Measure again
        </button>
        {mode !== "scale" && (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="toggle toggle-sm"
              checked={traced}
              onChange={(e) => {
                setTraced(e.target.checked);
              }}
            />{" "}
            what was traced
          </label>
        )}
        {mode !== "scale" && (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="toggle toggle-sm"
              checked={!close}
              onChange={(e) => {
                setClose(!e.target.checked);
              }}
            />{" "}
            whole photo
          </label>
        )}
      </div>
      <Problem error={again.error} />
      {mode === "scale" && (
        <ScaleSetter
          attemptId={attempt.id}
          photo={photo}
          units={units}
          close={() => {
            setMode("look");
          }}
        />
      )}
      <div className="grid gap-3 xl:grid-cols-[minmax(0,1fr)_19rem]">
        {mode !== "scale" && (
          <BeadPhoto photo={photo} overlay={measurement?.overlay ?? null} traced={traced} close={close} />
        )}
        {report?.bead && measurement && (
          <Figures report={report} engine={measurement.engine_version} units={units} />
        )}
      </div>
    </section>
  );
}

type StripProps = {
  attempt: Attempt;
  photo: Schemas["Photo"];
  measurement: Schemas["Measurement"];
  report: Schemas["Report"];
  strip: Schemas["Strip"];
  units: Units;
  correcting: boolean;
};

function StripAndFaults({ attempt, photo, measurement, report, strip, units, correcting }: StripProps) {
  const [tool, setTool] = useState<Tool>("toe");
  const [reach, setReach] = useState(4);
  const [fault, setFault] = useState<FaultDraft>({ kind: "pore", size: units.length === "mm" ? "1" : "40" });
  const { correct, undo, busy, error } = useCorrection(attempt.id, measurement.id);
  const typed = toSi(fault.size, "length", units);
  const size = typed !== null && typed > 0 ? typed : null;
  const overlay = measurement.overlay;
  return (
    <>
      <StripWithTracks strip={strip} report={report} overlay={overlay} units={units}>
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
          overlay={overlay}
          report={report}
          units={units}
          tool={tool}
          setTool={setTool}
          reach={reach}
          setReach={setReach}
          fault={fault}
          setFault={setFault}
          faultSize={size}
          busy={busy}
          error={error}
          correct={correct}
        />
      )}
      <CorrectionsList measurement={measurement} units={units} busy={busy} undo={undo} />
      {overlay && (
        <FaultCrops
          defects={report.defects ?? []}
          photo={photo}
          overlay={overlay}
          units={units}
          {...(correcting && {
            action: (d: Schemas["Defect"]) => (
              <button
                className="btn mt-1 btn-xs"
                disabled={busy}
                onClick={() => {
                  correct({
                    step: "remove_fault",
                    kind: d.kind as FaultDraft["kind"],
                    s_mm: d.s_mm,
                    n_mm: d.n_mm,
                  });
                }}
              >
                Not a fault
              </button>
            ),
          })}
        />
      )}
    </>
  );
}

function Figures({ report, engine, units }: { report: Schemas["Report"]; engine: string; units: Units }) {
  if (!report.bead) return null;
  const fine = units.length === "mm" ? 2 : 0;
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5 text-sm [&_dd]:text-right [&_dd]:font-semibold">
      <dt>Length</dt>
      <dd>{measure(report.bead.length_mm, "length", units)}</dd>
      <dt>Width</dt>
      <dd>
        {figure(report.bead.width_mm.mean, "length", units, fine)} ±{" "}
        {measure(2 * report.bead.width_mm.uncertainty, "length", units, fine)}
      </dd>
      <dt>Width varies</dt>
      <dd>{percent(report.bead.width_mm.cv)}</dd>
      <dt>Straightness</dt>
      <dd>{measure(report.bead.straightness_mm, "length", units, fine)}</dd>
      <dt>Toes wave left / right</dt>
      <dd>
        {figure(report.bead.toe_waviness_mm.left, "length", units, fine)} /{" "}
        {measure(report.bead.toe_waviness_mm.right, "length", units, fine)}
      </dd>
      <dt>Ripples</dt>
      <dd>
        {report.ripple
          ? `${String(report.ripple.count)}, ${measure(report.ripple.pitch_mm, "length", units, fine)} apart`
          : "none distinct"}
      </dd>
      {report.ripple && (
        <>
          <dt>Ripples vary</dt>
          <dd>
            {percent(report.ripple.cv)}, {report.ripple.lapses_mm.length} lapses
          </dd>
        </>
      )}
      <dt>Tint of the bead</dt>
      <dd>
        <TintBadge level={report.tint?.bead.level} />
      </dd>
      <dt>Tint beside it</dt>
      <dd>
        <TintBadge level={report.tint?.haz.level} />
      </dd>
      <dt>Tint width left / right</dt>
      <dd>
        {figure(report.tint?.width_mm.left ?? 0, "length", units)} /{" "}
        {measure(report.tint?.width_mm.right, "length", units)}
      </dd>
      <dt>Faults</dt>
      <dd>{report.defects?.length ? `${String(report.defects.length)}, see above` : "none seen"}</dd>
      <dt>View tilted</dt>
      <dd>{report.scale?.tilt_deg?.toFixed(0) ?? "–"}°</dd>
      <dt>Engine</dt>
      <dd>{engine}</dd>
    </dl>
  );
}
