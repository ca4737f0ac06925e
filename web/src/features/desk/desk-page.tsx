import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, unwrap } from "../../api/client";
import { useCourse } from "../../ui/course";
import { Empty, Loading, Problem } from "../../ui/states";
import { Strip } from "../../ui/strip";
import { TintBadge } from "../../ui/tint";
import { useCourseAttempts, type Brief } from "../../ui/use-attempt";
import { dateWords, percent, stateWords } from "../../ui/words";

export function DeskPage() {
  const course = useCourse();
  const desk = useQuery({
    queryKey: ["desk", course.id],
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}/desk", { params: { path: { course_id: course.id } } })),
    refetchInterval: (q) => (q.state.data?.measuring ? 3000 : 30_000),
  });
  const waiting = useCourseAttempts(course.id, { state: ["measured", "photographed", "marked"] });
  const info = useQuery({
    queryKey: ["course", course.id],
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}", { params: { path: { course_id: course.id } } })),
  });
  if (desk.isPending || waiting.isPending) return <Loading what="today's desk" />;
  if (desk.isError || waiting.isError)
    return (
      <Problem
        error={desk.error ?? waiting.error}
        again={() => {
          void desk.refetch();
          void waiting.refetch();
        }}
      />
    );
  const queue = [...waiting.data.results].sort((a, b) => a.updated_at.localeCompare(b.updated_at));
  return (
    <div className="grid gap-5 xl:grid-cols-[1fr_19rem]">
      <section>
        <h1 className="text-2xl font-bold">On the desk</h1>
        <p className="mb-3" role="status">
          {desk.data.to_mark} to mark · {desk.data.to_return} marked but not returned · {desk.data.welding} at
          the booths
          {desk.data.measuring > 0 && (
            <span className="ml-2 font-semibold">
              <span className="loading loading-xs loading-dots" aria-hidden /> {desk.data.measuring} being
              measured
            </span>
          )}
        </p>
        {queue.length === 0 ? (
          <Empty>Nothing waits for a mark. New photos appear here by themselves.</Empty>
        ) : (
          <ul className="space-y-2">
            {queue.map((a) => (
              <li key={a.id}>
                <Waiting attempt={a} />
              </li>
            ))}
          </ul>
        )}
      </section>
      <aside>
        <h2 className="mb-2 text-lg font-bold">Students</h2>
        <ul className="divide-y divide-base-300 rounded-box border border-base-300 bg-base-100">
          {desk.data.students.map((s) => (
            <li key={s.student.id}>
              <Link
                className="flex items-baseline justify-between gap-2 px-3 py-2 hover:bg-base-200"
                to={`../student/${String(s.student.id)}`}
                relative="path"
              >
                <span className="font-medium">{s.student.display_name}</span>
                <span className="text-right text-sm">
                  {s.last_worked_at ? dateWords(s.last_worked_at) : "nothing yet"}
                  {s.overdue > 0 && (
                    <span className="block font-semibold text-error">{s.overdue} overdue</span>
                  )}
                  {s.stuck && (
                    <span className="block font-semibold text-secondary">has not welded lately</span>
                  )}
                </span>
              </Link>
            </li>
          ))}
        </ul>
        {info.data?.join_code && (
          <p className="mt-3 text-sm">
            New students join with the code <strong>{info.data.join_code}</strong>.
          </p>
        )}
        <p className="mt-1 text-sm">
          Scale cards:{" "}
          <a className="link" href="/api/scale-card/window">
            window
          </a>
          ,{" "}
          <a className="link" href="/api/scale-card/strip">
            strip
          </a>{" "}
          (A4);{" "}
          <a className="link" href="/api/scale-card/window?paper=letter">
            window
          </a>
          ,{" "}
          <a className="link" href="/api/scale-card/strip?paper=letter">
            strip
          </a>{" "}
          (Letter)
        </p>
      </aside>
    </div>
  );
}

function Waiting({ attempt }: { attempt: Brief }) {
  const m = attempt.measurement;
  return (
    <Link
      className="grid items-center gap-3 rounded-box border border-base-300 bg-base-100 p-2 hover:border-primary md:grid-cols-[14rem_minmax(0,1fr)_12rem]"
      to={`../attempt/${String(attempt.id)}`}
      relative="path"
    >
      <span>
        <span className="block font-bold">{attempt.student.display_name}</span>
        <span className="block text-sm">
          {attempt.assignment.design.title}, attempt {attempt.number}
        </span>
        <span className="quiet block text-sm">
          {dateWords(attempt.updated_at)} · {stateWords[attempt.state]}
        </span>
      </span>
      <span className="overflow-hidden rounded">
        {m?.strip ? (
          <Strip strip={m.strip} perMm={4.2} label={`Strip of ${attempt.student.display_name}'s bead`} />
        ) : (
          <span className="block bg-base-200 p-3 text-sm">
            {m?.refusal_code
              ? "The photo could not be measured; mark by eye or ask for another."
              : "Being measured …"}
          </span>
        )}
      </span>
      <span className="text-sm">
        <span className="block">width varies {percent(m?.width_cv)}</span>
        <span className="block">ripples vary {percent(m?.pitch_cv)}</span>
        <TintBadge level={m?.tint_level} />
      </span>
    </Link>
  );
}
