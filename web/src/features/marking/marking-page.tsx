import { useQuery } from "@tanstack/react-query";
import { Link, useNavigate, useParams } from "react-router";
import { api, unwrap } from "../../api/client";
import { useCourse } from "../../ui/course";
import { CursorScope } from "../../ui/cursor";
import { Loading, Problem } from "../../ui/states";
import { newest, useAttempt, useCourseAttempts, type Attempt } from "../../ui/use-attempt";
import { ViewsOf } from "../../ui/views-of";
import { useUnits } from "../../ui/use-units";
import { measure } from "../../ui/units";
import { finishWords, stateWords } from "../../ui/words";
import { Evidence } from "./evidence";
import { MarkPanel } from "./mark-panel";
import { RunCard } from "./run-card";

export function MarkingPage() {
  const { attemptId } = useParams();
  const id = Number(attemptId);
  const attempt = useAttempt(id);
  const measurementId = attempt.data ? (newest(attempt.data).measurement?.id ?? 0) : 0;
  const suggestions = useQuery({
    queryKey: ["suggestions", id, measurementId, attempt.data?.version ?? 0, newestState(attempt.data)],
    queryFn: () =>
      unwrap(api.GET("/api/attempts/{attempt_id}/suggestions", { params: { path: { attempt_id: id } } })),
    enabled: attempt.isSuccess,
    // What is typed stays while the suggestions of a newer version are fetched.
    placeholderData: (before) => before,
  });
  if (attempt.isPending || (attempt.isSuccess && suggestions.isPending))
    return <Loading what="the attempt" />;
  if (attempt.isError) return <Problem error={attempt.error} again={() => void attempt.refetch()} />;
  if (suggestions.isError)
    return <Problem error={suggestions.error} again={() => void suggestions.refetch()} />;
  return (
    <CursorScope key={id}>
      <Desk attempt={attempt.data} suggestions={suggestions.data ?? []} reload={() => attempt.refetch()} />
    </CursorScope>
  );
}

const newestState = (attempt: Attempt | undefined) =>
  attempt ? newest(attempt).measurement?.state : undefined;

function Desk({
  attempt,
  suggestions,
  reload,
}: {
  attempt: Attempt;
  suggestions: Parameters<typeof MarkPanel>[0]["suggestions"];
  reload: () => Promise<unknown>;
}) {
  const course = useCourse();
  const units = useUnits();
  const navigate = useNavigate();
  const queue = useCourseAttempts(course.id, { state: ["measured", "photographed", "marked"] });
  const same = useCourseAttempts(course.id, {
    student: attempt.student.id,
    assignment: attempt.assignment.id,
  });
  const before = (same.data?.results ?? [])
    .filter((a) => a.number < attempt.number && a.measurement?.strip)
    .sort((a, b) => b.number - a.number)[0];
  const goal = attempt.assignment;
  const toNext = () => {
    const next = (queue.data?.results ?? [])
      .filter((a) => a.id !== attempt.id)
      .sort((a, b) => a.updated_at.localeCompare(b.updated_at))[0];
    void navigate(
      next ? `/course/${String(course.id)}/attempt/${String(next.id)}` : `/course/${String(course.id)}/desk`,
    );
  };
  return (
    <>
      <div className="mb-3 flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-2xl font-bold">
          <Link
            className="hover:underline"
            to={`/course/${String(course.id)}/student/${String(attempt.student.id)}`}
          >
            {attempt.student.display_name}
          </Link>
        </h1>
        <p>
          {goal.design.title}, attempt {attempt.number} · asked:{" "}
          {measure(goal.target_width_mm, "length", units)} wide, finish {finishWords[goal.finish]} ·{" "}
          <strong>{stateWords[attempt.state]}</strong>
          {before && (
            <>
              {" "}
              ·{" "}
              <Link
                className="link"
                to={`/course/${String(course.id)}/compare/${String(before.id)}/${String(attempt.id)}`}
              >
                lay it over attempt {before.number}
              </Link>
            </>
          )}
        </p>
      </div>
      <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_21rem]">
        <div className="min-w-0 space-y-3">
          <Evidence attempt={attempt} />
          <RunCard attempt={attempt} />
          <ViewsOf attempt={attempt} mayRead={attempt.runs.length > 0 && attempt.mark === null} />
        </div>
        <MarkPanel
          key={attempt.id}
          attempt={attempt}
          suggestions={suggestions}
          reload={reload}
          toNext={toNext}
        />
      </div>
    </>
  );
}
