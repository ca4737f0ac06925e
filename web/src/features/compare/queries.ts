import { useCourse } from "../../domain/course";
import { useCourseAttempts } from "../../domain/use-attempt";

/** A student's measured attempts, oldest first. */
export function useMeasured(student: number) {
  const all = useCourseAttempts(useCourse().id, { student });
  return (all.data ?? [])
    .filter((a) => a.measurement?.strip)
    .sort((a, b) => a.created_at.localeCompare(b.created_at));
}
