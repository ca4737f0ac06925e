import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, unwrap } from "../../api/client";
import { Problem } from "../../ui/states";
import { Field, Frame } from "./frame";

export function SignInPage() {
  const [username, setUsername] = useState("");
  const [password, setPassword] = useState("");
  const queries = useQueryClient();
  const navigate = useNavigate();
  const signIn = useMutation({
    mutationFn: () => unwrap(api.POST("/api/session", { body: { username, password } })),
    onSuccess: (session) => {
      queries.clear();
      queries.setQueryData(["session"], session);
      void navigate("/");
    },
  });
  return (
    <Frame title="Sign in">
      <form
        onSubmit={(e) => {
          e.preventDefault();
          signIn.mutate();
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
