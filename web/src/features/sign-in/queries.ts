import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, unwrap, type Schemas } from "../../api/client";
import { sessionKeys } from "../../domain/keys";

type Session = Schemas["SignedIn"];

/** Begins a session and goes to where that person's work begins; what was read for anybody before is forgotten. */
function useBegin<T>(begin: (given: T) => Promise<Session>) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: begin,
    onSuccess: (session) => {
      queries.clear();
      queries.setQueryData(sessionKeys.signedIn, session);
      void navigate("/");
    },
  });
}

export const useSignIn = () =>
  useBegin((body: Schemas["SignInRequest"]) => unwrap(api.POST("/api/session", { body })));

export const useJoin = () =>
  useBegin((body: Schemas["JoinRequest"]) => unwrap(api.POST("/api/join", { body })));
