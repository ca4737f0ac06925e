import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, unwrap } from "../../api/client";
import { useCourse, usePaths } from "../../ui/course";
import { newest, useAttemptChange, type Attempt } from "../../ui/use-attempt";
import type { Step } from "./correction-shape";
import type { Scores } from "./score-shape";

/** What the figures suggest for an attempt; follows its version and its measurement. */
export function useSuggestions(id: number, attempt: Attempt | undefined) {
  const measurement = attempt ? newest(attempt).measurement : undefined;
  return useQuery({
    queryKey: ["suggestions", id, measurement?.id ?? 0, attempt?.version ?? 0, measurement?.state],
    queryFn: () =>
      unwrap(api.GET("/api/attempts/{attempt_id}/suggestions", { params: { path: { attempt_id: id } } })),
    enabled: attempt !== undefined,
    // What is typed stays while the suggestions of a newer version are fetched.
    placeholderData: (before) => before,
  });
}

export type Given = { scores: Scores; comment: string; next_change: string; andReturn: boolean };

/** Sets the mark and, if asked, gives it back at once. */
export function useSetMark(attempt: Attempt) {
  const path = { attempt_id: attempt.id };
  return useAttemptChange(attempt.id, async ({ andReturn, ...given }: Given) => {
    const body = { version: attempt.version, ...given };
    const marked = await unwrap(api.PUT("/api/attempts/{attempt_id}/mark", { params: { path }, body }));
    if (!andReturn) return marked;
    const version = { version: marked.version };
    return unwrap(api.POST("/api/attempts/{attempt_id}/return", { params: { path }, body: version }));
  });
}

/** Goes to the attempt that has waited longest, of all there are; to the desk where none waits. */
export function useToNext(from: number) {
  const { id } = useCourse();
  const paths = usePaths();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: () =>
      unwrap(
        api.GET("/api/courses/{course_id}/next", {
          params: { path: { course_id: id }, query: { but: from } },
        }),
      ),
    onSuccess: ({ attempt }) => navigate(attempt === null ? paths.to("desk") : paths.attempt(attempt)),
  });
}

export function useMeasureAgain(attemptId: number) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (photo: number) =>
      unwrap(api.POST("/api/photos/{photo_id}/measure-again", { params: { path: { photo_id: photo } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["attempt", attemptId] }),
  });
}

/** Adding a step to a measurement's corrections, and taking steps back. */
export function useCorrection(attemptId: number, measurementId: number) {
  const path = { measurement_id: measurementId };
  const correct = useAttemptChange(attemptId, (body: Step) =>
    unwrap(api.POST("/api/measurements/{measurement_id}/corrections", { params: { path }, body })),
  );
  const undo = useAttemptChange(attemptId, (every: boolean) =>
    unwrap(
      api.DELETE("/api/measurements/{measurement_id}/corrections", { params: { path, query: { every } } }),
    ),
  );
  return {
    correct: correct.mutate,
    undo: undo.mutate,
    busy: correct.isPending || undo.isPending,
    error: correct.error ?? undo.error,
  };
}

export function useSetScale(attemptId: number, photoId: number) {
  return useAttemptChange(attemptId, (body: { points_px: number[]; length_mm: number }) =>
    unwrap(api.POST("/api/photos/{photo_id}/scale", { params: { path: { photo_id: photoId } }, body })),
  );
}
