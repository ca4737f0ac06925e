import { useQuery } from "@tanstack/react-query";
import { createContext, use } from "react";
import { api, unwrap } from "../api/client";
import { couponKeys, courseKeys } from "./keys";

export type Course = { id: number; name: string; role: string };

const WHILE_FILLING_MS = 3000;

export const CourseContext = createContext<Course | null>(null);

/** The course whose pages are open. */
export function useCourse(): Course {
  const course = use(CourseContext);
  if (!course) throw new Error("no course around this page");
  return course;
}

/** Addresses of pages of the open course. */
export function usePaths() {
  const root = `/course/${String(useCourse().id)}`;
  return {
    to: (page: string) => `${root}/${page}`,
    attempt: (id: number) => `${root}/attempt/${String(id)}`,
    student: (id: number) => `${root}/student/${String(id)}`,
    compare: (earlier: number, later: number) => `${root}/compare/${String(earlier)}/${String(later)}`,
  };
}

/** What there is to know about the open course: its schools and, for those who teach it, its join code. */
export function useAboutCourse() {
  const { id } = useCourse();
  return useQuery({
    queryKey: courseKeys.about(id),
    queryFn: () => unwrap(api.GET("/api/courses/{course_id}", { params: { path: { course_id: id } } })),
    // While its attempts are brought in, the page follows them.
    refetchInterval: (query) => (query.state.data?.filling ? WHILE_FILLING_MS : false),
  });
}

/** Every design that the open course can give, over all pages of the list. */
export function useDesigns() {
  const { id } = useCourse();
  return useQuery({
    queryKey: couponKeys.designs(id),
    queryFn: () =>
      allPages((page) =>
        unwrap(
          api.GET("/api/courses/{course_id}/designs", {
            params: { path: { course_id: id }, query: { page, page_size: 100 } },
          }),
        ),
      ),
  });
}

/** All results of a list whose pages follow one another by cursor. */
export async function allAfter<T>(
  read: (cursor?: string) => Promise<{ next?: string | null; results: T[] }>,
): Promise<T[]> {
  const found: T[] = [];
  for (let cursor: string | undefined; ;) {
    const one = await read(cursor);
    found.push(...one.results);
    if (!one.next) return found;
    cursor = new URL(one.next).searchParams.get("cursor") ?? undefined;
  }
}

/** All results of a list whose pages are numbered, however many there are. */
export async function allPages<T>(
  read: (page: number) => Promise<{ next?: string | null; results: T[] }>,
): Promise<T[]> {
  const found: T[] = [];
  for (let page = 1; ; page++) {
    const one = await read(page);
    found.push(...one.results);
    if (!one.next) return found;
  }
}
