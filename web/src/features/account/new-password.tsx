import { t } from "../../catalogue";
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
      <h2 className="text-lg font-bold">{t("account-change-password")}</h2>
      <TextField
        label={t("account-current-password")}
        type="password"
        autoComplete="current-password"
        value={old}
        onChange={setOld}
      />
      <TextField
        label={t("common-new-password-at-least-8-characters")}
        type="password"
        autoComplete="new-password"
        value={password}
        onChange={setPassword}
      />
      <Problem error={change.error} />
      {change.isSuccess && <p role="status">{t("account-password-changed-other-devices-must-sign")}</p>}
      <button className="btn btn-primary" disabled={old === "" || password === "" || change.isPending}>
        {t("account-save-new-password")}
      </button>
    </Panel>
  );
}
