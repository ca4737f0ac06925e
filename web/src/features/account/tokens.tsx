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
    <Panel className="space-y-3" aria-label="Tokens for programs">
      <h2 className="text-lg font-bold">Tokens for programs</h2>
      <p className="text-sm">
        A spreadsheet or a script reads, or writes, in your name with a token: what it may ask is at{" "}
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
            <button className="btn btn-sm" aria-label={`End ${one.name}`} onClick={() => end.mutate(one.id)}>
              End
            </button>
          </li>
        ))}
      </ul>
      {make.data && (
        <p role="status" className="rounded-box bg-accent p-2 text-accent-content">
          Copy it now, it is not shown again:{" "}
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
        <TextField label="What it is for" value={name} onChange={setName} />
        <TextField label="For how many days" inputMode="numeric" value={days} onChange={setDays} />
        <Picker
          label="What it may do"
          options={SCOPES}
          words={(one) => scopes[one]}
          value={scope}
          choose={setScope}
        />
        <Problem error={read.error ?? make.error ?? end.error} />
        <button className="btn" disabled={name === "" || make.isPending}>
          Make a token
        </button>
      </form>
    </Panel>
  );
}
