import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap } from "../../api/client";
import { useCourse } from "../../domain/course";
import { markingKeys, recordKeys } from "../../domain/keys";

export function useSetShare() {
  const { id } = useCourse();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (share: number) =>
      unwrap(
        api.PUT("/api/courses/{course_id}/second-share", {
          params: { path: { course_id: id } },
          body: { share },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: recordKeys.agreement(id) }),
  });
}

export function useLetGo() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (attempt: number) =>
      unwrap(
        api.DELETE("/api/attempts/{attempt_id}/reference", { params: { path: { attempt_id: attempt } } }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: markingKeys.allReferences }),
  });
}

export function useBeginTest() {
  const { id } = useCourse();
  return useMutation({
    mutationFn: () =>
      unwrap(api.POST("/api/courses/{course_id}/self-tests", { params: { path: { course_id: id } } })),
  });
}

/** One's own test, and marking a bead of it. */
export function useSelfTest(testId: number) {
  const { id } = useCourse();
  const queries = useQueryClient();
  const key = markingKeys.selfTest(testId);
  const path = { course_id: id, test_id: testId };
  const test = useQuery({
    queryKey: key,
    queryFn: () => unwrap(api.GET("/api/courses/{course_id}/self-tests/{test_id}", { params: { path } })),
  });
  const give = useMutation({
    mutationFn: ({ bead, scores }: { bead: number; scores: Record<string, number | null> }) =>
      unwrap(
        api.PUT("/api/courses/{course_id}/self-tests/{test_id}/beads/{reference_id}", {
          params: { path: { ...path, reference_id: bead } },
          body: { scores },
        }),
      ),
    onSuccess: (after) => {
      queries.setQueryData(key, after);
      void queries.invalidateQueries({ queryKey: markingKeys.allReferences });
    },
  });
  return { test, give };
}
