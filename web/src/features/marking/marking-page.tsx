import { Link, useParams } from "react-router";
import { usePaths } from "../../ui/course";
import { CursorScope } from "../../ui/cursor";
import { Loading, Problem } from "../../ui/states";
import { useAttempt, type Attempt } from "../../ui/use-attempt";
import { useUnits } from "../../ui/use-units";
import { measure } from "../../ui/units";
import { ViewsOf } from "../../ui/views-of";
import { finishWords, stateWords } from "../../ui/words";
import { Evidence } from "./evidence";
import { MarkPanel } from "./mark-panel";
import { useSuggestions, useToNext } from "./queries";
import { RunCard } from "./run-card";
import type { Suggestion } from "./score-shape";

export function MarkingPage() {
  const { attemptId } = useParams();
  const id = Number(attemptId);
  const attempt = useAttempt(id);
  const suggestions = useSuggestions(id, attempt.data);
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

type Props = { attempt: Attempt; suggestions: Suggestion[]; reload: () => Promise<unknown> };

function Desk({ attempt, suggestions, reload }: Props) {
  const next = useToNext(attempt.id);
  return (
    <>
      <Heading attempt={attempt} />
      <Problem error={next.error} />
      <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_21rem]">
        <div className="min-w-0 space-y-3">
          <Evidence attempt={attempt} />
          <RunCard attempt={attempt} />
          <ViewsOf attempt={attempt} />
        </div>
        <MarkPanel
          key={attempt.id}
          attempt={attempt}
          suggestions={suggestions}
          reload={reload}
          toNext={next.mutate}
        />
      </div>
    </>
  );
}

function Heading({ attempt }: { attempt: Attempt }) {
  const paths = usePaths();
  const units = useUnits();
  const { assignment: goal, earlier, student } = attempt;
  return (
    <div className="mb-3 flex flex-wrap items-baseline gap-x-4">
      <h1 className="text-2xl font-bold">
        <Link className="hover:underline" to={paths.student(student.id)}>
          {student.display_name}
        </Link>
      </h1>
      <p>
        {goal.design.title}, attempt {attempt.number} · asked:{" "}
        {measure(goal.target_width_mm, "length", units)} wide, finish {finishWords(goal.finish)} ·{" "}
        <strong>{stateWords(attempt.state)}</strong>
        {earlier && (
          <>
            {" "}
            ·{" "}
            <Link className="link" to={paths.compare(earlier.id, attempt.id)}>
              lay it over attempt {earlier.number}
            </Link>
          </>
        )}
      </p>
    </div>
  );
}
