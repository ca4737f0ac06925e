import { Link } from "react-router";
import { usePaths } from "../../domain/course";
import { Panel } from "../../ui/panel";
import { Empty, Loading, Problem } from "../../ui/states";
import { may, type Brief } from "../../domain/use-attempt";
import { useUnits } from "../../domain/use-units";
import { measure, markWords } from "../../domain/units";
import { dateWords, finishWords, stateWords } from "../../domain/words";
import { Gauge } from "./gauge";
import { MySessions } from "./my-sessions";
import { useMine, useWeldAnother } from "./queries";

export function MyCouponsPage() {
  const attempts = useMine();
  if (attempts.isPending) return <Loading what="your coupons" />;
  if (attempts.isError) return <Problem error={attempts.error} again={() => void attempts.refetch()} />;
  const groups = new Map<number, Brief[]>();
  for (const a of attempts.data) groups.set(a.assignment.id, [...(groups.get(a.assignment.id) ?? []), a]);
  if (groups.size === 0) return <Empty>No coupons yet. Your instructor will assign one.</Empty>;
  return (
    <>
      <h1 className="mb-3 text-2xl font-bold">My coupons</h1>
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
  const latest = attempts[0];
  if (!latest) return null;
  const goal = latest.assignment;
  // The newest is gone on with until its bead waits for a mark; then the next one is welded.
  const goesOn = may(latest, "log") && latest.state !== "measured";
  return (
    <Panel>
      <h2 className="text-xl font-bold">{goal.design.title}</h2>
      <p>{goal.design.purpose}</p>
      <p className="my-2">
        Bead width about <strong>{measure(goal.target_width_mm, "length", units)}</strong>, finish{" "}
        {finishWords(goal.finish)}. {goal.good_in_a_row} passes in a row needed. Due {dateWords(goal.due_on)}.
      </p>
      {goesOn ? (
        <Link className="btn h-14 w-full text-lg btn-primary" to={paths.attempt(latest.id)}>
          {latest.state === "assigned" ? "Weld" : "Continue"} attempt {latest.number}
        </Link>
      ) : (
        <button
          className="btn h-14 w-full text-lg btn-primary"
          disabled={another.isPending}
          onClick={() => another.mutate(goal.id)}
        >
          Start another attempt
        </button>
      )}
      <Problem error={another.error} />
      <ul className="mt-3 divide-y divide-base-300">
        {attempts
          .filter((a) => a !== latest || !goesOn)
          .map((a) => (
            <li key={a.id}>
              <Link className="flex items-center justify-between gap-3 py-3" to={paths.attempt(a.id)}>
                <span>
                  Attempt {a.number}, {dateWords(a.created_at)}
                </span>
                <span className="font-semibold">
                  {a.mark_total === null ? stateWords(a.state) : `mark ${markWords(a.mark_total)}`}
                </span>
              </Link>
            </li>
          ))}
      </ul>
    </Panel>
  );
}
