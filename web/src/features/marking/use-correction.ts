import { api, unwrap } from "../../api/client";
import { useAttemptChange } from "../../ui/use-attempt";
import type { Step } from "./correction-shape";

/** Adding a step to a measurement's corrections, and taking steps back; both answer with the attempt as it then is. */
export function useCorrection(attemptId: number, measurementId: number) {
  const path = { measurement_id: measurementId };
  const correct = useAttemptChange(attemptId, (step: Step) =>
    unwrap(api.POST("/api/measurements/{measurement_id}/corrections", { params: { path }, body: step })),
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
