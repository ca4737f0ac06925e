import { useQuery } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { vocabulary } from "../../api/generated-vocabulary";
import { useCourse } from "../../domain/course";
import { recordKeys, stockKeys } from "../../domain/keys";

const BUSY_MS = 3000;
const CALM_MS = 30_000;
const LONG_MS = 300_000;

export type Order = (typeof vocabulary.orders)[number];
export type WaitingAttempt = Schemas["WaitingAttempt"];

/** Counts of what waits, and how each student stands. */
export function useDesk() {
  const { id } = useCourse();
  return useQuery({
    queryKey: recordKeys.desk(id),
    queryFn: () => unwrap(api.GET("/api/courses/{course_id}/desk", { params: { path: { course_id: id } } })),
    refetchInterval: (q) => (q.state.data?.measuring ? BUSY_MS : CALM_MS),
  });
}

/** What runs out or leaks: it changes by the session, not by the second. */
export function useLow() {
  const { id } = useCourse();
  return useQuery({
    queryKey: stockKeys.low(id),
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}/stock/low", { params: { path: { course_id: id } } })),
    refetchInterval: LONG_MS,
    staleTime: LONG_MS,
  });
}

/** What waits for a mark or its return, in the order asked for, and how many wait in all. */
export function useWaiting(order: Order, assignment: number | null) {
  const { id } = useCourse();
  return useQuery({
    queryKey: recordKeys.waiting(id, order, assignment),
    queryFn: () =>
      unwrap(
        api.GET("/api/courses/{course_id}/waiting", {
          params: {
            path: { course_id: id },
            query: { order, ...(assignment !== null && { assignment }) },
          },
        }),
      ),
    placeholderData: (before) => before,
    refetchInterval: (q) => (q.state.data?.attempts.some((a) => a.measuring) ? BUSY_MS : CALM_MS),
  });
}
