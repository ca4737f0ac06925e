import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse } from "../../domain/course";
import { sessionPlanKeys } from "../../domain/keys";

export type Sessions = Schemas["SessionPlan"];
export type Session = Schemas["CourseSession"];
export type Booth = Schemas["Booth"];
export type BoothSlot = Schemas["BoothSlot"];
export type Work = Schemas["WorkAhead"];

/** The course's sessions ahead, and everything that changes them; each change answers with all of them. */
export function useSessions() {
  const { id } = useCourse();
  const queries = useQueryClient();
  const key = sessionPlanKeys.plan(id);
  const course = { course_id: id };
  const update = (after: Sessions) => queries.setQueryData(key, after);
  const again = () => queries.invalidateQueries({ queryKey: key });
  const read = useQuery({
    queryKey: key,
    queryFn: () => unwrap(api.GET("/api/courses/{course_id}/sessions", { params: { path: course } })),
  });
  const make = useMutation({
    mutationFn: (body: Schemas["CreateSessionsRequest"]) =>
      unwrap(api.POST("/api/courses/{course_id}/sessions", { params: { path: course }, body })),
    onSuccess: update,
  });
  const zone = useMutation({
    mutationFn: (time_zone: string) =>
      unwrap(
        api.PUT("/api/courses/{course_id}/time-zone", { params: { path: course }, body: { time_zone } }),
      ),
    onSuccess: update,
  });
  const drop = useMutation({
    mutationFn: (session: number) =>
      unwrap(api.DELETE("/api/sessions/{session_id}", { params: { path: { session_id: session } } })),
    onSuccess: again,
  });
  const booth = useMutation({
    mutationFn: ({ id: booth, ...body }: Schemas["BoothRequest"] & { id: number | null }) =>
      unwrap(
        booth === null
          ? api.POST("/api/courses/{course_id}/booths", { params: { path: course }, body })
          : api.PUT("/api/courses/{course_id}/booths/{booth_id}", {
              params: { path: { ...course, booth_id: booth } },
              body,
            }),
      ),
    onSuccess: update,
  });
  const attend = useMutation({
    mutationFn: ({ session, ...body }: Schemas["AttendanceRequest"] & { session: number }) =>
      unwrap(
        api.PUT("/api/sessions/{session_id}/attendance", { params: { path: { session_id: session } }, body }),
      ),
    onSuccess: again,
  });
  const plan = useMutation({
    mutationFn: () => unwrap(api.POST("/api/courses/{course_id}/rota", { params: { path: course } })),
    onSuccess: (after) => update(after.plan),
  });
  const place = useMutation({
    mutationFn: (body: Schemas["BoothSlotRequest"]) =>
      unwrap(api.PUT("/api/courses/{course_id}/rota", { params: { path: course }, body })),
    onSuccess: (after) => update(after.plan),
    onError: again,
  });
  const takeOut = useMutation({
    mutationFn: (slot: number) =>
      unwrap(
        api.DELETE("/api/courses/{course_id}/slots/{slot_id}", {
          params: { path: { ...course, slot_id: slot } },
        }),
      ),
    onSuccess: again,
  });
  return { read, make, zone, drop, booth, attend, plan, place, takeOut };
}

export type Change = ReturnType<typeof useSessions>;

/** The secret address of the course's calendar. */
export function useCalendar() {
  const { id } = useCourse();
  return useQuery({
    queryKey: sessionPlanKeys.calendar(id),
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}/calendar", { params: { path: { course_id: id } } })),
  });
}
