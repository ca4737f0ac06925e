import { t } from "../../../catalogue";
import { Link } from "react-router";
import { usePaths } from "../../../domain/course";
import { Problem } from "../../../ui/states";
import type { Attempt } from "../../../domain/use-attempt";
import { useWeldAnother } from "../queries";

type Props = { attempt: Attempt; planned: number; nextRun: () => void };

/** What comes after a run: the next run of this coupon, another attempt, or the end. */
export function NextStep({ attempt, planned, nextRun }: Props) {
  const paths = usePaths();
  const another = useWeldAnother();
  const left = planned - attempt.runs.length;
  return (
    <div className="space-y-3">
      <h2 className="text-2xl font-bold">{t("booth-next")}</h2>
      <button
        className={`btn h-20 w-full text-2xl ${left > 0 ? "btn-primary" : "btn-outline"}`}
        onClick={nextRun}
      >
        {t("booth-next-run", { number: attempt.runs.length + 1 })}
      </button>
      <button
        className={`btn h-20 w-full text-2xl ${left > 0 ? "btn-outline" : "btn-primary"}`}
        disabled={another.isPending}
        onClick={() => another.mutate(attempt)}
      >
        {t("attempt-start-another-attempt")}
      </button>
      <Link className="btn h-16 w-full btn-outline text-xl" to={paths.attempt(attempt.id)}>
        {t("booth-whole-page")}
      </Link>
      <Link className="btn h-16 w-full btn-outline text-xl" to={paths.to("mine")}>
        {t("common-my-coupons")}
      </Link>
      <Problem error={another.error} />
    </div>
  );
}
