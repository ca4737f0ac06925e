import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap } from "../../api/client";
import { useCourse } from "../../domain/course";
import type { Body } from "./scheme-shape";
import { schemeKeys } from "../../domain/keys";

/** Keeps a scheme as a new version of its code, or as a new one. */
export function useKeepScheme() {
  const { id } = useCourse();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ code, scheme }: { code: string | null; scheme: Body }) =>
      unwrap(
        api.POST("/api/courses/{course_id}/schemes", {
          params: { path: { course_id: id } },
          body: { code, scheme },
        }),
      ),
    onSuccess: (every) => queries.setQueryData(schemeKeys.all(id), every),
  });
}

/** What a scheme would have made of the course's last marks. */
export function useTried(code: string, scheme: Body) {
  const { id } = useCourse();
  return useQuery({
    queryKey: schemeKeys.tried(id, code, scheme),
    queryFn: () =>
      unwrap(
        api.POST("/api/courses/{course_id}/schemes/try", {
          params: { path: { course_id: id } },
          body: { code, scheme },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
}
