import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate, useSearchParams } from "react-router";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse, usePaths } from "../../domain/course";
import { may, newest, useAttemptChange, type Attempt } from "../../domain/use-attempt";
import type { Step } from "./correction-shape";
import type { Duty, Scores } from "./score-shape";
import { attemptKeys, markingKeys, recordKeys } from "../../domain/keys";

/** What a query of an attempt's evidence follows: its version and its measurement. */
function follows(name: "suggestions" | "causes", id: number, attempt: Attempt | undefined) {
  const measurement = attempt ? newest(attempt).measurement : undefined;
  return {
    queryKey: recordKeys.evidence(name, id, measurement?.id ?? 0, attempt?.version ?? 0, measurement?.state),
    enabled: attempt !== undefined,
  };
}

/** What the coupon's scheme suggests for an attempt. */
export function useProposal(id: number, attempt: Attempt | undefined) {
  return useQuery({
    ...follows("suggestions", id, attempt),
    queryFn: () =>
      unwrap(api.GET("/api/attempts/{attempt_id}/suggestions", { params: { path: { attempt_id: id } } })),
    // What is typed stays while the suggestions of a newer version are fetched.
    placeholderData: (before) => before,
  });
}

/** Why the bead looks as it does. */
export function useCauses(attempt: Attempt) {
  const path = { attempt_id: attempt.id };
  return useQuery({
    ...follows("causes", attempt.id, attempt),
    queryFn: () => unwrap(api.GET("/api/attempts/{attempt_id}/causes", { params: { path } })),
    placeholderData: (before) => before,
  });
}

/** What the scheme suggests for one run, and why it looks as it does. */
export function useRunAssessment(attempt: Attempt, run: number) {
  const params = { path: { attempt_id: attempt.id }, query: { run } };
  return useQuery({
    queryKey: recordKeys.evidence("causes", attempt.id, 0, attempt.version, "run", run),
    queryFn: async () => {
      const [proposal, explanation] = await Promise.all([
        unwrap(api.GET("/api/attempts/{attempt_id}/suggestions", { params })),
        unwrap(api.GET("/api/attempts/{attempt_id}/causes", { params })),
      ]);
      return { proposal, explanation };
    },
  });
}

/** What is made of a cause at once: ruled out, there beside the one to change, or neither. */
export function useJudgeCause(attemptId: number) {
  const queries = useQueryClient();
  return useMutation({
    mutationKey: markingKeys.judging,
    mutationFn: ({ cause, verdict }: { cause: string; verdict: "ruled_out" | "beside" | null }) =>
      unwrap(
        api.PUT("/api/attempts/{attempt_id}/causes/{cause}", {
          params: { path: { attempt_id: attemptId, cause } },
          body: { verdict },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: attemptKeys.one(attemptId) }),
  });
}

export type Given = {
  duty: Duty;
  scores: Scores;
  not_applying: string[];
  waived: string[];
  runs: Record<string, number>;
  comment: string;
  next_change: string;
  cause: string | null;
  andReturn: boolean;
};

/** Sets the mark (the first, the second, or the one agreed on) and, if asked, gives it back at once. */
export function useSetMark(attempt: Attempt) {
  const path = { attempt_id: attempt.id };
  return useAttemptChange(
    attempt.id,
    async ({ duty, andReturn, cause, next_change, runs, ...given }: Given) => {
      const second = { version: attempt.version, ...given };
      if (duty === "second")
        return unwrap(api.PUT("/api/attempts/{attempt_id}/second", { params: { path }, body: second }));
      const body = { ...second, next_change };
      const marked = await unwrap(
        duty === "agree"
          ? api.POST("/api/attempts/{attempt_id}/agree", { params: { path }, body })
          : api.PUT("/api/attempts/{attempt_id}/mark", { params: { path }, body: { ...body, cause, runs } }),
      );
      // The lot may have sent it to a second marker.
      if (!andReturn || !may(marked, "return")) return marked;
      const version = { version: marked.version };
      return unwrap(api.POST("/api/attempts/{attempt_id}/return", { params: { path }, body: version }));
    },
  );
}

/** Asks by hand for a second mark. */
export function useAskSecond(attempt: Attempt) {
  const path = { attempt_id: attempt.id };
  return useAttemptChange(attempt.id, () =>
    unwrap(
      api.POST("/api/attempts/{attempt_id}/second", { params: { path }, body: { version: attempt.version } }),
    ),
  );
}

/** Keeps a returned mark as a reference for markers. */
export function useKeepReference(attemptId: number) {
  const queries = useQueryClient();
  const path = { attempt_id: attemptId };
  return useMutation({
    mutationFn: (comment: string) =>
      unwrap(api.PUT("/api/attempts/{attempt_id}/reference", { params: { path }, body: { comment } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: markingKeys.allReferences }),
  });
}

/** Asks for another photo, or sends the coupon back to be welded again. */
export function useAnswer(attempt: Attempt) {
  const path = { attempt_id: attempt.id };
  return useAttemptChange(
    attempt.id,
    (given: { answer: Schemas["AnswerRequest"]["answer"]; why: string }) => {
      const body = { version: attempt.version, ...given };
      return unwrap(api.POST("/api/attempts/{attempt_id}/answer", { params: { path }, body }));
    },
  );
}

/** Findings by hand. */
export function useNote(attemptId: number) {
  const path = { attempt_id: attemptId };
  return useAttemptChange(attemptId, (body: Schemas["FindingsRequest"]) =>
    unwrap(api.PUT("/api/attempts/{attempt_id}/findings", { params: { path }, body })),
  );
}

export function usePhrases() {
  return useQuery({ queryKey: markingKeys.phrases, queryFn: () => unwrap(api.GET("/api/phrases")) });
}

export function useKeepPhrases() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (phrases: Record<string, string>) => unwrap(api.PUT("/api/phrases", { body: { phrases } })),
    onSuccess: (kept) => queries.setQueryData(markingKeys.phrases, kept),
  });
}

/** Goes to the attempt that is next in the order the desk was left in; to the desk where none waits. */
export function useToNext(from: number) {
  const { id } = useCourse();
  const paths = usePaths();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  return useMutation({
    mutationFn: () => {
      const assignment = search.get("assignment");
      const query = {
        but: from,
        ...(search.get("order") && { order: search.get("order") as "need" }),
        ...(assignment && { assignment: Number(assignment) }),
      };
      return unwrap(api.GET("/api/courses/{course_id}/next", { params: { path: { course_id: id }, query } }));
    },
    onSuccess: ({ attempt }) => {
      const kept = search.size > 0 ? `?${search.toString()}` : "";
      return navigate((attempt === null ? paths.to("desk") : paths.attempt(attempt)) + kept);
    },
  });
}

export function useMeasureAgain(attemptId: number) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (photo: number) =>
      unwrap(api.POST("/api/photos/{photo_id}/measure-again", { params: { path: { photo_id: photo } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: attemptKeys.one(attemptId) }),
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
