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
    <Panel className="space-y-3" aria-label="Second factor">
      <h2 className="text-lg font-bold">Second factor</h2>
      {codes ? (
        <>
          <p role="status">
            Second factor is on. Keep these recovery codes on paper: each works once without your phone.
          </p>
          <ul className="grid grid-cols-2 gap-1 font-mono">
            {codes.map((code) => (
              <li key={code}>{code}</li>
            ))}
          </ul>
        </>
      ) : state === "on" ? (
        <>
          <p>You enter a code from your phone at each sign-in.</p>
          <TextField
            label="Password (to turn it off)"
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
            Turn off second factor
          </button>
        </>
      ) : begin.data ? (
        <>
          <p>Scan this with your authenticator app, then enter the code it shows.</p>
          <img
            src={begin.data.picture}
            alt="QR code for your authenticator app"
            className="size-44 rounded-box bg-white p-1"
          />
          <p className="text-sm">
            Or enter this key in the app: <span className="font-mono break-all">{begin.data.secret}</span>
          </p>
          <TextField
            label="Six-digit code"
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
            Turn on second factor
          </button>
        </>
      ) : (
        <>
          <p>
            A code from your phone as well as your password. A stolen password alone does not open your
            account.
          </p>
          <button className="btn" onClick={() => begin.mutate()}>
            Set up second factor
          </button>
        </>
      )}
      <Problem error={begin.error ?? confirm.error ?? off.error} />
    </Panel>
  );
}
