import { useRef } from "react";
import { vocabulary } from "../../api/generated-vocabulary";
import { AreaField, TextField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import type { Attempt } from "../../ui/use-attempt";
import { KeysHelp } from "./keys-help";
import { ScoreRow } from "./score-row";
import { partWords, type Suggestion } from "./score-shape";
import { useMark } from "./use-mark";

type Props = {
  attempt: Attempt;
  suggestions: Suggestion[];
  reload: () => Promise<unknown>;
  toNext: () => void;
};

/** Scores, words and returning; everything by keyboard too. */
export function MarkPanel({ attempt, suggestions, reload, toNext }: Props) {
  const words = useRef<HTMLTextAreaElement>(null);
  const mark = useMark({ attempt, suggestions, reload, toNext, write: () => words.current?.focus() });
  return (
    <Panel tight aria-label="Mark" className="h-fit space-y-3 lg:sticky lg:top-3">
      <div className="flex items-end justify-between">
        <p className="text-4xl font-bold">
          {mark.total === null ? "–" : mark.total.toFixed(0)}
          <span className="quiet text-base font-normal"> of 100</span>
          {mark.total !== null && (
            <span className="quiet block text-sm font-normal">{partWords(mark.shown, suggestions)}</span>
          )}
        </p>
        <button className="btn btn-sm" disabled={!mark.touched} onClick={mark.asSuggested}>
          As suggested
        </button>
      </div>
      <ul>
        {suggestions.map((s, i) => (
          <ScoreRow
            key={s.criterion}
            suggestion={s}
            score={mark.shown[s.criterion] ?? null}
            chosen={i === mark.row}
            choose={() => mark.setRow(i)}
            set={(score) => mark.set(s.criterion, score)}
          />
        ))}
      </ul>
      <TextField
        label="Change next"
        maxLength={vocabulary.most.next}
        value={mark.next}
        onChange={mark.setNext}
      />
      <AreaField
        ref={words}
        label="Comment"
        rows={3}
        maxLength={vocabulary.most.comment}
        value={mark.comment}
        onChange={mark.setComment}
      />
      <Problem error={mark.error} />
      {mark.conflict && (
        <button className="btn btn-sm" disabled={mark.reloading} onClick={mark.loadAgain}>
          Load it again, keep what I typed
        </button>
      )}
      {!mark.markable && <p>There is nothing to mark before a photo has been sent.</p>}
      <div className="grid grid-cols-2 gap-2">
        <button className="btn" disabled={!mark.ready} onClick={() => mark.finish(false)}>
          Save
        </button>
        <button className="btn btn-primary" disabled={!mark.ready} onClick={() => mark.finish(true)}>
          Save and return
        </button>
      </div>
      <KeysHelp />
      {mark.saved && (
        <p role="status" className="text-sm font-semibold">
          Saved.
        </p>
      )}
    </Panel>
  );
}
