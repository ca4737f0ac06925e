import { Say, t } from "../../catalogue";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../domain/course";
import { newest, type Attempt } from "../../domain/use-attempt";
import { useUnits } from "../../domain/use-units";
import { measure } from "../../domain/units";
import { finishWords, standingWords } from "../../domain/words";

type Props = { attempt: Attempt; asked: Schemas["RequestedChange"] | null };

/** Whose bead, at what, how far; and what was asked to change the last time, with what became of it. */
export function Heading({ attempt, asked }: Props) {
  const paths = usePaths();
  const units = useUnits();
  const { assignment: goal, earlier, student } = attempt;
  const { measurement } = newest(attempt);
  return (
    <div className="mb-2">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-xl font-bold">
          <Link className="hover:underline" to={paths.student(student.id)}>
            {student.display_name}
          </Link>
        </h1>
        <p className="text-sm">
          <Say
            id="marking-attempt-target-wide-finish"
            vars={{
              title: goal.design.title,
              number: attempt.number,
              target_width_mm: measure(goal.target_width_mm, "length", units),
              finish: finishWords(goal.finish),
              state: standingWords(attempt.state, measurement?.report?.refusal != null),
            }}
            elems={{ strong: <strong /> }}
          />
          {earlier && (
            <>
              {" "}
              ·{" "}
              <Link className="link" to={paths.compare(earlier.id, attempt.id)}>
                {t("marking-compare-with-attempt", { number: earlier.number })}
              </Link>
            </>
          )}
        </p>
      </div>
      {asked && (
        <p className="text-sm">
          {t("marking-change-asked-at-attempt", { number: asked.number, asked: asked.text })}
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
