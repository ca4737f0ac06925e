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
    <Frame title="Sign in">
      <form
        onSubmit={(e) => {
          e.preventDefault();
          signIn.mutate(second ? { username, password, code } : { username, password });
        }}
      >
        <Field id="username" label="Name" value={username} autoComplete="username" onChange={setUsername} />
        <Field
          id="password"
          label="Password"
          type="password"
          value={password}
          autoComplete="current-password"
          onChange={setPassword}
        />
        {second && (
          <Field
            id="code"
            label="Code from your authenticator app, or a recovery code"
            value={code}
            autoComplete="one-time-code"
            onChange={setCode}
          />
        )}
        <Problem error={signIn.error} />
        <button className="btn mt-4 h-12 w-full btn-primary" disabled={signIn.isPending}>
          {signIn.isPending ? "Signing in …" : "Sign in"}
        </button>
      </form>
      <p className="mt-4">
        <Link className="link" to="/forgotten">
          Forgot password?
        </Link>
      </p>
      <p className="mt-2">
        New here? Use your course code:{" "}
        <Link className="link" to="/join">
          Join a course
        </Link>
      </p>
    </Frame>
  );
}
