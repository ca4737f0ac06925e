import { Say, t } from "../../catalogue";
import { useSearchParams } from "react-router";
import { useAboutCourse, useCourse } from "../../domain/course";
import { Empty, Loading, Problem } from "../../ui/states";
import { dateWords } from "../../domain/words";
import { AttendanceList } from "./attendance";
import { Booths } from "./booth-form";
import { Plan } from "./plan";
import { useCalendar, useSessions, type Change, type Session } from "./queries";
import { SessionForm } from "./session-form";
import { clockAt } from "./times";
import { WorkList } from "./work";

/** The sessions ahead: who stands at which booth when, planned for all, changed by hand. */
export function SessionsPage() {
  const filling = useAboutCourse().data?.filling != null;
  const change = useSessions();
  const instructor = useCourse().role === "instructor";
  const [params, setParams] = useSearchParams();
  const { read, plan, place } = change;
  if (read.isPending) return <Loading />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  const sessions = read.data;
  const session =
    sessions.sessions.find((s) => String(s.id) === params.get("session")) ?? sessions.sessions[0];
  const gone = place.data?.gone ?? [];
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h1 className="text-2xl font-bold">{t("common-sessions")}</h1>
        <Sessions
          sessions={sessions.sessions}
          chosen={session}
          choose={(id) => setParams({ session: String(id) }, { replace: true })}
        />
        <span className="flex gap-2 print:hidden">
          <button
            className="btn btn-primary btn-sm"
            disabled={plan.isPending || !session || sessions.booths.length === 0}
            onClick={() => plan.mutate()}
          >
            {plan.isPending ? t("sessions-scheduling") : t("sessions-schedule-the-rest")}
          </button>
          <button className="btn btn-sm" onClick={() => window.print()}>
            {t("common-print")}
          </button>
        </span>
      </div>
      <Problem error={plan.error ?? place.error ?? change.drop.error ?? change.attend.error} />
      {gone.length > 0 && (
        <p role="status" className="rounded-box bg-warning p-2 text-sm text-warning-content">
          {t("sessions-moved-out-to-make-room-schedule", { gone: gone.join("; ") })}
        </p>
      )}
      <div className="grid gap-3 xl:grid-cols-[minmax(0,1fr)_21rem]">
        <div className="min-w-0 space-y-3">
          {session && sessions.booths.length > 0 && <Plan {...{ sessions, session, change }} />}
          {!session && (
            <Empty>
              {filling
                ? t("shared-coming-while-the-demo-loads")
                : t("sessions-no-sessions-planned-add-dates-on")}
            </Empty>
          )}
          {session && sessions.booths.length === 0 && <Empty>{t("sessions-no-booths-yet-add-one-on")}</Empty>}
          {session && <AttendanceList {...{ sessions, session, change }} />}
        </div>
        <div className="space-y-3">
          {session && <WorkList {...{ sessions, session, change }} unplaced={plan.data?.unplaced ?? []} />}
          <Booths {...{ sessions, session, change }} />
          {instructor && <SessionForm change={change} zone={sessions.time_zone} />}
          {instructor && session && <Drop session={session} change={change} />}
          <Calendar />
        </div>
      </div>
    </div>
  );
}

type SessionsProps = { sessions: Session[]; chosen: Session | undefined; choose: (id: number) => void };

function Sessions({ sessions, chosen, choose }: SessionsProps) {
  return (
    <div role="group" aria-label={t("common-session")} className="flex flex-wrap gap-1">
      {sessions.map((one) => (
        <button
          key={one.id}
          className={`btn btn-sm ${one === chosen ? "btn-primary" : "print:hidden"}`}
          aria-pressed={one === chosen}
          onClick={() => choose(one.id)}
        >
          {one === chosen
            ? t("sessions-date-and-times", {
                date: dateWords(one.date),
                from: one.start,
                until: clockAt(one.start, one.minutes),
              })
            : dateWords(one.date)}
        </button>
      ))}
    </div>
  );
}

function Drop({ session, change }: { session: Session; change: Change }) {
  return (
    <button
      className="btn btn-ghost btn-sm print:hidden"
      disabled={change.drop.isPending}
      onClick={() => change.drop.mutate(session.id)}
    >
      {t("sessions-does-not-take-place", { date: dateWords(session.date) })}
    </button>
  );
}

function Calendar() {
  const calendar = useCalendar();
  if (!calendar.data) return null;
  return (
    <p className="text-sm print:hidden">
      <Say
        id="sessions-course-calendar-for-anyone-with-its"
        elems={{ a: <a className="link" href={calendar.data.address} /> }}
      />
    </p>
  );
}
