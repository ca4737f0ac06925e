import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../api/client";
import { useCourse } from "./course";
import { guideKeys, recordKeys } from "./keys";

/** The first things to do in the open course: which are done, ticking one, and a sample bead to try marking on. */
export function useGuide() {
  const { id } = useCourse();
  const queries = useQueryClient();
  const params = { path: { course_id: id } };
  const kept = (guide: Schemas["Guide"]) => {
    queries.setQueryData(guideKeys.of(id), guide);
    void queries.invalidateQueries({ queryKey: recordKeys.all });
  };
  const read = useQuery({
    queryKey: guideKeys.of(id),
    queryFn: () => unwrap(api.GET("/api/courses/{course_id}/guide", { params })),
  });
  const tick = useMutation({
    mutationFn: (one: Schemas["GuideRequest"]["tick"]) =>
      unwrap(api.PATCH("/api/courses/{course_id}/guide", { params, body: { tick: one } })),
    onSuccess: kept,
  });
  const sample = useMutation({
    mutationFn: () => unwrap(api.POST("/api/courses/{course_id}/guide/sample", { params })),
    onSuccess: kept,
  });
  return { read, tick, sample };
}
