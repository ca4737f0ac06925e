import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap, type Schemas } from "../../api/client";
import { Loading, Problem } from "../../ui/states";
import { useAttemptChange, type Attempt } from "../../ui/use-attempt";
import { useSetup } from "../../ui/use-setup";
import { useUnits } from "../../ui/use-units";
import { shownAs, type Quantity, type Units } from "../../ui/units";
import { runWords } from "../../ui/words";
import { Entry } from "./entry";
import {
  figureOf,
  problemsIn,
  runFrom,
  runFromCard,
  startOf,
  typedFrom,
  type Field,
  type Run,
  type Start,
} from "./log-shape";
import { Question } from "./question";
import { useDraft } from "./use-draft";
import { useLiveCheck } from "./use-live-check";

const groups: { words: string; keys: string[] }[] = [
  { words: "Machine", keys: ["current_a", "machine_a", "polarity", "downslope_s"] },
  { words: "Gas", keys: ["gas_l_min", "cup", "preflow_s", "postflow_s", "gas_part", "stickout_mm"] },
  { words: "Electrode and filler", keys: ["electrode_mm", "electrode_kind", "filler_mm", "filler_alloy"] },
  {
    words: "Hands",
    keys: ["technique", "pass_number", "work_angle_deg", "travel_angle_deg", "travel_mm_s", "note"],
  },
];

/** The log of an attempt: its runs, and the form for one of them. */
export function LogForm({ attempt }: { attempt: Attempt }) {
  const fields = useQuery({
    queryKey: ["run-fields"],
    queryFn: () => unwrap(api.GET("/api/run-fields")),
    staleTime: Infinity,
  });
  const last = useQuery({
    queryKey: ["last-runs", attempt.id],
    queryFn: () =>
      unwrap(
        api.GET("/api/attempts/{attempt_id}/last-runs", { params: { path: { attempt_id: attempt.id } } }),
      ),
  });
  const setup = useSetup(attempt.id, attempt.version);
  const units = useUnits();
  const [open, setOpen] = useState<number | null>(attempt.runs.length === 0 ? 1 : null);
  if (fields.isPending || last.isPending || setup.isPending) return <Loading what="the log" />;
  if (fields.isError) return <Problem error={fields.error} again={() => void fields.refetch()} />;
  if (setup.isError) return <Problem error={setup.error} again={() => void setup.refetch()} />;
  const close = () => {
    setOpen(null);
  };
  if (open !== null) {
    const start = startOf(
      attempt.runs as unknown as (Run & { number: number })[],
      open,
      last.data ?? { passed: false, runs: [] },
      runFromCard(setup.data.card),
    );
    return (
      <Form
        key={`${String(open)}${units.length}${units.flow}`}
        attempt={attempt}
        number={open}
        fields={fields.data}
        start={start}
        card={runFromCard(setup.data.card)}
        last={last.data ?? null}
        units={units}
        close={close}
      />
    );
  }
  return (
    <section className="rounded-box border border-base-300 bg-base-100 p-4">
      <h2 className="text-lg font-bold">Log</h2>
      <ul className="divide-y divide-base-300">
        {attempt.runs.map((run) => (
          <li key={run.number} className="flex items-center justify-between gap-3 py-2">
            <span>
              {attempt.runs.length > 1 && <strong>Run {run.number}: </strong>}
              {summary(typedFrom(run as unknown as Run, fields.data, units), fields.data, units)}
            </span>
            <button
              className="btn h-12"
              onClick={() => {
                setOpen(run.number);
              }}
            >
              {attempt.runs.length > 1 ? `Change run ${String(run.number)}` : "Change the log"}
            </button>
          </li>
        ))}
      </ul>
      <button
        className="btn mt-2 h-12 w-full"
        onClick={() => {
          setOpen(attempt.runs.length + 1);
        }}
      >
        Log another run or pass
      </button>
    </section>
  );
}

type FormProps = {
  attempt: Attempt;
  number: number;
  fields: Field[];
  start: Start;
  card: Partial<Run>;
  last: Schemas["LastRuns"] | null;
  units: Units;
  close: () => void;
};

