import { Link } from "react-router";
import { vocabulary } from "../../api/generated-vocabulary";
import { usePaths } from "../../domain/course";
import { Strip } from "../../domain/strip";
import { TintBadge } from "../../domain/tint";
import { dateWords, percent, stateWords } from "../../domain/words";
import type { WaitingAttempt } from "./queries";

const PER_MM = 4.2;

/** One attempt that waits: whose, what, its strip and the figures that say most. */
export function Waiting({ attempt, search }: { attempt: WaitingAttempt; search: string }) {
  const paths = usePaths();
  const m = attempt.measurement;
  const refused = attempt.state === "photographed" && !attempt.measuring && !m;
  return (
    <Link
      className={
        "grid items-center gap-3 rounded-box border border-base-300 bg-base-100 p-2 hover:border-primary " +
        "md:grid-cols-[14rem_minmax(0,1fr)_12rem]"
      }
      to={paths.attempt(attempt.id) + (search && `?${search}`)}
    >
      <span>
        <span className="block font-bold">{attempt.student.display_name}</span>
        <span className="block text-sm">
          {attempt.assignment.design.title}, attempt {attempt.number}
        </span>
        <span className="quiet block text-sm">
          {dateWords(attempt.updated_at)} · {refused ? "photo not measured" : stateWords(attempt.state)}
        </span>
        {attempt.need !== "none" && (
          <span className="block text-sm font-semibold text-secondary">{vocabulary.needs[attempt.need]}</span>
        )}
      </span>
      <span className="overflow-hidden rounded">
        {m?.strip ? (
          <Strip strip={m.strip} perMm={PER_MM} label={`Strip of ${attempt.student.display_name}'s bead`} />
        ) : (
          <span className="block bg-base-200 p-3 text-sm">
            {attempt.measuring
              ? "Being measured …"
              : "Photo could not be measured. Mark by eye or ask for another photo."}
          </span>
        )}
      </span>
      <span className="text-sm">
        {m?.width_cv != null && (
          <>
            <span className="block">width variation {percent(m.width_cv)}</span>
            <span className="block">ripple variation {percent(m.pitch_cv)}</span>
            <TintBadge level={m.tint_level} />
          </>
        )}
      </span>
    </Link>
  );
}
