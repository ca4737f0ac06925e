import { t } from "../../catalogue";
import { FigureList } from "../../ui/figure-list";
import { Loading, Problem } from "../../ui/states";
import type { Attempt } from "../../domain/use-attempt";
import { MAX_CARDS } from "./causes-panel";
import { useRunAssessment } from "./queries";
import { suggestedScores, totalOf } from "./score-shape";

/** What the scheme suggests for one run that the next one covers, and its likeliest causes. */
export function RunAssessment({ attempt, run }: { attempt: Attempt; run: number }) {
  const read = useRunAssessment(attempt, run);
  if (read.isPending) return <Loading />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  const { proposal, explanation } = read.data;
  const scored = proposal.lines.filter((line) => line.score !== null);
  const total = totalOf(suggestedScores(scored), scored);
  return (
    <div className="grid gap-3 md:grid-cols-2">
      <div>
        {total !== null && <h4 className="font-bold">{t("marking-run-suggested", { total })}</h4>}
        <FigureList rows={scored.map((line) => [line.words, `${String(line.score)} · ${line.because}`])} />
      </div>
      {explanation.causes.length > 0 && (
        <div>
          <h4 className="font-bold">{t("marking-run-causes")}</h4>
          <FigureList
            rows={explanation.causes
              .slice(0, MAX_CARDS)
              .map((one) => [one.words, t("percent", { figure: (100 * one.share).toFixed(0) })])}
          />
        </div>
      )}
    </div>
  );
}
