import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse, usePaths } from "../../domain/course";
import { useAttemptChange, useCourseAttempts } from "../../domain/use-attempt";
import { useSettled } from "../../ui/use-settled";
import type { Run } from "./log-shape";
import { attemptKeys, sessionPlanKeys } from "../../domain/keys";

const FINGERS_REST_MS = 250;

/** One's own attempts of the open course. */
export const useMine = () => useCourseAttempts(useCourse().id);

/** One's attempts at one assignment. */
export const useSame = (assignment: number) => useCourseAttempts(useCourse().id, { assignment });

/** The runs of the last attempt at the same coupon that passed, else of the last. */
export function useLastRuns(attemptId: number) {
  return useQuery({
    queryKey: attemptKeys.lastRuns(attemptId),
    queryFn: () =>
      unwrap(
        api.GET("/api/attempts/{attempt_id}/last-runs", { params: { path: { attempt_id: attemptId } } }),
      ),
  });
}

export function useSaveRun(attemptId: number, number: number) {
  return useAttemptChange(attemptId, (given: Run) =>
    unwrap(
      api.PUT("/api/attempts/{attempt_id}/runs/{number}", {
        params: { path: { attempt_id: attemptId, number } },
        body: given as Schemas["RunRequest"],
      }),
    ),
  );
}

export function useTick(attemptId: number) {
  return useAttemptChange(attemptId, (prepared: string[]) =>
    unwrap(
      api.PUT("/api/attempts/{attempt_id}/preparation", {
        params: { path: { attempt_id: attemptId } },
        body: { prepared },
      }),
    ),
  );
}

/** Opens one's next attempt at an assignment and goes there. */
export function useWeldAnother() {
  const paths = usePaths();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: (assignment: number) =>
      unwrap(
        api.POST("/api/assignments/{assignment_id}/attempts", {
          params: { path: { assignment_id: assignment } },
        }),
      ),
    onSuccess: (attempt) => navigate(paths.attempt(attempt.id)),
  });
}

/** What of a run lies off the card while it is typed, once the fingers rest; nothing for a run that cannot be saved. */
export function useLiveCheck(attemptId: number, run: Run | null): Schemas["SetupCheck"] | undefined {
  const rested = useSettled(run === null ? null : JSON.stringify(run), FINGERS_REST_MS);
  const check = useQuery({
    queryKey: attemptKeys.runCheck(attemptId, rested),
    queryFn: () =>
      unwrap(
        api.POST("/api/attempts/{attempt_id}/check", {
          params: { path: { attempt_id: attemptId } },
          body: JSON.parse(rested ?? "{}") as Schemas["RunRequest"],
        }),
      ),
    enabled: rested !== null,
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  return run === null ? undefined : check.data;
}

/** Where I stand next, and my sessions. */
export function useMySessions() {
  const { id } = useCourse();
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: sessionPlanKeys.mine(id) });
  const read = useQuery({
    queryKey: sessionPlanKeys.mine(id),
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}/my-sessions", { params: { path: { course_id: id } } })),
  });
  const attend = useMutation({
    mutationFn: ({ session, ...body }: Schemas["AttendanceRequest"] & { session: number }) =>
      unwrap(
        api.PUT("/api/sessions/{session_id}/attendance", { params: { path: { session_id: session } }, body }),
      ),
    onSuccess: again,
  });
  const door = useMutation({
    mutationFn: ({ session, code }: { session: number; code: string }) =>
      unwrap(
        api.POST("/api/sessions/{session_id}/door", {
          params: { path: { session_id: session } },
          body: { code },
        }),
      ),
    onSuccess: again,
  });
  return { read, attend, door };
}

/** The machine an attempt is welded with: what worked on it, and what of the card it cannot do. */
export function useMachine(attemptId: number) {
  return useQuery({
    queryKey: attemptKeys.machine(attemptId),
    queryFn: () =>
      unwrap(api.GET("/api/attempts/{attempt_id}/machine", { params: { path: { attempt_id: attemptId } } })),
  });
}
