import { t } from "../../catalogue";
import { useState } from "react";
import { TextField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import type { Change } from "./queries";

/** Add sessions: one, or the same weekday for some weeks, holidays left out. */
export function SessionForm({ change, zone }: { change: Change; zone: string }) {
  const [first, setFirst] = useState("");
  const [start, setStart] = useState("18:00");
  const [minutes, setMinutes] = useState("180");
  const [weeks, setWeeks] = useState("1");
  const [without, setWithout] = useState("");
  return (
    <Panel
      as="form"
      tight
      className="space-y-2 print:hidden"
      onSubmit={(e: React.FormEvent) => {
        e.preventDefault();
        change.make.mutate({
          first,
          start,
          minutes: Number(minutes),
          weeks: Number(weeks),
          without: without.split(/[\s,;]+/).filter((day) => day !== ""),
        });
      }}
    >
      <h2 className="font-bold">{t("sessions-add-sessions")}</h2>
      <div className="grid grid-cols-2 gap-2">
        <TextField label={t("sessions-first-date")} type="date" value={first} onChange={setFirst} required />
        <TextField label={t("sessions-start-time")} type="time" value={start} onChange={setStart} required />
        <TextField label={t("sessions-length-min")} type="number" value={minutes} onChange={setMinutes} />
        <TextField label={t("sessions-weeks")} type="number" value={weeks} onChange={setWeeks} />
      </div>
      <TextField label={t("sessions-skip-dates-such-as-2026-12")} value={without} onChange={setWithout} />
      <Problem error={change.make.error} />
      <button className="btn btn-sm" disabled={change.make.isPending || first === ""}>
        {t("sessions-add-sessions")}
      </button>
      <Zone key={zone} zone={zone} change={change} />
    </Panel>
  );
}

/** Where the course meets: whose clock its sessions go by. */
function Zone({ zone, change }: { zone: string; change: Change }) {
  const [typed, setTyped] = useState(zone);
  return (
    <div className="space-y-1">
      <TextField
        label={t("sessions-time-zone")}
        list="time-zones"
        value={typed}
        onChange={(next) => {
          setTyped(next);
          if (zones.includes(next) && next !== zone) change.zone.mutate(next);
        }}
      />
      <datalist id="time-zones">
        {zones.map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <Problem error={change.zone.error} />
    </div>
  );
}

const zones = Intl.supportedValuesOf("timeZone");
