import { Say, t } from "../../catalogue";
import { useState } from "react";
import { TextField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { useSecondFactor } from "./queries";

/** A code from one's phone beside the password. */
export function SecondFactor({ state }: { state: "on" | "off" | "missing" }) {
  const { begin, confirm, off } = useSecondFactor();
  const [typed, setTyped] = useState("");
  const codes = confirm.data?.codes;
  return (
    <Panel className="space-y-3" aria-label={t("account-second-factor")}>
      <h2 className="text-lg font-bold">{t("account-second-factor")}</h2>
      {codes ? (
        <>
          <p role="status">{t("account-second-factor-is-on-keep-these")}</p>
          <ul className="grid grid-cols-2 gap-1 font-mono">
            {codes.map((code) => (
              <li key={code}>{code}</li>
            ))}
          </ul>
        </>
      ) : state === "on" ? (
        <>
          <p>{t("account-you-enter-a-code-from-your")}</p>
          <TextField
            label={t("account-password-to-turn-it-off")}
            type="password"
            autoComplete="current-password"
            value={typed}
            onChange={setTyped}
          />
          <button
            className="btn"
            disabled={typed === ""}
            onClick={() => off.mutate(typed, { onSuccess: () => setTyped("") })}
          >
            {t("account-turn-off-second-factor")}
          </button>
        </>
      ) : begin.data ? (
        <>
          <p>{t("account-scan-this-with-your-authenticator-app")}</p>
          <img
            src={begin.data.picture}
            alt={t("account-qr-code-for-your-authenticator-app")}
            className="size-44 rounded-box bg-white p-1"
          />
          <p className="text-sm">
            <Say
              id="account-or-enter-this-key-in-the"
              vars={{ secret: begin.data.secret }}
              elems={{ span: <span className="font-mono break-all" /> }}
            />
          </p>
          <TextField
            label={t("account-six-digit-code")}
            inputMode="numeric"
            autoComplete="one-time-code"
            value={typed}
            onChange={setTyped}
          />
          <button
            className="btn btn-primary"
            disabled={typed === "" || confirm.isPending}
            onClick={() => confirm.mutate(typed, { onSuccess: () => setTyped("") })}
          >
            {t("account-turn-on-second-factor")}
          </button>
        </>
      ) : (
        <>
          <p>{t("account-a-code-from-your-phone-as")}</p>
          <button className="btn" onClick={() => begin.mutate()}>
            {t("account-set-up-second-factor")}
          </button>
        </>
      )}
      <Problem error={begin.error ?? confirm.error ?? off.error} />
    </Panel>
  );
}
