import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { useNavigate } from "react-router";
import { useCourse, usePaths } from "../../domain/course";
import { couponKeys, recordKeys } from "../../domain/keys";
import { useSession } from "../../domain/use-session";

export function useGive(done: (given: Schemas["Assignment"]) => void) {
  const { id } = useCourse();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["AssignRequest"]) =>
      unwrap(api.POST("/api/courses/{course_id}/assignments", { params: { path: { course_id: id } }, body })),
    onSuccess: (given) => {
      void queries.invalidateQueries({ queryKey: couponKeys.allAssignments });
      void queries.invalidateQueries({ queryKey: recordKeys.allDesks });
      done(given);
    },
  });
}

/**
 * Opens the page on which those who teach try and show a coupon: their own attempt that waits to be
 * welded, else a fresh one.
 */
export function useShowCoupon() {
  const { id } = useCourse();
  const session = useSession();
  const paths = usePaths();
  const to = useNavigate();
  return useMutation({
    mutationFn: async (assignment: number) => {
      const query = { student: session.data?.id, assignment, state: ["assigned" as const] };
      const mine = await unwrap(
        api.GET("/api/courses/{course_id}/attempts", { params: { path: { course_id: id }, query } }),
      );
      const open = mine.results[0];
      if (open) return open.id;
      const params = { path: { assignment_id: assignment } };
      return (await unwrap(api.POST("/api/assignments/{assignment_id}/attempts", { params }))).id;
    },
    onSuccess: (attempt) => to(`${paths.attempt(attempt)}/trials`),
  });
}
