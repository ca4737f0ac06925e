import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse } from "../../domain/course";

export type Schools = Schemas["CourseMethods"];

export function useChangeSchools() {
  const { id } = useCourse();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (given: Partial<Schools>) =>
      unwrap(
        api.PATCH("/api/courses/{course_id}/schools", {
          params: { path: { course_id: id } },
          body: given as Schemas["CourseMethodsRequest"],
        }),
      ),
    // Awaited, so that the choice stands until the page knows it from the server.
    onSuccess: () => queries.invalidateQueries(),
  });
}
