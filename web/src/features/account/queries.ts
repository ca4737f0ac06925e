import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { accountKeys, sessionKeys } from "../../domain/keys";

export const useChangePassword = () =>
  useMutation({
    mutationFn: (body: Schemas["ChangePasswordRequest"]) =>
      unwrap(api.PUT("/api/session/password", { body })),
  });

export const useSignOutEverywhere = () =>
  useMutation({
    mutationFn: () => unwrap(api.DELETE("/api/session/everywhere")),
    onSuccess: () => location.assign("/sign-in"),
  });

/** One's own second factor: begun, put in force, turned off. */
export function useSecondFactor() {
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: sessionKeys.signedIn });
  const begin = useMutation({ mutationFn: () => unwrap(api.POST("/api/session/second-factor")) });
  const confirm = useMutation({
    mutationFn: (code: string) => unwrap(api.PUT("/api/session/second-factor", { body: { code } })),
    onSuccess: again,
  });
  const off = useMutation({
    mutationFn: (password: string) =>
      unwrap(api.POST("/api/session/second-factor/off", { body: { password } })),
    onSuccess: () => {
      begin.reset();
      confirm.reset();
      void again();
    },
  });
  return { begin, confirm, off };
}

/** One's own tokens for programs. */
export function useTokens() {
  const queries = useQueryClient();
  const key = accountKeys.tokens;
  const again = () => queries.invalidateQueries({ queryKey: key });
  const read = useQuery({ queryKey: key, queryFn: () => unwrap(api.GET("/api/tokens")) });
  const make = useMutation({
    mutationFn: (body: Schemas["CreateTokenRequest"]) => unwrap(api.POST("/api/tokens", { body })),
    onSuccess: again,
  });
  const end = useMutation({
    mutationFn: (id: string) =>
      unwrap(api.DELETE("/api/tokens/{token_id}", { params: { path: { token_id: id } } })),
    onSuccess: again,
  });
  return { read, make, end };
}

/** Where mail goes and what one is told of. */
export function useMailWish() {
  const queries = useQueryClient();
  const key = accountKeys.mail;
  const read = useQuery({ queryKey: key, queryFn: () => unwrap(api.GET("/api/session/mail")) });
  const set = useMutation({
    mutationFn: (body: Schemas["NotificationPreferenceRequest"]) =>
      unwrap(api.PUT("/api/session/mail", { body })),
    onSuccess: (after) => {
      queries.setQueryData(key, after);
      void queries.invalidateQueries({ queryKey: sessionKeys.signedIn });
    },
  });
  return { read, set };
}
