import { useQuery } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../api/client";
import { allPages, useCourse } from "./course";
import { peopleKeys } from "./keys";

/** Everybody in the open course, over all pages of the list. */
export function useMembers() {
  return useQuery(membersOf(useCourse().id));
}

/** Its students alone. */
export function useStudents(wanted = true) {
  return useQuery({ ...membersOf(useCourse().id), enabled: wanted, select: students });
}

const students = (members: Schemas["Member"][]) =>
  members.filter((m) => m.role === "student").map((m) => m.user);

function membersOf(course: number) {
  return {
    queryKey: peopleKeys.members(course),
    queryFn: () =>
      allPages((page) =>
        unwrap(
          api.GET("/api/courses/{course_id}/members", {
            params: { path: { course_id: course }, query: { page, page_size: 100 } },
          }),
        ),
      ),
  };
}
