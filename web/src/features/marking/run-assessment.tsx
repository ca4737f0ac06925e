import { t } from "../../catalogue";
import { vocabulary } from "../../api/generated-vocabulary";
import { FigureList } from "../../ui/figure-list";
import { Loading, Problem } from "../../ui/states";
import { TextField } from "../../ui/field";
import type { Attempt } from "../../domain/use-attempt";
import { wholePercent } from "../../domain/words";
import type { Marking } from "./use-mark";
import { MAX_CARDS } from "./causes-panel";
import { useRunAssessment } from "./queries";
import { suggestedScores, totalOf } from "./score-shape";

/** What the scheme suggests for one run that the next one covers, and its likeliest causes. */
export function RunAssessment({ attempt, run, mark }: { attempt: Attempt; run: number; mark: Marking }) {
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
        {mark.markable && mark.duty === "mark" && <RunMark run={run} suggested={total} mark={mark} />}
      </div>
      {explanation.causes.length > 0 && (
        <div>
          <h4 className="font-bold">{t("marking-run-causes")}</h4>
          <FigureList
            rows={explanation.causes.slice(0, MAX_CARDS).map((one) => [one.words, wholePercent(one.share)])}
          />
        </div>
      )}
    </div>
  );
}

/** The mark of one covered run, beside that of the coupon: it goes out with it and does not count in it. */
function RunMark({ run, suggested, mark }: { run: number; suggested: number | null; mark: Marking }) {
  const set = (total: number | null) => mark.edit({ kind: "run", run, total });
  return (
    <div className="mt-2 flex items-end gap-2">
      <TextField
        label={t("marking-run-mark", { number: run })}
        type="number"
        min={0}
        max={vocabulary.most.mark}
        step="any"
        value={mark.draft.runs[String(run)] ?? ""}
        onChange={(typed) => set(typed === "" ? null : Number(typed))}
      />
      {suggested !== null && (
        <button className="btn btn-sm" onClick={() => set(suggested)}>
          {t("marking-use-suggested")}
        </button>
      )}
    </div>
  );
}
