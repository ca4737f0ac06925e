import { t } from "../../catalogue";
import { useRef, useState } from "react";
import { Lock } from "lucide-react";
import { Panel } from "../../ui/panel";
import type { Booth, Change, Sessions, Session, BoothSlot } from "./queries";
import { clockAt, halfHours, moveOf, snapped } from "./times";

type Props = { sessions: Sessions; session: Session; change: Change };

const ROW = "relative h-12 border-b border-base-300";
const BAR =
  "absolute inset-y-1 touch-none overflow-hidden rounded-md border-2 px-1.5 text-left text-xs leading-tight";
const SIDE = "w-36 shrink-0 pr-2 text-sm";

/** One session: booths over time. A slot is dragged by mouse or finger or moved by arrow keys; then it stays. */
export function Plan({ sessions, session, change }: Props) {
  const ground = useRef<HTMLDivElement>(null);
  const mine = sessions.slots.filter((one) => one.session === session.id);
  const put = (one: BoothSlot, booth: number, start: number) =>
    change.place.mutate({
      assignment: one.assignment,
      student: one.student.id,
      session: session.id,
      booth,
      start: snapped(start, one.minutes, session.minutes),
    });
  return (
    <Panel
      tight
      aria-label={t("sessions-plan-of-the-session")}
      className="overflow-x-auto print:border-0"
      tabIndex={0}
    >
      <div className="min-w-160 pr-5">
        <div className="flex">
          <div className={SIDE} />
          <div className="relative h-5 grow text-xs" aria-hidden>
            {halfHours(session.minutes).map((at) => (
              <span key={at} className="absolute -translate-x-1/2" style={{ left: share(at, session) }}>
                {clockAt(session.start, at)}
              </span>
            ))}
          </div>
        </div>
        <div ref={ground}>
          {sessions.booths.map((booth, row) => (
            <div key={booth.id} className="flex" data-booth={booth.id}>
              <div className={SIDE}>
                <strong>{booth.name}</strong>
                <span className="quiet block truncate text-xs" title={booth.broken || undefined}>
                  {booth.broken || booth.has.map((key) => sessions.features[key]).join(", ")}
                </span>
              </div>
              <div className={`${ROW} grow ${booth.closed.includes(session.id) ? "bg-base-300" : ""}`}>
                {halfHours(session.minutes).map((at) => (
                  <span
                    key={at}
                    aria-hidden
                    className="absolute inset-y-0 border-l border-base-300"
                    style={{ left: share(at, session) }}
                  />
                ))}
                {booth.closed.includes(session.id) && (
                  <span className="absolute left-2 text-sm">{t("common-closed")}</span>
                )}
                {mine
                  .filter((one) => one.booth === booth.id)
                  .map((one) => (
                    <Bar
                      key={one.id}
                      {...{ one, session, booth, row, put }}
                      booths={sessions.booths}
                      ground={ground}
                    />
                  ))}
              </div>
            </div>
          ))}
        </div>
      </div>
    </Panel>
  );
}

const share = (minutes: number, session: Session) => `${String((100 * minutes) / session.minutes)}%`;

type BarProps = {
  one: BoothSlot;
  session: Session;
  booth: Booth;
  booths: Booth[];
  row: number;
  ground: React.RefObject<HTMLDivElement | null>;
  put: (one: BoothSlot, booth: number, start: number) => void;
};

type Drag = { x: number; y: number; dx: number; dy: number };

function Bar({ one, session, booth, booths, row, ground, put }: BarProps) {
  const [drag, setDrag] = useState<Drag | null>(null);
  const words = t(one.kept ? "sessions-slot-placed-by-hand" : "sessions-slot", {
    name: one.student.display_name,
    title: one.title,
    booth: booth.name,
    from: clockAt(session.start, one.start),
    until: clockAt(session.start, one.start + one.minutes),
  });
  const dropped = (at: Drag) => {
    const area = ground.current?.querySelector<HTMLElement>("[data-booth] > div:last-child");
    const rows = [...(ground.current?.querySelectorAll<HTMLElement>("[data-booth]") ?? [])];
    const under = rows.find((r) => {
      const box = r.getBoundingClientRect();
      return at.y + at.dy >= box.top && at.y + at.dy < box.bottom;
    });
    if (!area) return;
    const minutes = (at.dx / area.getBoundingClientRect().width) * session.minutes;
    put(one, Number(under?.dataset["booth"] ?? booth.id), one.start + minutes);
  };
  return (
    <button
      className={`${BAR} ${
        one.kept ? "border-primary bg-base-100" : "border-accent bg-base-200"
      } ${drag ? "z-10 opacity-80" : ""}`}
      style={{
        left: share(one.start, session),
        width: share(one.minutes, session),
        transform: drag ? `translate(${String(drag.dx)}px, ${String(drag.dy)}px)` : undefined,
      }}
      aria-label={words}
      title={words}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        setDrag({ x: e.clientX, y: e.clientY, dx: 0, dy: 0 });
      }}
      onPointerMove={(e) => drag && setDrag({ ...drag, dx: e.clientX - drag.x, dy: e.clientY - drag.y })}
      onPointerUp={() => {
        if (drag && Math.abs(drag.dx) + Math.abs(drag.dy) > 4) dropped(drag);
        setDrag(null);
      }}
      onKeyDown={(e) => {
        const by = moveOf(e.key);
        if (!by) return;
        e.preventDefault();
        put(one, booths[row + by.rows]?.id ?? booth.id, one.start + by.minutes);
      }}
    >
      <span className="block truncate font-bold">
        {one.kept && <Lock size={10} className="mr-0.5 inline" aria-hidden />}
        {one.student.display_name}
      </span>
      <span className="block truncate">{one.title}</span>
    </button>
  );
}
