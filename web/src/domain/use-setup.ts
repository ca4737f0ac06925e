import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";
import { attemptKeys } from "./keys";
import { useSource } from "./use-attempt";

/** The setup card of an attempt's coupon, the runs beside it, what worked here; `version` follows the log. */
export function useSetup(attemptId: number, version: number) {
  const source = useSource(attemptId);
  return useQuery({
    queryKey: attemptKeys.setup(source, version),
    queryFn: () =>
      unwrap(api.GET("/api/attempts/{attempt_id}/setup", { params: { path: { attempt_id: source } } })),
    placeholderData: (before) => before,
  });
}
