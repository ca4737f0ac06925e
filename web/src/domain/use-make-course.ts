import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, unwrap, type Schemas } from "../api/client";
import { sessionKeys } from "./keys";

/** Makes a course and goes there. */
export function useMakeCourse() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: (body: Schemas["CreateCourseRequest"]) => unwrap(api.POST("/api/courses", { body })),
    onSuccess: (session) => {
      queries.setQueryData(sessionKeys.signedIn, session);
      const made = session.courses.at(-1);
      if (made) void navigate(`/course/${String(made.id)}/people`);
    },
  });
}
