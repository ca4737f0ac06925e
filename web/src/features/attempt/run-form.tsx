import { t } from "../../catalogue";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Panel, WarningNote } from "../../ui/panel";
import { Problem } from "../../ui/states";
import type { Attempt } from "../../domain/use-attempt";
import type { Units } from "../../domain/units";
import { fieldWords } from "../../domain/words";
import { fields, groups } from "../../domain/run-fields";
import {
  draftPlace,
  figureOf,
  problemsIn,
  runFrom,
  settingsOf,
  typedFrom,
  type Run,
  type Start,
} from "./log-shape";
import { useLiveCheck, useSaveRun } from "./queries";
import { Question } from "./question";
import { RunGroup } from "./run-group";
import { useDraft } from "./use-draft";

type Props = {
  attempt: Attempt;
  number: number;
  start: Start;
  card: Partial<Run>;
  last: Schemas["LastRuns"] | null;
  units: Units;
  readOff: string | null;
  close: () => void;
};

const FOOT =
  "sticky bottom-14 z-10 -mx-4 flex gap-2 border-t border-base-300 bg-base-100 px-4 py-2 sm:bottom-0";

/** One run while it is typed: it opens filled, and only what differed is changed. */
export function RunForm({ attempt, number, start, card, last, units, readOff, close }: Props) {
  const draft = useDraft(draftPlace(attempt.id, number, units), typedFrom(start.run, fields, units));
  const [tried, setTried] = useState(false);
  const [kept, setKept] = useState<string[]>([]);
  const problems = problemsIn(draft.typed, fields, units);
  const wrong = Object.keys(problems);
  const run = runFrom(draft.typed, fields, units, start.run);
  const check = useLiveCheck(attempt.id, wrong.length === 0 ? run : null);
  const warnings = check?.warnings ?? [];
  const slips = warnings.filter((w) => w.code.endsWith("_slip") && !kept.includes(w.message));
  const lastRun = last?.runs[0] as Run | undefined;
  const save = useSaveRun(attempt.id, number);
  const set = (key: string, value: string) => draft.change({ ...draft.typed, [key]: value });
  const fill = (from: Partial<Run>) =>
    draft.change({ ...typedFrom(from, fields, units), note: draft.typed.note ?? "" });
  const leave = () => {
    draft.done();
    close();
  };
  const submit = (e: React.FormEvent) => {
    e.preventDefault();
    setTried(true);
    if (wrong.length === 0 && slips.length === 0) save.mutate(run, { onSuccess: leave });
  };
  return (
    <Panel as="form" onSubmit={submit}>
      <h2 className="text-lg font-bold">
        {number === 1 ? t("attempt-log-of-the-run") : t("attempt-log-of-run", { number })}
      </h2>
      <p className="quiet text-sm">
        {draft.restored ? t("attempt-filled-with-your-earlier-entries") : start.words}
      </p>
      {readOff && <p className="my-2 text-lg">{t("attempt-read-off", { field: fieldWords(readOff) })}</p>}
      <div className="my-2 flex flex-wrap gap-2">
        <button type="button" className="btn h-12" onClick={() => fill(card)}>
          {t("attempt-use-card-settings")}
        </button>
        {lastRun && (
          <button type="button" className="btn h-12 btn-secondary" onClick={() => fill(settingsOf(lastRun))}>
            {last?.passed ? t("attempt-use-last-good-settings") : t("attempt-use-last-settings")}
          </button>
        )}
      </div>
      {groups.map((group) => (
        <RunGroup
          key={group.key}
          group={group}
          units={units}
          typed={draft.typed}
          problems={tried ? problems : {}}
          deviations={check?.deviations ?? []}
          set={set}
        />
      ))}
      {warnings
        .filter((w) => w.severity === "stop")
        .map((w) => (
          <WarningNote key={w.code} severity={w.severity}>
            {w.message}
          </WarningNote>
        ))}
      {slips.map((w) => (
        <Question
          key={w.code}
          message={w.message}
          units={units}
          meant={w.meant}
          take={(value) => set("gas_l_min", figureOf(value, "flow", units))}
          keep={() => setKept([...kept, w.message])}
        />
      ))}
      <Problem error={save.error} />
      {tried && wrong.length > 0 && (
        <p role="alert" className="mb-2 text-error">
          {t("attempt-not-saved-check", { wrong: wrong.map(fieldWords).join(", ") })}
        </p>
      )}
      <div className={FOOT}>
        <button className="btn h-14 grow text-lg btn-primary" disabled={save.isPending}>
          {save.isPending ? t("common-saving") : t("attempt-save-log")}
        </button>
        {attempt.runs.length > 0 && (
          <button type="button" className="btn h-14" onClick={leave}>
            {t("common-cancel")}
          </button>
        )}
      </div>
    </Panel>
  );
}
