import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse } from "../../domain/course";
import { couponKeys, recordKeys } from "../../domain/keys";

export function useGive(done: (given: Schemas["Assignment"]) => void) {
  const { id } = useCourse();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["AssignRequest"]) =>
      unwrap(api.POST("/api/courses/{course_id}/assignments", { params: { path: { course_id: id } }, body })),
    onSuccess: (given) => {
      void queries.invalidateQueries({ queryKey: couponKeys.allAssignments });
      void queries.invalidateQueries({ queryKey: recordKeys.allDesks });
      done(given);
    },
  });
}
