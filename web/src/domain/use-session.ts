import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../api/client";
import { sessionKeys } from "./keys";
import { forgetAnswers } from "./offline";

export function useSession() {
  return useQuery({
    queryKey: sessionKeys.signedIn,
    queryFn: () => unwrap(api.GET("/api/session")),
    staleTime: 60_000,
  });
}

/** Change units or locale. */
export function useChangePreferences() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["PreferencesRequest"]) =>
      unwrap(api.PATCH("/api/session/preferences", { body })),
    onSuccess: (session) => queries.setQueryData(sessionKeys.signedIn, session),
  });
}

export function useSignOut() {
  return useMutation({
    mutationFn: () => unwrap(api.DELETE("/api/session")),
    // A fresh load forgets everything that was read for this person.
    onSettled: async () => {
      await forgetAnswers();
      location.assign("/sign-in");
    },
  });
}
