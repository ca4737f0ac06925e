import { t } from "../../../catalogue";
import { Minus, Plus } from "lucide-react";
import { useState } from "react";
import type { Schemas } from "../../../api/client";
import { fields, quantityIn, type Field } from "../../../domain/run-fields";
import { shownAs, stepped, type Units } from "../../../domain/units";
import { fieldWords } from "../../../domain/words";
import type { Typed } from "../log-shape";
import { TurnTimer } from "./turn-timer";

/** What is set by hand at the machine, in the order of the hand: torch, gas, panel. */
const ORDER = [
  "electrode_mm",
  "cup",
  "stickout_mm",
  "gas_l_min",
  "current_a",
  "machine_a",
  "peak_a",
  "background_a",
  "per_second",
  "on_share",
  "preflow_s",
  "downslope_s",
  "postflow_s",
  "filler_mm",
  "purge_l_min",
];

/** The figures of a run that are set, in the order of the hand; what this machine cannot do is left out. */
export const settable = (typed: Typed, hidden: readonly string[]): Field[] =>
  ORDER.flatMap((key) => fields.filter((f) => f.key === key)).filter(
    (f) => f.sort === "figure" && (typed[f.key] ?? "") !== "" && !hidden.includes(f.key),
  );

type Props = {
  typed: Typed;
  units: Units;
  hidden: readonly string[];
  advice: readonly { code: string; words: string }[];
  glowS: number | null;
  rpm: Schemas["Band"] | null;
  readOff: string | null;
  set: (key: string, value: string) => void;
  after: () => void;
};

/** The settings, one figure at a time, to be read at arm's length and put right where the machine was set otherwise. */
export function SetStep({ typed, units, hidden, advice, glowS, rpm, readOff, set, after }: Props) {
  const [at, setAt] = useState(0);
  const list = settable(typed, hidden);
  const field = list[Math.min(at, list.length - 1)];
  const info = field && quantityIn(field);
  if (!field || !info) return null;
  const value = typed[field.key] ?? "";
  const words = fieldWords(field.key);
  const change = (by: number) => set(field.key, stepped(value, by, info.kind, units, info.step));
  const last = at >= list.length - 1;
  return (
    <div className="space-y-4">
      <h2 className="text-lg font-bold">
        {t("booth-set")}{" "}
        <span className="quiet font-normal">{t("booth-of", { at: at + 1, count: list.length })}</span>
      </h2>
      <p className="text-center text-2xl">{words}</p>
      <p className="text-center text-8xl font-bold tabular-nums" aria-live="polite">
        {value} <span className="text-3xl">{shownAs(info.kind, units).label}</span>
      </p>
      {field.key === readOff && (
        <p className="text-center text-lg">{t("attempt-read-off", { field: words })}</p>
      )}
      {field.key === "postflow_s" && glowS !== null && (
        <p className="text-center text-lg">{t("booth-glowed", { glow: glowS, proposed: value })}</p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <button
          className="btn h-16 btn-outline"
          aria-label={t("ui-less", { label: words })}
          onClick={() => change(-1)}
        >
          <Minus size={30} aria-hidden />
        </button>
        <button
          className="btn h-16 btn-outline"
          aria-label={t("ui-more", { label: words })}
          onClick={() => change(1)}
        >
          <Plus size={30} aria-hidden />
        </button>
      </div>
      <div className="grid grid-cols-[1fr_2fr] gap-2">
        <button className="btn h-20 btn-outline text-lg" disabled={at === 0} onClick={() => setAt(at - 1)}>
          {t("booth-before")}
        </button>
        <button className="btn h-20 text-2xl btn-primary" onClick={() => (last ? after() : setAt(at + 1))}>
          {t("booth-is-set")}
        </button>
      </div>
      <button className="btn h-14 w-full btn-outline text-lg" onClick={after}>
        {t("booth-all-set")}
      </button>
      {advice.map((one) => (
        <p key={one.code} className="rounded-box border-2 border-accent p-3 text-lg">
          {one.words}
        </p>
      ))}
      {rpm && <TurnTimer wanted={rpm} />}
    </div>
  );
}
