import { t } from "../../../catalogue";
import { useState } from "react";
import type { Schemas } from "../../../api/client";
import { TextField } from "../../../ui/field";

const PLACE = "judicum-knobs";
const MAX_KNOBS = 12;

type Knob = { mark: string; rpm: number };

/** Turns a minute of one turn between two taps (ms). */
export const rpmOf = (from: number, to: number): number => 60_000 / Math.max(1, to - from);

const read = (): Knob[] => JSON.parse(localStorage.getItem(PLACE) ?? "[]") as Knob[];

/** One turn of the table timed by two taps, kept beside the mark of its knob: knobs differ from table to table. */
export function TurnTimer({ wanted }: { wanted: Schemas["Band"] }) {
  const [begun, setBegun] = useState<number | null>(null);
  const [rpm, setRpm] = useState<number | null>(null);
  const [mark, setMark] = useState("");
  const [knobs, setKnobs] = useState(read);
  const keep = () => {
    if (rpm === null) return;
    const next = [{ mark, rpm }, ...knobs.filter((one) => one.mark !== mark)].slice(0, MAX_KNOBS);
    localStorage.setItem(PLACE, JSON.stringify(next));
    setKnobs(next);
    setRpm(null);
    setMark("");
  };
  return (
    <section aria-label={t("booth-turntable")} className="space-y-2 rounded-box bg-base-100 p-3">
      <h3 className="text-lg font-bold">{t("booth-turntable")}</h3>
      <p>{t("booth-rpm-wanted", { low: wanted.low.toFixed(2), high: wanted.high.toFixed(2) })}</p>
      <button
        className={`btn h-16 w-full text-lg ${begun === null ? "" : "btn-secondary"}`}
        onClick={() => {
          if (begun === null) setBegun(performance.now());
          else {
            setRpm(rpmOf(begun, performance.now()));
            setBegun(null);
          }
        }}
      >
        {begun === null ? t("booth-mark-passes") : t("booth-mark-passes-again")}
      </button>
      {rpm !== null && (
        <div className="space-y-2">
          <p role="status" className="text-3xl font-bold">
            {t("booth-rpm", { rpm: rpm.toFixed(2) })}
          </p>
          <TextField label={t("booth-knob-at")} value={mark} maxLength={20} onChange={setMark} />
          <button className="btn h-14 w-full btn-outline" disabled={mark.trim() === ""} onClick={keep}>
            {t("booth-save-knob")}
          </button>
        </div>
      )}
      <ul className="text-lg">
        {knobs.map((one) => (
          <li key={one.mark}>{t("booth-knob-gives", { mark: one.mark, rpm: one.rpm.toFixed(2) })}</li>
        ))}
      </ul>
    </section>
  );
}
