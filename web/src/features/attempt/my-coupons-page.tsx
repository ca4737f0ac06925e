import { useMutation } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { api, unwrap } from "../../api/client";
import { useCourse } from "../../ui/course";
import { Empty, Loading, Problem } from "../../ui/states";
import { useCourseAttempts, type Brief } from "../../ui/use-attempt";
import { useUnits } from "../../ui/use-units";
import { measure } from "../../ui/units";
import { dateWords, finishWords, stateWords } from "../../ui/words";

const open = ["assigned", "logged", "photographed"];

export function MyCouponsPage() {
  const course = useCourse();
  const attempts = useCourseAttempts(course.id);
  if (attempts.isPending) return <Loading what="your coupons" />;
  if (attempts.isError) return <Problem error={attempts.error} again={() => void attempts.refetch()} />;
  const groups = new Map<number, Brief[]>();
  for (const a of attempts.data.results)
    groups.set(a.assignment.id, [...(groups.get(a.assignment.id) ?? []), a]);
  if (groups.size === 0) return <Empty>No coupon has been given to you yet. Your instructor will.</Empty>;
  return (
    <>
      <h1 className="mb-3 text-2xl font-bold">My coupons</h1>
      <div className="grid gap-3 lg:grid-cols-2">
        {[...groups.values()].map((group) => (
          <CouponCard key={group[0]?.assignment.id} attempts={group.sort((a, b) => b.number - a.number)} />
        ))}
      </div>
    </>
  );
}

function CouponCard({ attempts }: { attempts: Brief[] }) {
  const course = useCourse();
  const units = useUnits();
  const navigate = useNavigate();
  const latest = attempts[0];
  const another = useMutation({
    mutationFn: (assignment: number) =>
      unwrap(
        api.POST("/api/assignments/{assignment_id}/attempts", {
          params: { path: { assignment_id: assignment } },
        }),
      ),
    onSuccess: (attempt) => navigate(`/course/${String(course.id)}/attempt/${String(attempt.id)}`),
  });
  if (!latest) return null;
  const goal = latest.assignment;
  const next = open.includes(latest.state);
  return (
    <section className="rounded-box border border-base-300 bg-base-100 p-4">
      <h2 className="text-xl font-bold">{goal.design.title}</h2>
      <p>{goal.design.purpose}</p>
      <p className="my-2">
        Width about <strong>{measure(goal.target_width_mm, "length", units)}</strong>, finish{" "}
        {finishWords[goal.finish]}. {goal.good_in_a_row} good ones in a row count. Due{" "}
        {dateWords(goal.due_on)}.
      </p>
      {next ? (
        <Link
          className="btn h-14 w-full text-lg btn-primary"
          to={`/course/${String(course.id)}/attempt/${String(latest.id)}`}
        >
          {latest.state === "assigned"
            ? `Weld attempt ${String(latest.number)}`
            : `Go on with attempt ${String(latest.number)}`}
        </Link>
      ) : (
        <button
          className="btn h-14 w-full text-lg btn-primary"
          disabled={another.isPending}
          onClick={() => {
            another.mutate(goal.id);
          }}
        >
          Weld another
        </button>
      )}
      <Problem error={another.error} />
      <ul className="mt-3 divide-y divide-base-300">
        {attempts
          .filter((a) => a !== latest || !next)
          .map((a) => (
            <li key={a.id}>
              <Link
                className="flex items-center justify-between gap-3 py-3"
                to={`/course/${String(course.id)}/attempt/${String(a.id)}`}
              >
                <span>
                  Attempt {a.number}, {dateWords(a.created_at)}
                </span>
                <span className="font-semibold">
                  {a.mark_total === null ? stateWords[a.state] : `mark ${a.mark_total.toFixed(0)}`}
                </span>
              </Link>
            </li>
          ))}
      </ul>
    </section>
  );
}
