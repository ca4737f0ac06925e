import { useQuery } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { useSettled } from "../../ui/use-settled";
import type { Run } from "./log-shape";

/** What of a run lies off the card while it is typed, once the fingers rest; nothing for a run that cannot be saved. */
export function useLiveCheck(attemptId: number, run: Run | null): Schemas["Check"] | undefined {
  const rested = useSettled(run === null ? null : JSON.stringify(run), 250);
  const check = useQuery({
    queryKey: ["run-check", attemptId, rested],
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
