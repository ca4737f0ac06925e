import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";
import { allPages, useCourse } from "./course";
import { couponKeys } from "./keys";

/** What was given in this course so far. */
export function useGiven() {
  const { id } = useCourse();
  return useQuery({
    queryKey: couponKeys.assignments(id),
    queryFn: () =>
      allPages((page) =>
        unwrap(
          api.GET("/api/courses/{course_id}/assignments", {
            params: { path: { course_id: id }, query: { page, page_size: 100 } },
          }),
        ),
      ),
  });
}
