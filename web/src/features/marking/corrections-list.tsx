import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { fineDigits, measure, type Units } from "../../domain/units";
import { dateWords, percent } from "../../domain/words";
import { stepWords } from "./correction-shape";

type Props = {
  measurement: Schemas["Measurement"];
  units: Units;
  busy: boolean;
  undo: (every: boolean) => void;
};

/** Who corrected what, what had been computed, and the way back. */
export function CorrectionsList({ measurement, units, busy, undo }: Props) {
  const { corrections, computed } = measurement;
  if (measurement.scale_set_by)
    return (
      <p className="text-sm">
        {t("marking-scale-set-by-two-points-by", { name: measurement.scale_set_by.display_name })}
      </p>
    );
  if (corrections.length === 0) return null;
  return (
    <section
      className="rounded-box border border-secondary p-3 text-sm"
      aria-label={t("marking-corrections")}
    >
      <h2 className="font-bold">{t("marking-corrected-by-hand")}</h2>
      <ol className="my-1 list-inside list-decimal">
        {corrections.map((c) => (
          <li key={c.id}>
            {stepWords(c.step, units)}{" "}
            <span className="quiet">
              – {c.by.display_name}, {dateWords(c.at)}
            </span>
          </li>
        ))}
      </ol>
      {computed?.bead && (
        <p>
          {t("marking-measured-before-correction-width-varies-ripp", {
            mean: measure(computed.bead.width_mm.mean, "length", units, fineDigits(units)),
            cv: percent(computed.bead.width_mm.cv),
            cv_2: percent(computed.ripple?.cv),
            count: computed.defects?.length ?? 0,
          })}
        </p>
      )}
      <div className="mt-2 flex gap-2">
        <button className="btn btn-sm" disabled={busy} onClick={() => undo(false)}>
          {t("marking-undo-last-correction")}
        </button>
        <button className="btn btn-sm" disabled={busy} onClick={() => undo(true)}>
          {t("marking-undo-all-corrections")}
        </button>
      </div>
    </section>
  );
}
