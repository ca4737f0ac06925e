import { t } from "../../../catalogue";
import { TintBadge } from "../../../domain/tint";
import { measure, type Units } from "../../../domain/units";
import { faultWords, percent } from "../../../domain/words";
import { TrialPlot } from "./trial-plot";
import type { Trial } from "./trial-shape";
import type { ViewProps } from "./trial-view";

/** What the one photo says: what was found, the plot, each bead, and whose start value it becomes. */
export function Result({ trial, units, busy, change, take }: ViewProps) {
  const { found, count } = trial;
  return (
    <div className="space-y-3">
      {count && (!count.sure || count.missing.length > 0 || count.extra.length > 0) && (
        <p role="note" className="rounded-box bg-warning p-2 text-warning-content">
          {count.missing.length > 0 && t("trials-missing", { lines: count.missing.join(", ") })}{" "}
          {count.extra.length > 0 && t("trials-extra", { beads: count.extra.join(", ") })}{" "}
          {!count.sure && t("trials-unsure")}
        </p>
      )}
      {found && (
        <div className="rounded-box border-2 border-accent p-3 text-lg">
          {found.lines.map((line) => (
            <p key={line}>{line}</p>
          ))}
        </div>
      )}
      {found?.best != null && trial.may.includes("take") && (
        <div className="flex flex-wrap gap-2">
          {(
            ["student", ...(trial.may.includes("take_for_all") ? (["booth", "class"] as const) : [])] as const
          ).map((whose) => (
            <button
              key={whose}
              className={`btn min-h-14 text-lg ${whose === "student" ? "btn-primary" : "btn-outline"}`}
              disabled={busy}
              onClick={() => take(found.best ?? 0, whose)}
            >
              {t(`trials-take-${whose}`, { value: found.best_words ?? "" })}
            </button>
          ))}
        </div>
      )}
      {trial.beads.length > 1 && <TrialPlot trial={trial} units={units} />}
      <Beads trial={trial} units={units} />
      {trial.may.includes("count") && trial.beads.length > 0 && (
        <details>
          <summary className="cursor-pointer">{t("trials-count")}</summary>
          <Counting trial={trial} busy={busy} change={change} />
        </details>
      )}
    </div>
  );
}

function Beads({ trial, units }: { trial: Trial; units: Units }) {
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={t("trials-table")}>
      <table className="table table-sm">
        <thead>
          <tr>
            {[
              t("trials-line-short"),
              t("trials-set"),
              t("common-width"),
              t("common-width-variation"),
              t("trials-tint"),
              t("trials-zone"),
              t("trials-shows"),
            ].map((words) => (
              <th key={words} scope="col">
                {words}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {trial.beads.map((bead) => (
            <tr key={bead.line} className={bead.as_wanted ? "font-semibold" : ""}>
              <td>{bead.line}</td>
              <td>{trial.lines.find((line) => line.number === bead.line)?.words}</td>
              <td>{measure(bead.width_mm, "length", units)}</td>
              <td>{percent(bead.width_cv)}</td>
              <td>
                <TintBadge level={bead.tint_bead} />
              </td>
              <td>{measure(bead.zone_mm, "length", units)}</td>
              <td>{[bead.seen, ...bead.faults.map(faultWords)].filter(Boolean).join("; ")}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

type CountProps = { trial: Trial; busy: boolean; change: ViewProps["change"] };

/** Saying which bead of the photo lies on which line, where place alone does not tell. */
function Counting({ trial, busy, change }: CountProps) {
  const seen = [...trial.beads.map((bead) => bead.seen_number), ...(trial.count?.extra ?? [])].sort(
    (a, b) => a - b,
  );
  const counted = trial.lines.map(
    (line) => trial.beads.find((bead) => bead.line === line.number)?.seen_number ?? null,
  );
  const put = (line: number, bead: number | null) =>
    change({ counted: counted.map((was, k) => (k + 1 === line ? bead : was === bead ? null : was)) });
  return (
    <div className="mt-2 flex flex-wrap items-end gap-2">
      {trial.lines.map((line) => (
        <label key={line.number} className="text-sm">
          <span className="block">{t("trials-line-is", { number: line.number })}</span>
          <select
            className="select w-24"
            value={counted[line.number - 1] ?? ""}
            disabled={busy}
            onChange={(e) => put(line.number, e.target.value === "" ? null : Number(e.target.value))}
          >
            <option value="">–</option>
            {seen.map((bead) => (
              <option key={bead} value={bead}>
                {t("trials-bead-seen", { number: bead })}
              </option>
            ))}
          </select>
        </label>
      ))}
      <button className="btn" disabled={busy} onClick={() => change({ by_place: true })}>
        {t("trials-by-place")}
      </button>
    </div>
  );
}
