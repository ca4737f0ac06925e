import { t } from "../../catalogue";
import { OffCard } from "../../domain/off-card";
import { Panel } from "../../ui/panel";
import type { Attempt } from "../../domain/use-attempt";
import { useSetup } from "../../domain/use-setup";
import { useUnits } from "../../domain/use-units";
import { measure } from "../../domain/units";
import { choiceWords, fieldWords, quantityOf } from "../../domain/words";
import type { Key, Proposal } from "./score-shape";

type Props = { attempt: Attempt; proposal: Proposal; open: (key: Key) => void };

/** What of the log lies off its card, what was not ticked, and what was found by hand; the rest opens on a key. */
export function OffTheCard({ attempt, proposal, open }: Props) {
  const setup = useSetup(attempt.id, attempt.version);
  const units = useUnits();
  const skipped = attempt.preparation.filter((s) => !s.done);
  const listed = attempt.preparation.length > skipped.length;
  const found = Object.entries(proposal.found);
  return (
    <Panel
      tight
      className="flex flex-wrap gap-x-6 gap-y-1 text-sm"
      aria-label={t("marking-log-and-manual-checks")}
    >
      <div className="min-w-0 grow basis-72">
        {attempt.runs.length === 0 ? (
          <p>{t("marking-no-runs-logged")}</p>
        ) : (
          (setup.data?.checks ?? []).map((check) => (
            <div key={check.number}>
              {attempt.runs.length > 1 && (
                <h2 className="font-bold">{t("common-run", { number: check.number })}</h2>
              )}
              <OffCard check={check} units={units} />
            </div>
          ))
        )}
        {listed && skipped.length > 0 && (
          <p className="font-semibold text-error">
            {t("marking-not-ticked", { skipped: skipped.map((s) => s.words).join(", ") })}
          </p>
        )}
        {!listed && attempt.preparation.length > 0 && (
          <p className="quiet">{t("marking-prep-checklist-not-filled-in")}</p>
        )}
      </div>
      <div className="shrink-0">
        {found.map(([key, value]) => (
          <p key={key}>
            {fieldWords(key)}: <strong>{formatValue(key, value, units)}</strong>
          </p>
        ))}
        {proposal.findings.length > 0 && (
          <button className="btn btn-xs" onClick={() => open("findings")}>
            {t("marking-manual-checks-3")}
          </button>
        )}
      </div>
    </Panel>
  );
}

function formatValue(key: string, value: unknown, units: ReturnType<typeof useUnits>): string {
  const kind = quantityOf(key)?.kind;
  return typeof value === "number" && kind ? measure(value, kind, units) : choiceWords(key, String(value));
}
