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
          <p role="status">It is on. Keep these on paper: each signs you in once without the phone.</p>
          <ul className="grid grid-cols-2 gap-1 font-mono">
            {codes.map((code) => (
              <li key={code}>{code}</li>
            ))}
          </ul>
        </>
      ) : state === "on" ? (
        <>
          <p>Your phone is asked for a code at each sign-in.</p>
          <TextField
            label="Your password, to turn it off"
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
            Turn it off
          </button>
        </>
      ) : begin.data ? (
        <>
          <p>Let the app on your phone that shows codes read this, then type what it shows.</p>
          <img
            src={begin.data.picture}
            alt="Code for your phone's camera"
            className="size-44 rounded-box bg-white p-1"
          />
          <p className="text-sm">
            Or type there: <span className="font-mono break-all">{begin.data.secret}</span>
          </p>
          <TextField
            label="The six digits it shows"
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
            Turn it on
          </button>
        </>
      ) : (
        <>
          <p>A code from your phone beside the password: whoever learns the password alone stays outside.</p>
          <button className="btn" onClick={() => begin.mutate()}>
            Set it up
          </button>
        </>
      )}
      <Problem error={begin.error ?? confirm.error ?? off.error} />
    </Panel>
  );
}
