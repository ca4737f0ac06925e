import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../api/client";

export type Attempt = Schemas["Attempt"];
export type Brief = Schemas["AttemptBrief"];

const busy = (attempt: Attempt | undefined) =>
  attempt?.photos.some((p) => p.measurements.some((m) => m.state === "waiting" || m.state === "measuring")) ??
  false;

export function useAttempt(id: number) {
  return useQuery({
    queryKey: ["attempt", id],
    queryFn: () => unwrap(api.GET("/api/attempts/{attempt_id}", { params: { path: { attempt_id: id } } })),
    // While a photo is being measured the page follows it.
    refetchInterval: (query) => (busy(query.state.data) ? 1500 : false),
  });
}

/** The newest photo of the bead, the measurement that counts, and whether one is under way. */
export function newest(attempt: Attempt) {
  const all = attempt.photos.flatMap((photo) =>
    photo.measurements.map((measurement) => ({ photo, measurement })),
  );
  const good = all.find(({ measurement }) => measurement.id === attempt.measurement?.id) ?? all[0];
  return {
    photo: good?.photo ?? attempt.photos.find((p) => p.kind === "bead"),
    measurement: good?.measurement,
    busy: busy(attempt),
  };
}

export type AttemptFilter = {
  student?: number;
  state?: Brief["state"][];
  assignment?: number;
  page_size?: number;
};

export function useCourseAttempts(courseId: number, filter: AttemptFilter = {}) {
  return useQuery({
    queryKey: ["attempts", courseId, filter],
    queryFn: () =>
      unwrap(
        api.GET("/api/courses/{course_id}/attempts", {
          params: { path: { course_id: courseId }, query: { page_size: 100, ...filter } },
        }),
      ),
    refetchInterval: (query) =>
      query.state.data?.results.some(
        (a) => a.measurement?.state === "waiting" || a.measurement?.state === "measuring",
      )
        ? 3000
        : false,
  });
}

/** A change of an attempt that answers with the attempt as it then is. */
export function useAttemptChange<T>(id: number, change: (given: T) => Promise<Attempt>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: (attempt) => {
      queries.setQueryData(["attempt", id], attempt);
      void queries.invalidateQueries({
        predicate: (q) => ["attempts", "desk", "progress", "suggestions"].includes(String(q.queryKey[0])),
      });
    },
  });
}
