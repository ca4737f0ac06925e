import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../../api/client";
import { attemptKeys } from "../../../domain/keys";

/**
 * The trials of an attempt as it is in this version, and all that may be done with them; each
 * answers with all of them as they then are.
 */
export function useTrials(attempt: number, version: number) {
  const queries = useQueryClient();
  const key = attemptKeys.trials(attempt, version);
  const after = async (trials: Schemas["Trials"]) => {
    // A version that has just changed is being read: that answer is of before this one.
    await queries.cancelQueries({ queryKey: key });
    queries.setQueryData(key, trials);
    void queries.invalidateQueries({ queryKey: attemptKeys.one(attempt) });
  };
  const read = useQuery({
    queryKey: key,
    queryFn: () =>
      unwrap(api.GET("/api/attempts/{attempt_id}/trials", { params: { path: { attempt_id: attempt } } })),
    placeholderData: (before) => before,
  });
  const begin = useMutation({
    mutationFn: (body: Schemas["TrialRequest"]) =>
      unwrap(
        api.POST("/api/attempts/{attempt_id}/trials", { params: { path: { attempt_id: attempt } }, body }),
      ),
    onSuccess: after,
  });
  const change = useMutation({
    mutationFn: ({ trial, ...body }: Schemas["TrialChangeRequest"] & { trial: number }) =>
      unwrap(api.PUT("/api/trials/{trial_id}", { params: { path: { trial_id: trial } }, body })),
    onSuccess: after,
  });
  const drop = useMutation({
    mutationFn: (trial: number) =>
      unwrap(api.DELETE("/api/trials/{trial_id}", { params: { path: { trial_id: trial } } })),
    onSuccess: after,
  });
  const take = useMutation({
    mutationFn: ({ trial, ...body }: Schemas["StartRequest"] & { trial: number }) =>
      unwrap(api.POST("/api/trials/{trial_id}/start", { params: { path: { trial_id: trial } }, body })),
    onSuccess: async (trials) => {
      await after(trials);
      void queries.invalidateQueries({ queryKey: attemptKeys.setups(attempt) });
    },
  });
  return { read, begin, change, drop, take };
}
