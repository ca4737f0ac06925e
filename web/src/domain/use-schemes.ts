import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";
import { useCourse } from "./course";
import { schemeKeys } from "./keys";

/** The marking schemes of the open course, the newest version of each. */
export function useSchemes() {
  const { id } = useCourse();
  return useQuery({
    queryKey: schemeKeys.all(id),
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}/schemes", { params: { path: { course_id: id } } })),
  });
}
