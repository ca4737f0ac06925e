import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../../api/client";
import { useCourse } from "../../domain/course";
import { recordKeys } from "../../domain/keys";

/** The newest measured beads of every student. */
export function useWall() {
  const { id } = useCourse();
  return useQuery({
    queryKey: recordKeys.wall(id),
    queryFn: () => unwrap(api.GET("/api/courses/{course_id}/wall", { params: { path: { course_id: id } } })),
  });
}

/** Every student at every coupon they have a mark for. */
export function useStandings() {
  const { id } = useCourse();
  return useQuery({
    queryKey: recordKeys.standings(id),
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}/standings", { params: { path: { course_id: id } } })),
  });
}

/** What the class gets wrong this week, and where everybody stands. */
export function useWeek() {
  const { id } = useCourse();
  return useQuery({
    queryKey: recordKeys.week(id),
    queryFn: () => unwrap(api.GET("/api/courses/{course_id}/week", { params: { path: { course_id: id } } })),
  });
}
