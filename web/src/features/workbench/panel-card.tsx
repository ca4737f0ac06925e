import { t } from "../../catalogue";
import { Link2 } from "lucide-react";
import { useState } from "react";
import { ChoiceField } from "../../ui/choice-field";
import { Panel as Sheet } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { UnitField } from "../../domain/unit-field";
import type { Quantity, Units } from "../../domain/units";
import { Drawing } from "./drawings";
import { isChoice, labelOf, siFrom, formatValue, typedFrom, type Panel } from "./panel-shape";
import { useAnswer } from "./queries";

type Props = {
  panel: Panel;
  units: Units;
  linked: Record<string, string> | null;
  keep: (key: string, si: Record<string, string>) => void;
};

/** One calculator: figures in, formula, figures and drawing out. `linked` are the figures (SI) of a link. */
export function PanelCard({ panel, units, linked, keep }: Props) {
  const [typed, setTyped] = useState(() => typedFrom(panel, linked, units));
  const si = siFrom(panel, typed, units);
  const answer = useAnswer(panel.key, si);
  const set = (key: string) => (value: string) => setTyped({ ...typed, [key]: value });
  return (
    <Sheet tight className="flex flex-col gap-2" aria-label={panel.words}>
      <div className="flex items-center justify-between gap-2">
        <h2 className="text-lg font-bold">{panel.words}</h2>
        <button
          className="btn btn-ghost btn-sm"
          aria-label={t("workbench-copy-link-for", { panel: panel.words })}
          title={t("workbench-puts-these-figures-into-the-page")}
          onClick={() => keep(panel.key, si)}
        >
          <Link2 size={16} aria-hidden />
        </button>
      </div>
      <div className="grid grid-cols-2 gap-2">
        {panel.inputs.map((input) =>
          isChoice(input) ? (
            <ChoiceField
              key={input.key}
              label={input.words}
              value={typed[input.key] ?? ""}
              options={Object.keys(input.options)}
              words={(code) => input.options[code] ?? code}
              onChange={set(input.key)}
            />
          ) : (
            <UnitField
              key={input.key}
              label={labelOf(input)}
              quantity={input.kind as Quantity}
              units={units}
              value={typed[input.key] ?? ""}
              onChange={set(input.key)}
            />
          ),
        )}
      </div>
      {answer.error && <Problem error={answer.error} />}
      {answer.data && (
        <div aria-live="polite">
          <Drawing panel={panel.key} series={answer.data.series} units={units} />
          <dl className="grid grid-cols-[1fr_auto] gap-x-3 text-sm">
            {answer.data.results.map((r) => (
              <div key={r.key} className="col-span-2 flex justify-between border-b border-base-300 py-0.5">
                <dt>{r.words}</dt>
                <dd className="font-semibold">{formatValue(r, units)}</dd>
              </div>
            ))}
          </dl>
          {answer.data.notes.map((note) => (
            <p key={note} role="note" className="mt-1 text-sm">
              {note}
            </p>
          ))}
        </div>
      )}
      <p className="quiet mt-auto pt-1 text-sm">
        <span className="font-mono">{panel.formula}</span> · {panel.source}
      </p>
    </Sheet>
  );
}
