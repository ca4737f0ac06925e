import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse } from "../../domain/course";
import { eyeKeys } from "../../domain/keys";

/** Beads are drawn one after another: the page looks again until all are there. */
const LOOK_AGAIN_MS = 1000;

/** Where one stands. */
export function useEye() {
  const { id } = useCourse();
  return useQuery({
    queryKey: eyeKeys.page(id),
    queryFn: () => unwrap(api.GET("/api/courses/{course_id}/eye", { params: { path: { course_id: id } } })),
  });
}

/** One round, looked at again while its next bead is being drawn. */
export function useRound(round: number) {
  return useQuery({
    queryKey: eyeKeys.round(round),
    queryFn: () => unwrap(api.GET("/api/eye/rounds/{round_id}", { params: { path: { round_id: round } } })),
    refetchInterval: (query) => {
      const next = query.state.data?.questions.find((one) => one.given === null);
      return next && !next.drawn ? LOOK_AGAIN_MS : false;
    },
  });
}

export function useStart() {
  const { id } = useCourse();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => unwrap(api.POST("/api/eye/rounds")),
    onSuccess: (round) => {
      queries.setQueryData(eyeKeys.round(round.id), round);
      return queries.invalidateQueries({ queryKey: eyeKeys.page(id) });
    },
  });
}

export function useAnswer(round: number) {
  const { id } = useCourse();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ number, ...body }: Schemas["EyeAnswerRequest"] & { number: number }) =>
      unwrap(
        api.POST("/api/eye/rounds/{round_id}/beads/{number}", {
          params: { path: { round_id: round, number } },
          body,
        }),
      ),
    onSuccess: (after) => {
      queries.setQueryData(eyeKeys.round(round), after);
      if (after.finished_at !== null) void queries.invalidateQueries({ queryKey: eyeKeys.page(id) });
    },
  });
}
