import { t } from "../../catalogue";
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
      aria-label={t("account-mail")}
      onSubmit={(e: React.FormEvent) => {
        e.preventDefault();
        set.mutate({ email, kinds, password });
      }}
    >
      <h2 className="text-lg font-bold">{t("account-mail")}</h2>
      <p className="text-sm">{t("account-at-most-one-message-a-day")}</p>
      <TextField
        label={t("account-email-address")}
        type="email"
        autoComplete="email"
        value={email}
        onChange={setEmail}
      />
      {email !== now.email && (
        <TextField
          label={t("account-your-password-the-address-changes")}
          type="password"
          autoComplete="current-password"
          value={password}
          onChange={setPassword}
        />
      )}
      <fieldset className="space-y-1">
        <legend className="mb-1 text-sm font-medium">{t("account-notify-me-when")}</legend>
        {vocabulary.notices.map((kind) => (
          <Toggle
            key={kind}
            checked={kinds.includes(kind)}
            onChange={(on) => setKinds(on ? [...kinds, kind] : kinds.filter((one) => one !== kind))}
          >
            {t(`notice-${kind}`)}
          </Toggle>
        ))}
      </fieldset>
      <Problem error={set.error} />
      {set.isSuccess && <p role="status">{t("common-saved")}</p>}
      <button className="btn btn-primary" disabled={set.isPending}>
        {t("account-save-mail-settings")}
      </button>
    </Panel>
  );
}
