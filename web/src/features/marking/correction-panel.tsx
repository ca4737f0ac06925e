import { Say, t } from "../../catalogue";
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

const TOOLS: Record<Tool, string> = {
  toe: t("marking-drag-toes"),
  front: t("marking-add-or-remove-fronts"),
  fault: t("marking-mark-faults"),
};
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
  if (!toes) return <p>{t("marking-this-result-cant-be-corrected-measure")}</p>;
  const at = measure(s, "length", units);
  return (
    <div className="space-y-2 rounded-box border border-primary p-3">
      <div className="flex flex-wrap items-center gap-3">
        <Picker
          label={t("marking-pointer-tool-on-the-strip")}
          options={Object.keys(TOOLS) as Tool[]}
          words={(t) => TOOLS[t]}
          value={tool}
          choose={setTool}
        />
        <span className="text-sm" aria-live="polite">
          <Say id="marking-red-line-at" vars={{ at }} elems={{ strong: <strong /> }} />
        </span>
      </div>
      {tool === "toe" && (
        <Row>
          <Do busy={busy} act={() => correct(nudged(toes, "left", s, NUDGE_MM, reach))}>
            {t("marking-left-toe-out")}
          </Do>
          <Do busy={busy} act={() => correct(nudged(toes, "left", s, -NUDGE_MM, reach))}>
            {t("marking-left-toe-in")}
          </Do>
          <Do busy={busy} act={() => correct(nudged(toes, "right", s, -NUDGE_MM, reach))}>
            {t("marking-right-toe-in")}
          </Do>
          <Do busy={busy} act={() => correct(nudged(toes, "right", s, NUDGE_MM, reach))}>
            {t("marking-right-toe-out")}
          </Do>
          <label className="flex items-center gap-2 text-sm">
            {t("marking-moves-over")}
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
            {t("marking-add-or-remove-front-at-the")}
          </Do>
          <Do busy={busy || !report.ripple} act={() => correct({ step: "no_ripples" })}>
            {t("common-no-distinct-ripples")}
          </Do>
        </Row>
      )}
      {tool === "fault" && (
        <Row>
          <ChoiceField
            label={t("common-kind")}
            value={fault.kind}
            options={faultKinds}
            words={faultWords}
            onChange={(kind) => setFault({ ...fault, kind: kind as FaultDraft["kind"] })}
          />
          <div className="w-28">
            <UnitField
              label={t("marking-size")}
              quantity="length"
              units={units}
              value={fault.size}
              error={faultSize === null ? t("marking-a-size") : undefined}
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
            {t("marking-add-fault-at-the-red-line")}
          </Do>
        </Row>
      )}
      <Row>
        <Do busy={busy} act={() => correct({ step: "move_end", end: "start", s_mm: s })}>
          {t("marking-bead-starts-at-the-red-line")}
        </Do>
        <Do busy={busy} act={() => correct({ step: "move_end", end: "end", s_mm: s })}>
          {t("marking-bead-ends-at-the-red-line")}
        </Do>
        <Do busy={busy} act={() => correct({ step: "start_at_other_end" })}>
          {t("marking-swap-start-and-end")}
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
