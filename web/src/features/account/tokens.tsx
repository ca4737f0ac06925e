import { useState } from "react";
import { vocabulary } from "../../api/generated-vocabulary";
import { TextField } from "../../ui/field";
import { Panel, Picker } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { dateWords } from "../../domain/words";
import { useTokens } from "./queries";

const scopes = vocabulary.token_scopes;
type Scope = keyof typeof scopes;
const SCOPES = Object.keys(scopes) as Scope[];

/** Tokens by which programs act in one's name. */
export function Tokens() {
  const { read, make, end } = useTokens();
  const [name, setName] = useState("");
  const [days, setDays] = useState("90");
  const [scope, setScope] = useState<Scope>("read");
  return (
    <Panel className="space-y-3" aria-label="API tokens">
      <h2 className="text-lg font-bold">API tokens</h2>
      <p className="text-sm">
        A token lets a spreadsheet or script use your account. See{" "}
        <a className="link" href="/api-guide">
          the guide to the API
        </a>
        .
      </p>
      <ul className="divide-y divide-base-300">
        {(read.data ?? []).map((one) => (
          <li key={one.id} className="flex min-h-11 items-center gap-3">
            <span className="grow">
              <strong>{one.name}</strong>, {scopes[one.scope as Scope]}
              {one.expiry && `, until ${dateWords(one.expiry)}`}
            </span>
            <button
              className="btn btn-sm"
              aria-label={`Revoke ${one.name}`}
              onClick={() => end.mutate(one.id)}
            >
              Revoke
            </button>
          </li>
        ))}
      </ul>
      {make.data && (
        <p role="status" className="rounded-box bg-accent p-2 text-accent-content">
          Copy this token now. It is not shown again:{" "}
          <strong className="font-mono break-all">{make.data.secret}</strong>
        </p>
      )}
      <form
        className="space-y-2"
        onSubmit={(e) => {
          e.preventDefault();
          make.mutate({ name, scope, days: Number(days) }, { onSuccess: () => setName("") });
        }}
      >
        <TextField label="Purpose" value={name} onChange={setName} />
        <TextField label="Valid for (days)" inputMode="numeric" value={days} onChange={setDays} />
        <Picker
          label="Access"
          options={SCOPES}
          words={(one) => scopes[one]}
          value={scope}
          choose={setScope}
        />
        <Problem error={read.error ?? make.error ?? end.error} />
        <button className="btn" disabled={name === "" || make.isPending}>
          Create token
        </button>
      </form>
    </Panel>
  );
}
