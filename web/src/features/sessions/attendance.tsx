import { Say, t } from "../../catalogue";
import { Panel } from "../../ui/panel";
import type { Change, Sessions, Session } from "./queries";

type Props = { sessions: Sessions; session: Session; change: Change };

const NEXT = { unknown: true, there: false, away: null } as const;
const LOOK = { unknown: "", there: "btn-primary", away: "line-through opacity-70" } as const;

/** Names to tap: nothing known, there, away. */
export function AttendanceList({ sessions, session, change }: Props) {
  const of = (student: number) =>
    sessions.attendance.find((a) => a.session === session.id && a.student === student);
  return (
    <Panel tight aria-label={t("sessions-attendance")} className="print:hidden">
      <h2 className="font-bold">
        <Say
          id="sessions-attendance-door-code"
          vars={{ door_code: session.door_code }}
          elems={{ span: <span className="quiet text-sm font-normal" /> }}
        />
      </h2>
      <p className="quiet mb-1 text-xs">{t("sessions-tap-once-for-present-again-for")}</p>
      <ul className="flex flex-wrap gap-1">
        {sessions.people.map((one) => {
          const said = of(one.id);
          const state = said === undefined ? "unknown" : said.there ? "there" : "away";
          return (
            <li key={one.id}>
              <button
                className={`btn btn-sm ${LOOK[state]}`}
                aria-label={t(`sessions-person-${state}`, { name: one.display_name })}
                disabled={change.attend.isPending}
                onClick={() =>
                  change.attend.mutate({ session: session.id, student: one.id, there: NEXT[state] })
                }
              >
                {one.display_name}
              </button>
            </li>
          );
        })}
      </ul>
    </Panel>
  );
}
