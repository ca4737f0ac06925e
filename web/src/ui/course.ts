import { createContext, use } from "react";

export type Course = { id: number; name: string; role: string };

export const CourseContext = createContext<Course | null>(null);

/** The course whose pages are open. */
export function useCourse(): Course {
  const course = use(CourseContext);
  if (!course) throw new Error("no course around this page");
  return course;
}
