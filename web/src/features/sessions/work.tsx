import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { Panel } from "../../ui/panel";
import { dateWords } from "../../domain/words";
import type { Change, Sessions, Session, Work } from "./queries";

type Props = { sessions: Sessions; session: Session; unplaced: Schemas["Unplaced"][]; change: Change };

/** What is to be welded and has no place yet, with why; one click puts it at the first booth that is free. */
export function WorkList({ sessions, session, unplaced, change }: Props) {
  const has = (work: Work) =>
    sessions.slots.some((s) => s.assignment === work.assignment && s.student.id === work.student.id);
  const left = sessions.work.filter((work) => !has(work));
  const why = (work: Work) =>
    unplaced.find((u) => u.assignment === work.assignment && u.student === work.student.id)?.words;
  return (
    <Panel tight aria-label={t("sessions-not-scheduled")} className="print:hidden">
      <h2 className="font-bold">{t("sessions-not-scheduled-2", { count: left.length })}</h2>
      {left.length === 0 && <p className="quiet text-sm">{t("sessions-everything-is-scheduled")}</p>}
      <ul className="divide-y divide-base-300">
        {left.map((work) => (
          <li key={`${String(work.assignment)}-${String(work.student.id)}`} className="py-1 text-sm">
            <span className="font-medium">{work.student.display_name}</span>, {work.title}{" "}
            <span className="quiet">
              {[
                t("sessions-min", { minutes: work.minutes }),
                ...(work.wants.length > 0 ? [t("sessions-needs", { wants: work.wants.join(", ") })] : []),
                t("sessions-due", { date: dateWords(work.due_on) }),
              ].join(" · ")}
            </span>
            {why(work) && <strong className="block text-error">{why(work)}</strong>}
            <span className="flex flex-wrap gap-1">
              {sessions.booths
                .filter((b) => !b.closed.includes(session.id))
                .map((b) => (
                  <button
                    key={b.id}
                    className="btn btn-ghost btn-xs"
                    aria-label={t("sessions-to-booth", { name: work.student.display_name, name_2: b.name })}
                    disabled={change.place.isPending}
                    onClick={() =>
                      change.place.mutate({
                        assignment: work.assignment,
                        student: work.student.id,
                        session: session.id,
                        booth: b.id,
                        start: freeAt(sessions, session, b.id),
                      })
                    }
                  >
                    {b.name}
                  </button>
                ))}
            </span>
          </li>
        ))}
      </ul>
    </Panel>
  );
}

/** When a booth is free for the rest of the session. */
function freeAt(sessions: Sessions, session: Session, booth: number): number {
  const ends = sessions.slots
    .filter((s) => s.session === session.id && s.booth === booth)
    .map((s) => s.start + s.minutes + sessions.changeover_minutes);
  return Math.max(0, ...ends);
}
