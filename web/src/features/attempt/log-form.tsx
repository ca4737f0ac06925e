import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap, type Schemas } from "../../api/client";
import { Loading, Problem } from "../../ui/states";
import { Stepper } from "../../ui/stepper";
import { useAttemptChange, type Attempt } from "../../ui/use-attempt";
import { useSetup } from "../../ui/use-setup";
import { useUnits } from "../../ui/use-units";
import { shownAs, type Quantity, type Units } from "../../ui/units";
import { choiceWords, runWords } from "../../ui/words";
import { isFigure, problemsIn, runFrom, runFromCard, typedFrom, type Field, type Run, type Typed } from "./log-shape";

const groups: { words: string; keys: string[] }[] = [
  { words: "Machine", keys: ["current_a", "machine_a", "polarity", "downslope_s"] },
  { words: "Gas", keys: ["gas_l_min", "cup", "gas_part", "preflow_s", "postflow_s"] },
  { words: "Torch and filler", keys: ["stickout_mm", "electrode_mm", "electrode_kind", "filler_mm", "filler_alloy"] },
  { words: "Hands", keys: ["technique", "work_angle_deg", "travel_angle_deg", "travel_mm_s", "note"] },
];

export function LogForm({ attempt }: { attempt: Attempt }) {
  const fields = useQuery({ queryKey: ["run-fields"], queryFn: () => unwrap(api.GET("/api/run-fields")), staleTime: Infinity });
  const last = useQuery({
    queryKey: ["last-run", attempt.id],
    queryFn: () => unwrap(api.GET("/api/attempts/{attempt_id}/last-run", { params: { path: { attempt_id: attempt.id } } })),
  });
  const units = useUnits();
  if (fields.isPending || last.isPending) return <Loading what="the log" />;
  if (fields.isError) return <Problem error={fields.error} again={() => void fields.refetch()} />;
  return <Form key={`${units.length}${units.flow}`} attempt={attempt} fields={fields.data} last={last.data?.run ?? null} units={units} />;
}

function useDraft(attempt: Attempt, fields: Field[], units: Units) {
  const place = `log-${String(attempt.id)}-${units.length}-${units.flow}`;
  const [typed, setTyped] = useState<Typed>(() => {
    const kept = localStorage.getItem(place);
    return kept ? (JSON.parse(kept) as Typed) : typedFrom(attempt.run as Run | null, fields, units);
  });
  const change = (next: Typed) => {
    localStorage.setItem(place, JSON.stringify(next));
    setTyped(next);
  };
  return { typed, change, done: () => { localStorage.removeItem(place); } };
}

function Form({ attempt, fields, last, units }: { attempt: Attempt; fields: Field[]; last: Schemas["Run"] | null; units: Units }) {
  const draft = useDraft(attempt, fields, units);
  const [tried, setTried] = useState(false);
  const [open, setOpen] = useState(attempt.state === "assigned");
  const setup = useSetup(attempt.id, attempt.version);
  const problems = problemsIn(draft.typed, fields, units);
  const start = attempt.run ?? last;
  const save = useAttemptChange(attempt.id, (run: Run) =>
    unwrap(api.PUT("/api/attempts/{attempt_id}/run", { params: { path: { attempt_id: attempt.id } }, body: run as Schemas["RunRequest"] })),
  );
  if (!open) {
    return (
      <section className="rounded-box border border-base-300 bg-base-100 p-4">
        <div className="flex items-center justify-between gap-2">
          <h2 className="text-lg font-bold">Log</h2>
          <button className="btn" onClick={() => { setOpen(true); }}>Change the log</button>
        </div>
        <p>{summary(draft.typed, fields, units)}</p>
      </section>
    );
  }
  return (
    <form
      className="rounded-box border border-base-300 bg-base-100 p-4"
      onSubmit={(e) => {
        e.preventDefault();
        setTried(true);
        if (Object.keys(problems).length > 0) return;
        save.mutate(runFrom(draft.typed, fields, units, start as Run | null), { onSuccess: () => { draft.done(); setOpen(false); } });
      }}
    >
      <div className="mb-2 flex flex-wrap items-center justify-between gap-2">
        <h2 className="text-lg font-bold">Log of the run</h2>
        <span className="flex gap-2">
          {setup.data && <button type="button" className="btn h-12" onClick={() => { draft.change({ ...typedFrom(runFromCard(setup.data.card), fields, units), note: draft.typed.note ?? "" }); }}>As the card</button>}
          {last && <button type="button" className="btn btn-secondary h-12" onClick={() => { draft.change({ ...typedFrom(last as Run, fields, units), note: "" }); }}>As last time</button>}
        </span>
      </div>
      {groups.map((group) => (
        <fieldset key={group.words} className="mb-4 border-t border-base-300 pt-2">
          <legend className="pr-2 font-semibold">{group.words}</legend>
          <div className="grid gap-3 sm:grid-cols-2">
            {group.keys.map((key) => {
              const field = fields.find((f) => f.key === key);
              return field && <Entry key={key} field={field} units={units} value={draft.typed[key] ?? ""} error={tried ? problems[key] : undefined} onChange={(v) => { draft.change({ ...draft.typed, [key]: v }); }} />;
            })}
          </div>
        </fieldset>
      ))}
      <Problem error={save.error} />
      {tried && Object.keys(problems).length > 0 && <p role="alert" className="mb-2 text-error">Not saved yet: look at {Object.keys(problems).map((k) => runWords[k]?.toLowerCase()).join(", ")}.</p>}
      <button className="btn btn-primary mt-3 h-14 w-full text-lg" disabled={save.isPending}>{save.isPending ? "Saving …" : "Save the log"}</button>
    </form>
  );
}

function summary(typed: Typed, fields: Field[], units: Units): string {
  const parts = ["current_a", "gas_l_min", "cup", "postflow_s", "filler_mm"].flatMap((key) => {
    const field = fields.find((f) => f.key === key);
    return field && typed[key] ? [`${runWords[key] ?? key} ${typed[key]} ${shownAs(field.quantity as Quantity, units).label}`.trim()] : [];
  });
  return parts.join(" · ");
}

function Entry({ field, units, value, error, onChange }: { field: Field; units: Units; value: string; error: string | undefined; onChange: (v: string) => void }) {
  const id = `log-${field.key}`;
  const label = runWords[field.key] ?? field.key;
  if (isFigure(field)) {
    const shown = shownAs(field.quantity as Quantity, units);
    const rough = (field.step ?? 1) * shown.perSi;
    return <Stepper id={id} label={label} unit={shown.label} value={value} step={rough >= 1 ? Math.round(rough) : Math.round(rough * 10) / 10 || 0.1} error={error} required={field.required} onChange={onChange} />;
  }
  if (field.quantity === "text") {
    return (
      <div className="sm:col-span-2">
        <label htmlFor={id} className="mb-1 block text-sm font-medium">{label}</label>
        <textarea id={id} className="textarea w-full text-base" rows={2} maxLength={field.high ?? undefined} value={value} onChange={(e) => { onChange(e.target.value); }} />
      </div>
    );
  }
  return (
    <div>
      <label htmlFor={id} className="mb-1 block text-sm font-medium">{label}</label>
      <select id={id} className="select h-12 w-full text-base" value={value} onChange={(e) => { onChange(e.target.value); }}>
        <option value="">not noted</option>
        {field.choices.map((c) => <option key={c} value={c}>{choiceWords[c] ?? c}</option>)}
      </select>
    </div>
  );
}
