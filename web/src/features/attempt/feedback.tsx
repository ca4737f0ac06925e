import { Link } from "react-router";
import { useCourse } from "../../ui/course";
import { CursorScope } from "../../ui/cursor";
import { BeadPhoto } from "../../ui/bead-photo";
import { FaultCrops } from "../../ui/fault-crops";
import { StackedStrips } from "../../ui/stacked-strips";
import { StripWithTracks } from "../../ui/strip-with-tracks";
import { newest, useCourseAttempts, type Attempt } from "../../ui/use-attempt";
import { useUnits } from "../../ui/use-units";
import { criterionWords } from "../../ui/words";

export function Feedback({ attempt }: { attempt: Attempt }) {
  const course = useCourse();
  const units = useUnits();
  const { photo, measurement } = newest(attempt);
  const earlier = useCourseAttempts(course.id, { assignment: attempt.assignment.id });
  const mark = attempt.mark;
  if (!mark) return null;
  const before = (earlier.data?.results ?? [])
    .filter((a) => a.id !== attempt.id && a.number < attempt.number && a.measurement?.strip)
    .sort((a, b) => b.number - a.number);
  return (
    <section className="space-y-4 rounded-box border border-base-300 bg-base-100 p-4">
      <div className="flex items-end gap-4">
        <p className="text-5xl font-bold">
          {mark.total.toFixed(0)}
          <span className="quiet text-xl font-normal"> of 100</span>
        </p>
        <p className="quiet pb-1 text-sm">marked by {mark.marked_by.display_name}</p>
      </div>
      {mark.next_change && (
        <p className="rounded-box bg-accent p-3 text-lg text-accent-content">
          <strong>Change next:</strong> {mark.next_change}
        </p>
      )}
      {mark.comment && <p className="whitespace-pre-wrap">{mark.comment}</p>}
      <ul className="grid grid-cols-2 gap-x-6 sm:grid-cols-3">
        {Object.entries(mark.scores).map(([key, score]) => (
          <li key={key} className="flex justify-between border-b border-base-300 py-1">
            <span>{criterionWords[key]}</span>
            <strong>{score ?? "–"}</strong>
          </li>
        ))}
      </ul>
      <CursorScope>
        {measurement?.strip && measurement.report && (
          <StripWithTracks
            strip={measurement.strip}
            report={measurement.report}
            overlay={measurement.overlay}
            units={units}
          />
        )}
        {photo && measurement?.overlay && (
          <FaultCrops
            defects={measurement.report?.defects ?? []}
            photo={photo}
            overlay={measurement.overlay}
            units={units}
          />
        )}
        {photo && <BeadPhoto photo={photo} overlay={measurement?.overlay ?? null} traced={false} close />}
      </CursorScope>
      {before.length > 0 && (
        <div>
          <h2 className="mb-2 text-lg font-bold">Your earlier ones, to the same scale</h2>
          <StackedStrips
            attempts={[attempt, ...before]}
            link={(a, children) => (
              <Link className="block" to={`/course/${String(course.id)}/attempt/${String(a.id)}`}>
                {children}
              </Link>
            )}
          />
        </div>
      )}
      {before[0] && (
        <Link
          className="btn h-12 w-full"
          to={`/course/${String(course.id)}/compare/${String(before[0].id)}/${String(attempt.id)}`}
        >
          Lay it over the one before
        </Link>
      )}
      <Link className="btn h-12 w-full btn-primary" to={`/course/${String(course.id)}/time`}>
        How it goes over time
      </Link>
    </section>
  );
}
