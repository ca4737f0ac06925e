import { useState } from "react";
import { Link } from "react-router";
import { Problem } from "../../ui/states";
import { Field, Frame } from "./frame";
import { useSignIn } from "./queries";

export function SignInPage() {
  const [username, setUsername] = useState("");
  const [password, setPassword] = useState("");
  const signIn = useSignIn();
  return (
    <Frame title="Sign in">
      <form
        onSubmit={(e) => {
          e.preventDefault();
          signIn.mutate({ username, password });
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
        <Problem error={signIn.error} />
        <button className="btn mt-4 h-12 w-full btn-primary" disabled={signIn.isPending}>
          {signIn.isPending ? "Signing in …" : "Sign in"}
        </button>
      </form>
      <p className="mt-6">
        New here with a course code?{" "}
        <Link className="link" to="/join">
          Join a course
        </Link>
      </p>
    </Frame>
  );
}
