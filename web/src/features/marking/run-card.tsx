import type { Schemas } from "../../api/client";
import { OffCard } from "../../ui/off-card";
import { Empty } from "../../ui/states";
import type { Attempt } from "../../ui/use-attempt";
import { useSetup } from "../../ui/use-setup";
import { useUnits } from "../../ui/use-units";
import { measure, type Quantity } from "../../ui/units";
import { choiceWords, runWords } from "../../ui/words";

const quantities: Record<string, Quantity> = {
  current_a: "current", machine_a: "current", cup: "count", gas_l_min: "flow", stickout_mm: "length", electrode_mm: "length", filler_mm: "length",
  preflow_s: "time", downslope_s: "time", postflow_s: "time", work_angle_deg: "angle", travel_angle_deg: "angle", travel_mm_s: "speed",
};

/** What the student logged. */
export function RunCard({ attempt }: { attempt: Attempt }) {
  const run: Schemas["Run"] | null = attempt.run;
  const units = useUnits();
  const setup = useSetup(attempt.id, attempt.version);
  if (!run) return <Empty>No run has been logged.</Empty>;
  const shown = Object.entries(run).filter(([key, value]) => key !== "note" && value !== null && value !== "");
  return (
    <section className="rounded-box border border-base-300 bg-base-100 p-3">
      <h2 className="mb-1 font-bold">Logged</h2>
      {setup.data?.check && <div className="mb-2 text-sm"><OffCard check={setup.data.check} units={units} /></div>}
      <dl className="grid gap-x-5 gap-y-0.5 text-sm sm:grid-cols-2 xl:grid-cols-3">
        {shown.map(([key, value]) => (
          <div key={key} className="flex justify-between gap-2 border-b border-base-300">
            <dt>{runWords[key]}</dt>
            <dd className="font-semibold">{typeof value === "number" ? measure(value, quantities[key] ?? "count", units) : (choiceWords[String(value)] ?? String(value))}</dd>
          </div>
        ))}
      </dl>
      {run.note && <p className="mt-2 text-sm whitespace-pre-wrap">{run.note}</p>}
    </section>
  );
}
