import { t } from "../../catalogue";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { BeadPhoto } from "../../domain/bead-photo";
import { usePaths } from "../../domain/course";
import { CursorScope } from "../../ui/cursor";
import { FaultCrops } from "../../domain/fault-crops";
import { Panel } from "../../ui/panel";
import { StackedStrips } from "../../domain/stacked-strips";
import { StripWithTracks } from "../../domain/strip-with-tracks";
import { newest, type Attempt } from "../../domain/use-attempt";
import { useUnits } from "../../domain/use-units";
import { useSame } from "./queries";
import { markWords } from "../../domain/units";

/** A returned mark: the one thing to change on top, then the figures, then one's earlier beads. */
export function Feedback({ attempt, mark }: { attempt: Attempt; mark: Schemas["Mark"] }) {
  const paths = usePaths();
  const same = useSame(attempt.assignment.id);
  const before = (same.data ?? [])
    .filter((a) => a.number < attempt.number && a.measurement?.strip)
    .sort((a, b) => b.number - a.number);
  return (
    <Panel className="space-y-4">
      <div className="flex items-end gap-4">
        <p className="shrink-0 text-5xl font-bold whitespace-nowrap">
          {markWords(mark.total)}
          <span className="quiet text-xl font-normal"> {t("attempt-of-100")}</span>
        </p>
        <p className="pb-1">
          <strong className={mark.passed ? "text-success" : "text-error"}>
            {mark.passed ? t("attempt-passed") : t("attempt-not-passed")}
          </strong>
          {mark.knocked.length > 0 && (
            <span className="block">{t("attempt-automatic-fail", { knocked: mark.knocked.join(", ") })}</span>
          )}
          <span className="quiet block text-sm">
            {t("attempt-marked-by", { scheme: mark.scheme, name: mark.marked_by.display_name })}
          </span>
        </p>
      </div>
      {mark.next_change && (
        <p className="rounded-box bg-accent p-3 text-lg text-accent-content">
          <strong>{t("attempt-change-this-next-time")}</strong> {mark.next_change}
        </p>
      )}
      {mark.comment && <p className="whitespace-pre-wrap">{mark.comment}</p>}
      <ul className="grid grid-cols-2 gap-x-6 sm:grid-cols-3">
        {Object.entries(mark.lines).map(([key, words]) => (
          <li key={key} className="flex justify-between gap-2 border-b border-base-300 py-1">
            <span>{words}</span>
            <strong>{mark.scores[key] ?? "–"}</strong>
          </li>
        ))}
      </ul>
      <Bead attempt={attempt} />
      {before.length > 0 && (
        <div>
          <h2 className="mb-2 text-lg font-bold">{t("attempt-your-earlier-beads-to-the-same")}</h2>
          <StackedStrips
            attempts={[attempt, ...before]}
            link={(a, children) => (
              <Link className="block" to={paths.attempt(a.id)}>
                {children}
              </Link>
            )}
          />
        </div>
      )}
      {attempt.earlier && (
        <Link className="btn h-12 w-full" to={paths.compare(attempt.earlier.id, attempt.id)}>
          {t("attempt-compare-with-previous-bead")}
        </Link>
      )}
      <Link className="btn h-12 w-full btn-primary" to={paths.to("time")}>
        {t("attempt-see-my-progress")}
      </Link>
    </Panel>
  );
}

function Bead({ attempt }: { attempt: Attempt }) {
  const units = useUnits();
  const { photo, measurement } = newest(attempt);
  const { overlay = null, report = null, strip = null } = measurement ?? {};
  return (
    <CursorScope>
      {strip && report && <StripWithTracks strip={strip} report={report} overlay={overlay} units={units} />}
      {photo && overlay && (
        <FaultCrops defects={report?.defects ?? []} photo={photo} overlay={overlay} units={units} />
      )}
      {photo && <BeadPhoto photo={photo} overlay={overlay} traced={false} close />}
    </CursorScope>
  );
}
