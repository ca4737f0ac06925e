import { useState } from "react";
import type { Schemas } from "../../api/client";
import { vocabulary } from "../../api/generated-vocabulary";
import { TextField, Toggle } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { useMailWish } from "./queries";

/** One mail a morning, of what one chooses. */
export function Mail() {
  const { read, set } = useMailWish();
  if (!read.data) return <Problem error={read.error} />;
  return <Wish key={JSON.stringify(read.data)} now={read.data} set={set} />;
}

type Props = { now: Schemas["NotificationPreference"]; set: ReturnType<typeof useMailWish>["set"] };

function Wish({ now, set }: Props) {
  const [email, setEmail] = useState(now.email);
  const [kinds, setKinds] = useState(now.kinds);
  const [password, setPassword] = useState("");
  return (
    <Panel
      as="form"
      className="space-y-3"
      aria-label="Mail"
      onSubmit={(e: React.FormEvent) => {
        e.preventDefault();
        set.mutate({ email, kinds, password });
      }}
    >
      <h2 className="text-lg font-bold">Mail</h2>
      <p className="text-sm">At most one message a day, when there is news, and password reset links.</p>
      <TextField label="Email address" type="email" autoComplete="email" value={email} onChange={setEmail} />
      {email !== now.email && (
        <TextField
          label="Your password (the address changes)"
          type="password"
          autoComplete="current-password"
          value={password}
          onChange={setPassword}
        />
      )}
      <fieldset className="space-y-1">
        <legend className="mb-1 text-sm font-medium">Notify me when</legend>
        {Object.entries(vocabulary.notices).map(([kind, words]) => (
          <Toggle
            key={kind}
            checked={kinds.includes(kind)}
            onChange={(on) => setKinds(on ? [...kinds, kind] : kinds.filter((one) => one !== kind))}
          >
            {words}
          </Toggle>
        ))}
      </fieldset>
      <Problem error={set.error} />
      {set.isSuccess && <p role="status">Saved.</p>}
      <button className="btn btn-primary" disabled={set.isPending}>
        Save mail settings
      </button>
    </Panel>
  );
}
