import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../domain/course";
import type { Attempt } from "../../domain/use-attempt";
import { useUnits } from "../../domain/use-units";
import { measure } from "../../domain/units";
import { finishWords, stateWords } from "../../domain/words";

type Props = { attempt: Attempt; asked: Schemas["RequestedChange"] | null };

/** Whose bead, at what, how far; and what was asked to change the last time, with what became of it. */
export function Heading({ attempt, asked }: Props) {
  const paths = usePaths();
  const units = useUnits();
  const { assignment: goal, earlier, student } = attempt;
  return (
    <div className="mb-2">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-xl font-bold">
          <Link className="hover:underline" to={paths.student(student.id)}>
            {student.display_name}
          </Link>
        </h1>
        <p className="text-sm">
          {goal.design.title}, attempt {attempt.number} · target:{" "}
          {measure(goal.target_width_mm, "length", units)} wide, finish {finishWords(goal.finish)} ·{" "}
          <strong>{stateWords(attempt.state)}</strong>
          {earlier && (
            <>
              {" "}
              ·{" "}
              <Link className="link" to={paths.compare(earlier.id, attempt.id)}>
                compare with attempt {earlier.number}
              </Link>
            </>
          )}
        </p>
      </div>
      {asked && (
        <p className="text-sm">
          Change asked at attempt {asked.number}: {asked.text}
          {asked.followed && (
            <strong className={asked.gone === "gone" ? "text-success" : "text-secondary"}>
              {" "}
              – {asked.followed}
            </strong>
          )}
        </p>
      )}
    </div>
  );
}