function Form({ attempt, number, fields, start, card, last, units, close }: FormProps) {
  const draft = useDraft(
    `log-${String(attempt.id)}-${String(number)}-${units.length}-${units.flow}`,
    typedFrom(start.run, fields, units),
  );
  const [tried, setTried] = useState(false);
  const [kept, setKept] = useState<string[]>([]);
  const problems = problemsIn(draft.typed, fields, units);
  const run = runFrom(draft.typed, fields, units, start.run);
  const check = useLiveCheck(attempt.id, Object.keys(problems).length === 0 ? run : null);
  const slips = (check?.warnings ?? []).filter((w) => w.code.endsWith("_slip") && !kept.includes(w.message));
  const lastRun = last?.runs[0] as Run | undefined;
  const save = useAttemptChange(attempt.id, (given: Run) =>
    unwrap(
      api.PUT("/api/attempts/{attempt_id}/runs/{number}", {
        params: { path: { attempt_id: attempt.id, number } },
        body: given as Schemas["RunRequest"],
      }),
    ),
  );
  const set = (key: string, value: string) => {
    draft.change({ ...draft.typed, [key]: value });
  };
  const fill = (from: Partial<Run>) => {
    draft.change({ ...typedFrom(from, fields, units), note: draft.typed.note ?? "" });
  };
  return (
    <form
      className="rounded-box border border-base-300 bg-base-100 p-4"
      onSubmit={(e) => {
        e.preventDefault();
        setTried(true);
        if (Object.keys(problems).length > 0 || slips.length > 0) return;
        save.mutate(run, {
          onSuccess: () => {
            draft.done();
            close();
          },
        });
      }}
    >
      <h2 className="text-lg font-bold">
        {number === 1 ? "Log of the run" : `Log of run ${String(number)}`}
      </h2>
      <p className="quiet text-sm">
        Filled {draft.restored ? "with what you typed before" : start.words}. Change only what differed.
      </p>
      <div className="my-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="btn h-12"
          onClick={() => {
            fill(card);
          }}
        >
          As the card
        </button>
        {lastRun && (
          <button
            type="button"
            className="btn h-12 btn-secondary"
            onClick={() => {
              fill(lastRun);
            }}
          >
            {last?.passed ? "As my last good one" : "As last time"}
          </button>
        )}
      </div>
      {groups.map((group) => (
        <fieldset key={group.words} className="mb-3 border-t border-base-300 pt-1">
          <legend className="pr-2 font-semibold">{group.words}</legend>
          <div className="grid grid-cols-2 items-start gap-x-2 gap-y-3 sm:gap-x-4">
            {group.keys.map((key) => {
              const field = fields.find((f) => f.key === key);
              return (
                field && (
                  <Entry
                    key={key}
                    field={field}
                    units={units}
                    value={draft.typed[key] ?? ""}
                    error={tried ? problems[key] : undefined}
                    off={check?.deviations.find((d) => d.key === key)}
                    onChange={(v) => {
                      set(key, v);
                    }}
                  />
                )
              );
            })}
          </div>
        </fieldset>
      ))}
      {(check?.warnings ?? [])
        .filter((w) => w.severity === "stop")
        .map((w) => (
          <p
            key={w.code}
            role="note"
            className="mb-2 rounded-box border-2 border-error p-2 font-semibold text-error"
          >
            {w.message}
          </p>
        ))}
      {slips.map((w) => (
        <Question
          key={w.code}
          message={w.message}
          units={units}
          meant={w.meant}
          take={(value) => {
            set("gas_l_min", figureOf(value, "flow", units));
          }}
          keep={() => {
            setKept([...kept, w.message]);
          }}
        />
      ))}
      <Problem error={save.error} />
      {tried && Object.keys(problems).length > 0 && (
        <p role="alert" className="mb-2 text-error">
          Not saved yet: look at{" "}
          {Object.keys(problems)
            .map((k) => runWords[k]?.toLowerCase())
            .join(", ")}
          .
        </p>
      )}
      <div className="sticky bottom-16 z-10 -mx-4 flex gap-2 border-t border-base-300 bg-base-100 px-4 py-2 sm:bottom-0">
        <button className="btn h-14 grow text-lg btn-primary" disabled={save.isPending}>
          {save.isPending ? "Saving …" : "Save the log"}
        </button>
        {attempt.runs.length > 0 && (
          <button
            type="button"
            className="btn h-14"
            onClick={() => {
              draft.done();
              close();
            }}
          >
            Leave it
          </button>
        )}
      </div>
    </form>
  );
}

function summary(typed: Record<string, string>, fields: Field[], units: Units): string {
  const parts = ["current_a", "gas_l_min", "cup", "postflow_s", "filler_mm"].flatMap((key) => {
    const field = fields.find((f) => f.key === key);
    return field && typed[key]
      ? [`${runWords[key] ?? key} ${typed[key]} ${shownAs(field.quantity as Quantity, units).label}`.trim()]
      : [];
  });
  return parts.join(" · ");
}
