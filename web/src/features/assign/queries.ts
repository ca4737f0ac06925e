import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { allPages, useCourse } from "../../ui/course";

/** The students of this course. */
export function useStudents() {
  const { id } = useCourse();
  return useQuery({
    queryKey: ["students", id],
    queryFn: () =>
      allPages((page) =>
        unwrap(
          api.GET("/api/courses/{course_id}/members", {
            params: { path: { course_id: id }, query: { page, page_size: 100 } },
          }),
        ),
      ),
    select: (members) => members.filter((m) => m.role === "student").map((m) => m.user),
  });
}

export function useGive(done: () => void) {
  const { id } = useCourse();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["AssignRequest"]) =>
      unwrap(api.POST("/api/courses/{course_id}/assignments", { params: { path: { course_id: id } }, body })),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: ["assignments"] });
      void queries.invalidateQueries({ queryKey: ["desk"] });
      done();
    },
  });
}
