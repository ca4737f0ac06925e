import { t } from "../../catalogue";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, unwrap } from "../../api/client";
import { Problem } from "../../ui/states";
import { Field, Frame } from "./frame";

/** A link for a new password by mail, to whoever gave an address. */
export function ForgottenPage() {
  const [username, setUsername] = useState("");
  const ask = useMutation({
    mutationFn: () => unwrap(api.POST("/api/password-forgotten", { body: { username } })),
  });
  return (
    <Frame title={t("sign-in-reset-password")}>
      {ask.isSuccess ? (
        <p role="status">{t("sign-in-if-this-account-has-an-email")}</p>
      ) : (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            ask.mutate();
          }}
        >
          <Field
            id="username"
            label={t("common-login-name")}
            value={username}
            autoComplete="username"
            onChange={setUsername}
          />
          <Problem error={ask.error} />
          <button className="btn mt-4 h-12 w-full btn-primary" disabled={ask.isPending}>
            {t("sign-in-send-reset-link")}
          </button>
        </form>
      )}
      <p className="mt-6">
        <Link className="link" to="/sign-in">
          {t("sign-in-back-to-sign-in")}
        </Link>
      </p>
    </Frame>
  );
}
