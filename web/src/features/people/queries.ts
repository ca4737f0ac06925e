import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse } from "../../domain/course";
import { useMembers } from "../../domain/use-members";
import { courseKeys, peopleKeys, sessionKeys } from "../../domain/keys";

export type Member = Schemas["Member"];

/** Everybody in the course, and what its instructor does with them. */
export function usePeople() {
  const { id } = useCourse();
  const queries = useQueryClient();
  const key = peopleKeys.members(id);
  const path = (member: number) => ({ course_id: id, member_id: member });
  const again = () => queries.invalidateQueries({ queryKey: key });
  const read = useMembers();
  const setRole = useMutation({
    mutationFn: ({ member, role }: { member: number; role: string }) =>
      unwrap(
        api.PUT("/api/courses/{course_id}/members/{member_id}", {
          params: { path: path(member) },
          body: { role },
        }),
      ),
    onSuccess: again,
  });
  const letGo = useMutation({
    mutationFn: (member: number) =>
      unwrap(api.DELETE("/api/courses/{course_id}/members/{member_id}", { params: { path: path(member) } })),
    onSuccess: again,
  });
  const reset = useMutation({
    mutationFn: (member: number) =>
      unwrap(
        api.POST("/api/courses/{course_id}/members/{member_id}/reset", { params: { path: path(member) } }),
      ),
  });
  const move = useMutation({
    mutationFn: ({ member, to }: { member: number; to: number }) =>
      unwrap(
        api.POST("/api/courses/{course_id}/members/{member_id}/move", {
          params: { path: path(member) },
          body: { to },
        }),
      ),
    onSuccess: again,
  });
  return { read, setRole, letGo, reset, move };
}

export type Change = ReturnType<typeof usePeople>;

/** The code newcomers join with. */
export function useJoinCode() {
  const { id } = useCourse();
  const queries = useQueryClient();
  const key = courseKeys.joinCode(id);
  const path = { course_id: id };
  const read = useQuery({
    queryKey: key,
    queryFn: () => unwrap(api.GET("/api/courses/{course_id}/join-code", { params: { path } })),
  });
  const set = useMutation({
    mutationFn: (body: Schemas["JoinCodeRequest"]) =>
      unwrap(api.PUT("/api/courses/{course_id}/join-code", { params: { path }, body })),
    onSuccess: (after) => {
      queries.setQueryData(key, after);
      void queries.invalidateQueries({ queryKey: courseKeys.about(id) });
    },
  });
  return { read, set };
}

/** Ends the course, or opens it again. */
export function useArchive() {
  const { id } = useCourse();
  const queries = useQueryClient();
  const params = { path: { course_id: id } };
  return useMutation({
    mutationFn: (archived: boolean) =>
      unwrap(
        archived
          ? api.PUT("/api/courses/{course_id}/archived", { params })
          : api.DELETE("/api/courses/{course_id}/archived", { params }),
      ),
    onSuccess: (session) => queries.setQueryData(sessionKeys.signedIn, session),
  });
}
