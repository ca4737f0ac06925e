import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../../api/client";
import { useCourse } from "../../domain/course";
import { recordKeys } from "../../domain/keys";

/** A student's beads by coupon, with trends and good ones in a row. */
export function useProgress(student: number) {
  const { id } = useCourse();
  return useQuery({
    queryKey: recordKeys.progress(id, student),
    queryFn: () =>
      unwrap(
        api.GET("/api/courses/{course_id}/students/{student_id}/progress", {
          params: { path: { course_id: id, student_id: student } },
        }),
      ),
  });
}

/** How a student's records go on, by coupon. */
export function useForecasts(studentId: number) {
  const { id } = useCourse();
  return useQuery({
    queryKey: recordKeys.forecasts(id, studentId),
    queryFn: () =>
      unwrap(
        api.GET("/api/courses/{course_id}/students/{student_id}/forecasts", {
          params: { path: { course_id: id, student_id: studentId } },
        }),
      ),
  });
}
