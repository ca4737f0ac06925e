import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse } from "../../domain/course";

export type Line = Schemas["SheetLine"];
export type SheetFile = { name: string; data: ArrayBuffer };

/** What a table would do, and doing it: all of it, or nothing. */
export function useSheet(sheet: string) {
  const { id } = useCourse();
  const queries = useQueryClient();
  const options = (data: ArrayBuffer) => ({
    params: { path: { course_id: id, sheet } },
    body: data as unknown as string,
    bodySerializer: (body: unknown) => body as ArrayBuffer,
    headers: { "Content-Type": "text/csv" },
  });
  const foresee = useMutation({
    mutationFn: ({ data }: SheetFile) =>
      unwrap(api.POST("/api/courses/{course_id}/sheets/{sheet}.csv", options(data))),
  });
  const put = useMutation({
    mutationFn: ({ data }: SheetFile) =>
      unwrap(api.PUT("/api/courses/{course_id}/sheets/{sheet}.csv", options(data))),
    // Whatever is open may show what the table changed.
    onSuccess: () => queries.invalidateQueries(),
  });
  return { foresee, put };
}
