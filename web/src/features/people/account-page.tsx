import { useState } from "react";
import { TextField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { useSession } from "../../ui/use-session";
import { useChangePassword, useSignOutEverywhere } from "./queries";

/** One's own account: another password, and signing out everywhere. */
export function AccountPage() {
  const session = useSession();
  const change = useChangePassword();
  const out = useSignOutEverywhere();
  const [old, setOld] = useState("");
  const [password, setPassword] = useState("");
  return (
    <div className="mx-auto max-w-lg space-y-3">
      <h1 className="text-2xl font-bold">{session.data?.display_name}</h1>
      <Panel
        as="form"
        className="space-y-3"
        onSubmit={(e: React.FormEvent) => {
          e.preventDefault();
          change.mutate(
            { old, password },
            {
              onSuccess: () => {
                setOld("");
                setPassword("");
              },
            },
          );
        }}
      >
        <h2 className="text-lg font-bold">Another password</h2>
        <TextField
          label="The one you have"
          type="password"
          autoComplete="current-password"
          value={old}
          onChange={setOld}
        />
        <TextField
          label="The new one, at least 8 characters"
          type="password"
          autoComplete="new-password"
          value={password}
          onChange={setPassword}
        />
        <Problem error={change.error} />
        {change.isSuccess && <p role="status">It is changed. Every other browser has to sign in again.</p>}
        <button className="btn btn-primary" disabled={old === "" || password === "" || change.isPending}>
          Change it
        </button>
      </Panel>
      <Panel className="space-y-2">
        <h2 className="text-lg font-bold">A lost phone</h2>
        <p>Ends every session of yours, this one too.</p>
        <Problem error={out.error} />
        <button className="btn" onClick={() => out.mutate()}>
          Sign out everywhere
        </button>
      </Panel>
    </div>
  );
}
