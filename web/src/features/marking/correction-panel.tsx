import type { ReactNode } from "react";
import type { Schemas } from "../../api/client";
import { ChoiceField } from "../../ui/choice-field";
import { useCursor } from "../../ui/cursor";
import { Picker } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { UnitField } from "../../domain/unit-field";
import { measure, type Units } from "../../domain/units";
import { faultKinds, faultWords } from "../../domain/words";
import { frontStep, nudged, toesOf, type Step, type Tool } from "./correction-shape";

export type FaultDraft = { kind: NonNullable<Step["kind"]>; size: string };

const TOOLS: Record<Tool, string> = { toe: "Drag toes", front: "Add or remove fronts", fault: "Mark faults" };
const REACHES = [2, 4, 10, 40];
const NUDGE_MM = 0.1;

type Props = {
  overlay: Schemas["Overlay"];
  report: Schemas["Report"];
  units: Units;
  tool: Tool;
  setTool: (tool: Tool) => void;
  reach: number;
  setReach: (reach: number) => void;
  fault: FaultDraft;
  setFault: (fault: FaultDraft) => void;
  faultSize: number | null;
  busy: boolean;
  error: unknown;
  correct: (step: Step) => void;
};

/** Everything the pointer can do on the strip, by buttons at the place of the red line, and the ends. */
export function CorrectionPanel({
  overlay,
  report,
  units,
  tool,
  setTool,
  reach,
  setReach,
  fault,
  setFault,
  faultSize,
  busy,
  error,
  correct,
}: Props) {
  const s = useCursor() ?? 0;
  const toes = toesOf(overlay);
  if (!toes) return <p>This result can't be corrected. Measure the photo again first.</p>;
  const at = measure(s, "length", units);
  return (
    <div className="space-y-2 rounded-box border border-primary p-3">
      <div className="flex flex-wrap items-center gap-3">
        <Picker
          label="Pointer tool on the strip"
          options={Object.keys(TOOLS) as Tool[]}
          words={(t) => TOOLS[t]}
          value={tool}
          choose={setTool}
        />
        <span className="text-sm" aria-live="polite">
          Red line at <strong>{at}</strong>
        </span>
      </div>
      {tool === "toe" && (
        <Row>
          <Do busy={busy} act={() => correct(nudged(toes, "left", s, NUDGE_MM, reach))}>
            Left toe out
          </Do>
          <Do busy={busy} act={() => correct(nudged(toes, "left", s, -NUDGE_MM, reach))}>
            Left toe in
          </Do>
          <Do busy={busy} act={() => correct(nudged(toes, "right", s, -NUDGE_MM, reach))}>
            Right toe in
          </Do>
          <Do busy={busy} act={() => correct(nudged(toes, "right", s, NUDGE_MM, reach))}>
            Right toe out
          </Do>
          <label className="flex items-center gap-2 text-sm">
            moves over
            <select
              className="select w-28 select-sm"
              value={reach}
              onChange={(e) => setReach(Number(e.target.value))}
            >
              {REACHES.map((r) => (
                <option key={r} value={r}>
                  ± {measure(r, "length", units, 0)}
                </option>
              ))}
            </select>
          </label>
        </Row>
      )}
      {tool === "front" && (
        <Row>
          <Do busy={busy} act={() => correct(frontStep(report.ripple?.positions_mm ?? [], s))}>
            Add or remove front at the red line
          </Do>
          <Do busy={busy || !report.ripple} act={() => correct({ step: "no_ripples" })}>
            No distinct ripples
          </Do>
        </Row>
      )}
      {tool === "fault" && (
        <Row>
          <ChoiceField
            label="Kind"
            value={fault.kind}
            options={faultKinds}
            words={faultWords}
            onChange={(kind) => setFault({ ...fault, kind: kind as FaultDraft["kind"] })}
          />
          <div className="w-28">
            <UnitField
              label="Size"
              quantity="length"
              units={units}
              value={fault.size}
              error={faultSize === null ? "a size" : undefined}
              onChange={(size) => setFault({ ...fault, size })}
            />
          </div>
          <Do
            busy={busy || faultSize === null}
            act={() => {
              if (faultSize !== null)
                correct({ step: "add_fault", kind: fault.kind, s_mm: s, n_mm: 0, size_mm: faultSize });
            }}
          >
            Add fault at the red line, mid-bead
          </Do>
        </Row>
      )}
      <Row>
        <Do busy={busy} act={() => correct({ step: "move_end", end: "start", s_mm: s })}>
          Bead starts at the red line
        </Do>
        <Do busy={busy} act={() => correct({ step: "move_end", end: "end", s_mm: s })}>
          Bead ends at the red line
        </Do>
        <Do busy={busy} act={() => correct({ step: "start_at_other_end" })}>
          Swap start and end
        </Do>
      </Row>
      <Problem error={error} />
    </div>
  );
}

function Row({ children }: { children: ReactNode }) {
  return <div className="flex flex-wrap items-end gap-2">{children}</div>;
}

function Do({ busy, act, children }: { busy: boolean; act: () => void; children: ReactNode }) {
  return (
    <button className="btn btn-sm" disabled={busy} onClick={act}>
      {children}
    </button>
  );
}
