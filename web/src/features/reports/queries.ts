import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse } from "../../domain/course";
import { reportKeys } from "../../domain/keys";

const WHILE_MAKING_MS = 1000;
const UNDER_WAY = ["waiting", "making"];

/** One's own reports; followed while one is made. */
export function useReports() {
  const { id } = useCourse();
  return useQuery({
    queryKey: reportKeys.all(id),
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}/reports", { params: { path: { course_id: id } } })),
    refetchInterval: (query) =>
      query.state.data?.some((r) => UNDER_WAY.includes(r.state)) ? WHILE_MAKING_MS : false,
  });
}

export function useAskReport() {
  const { id } = useCourse();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["ReportRequest"]) =>
      unwrap(api.POST("/api/courses/{course_id}/reports", { params: { path: { course_id: id } }, body })),
    onSuccess: () => queries.invalidateQueries({ queryKey: reportKeys.all(id) }),
  });
}

/** Which engines made the figures, and measuring all of them again; followed while that goes on. */
export function useEngines(wanted: boolean) {
  const { id } = useCourse();
  const queries = useQueryClient();
  const path = { course_id: id };
  const update = (after: Schemas["Engines"]) => queries.setQueryData(reportKeys.engines(id), after);
  const read = useQuery({
    queryKey: reportKeys.engines(id),
    enabled: wanted,
    queryFn: () => unwrap(api.GET("/api/courses/{course_id}/engines", { params: { path } })),
    refetchInterval: (query) => (query.state.data?.running ? WHILE_MAKING_MS : false),
  });
  const start = useMutation({
    mutationFn: () => unwrap(api.POST("/api/courses/{course_id}/engines", { params: { path } })),
    onSuccess: update,
  });
  const stop = useMutation({
    mutationFn: () => unwrap(api.DELETE("/api/courses/{course_id}/engines", { params: { path } })),
    onSuccess: update,
  });
  return { read, start, stop };
}
