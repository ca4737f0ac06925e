import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";
import { useCourse } from "./course";
import { markingKeys } from "./keys";

/** The reference beads of the course, and whether the one who asks has tested themselves on them. */
export function useReferences(wanted = true) {
  const { id } = useCourse();
  return useQuery({
    queryKey: markingKeys.references(id),
    enabled: wanted,
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}/references", { params: { path: { course_id: id } } })),
  });
}
