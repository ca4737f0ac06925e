import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, unwrap, type Schemas } from "../../api/client";
import { allPages } from "../../domain/course";
import { sessionKeys, workshopKeys } from "../../domain/keys";

export type WorkshopPerson = Schemas["WorkshopPerson"];

/** The workshop that one owns. */
export function useWorkshop() {
  const queries = useQueryClient();
  const key = workshopKeys.about;
  const read = useQuery({ queryKey: key, queryFn: () => unwrap(api.GET("/api/workshop")) });
  const set = useMutation({
    mutationFn: (body: Schemas["WorkshopRequest"]) => unwrap(api.PUT("/api/workshop", { body })),
    onSuccess: (after) => {
      queries.setQueryData(key, after);
      void queries.invalidateQueries({ queryKey: sessionKeys.signedIn });
    },
  });
  return { read, set };
}

/** Its courses; an owner takes part in one. */
export function useWorkshopCourses() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const read = useQuery({
    queryKey: workshopKeys.courses,
    queryFn: () => unwrap(api.GET("/api/workshop/courses")),
  });
  const part = useMutation({
    mutationFn: (id: number) =>
      unwrap(
        api.PUT("/api/workshop/courses/{workshop_course_id}/part", {
          params: { path: { workshop_course_id: id } },
        }),
      ),
    onSuccess: (session, id) => {
      queries.setQueryData(sessionKeys.signedIn, session);
      void navigate(`/course/${String(id)}/desk`);
    },
  });
  return { read, part };
}

/** Everybody of the workshop, and what an owner does with them. */
export function useWorkshopPeople() {
  const queries = useQueryClient();
  const key = workshopKeys.people;
  const path = (id: number) => ({ params: { path: { person_id: id } } });
  const again = () => queries.invalidateQueries({ queryKey: key });
  const read = useQuery({
    queryKey: key,
    queryFn: () =>
      allPages((page) =>
        unwrap(api.GET("/api/workshop/people", { params: { query: { page, page_size: 100 } } })),
      ),
  });
  const make = useMutation({
    mutationFn: (body: Schemas["CreatePersonRequest"]) => unwrap(api.POST("/api/workshop/people", { body })),
    onSuccess: again,
  });
  const set = useMutation({
    mutationFn: ({ id, ...body }: { id: number; owns: boolean; is_active: boolean }) =>
      unwrap(api.PUT("/api/workshop/people/{person_id}", { ...path(id), body })),
    onSuccess: again,
  });
  const reset = useMutation({
    mutationFn: (id: number) => unwrap(api.POST("/api/workshop/people/{person_id}/reset", path(id))),
  });
  const dropSecond = useMutation({
    mutationFn: (id: number) =>
      unwrap(api.DELETE("/api/workshop/people/{person_id}/second-factor", path(id))),
    onSuccess: again,
  });
  const remove = useMutation({
    mutationFn: (id: number) => unwrap(api.DELETE("/api/workshop/people/{person_id}", path(id))),
    onSuccess: again,
  });
  return { read, make, set, reset, dropSecond, remove };
}

export type Change = ReturnType<typeof useWorkshopPeople>;

/** Whether the server is well; looked at when asked for, for that takes seconds. */
export function useServer() {
  return useQuery({
    queryKey: workshopKeys.server,
    queryFn: () => unwrap(api.GET("/api/workshop/server")),
    refetchOnWindowFocus: false,
  });
}
