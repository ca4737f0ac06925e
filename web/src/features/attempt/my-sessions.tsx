import { t } from "../../catalogue";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { TextField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { useSession } from "../../domain/use-session";
import { useMySessions } from "./queries";

/** Where I stand next and what to bring; saying that I will be away; coming in with the code at the door. */
export function MySessions() {
  const { read, attend, door } = useMySessions();
  const session = useSession();
  if (!read.data || read.data.sessions.length === 0) return null;
  const { slots, sessions } = read.data;
  const me = session.data?.id;
  return (
    <Panel tone="primary" className="mb-3 space-y-2" aria-label={t("attempt-my-sessions")}>
      {slots.length === 0 && <p>{t("attempt-no-booth-assigned-yet")}</p>}
      {slots.map((one) => (
        <p key={`${one.when}${one.title}`}>
          <strong className="text-lg">{t("attempt-booth-2", { when: one.when, booth: one.booth })}</strong>
          <span className="block">
            {t("attempt-minutes-bring", { title: one.title, minutes: one.minutes, bring: one.bring })}
          </span>
          {one.broken && (
            <span className="block font-semibold text-error">
              {t("attempt-booth-note", { broken: one.broken })}
            </span>
          )}
        </p>
      ))}
      <details>
        <summary className="cursor-pointer font-medium">{t("attempt-upcoming-sessions")}</summary>
        <ul className="divide-y divide-base-300">
          {sessions.map((one) => (
            <li key={one.id} className="flex min-h-12 items-center justify-between gap-3">
              <span>{one.when}</span>
              <button
                className="btn btn-sm"
                aria-pressed={one.away}
                disabled={attend.isPending || me === undefined}
                onClick={() =>
                  attend.mutate({ session: one.id, student: me ?? 0, there: one.away ? null : false })
                }
              >
                {one.away ? t("attempt-i-will-attend") : t("attempt-i-will-be-absent")}
              </button>
            </li>
          ))}
        </ul>
      </details>
      {sessions
        .filter((one) => one.now && !one.there)
        .map((one) => (
          <ComeIn key={one.id} session={one} door={door} />
        ))}
      <Problem error={attend.error} />
    </Panel>
  );
}

type ComeInProps = { session: Schemas["MySession"]; door: ReturnType<typeof useMySessions>["door"] };

function ComeIn({ session, door }: ComeInProps) {
  const [code, setCode] = useState("");
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        door.mutate({ session: session.id, code });
      }}
    >
      <TextField label={t("attempt-door-code")} inputMode="numeric" value={code} onChange={setCode} />
      <button className="btn btn-primary" disabled={door.isPending || code === ""}>
        {t("attempt-check-in")}
      </button>
      <Problem error={door.error} />
    </form>
  );
}
