import { Say, t } from "../../catalogue";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { api, unwrap, type Schemas } from "../../api/client";
import { Problem } from "../../ui/states";
import { Field, Frame } from "./frame";

/** New password by the one-time link that was handed over. */
export function ResetPage() {
  const { person, token } = useParams();
  const [password, setPassword] = useState("");
  const reset = useMutation({
    mutationFn: (body: Schemas["ResetPasswordRequest"]) => unwrap(api.POST("/api/password-reset", { body })),
  });
  return (
    <Frame title={t("sign-in-new-password")}>
      {reset.isSuccess ? (
        <p role="status">
          <Say
            id="sign-in-password-saved-go-to-sign-in"
            elems={{ go: <Link className="link" to="/sign-in" /> }}
          />
        </p>
      ) : (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            reset.mutate({ person: Number(person), token: token ?? "", password });
          }}
        >
          <Field
            id="password"
            label={t("common-new-password-at-least-8-characters")}
            type="password"
            value={password}
            autoComplete="new-password"
            onChange={setPassword}
          />
          <Problem error={reset.error} />
          <button className="btn mt-4 h-12 w-full btn-primary" disabled={reset.isPending}>
            {t("sign-in-save-password")}
          </button>
        </form>
      )}
    </Frame>
  );
}
