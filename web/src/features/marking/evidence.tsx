import { useState } from "react";
import { api, unwrap } from "../../api/client";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { BeadPhoto } from "../../ui/bead-photo";
import { Empty, Problem } from "../../ui/states";
import { TintBadge } from "../../ui/tint";
import { StripWithTracks } from "../../ui/tracks";
import { newest, type Attempt } from "../../ui/use-attempt";
import { useUnits } from "../../ui/use-units";
import { figure, measure } from "../../ui/units";
import { defectWords, percent } from "../../ui/words";

/** Photo, strip, tracks and figures of the measurement that counts. */
export function Evidence({ attempt }: { attempt: Attempt }) {
  const units = useUnits();
  const [traced, setTraced] = useState(true);
  const [close, setClose] = useState(true);
  const { photo, measurement, busy } = newest(attempt);
  const queries = useQueryClient();
  const again = useMutation({
    mutationFn: (id: number) => unwrap(api.POST("/api/photos/{photo_id}/measure-again", { params: { path: { photo_id: id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["attempt", attempt.id] }),
  });
  if (!photo) return <Empty>No photo has been sent for this attempt yet.</Empty>;
  const report = measurement?.report;
  const fine = units.length === "mm" ? 2 : 0;
  return (
    <section className="space-y-3 rounded-box border border-base-300 bg-base-100 p-3">
      {report?.bead && measurement?.strip && <StripWithTracks strip={measurement.strip} report={report} units={units} />}
      {report?.refusal && <p role="alert" className="alert alert-warning"><span><strong>Not measured.</strong> {report.refusal.message} The mark can be set by eye.</span></p>}
      {busy && <p role="status" className="flex items-center gap-2"><span className="loading loading-dots" aria-hidden /> Being measured.</p>}
      {measurement?.state === "failed" && !busy && <p role="alert" className="alert alert-error">Measuring broke down. Measure it again, or mark by eye.</p>}
      <div className="grid gap-3 xl:grid-cols-[minmax(0,1fr)_19rem]">
        <div>
          <BeadPhoto photo={photo} overlay={measurement?.overlay ?? null} traced={traced} close={close} />
          <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
            <label className="flex items-center gap-2"><input type="checkbox" className="toggle toggle-sm" checked={traced} onChange={(e) => { setTraced(e.target.checked); }} /> what was traced</label>
            <label className="flex items-center gap-2"><input type="checkbox" className="toggle toggle-sm" checked={!close} onChange={(e) => { setClose(!e.target.checked); }} /> whole photo</label>
            <button className="btn btn-sm" disabled={busy || again.isPending} onClick={() => { again.mutate(photo.id); }}>Measure again</button>
          </div>
        </div>
        <div>
          {report?.bead && (
            <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5 text-sm [&_dd]:text-right [&_dd]:font-semibold">
              <dt>Length</dt><dd>{measure(report.bead.length_mm, "length", units)}</dd>
              <dt>Width</dt><dd>{figure(report.bead.width_mm.mean, "length", units, fine)} ± {measure(2 * report.bead.width_mm.uncertainty, "length", units, fine)}</dd>
              <dt>Width varies</dt><dd>{percent(report.bead.width_mm.cv)}</dd>
              <dt>Straightness</dt><dd>{measure(report.bead.straightness_mm, "length", units, fine)}</dd>
              <dt>Toes wave left / right</dt><dd>{figure(report.bead.toe_waviness_mm.left, "length", units, fine)} / {measure(report.bead.toe_waviness_mm.right, "length", units, fine)}</dd>
              <dt>Ripples</dt><dd>{report.ripple ? `${String(report.ripple.count)}, ${measure(report.ripple.pitch_mm, "length", units, fine)} apart` : "none distinct"}</dd>
              {report.ripple && <><dt>Ripples vary</dt><dd>{percent(report.ripple.cv)}, {report.ripple.lapses_mm.length} lapses</dd></>}
              <dt>Tint of the bead</dt><dd><TintBadge level={report.tint?.bead.level} /></dd>
              <dt>Tint beside it</dt><dd><TintBadge level={report.tint?.haz.level} /></dd>
              <dt>Tint width left / right</dt><dd>{figure(report.tint?.width_mm.left ?? 0, "length", units)} / {measure(report.tint?.width_mm.right, "length", units)}</dd>
              <dt>Faults</dt><dd>{(report.defects ?? []).length === 0 ? "none seen" : (report.defects ?? []).map((d) => `${defectWords[d.kind] ?? d.kind} at ${measure(d.s_mm, "length", units)}, ${measure(d.size_mm, "length", units)}`).join("; ")}</dd>
              <dt>View tilted</dt><dd>{report.scale?.tilt_deg?.toFixed(0) ?? "–"}°</dd>
              <dt>Engine</dt><dd>{measurement?.engine_version}</dd>
            </dl>
          )}
          <Problem error={again.error} />
        </div>
      </div>
    </section>
  );
}
