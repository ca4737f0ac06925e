import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";
import { useCourse } from "./course";
import { recordKeys } from "./keys";

/** How alike the course is marked, and versions of schemes that would have fitted better what was given. */
export function useAgreement(wanted = true) {
  const { id } = useCourse();
  return useQuery({
    queryKey: recordKeys.agreement(id),
    enabled: wanted,
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}/agreement", { params: { path: { course_id: id } } })),
  });
}
