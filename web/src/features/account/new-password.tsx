import { useState } from "react";
import { TextField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { useChangePassword } from "./queries";

export function NewPassword() {
  const change = useChangePassword();
  const [old, setOld] = useState("");
  const [password, setPassword] = useState("");
  return (
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
      <h2 className="text-lg font-bold">Change password</h2>
      <TextField
        label="Current password"
        type="password"
        autoComplete="current-password"
        value={old}
        onChange={setOld}
      />
      <TextField
        label="New password (at least 8 characters)"
        type="password"
        autoComplete="new-password"
        value={password}
        onChange={setPassword}
      />
      <Problem error={change.error} />
      {change.isSuccess && <p role="status">Password changed. Other devices must sign in again.</p>}
      <button className="btn btn-primary" disabled={old === "" || password === "" || change.isPending}>
        Save new password
      </button>
    </Panel>
  );
}
