import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../../api/client";
import { useCourse } from "../../ui/course";

const BUSY_MS = 3000;
const CALM_MS = 30_000;
const SHOWN = 50;

/** Counts of what waits, and how each student stands. */
export function useDesk() {
  const { id } = useCourse();
  return useQuery({
    queryKey: ["desk", id],
    queryFn: () => unwrap(api.GET("/api/courses/{course_id}/desk", { params: { path: { course_id: id } } })),
    refetchInterval: (q) => (q.state.data?.measuring ? BUSY_MS : CALM_MS),
  });
}

/** The attempts that have waited longest for a mark or its return, and how many wait in all. */
export function useWaiting() {
  const { id } = useCourse();
  return useQuery({
    queryKey: ["waiting", id],
    queryFn: () =>
      unwrap(
        api.GET("/api/courses/{course_id}/attempts", {
          params: {
            path: { course_id: id },
            query: {
              state: ["measured", "photographed", "marked"],
              oldest_first: true,
              page_size: SHOWN,
            },
          },
        }),
      ),
    refetchInterval: (q) => (q.state.data?.results.some((a) => a.measuring) ? BUSY_MS : CALM_MS),
  });
}
