import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { useNavigate } from "react-router";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse, usePaths } from "../../domain/course";
import { sourceOf } from "../../domain/outbox/changes";
import { box, localNumber, post } from "../../domain/outbox/outbox";
import { may, useCourseAttempts, useOutboxChange, useSource, type Brief } from "../../domain/use-attempt";
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
  const source = useSource(attemptId);
  return useQuery({
    queryKey: attemptKeys.lastRuns(source),
    queryFn: () =>
      unwrap(api.GET("/api/attempts/{attempt_id}/last-runs", { params: { path: { attempt_id: source } } })),
  });
}

export function useSaveRun(attemptId: number, number: number) {
  return useOutboxChange((run: Run) => ({ what: "log", attempt: attemptId, number, run }));
}

export function useTick(attemptId: number) {
  return useOutboxChange((prepared: string[]) => ({ what: "prepare", attempt: attemptId, prepared }));
}

/** Opens one's next attempt after `latest` and goes there; without a connection it is opened on this phone first. */
export function useWeldAnother() {
  const paths = usePaths();
  const navigate = useNavigate();
  return useMutation({
    networkMode: "always",
    mutationFn: async (latest: Brief) => {
      const local = await localNumber();
      const { entries, opened: known } = box.get();
      const opened = await post({
        what: "another",
        attempt: local,
        assignment: latest.assignment.id,
        like: sourceOf(known[latest.id] ?? latest.id, entries),
        number: latest.number + 1,
      });
      return opened?.id ?? local;
    },
    onSuccess: (id) => navigate(paths.attempt(id)),
  });
}

/** Reads what is needed at the booth for the attempts that are welded next, so that it opens without a connection. */
export function useReadAhead(attempts: Brief[] | undefined) {
  const next = (attempts ?? []).filter((a) => may(a, "log")).map((a) => a.id);
  const list = next.join(",");
  useEffect(() => {
    if (!navigator.serviceWorker?.controller) return;
    for (const id of list === "" ? [] : list.split(",").map(Number)) {
      const params = { params: { path: { attempt_id: id } } };
      void Promise.allSettled([
        api.GET("/api/attempts/{attempt_id}", params),
        api.GET("/api/attempts/{attempt_id}/setup", params),
        api.GET("/api/attempts/{attempt_id}/last-runs", params),
        api.GET("/api/attempts/{attempt_id}/machine", params),
      ]);
    }
  }, [list]);
}

/** What of a run lies off the card while it is typed, once the fingers rest; nothing for a run that cannot be saved. */
export function useLiveCheck(attemptId: number, run: Run | null): Schemas["SetupCheck"] | undefined {
  const source = useSource(attemptId);
  const rested = useSettled(run === null ? null : JSON.stringify(run), FINGERS_REST_MS);
  const check = useQuery({
    queryKey: attemptKeys.runCheck(source, rested),
    queryFn: () =>
      unwrap(
        api.POST("/api/attempts/{attempt_id}/check", {
          params: { path: { attempt_id: source } },
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
  const source = useSource(attemptId);
  return useQuery({
    queryKey: attemptKeys.machine(source),
    queryFn: () =>
      unwrap(api.GET("/api/attempts/{attempt_id}/machine", { params: { path: { attempt_id: source } } })),
  });
}
