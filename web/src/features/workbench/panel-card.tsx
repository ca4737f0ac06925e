import { useQuery } from "@tanstack/react-query";
import { Link2 } from "lucide-react";
import { useState } from "react";
import { api, unwrap, type Schemas } from "../../api/client";
import { ChoiceField } from "../../ui/choice-field";
import { Problem } from "../../ui/states";
import { UnitField } from "../../ui/unit-field";
import { useSettled } from "../../ui/use-settled";
import { figure, measure, shownAs, toSi, trimmed, type Quantity, type Units } from "../../ui/units";
import { choiceWords } from "../../ui/words";
import { Drawing } from "./drawings";
import { figureWords, panelWords } from "./panel-words";

type Panel = Schemas["Panel"];

const inUnit = (quantity: string, unit: string, units: Units) =>
  quantity === "plain" ? unit : shownAs(quantity as Quantity, units).label;

/** One calculator: figures in, formula, figures and drawing out. `linked` are the figures (SI) of a link. */
export function PanelCard({
  panel,
  units,
  linked,
  keep,
}: {
  panel: Panel;
  units: Units;
  linked: Record<string, string> | null;
  keep: (key: string, si: Record<string, string>) => void;
}) {
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(
      panel.inputs.map((i) => {
        const si = linked?.[i.key] ?? i.default;
        return [
          i.key,
          i.quantity === "choice" || i.choices.length > 0
            ? si
            : trimmed(figure(Number(si), i.quantity as Quantity, units, 2)),
        ];
      }),
    ),
  );
  const si = Object.fromEntries(
    panel.inputs.flatMap((i) => {
      const text = typed[i.key] ?? "";
      if (i.choices.length > 0) return [[i.key, text]];
      const value = toSi(text, i.quantity as Quantity, units);
      return value === null
        ? []
        : [[i.key, Number.isNaN(value) ? text : String(Math.round(value * 1e5) / 1e5)]];
    }),
  );
  const rested = useSettled(JSON.stringify(si), 150);
  const answer = useQuery({
    queryKey: ["workbench", panel.key, rested],
    queryFn: () =>
      unwrap(
        api.GET("/api/workbench/{panel}", {
          params: { path: { panel: panel.key }, query: JSON.parse(rested) as never },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
    staleTime: Infinity,
  });
  const words = panelWords[panel.key] ?? panel.key;
  return (
    <section
      className="flex flex-col gap-2 rounded-box border border-base-300 bg-base-100 p-3"
      aria-label={words}
    >
      <div className="flex items-center justify-between gap-2">
        <h2 className="text-lg font-bold">{words}</h2>
        <button
          className="btn btn-ghost btn-sm"
          aria-label={`Link with the figures of ${words}`}
          title="Puts these figures into the address"
          onClick={() => {
            keep(panel.key, si);
          }}
        >
          <Link2 size={16} aria-hidden />
        </button>
      </div>
      <div className="grid grid-cols-2 gap-2">
        {panel.inputs.map((i) =>
          i.choices.length > 0 ? (
            <ChoiceField
              key={i.key}
              label={figureWords[i.key] ?? i.key}
              value={typed[i.key] ?? ""}
              options={i.choices}
              words={(o) => choiceWords[o] ?? o}
              onChange={(v) => {
                setTyped({ ...typed, [i.key]: v });
              }}
            />
          ) : (
            <UnitField
              key={i.key}
              label={`${figureWords[i.key] ?? i.key}${i.quantity === "plain" && i.unit ? `, ${i.unit}` : ""}`}
              quantity={i.quantity as Quantity}
              units={units}
              value={typed[i.key] ?? ""}
              onChange={(v) => {
                setTyped({ ...typed, [i.key]: v });
              }}
            />
          ),
        )}
      </div>
      {answer.error && <Problem error={answer.error} />}
      {answer.data && (
        <div aria-live="polite">
          <Drawing panel={panel.key} series={answer.data.series} />
          <dl className="grid grid-cols-[1fr_auto] gap-x-3 text-sm">
            {answer.data.results.map((r) => (
              <div key={r.key} className="col-span-2 flex justify-between border-b border-base-300 py-0.5">
                <dt>{figureWords[r.key] ?? r.key}</dt>
                <dd className="font-semibold">
                  {r.quantity === "plain"
                    ? `${r.value.toFixed(r.digits)} ${inUnit(r.quantity, r.unit, units)}`
                    : measure(
                        r.value,
                        r.quantity as Quantity,
                        units,
                        units.length === "mm" || r.quantity === "time" ? r.digits : undefined,
                      )}
                </dd>
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
    </section>
  );
}
