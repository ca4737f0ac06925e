import { Say, t } from "../../catalogue";
import { useState } from "react";
import { Link } from "react-router";
import { Refused } from "../../api/client";
import { Problem } from "../../ui/states";
import { Field, Frame } from "./frame";
import { useSignIn } from "./queries";

/** Problems of a sign-in whose name and password were right. */
const CODES = ["second_factor_needed", "wrong_code"];

export function SignInPage() {
  const [username, setUsername] = useState("");
  const [password, setPassword] = useState("");
  const [code, setCode] = useState("");
  const signIn = useSignIn();
  const asked = signIn.error instanceof Refused && CODES.includes(signIn.error.problem.code);
  const [second, setSecond] = useState(false);
  if (asked && !second) setSecond(true);
  return (
    <Frame title={t("sign-in-sign-in")}>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          signIn.mutate(second ? { username, password, code } : { username, password });
        }}
      >
        <Field
          id="username"
          label={t("common-name")}
          value={username}
          autoComplete="username"
          onChange={setUsername}
        />
        <Field
          id="password"
          label={t("sign-in-password")}
          type="password"
          value={password}
          autoComplete="current-password"
          onChange={setPassword}
        />
        {second && (
          <Field
            id="code"
            label={t("sign-in-code-from-your-authenticator-app-or")}
            value={code}
            autoComplete="one-time-code"
            onChange={setCode}
          />
        )}
        <Problem error={signIn.error} />
        <button className="btn mt-4 h-12 w-full btn-primary" disabled={signIn.isPending}>
          {signIn.isPending ? t("sign-in-signing-in") : t("sign-in-sign-in")}
        </button>
      </form>
      <p className="mt-4">
        <Link className="link" to="/forgotten">
          {t("sign-in-forgot-password")}
        </Link>
      </p>
      <p className="mt-2">
        <Say
          id="sign-in-new-here-use-your-course-code"
          elems={{ go: <Link className="link" to="/join" /> }}
        />
      </p>
    </Frame>
  );
}
