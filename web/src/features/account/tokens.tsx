import { named, Say, t } from "../../catalogue";
import { useState } from "react";
import { vocabulary } from "../../api/generated-vocabulary";
import { TextField } from "../../ui/field";
import { Panel, Picker } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { dateWords } from "../../domain/words";
import { useTokens } from "./queries";

const SCOPES = vocabulary.token_scopes;
type Scope = (typeof SCOPES)[number];

/** Tokens by which programs act in one's name. */
export function Tokens() {
  const { read, make, end } = useTokens();
  const [name, setName] = useState("");
  const [days, setDays] = useState("90");
  const [scope, setScope] = useState<Scope>("read");
  return (
    <Panel className="space-y-3" aria-label={t("account-api-tokens")}>
      <h2 className="text-lg font-bold">{t("account-api-tokens")}</h2>
      <p className="text-sm">
        <Say
          id="account-a-token-lets-a-spreadsheet-or"
          elems={{ a: <a className="link" href="/api-guide" /> }}
        />
      </p>
      <ul className="divide-y divide-base-300">
        {(read.data ?? []).map((one) => (
          <li key={one.id} className="flex min-h-11 items-center gap-3">
            <span className="grow">
              <strong>{one.name}</strong>,{" "}
              {one.expiry
                ? t("account-access-until", {
                    access: named("token-scope", one.scope),
                    date: dateWords(one.expiry),
                  })
                : named("token-scope", one.scope)}
            </span>
            <button
              className="btn btn-sm"
              aria-label={t("account-revoke", { name: one.name })}
              onClick={() => end.mutate(one.id)}
            >
              {t("account-revoke-2")}
            </button>
          </li>
        ))}
      </ul>
      {make.data && (
        <p role="status" className="rounded-box bg-accent p-2 text-accent-content">
          <Say
            id="account-copy-this-token-now-it-is"
            vars={{ secret: make.data.secret }}
            elems={{ strong: <strong className="font-mono break-all" /> }}
          />
        </p>
      )}
      <form
        className="space-y-2"
        onSubmit={(e) => {
          e.preventDefault();
          make.mutate({ name, scope, days: Number(days) }, { onSuccess: () => setName("") });
        }}
      >
        <TextField label={t("common-purpose")} value={name} onChange={setName} />
        <TextField label={t("account-valid-for-days")} inputMode="numeric" value={days} onChange={setDays} />
        <Picker
          label={t("account-access")}
          options={SCOPES}
          words={(one) => t(`token-scope-${one}`)}
          value={scope}
          choose={setScope}
        />
        <Problem error={read.error ?? make.error ?? end.error} />
        <button className="btn" disabled={name === "" || make.isPending}>
          {t("account-create-token")}
        </button>
      </form>
    </Panel>
  );
}
