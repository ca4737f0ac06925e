import { Say, t } from "../../catalogue";
import { Link } from "react-router";
import { usePaths } from "../../domain/course";
import { Panel } from "../../ui/panel";
import { box } from "../../domain/outbox/outbox";
import { useStored } from "../../ui/store";
import { Empty, Loading, Problem } from "../../ui/states";
import { goesOn, type Brief } from "../../domain/use-attempt";
import { useUnits } from "../../domain/use-units";
import { measure, markWords } from "../../domain/units";
import { dateWords, finishWords, stateWords } from "../../domain/words";
import { FirstSteps } from "./first-steps";
import { Gauge } from "./gauge";
import { MySessions } from "./my-sessions";
import { ScanButton } from "./scan-button";
import { useMine, useReadAhead, useWeldAnother } from "./queries";

export function MyCouponsPage() {
  const attempts = useMine();
  const paths = usePaths();
  useReadAhead(attempts.data);
  if (attempts.isPending) return <Loading />;
  if (attempts.isError) return <Problem error={attempts.error} again={() => void attempts.refetch()} />;
  const groups = new Map<number, Brief[]>();
  for (const a of attempts.data) groups.set(a.assignment.id, [...(groups.get(a.assignment.id) ?? []), a]);
  if (groups.size === 0) return <Empty>{t("attempt-no-coupons-yet-your-instructor-will")}</Empty>;
  return (
    <>
      <h1 className="mb-3 text-2xl font-bold">{t("common-my-coupons")}</h1>
      <FirstSteps />
      <div className="mb-3 grid gap-2 sm:grid-cols-2">
        <ScanButton />
        <Link className="btn h-14 btn-outline text-lg" to={paths.to("eye")}>
          {t("eye-title")}
        </Link>
      </div>
      <MySessions />
      <Gauge />
      <div className="grid gap-3 lg:grid-cols-2">
        {[...groups.values()].map((group) => (
          <CouponCard key={group[0]?.assignment.id} attempts={group.sort((a, b) => b.number - a.number)} />
        ))}
      </div>
    </>
  );
}

function CouponCard({ attempts }: { attempts: Brief[] }) {
  const paths = usePaths();
  const units = useUnits();
  const another = useWeldAnother();
  const { entries } = useStored(box);
  const latest = attempts[0];
  if (!latest) return null;
  const local = entries
    .filter((e) => e.what === "another")
    .find((e) => e.assignment === latest.assignment.id);
  const goal = latest.assignment;
  const open = goesOn(latest);
  return (
    <Panel>
      <h2 className="text-xl font-bold">{goal.design.title}</h2>
      <p>{goal.design.purpose}</p>
      <p className="my-2">
        <Say
          id="attempt-bead-width-about-finish-passes-in"
          vars={{
            target_width_mm: measure(goal.target_width_mm, "length", units),
            finish: finishWords(goal.finish),
            good_in_a_row: goal.good_in_a_row,
            date: dateWords(goal.due_on),
          }}
          elems={{ strong: <strong /> }}
        />
      </p>
      {local ? (
        <Link className="btn h-14 w-full text-lg btn-primary" to={paths.attempt(local.attempt)}>
          {t("attempt-weld-attempt", { number: local.number })}
        </Link>
      ) : open ? (
        <Link className="btn h-14 w-full text-lg btn-primary" to={paths.attempt(latest.id)}>
          {t(latest.state === "assigned" ? "attempt-weld-attempt" : "attempt-continue-attempt", {
            number: latest.number,
          })}
        </Link>
      ) : (
        <button
          className="btn h-14 w-full text-lg btn-primary"
          disabled={another.isPending}
          onClick={() => another.mutate(latest)}
        >
          {t("attempt-start-another-attempt")}
        </button>
      )}
      <Problem error={another.error} />
      <ul className="mt-3 divide-y divide-base-300">
        {attempts
          .filter((a) => a !== latest || !open)
          .map((a) => (
            <li key={a.id}>
              <Link className="flex items-center justify-between gap-3 py-3" to={paths.attempt(a.id)}>
                <span>{t("attempt-attempt-2", { number: a.number, date: dateWords(a.created_at) })}</span>
                <span className="font-semibold">
                  {a.mark_total === null
                    ? stateWords(a.state)
                    : t("common-mark", { mark_total: markWords(a.mark_total) })}
                </span>
              </Link>
            </li>
          ))}
      </ul>
    </Panel>
  );
}
