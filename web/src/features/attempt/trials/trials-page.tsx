import { t } from "../../../catalogue";
import { Link, useParams, useSearchParams } from "react-router";
import { usePaths } from "../../../domain/course";
import { useAttempt } from "../../../domain/use-attempt";
import { useUnits } from "../../../domain/use-units";
import { Loading, Problem } from "../../../ui/states";
import { PlanForm } from "./plan-form";
import { useTrials } from "./queries";
import { TrialView } from "./trial-view";

/** Trials before a coupon: one figure is varied, one photo measures all beads, and the best setting is taken. */
export function TrialsPage() {
  const id = Number(useParams().attemptId);
  const [search] = useSearchParams();
  const varied = search.get("varied");
  const around = varied === null ? null : { key: varied, middle: Number(search.get("middle")) };
  const paths = usePaths();
  const units = useUnits();
  const attempt = useAttempt(id);
  const { read, begin, change, drop, take } = useTrials(id, attempt.data?.version ?? 0);
  if (read.isPending || attempt.isPending) return <Loading />;
  const error = read.error ?? attempt.error;
  if (error || !read.data || !attempt.data)
    return <Problem error={error} again={() => void read.refetch()} />;
  const { trials, proposals, starts, may_begin } = read.data;
  const goal = attempt.data.assignment;
  return (
    <div className="mx-auto max-w-3xl space-y-4">
      <div>
        <Link className="link text-sm" to={paths.attempt(id)}>
          {t("common-attempt", { title: goal.design.title, number: attempt.data.number })}
        </Link>
        <h1 className="text-2xl font-bold">{t("trials-title", { title: goal.design.title })}</h1>
        <p>{t("trials-what")}</p>
      </div>
      {may_begin && (
        <PlanForm
          key={trials.length}
          proposals={proposals}
          units={units}
          busy={begin.isPending}
          error={begin.error}
          open={trials.length === 0 || around !== null}
          around={around}
          begin={begin.mutate}
        />
      )}
      {!may_begin && trials.length === 0 && <p>{t("trials-none")}</p>}
      <Problem error={change.error ?? drop.error ?? take.error} />
      <div aria-live="polite" className="space-y-2">
        {starts.map((one) => (
          <p key={one.key} className="rounded-box border-2 border-primary p-3 text-lg">
            {one.words}
          </p>
        ))}
      </div>
      {trials.map((trial) => (
        <TrialView
          key={trial.id}
          attempt={id}
          trial={trial}
          units={units}
          busy={change.isPending || take.isPending}
          change={(body) => change.mutate({ trial: trial.id, ...body })}
          drop={() => drop.mutate(trial.id)}
          take={(value, whose) => take.mutate({ trial: trial.id, value, whose })}
        />
      ))}
    </div>
  );
}
