import { useState } from "react";
import { TextField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import type { Change } from "./queries";

/** New evenings: one, or the same weekday for some weeks, holidays left out. */
export function SessionForm({ change }: { change: Change }) {
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
      <h2 className="font-bold">New evenings</h2>
      <div className="grid grid-cols-2 gap-2">
        <TextField label="First on" type="date" value={first} onChange={setFirst} required />
        <TextField label="From" type="time" value={start} onChange={setStart} required />
        <TextField label="Minutes" type="number" value={minutes} onChange={setMinutes} />
        <TextField label="Weeks" type="number" value={weeks} onChange={setWeeks} />
      </div>
      <TextField label="But not on (as 2026-12-24)" value={without} onChange={setWithout} />
      <Problem error={change.make.error} />
      <button className="btn btn-sm" disabled={change.make.isPending || first === ""}>
        Make them
      </button>
    </Panel>
  );
}
