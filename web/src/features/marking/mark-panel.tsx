import type { Ref } from "react";
import { vocabulary } from "../../api/generated-vocabulary";
import { AreaField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { may, type Attempt } from "../../domain/use-attempt";
import { KeysHelp } from "./keys-help";
import { AskAside } from "./ask-aside";
import { ScoreRow } from "./score-row";
import { partWords, type Key, type Proposal } from "./score-shape";
import { TwoMarks } from "./two-marks";
import type { Marking } from "./use-mark";
import { markWords } from "../../domain/units";

type Props = {
  attempt: Attempt;
  proposal: Proposal;
  mark: Marking;
  words: Ref<HTMLTextAreaElement>;
  open: (key: Key) => void;
};

/** Scores, words and returning; everything by keyboard too. */
export function MarkPanel({ attempt, proposal, mark, words, open }: Props) {
  const missing = mark.missing.map((line) => line.words);
  return (
    <Panel tight aria-label="Mark" className="h-fit space-y-2 lg:sticky lg:top-2">
      <TwoMarks attempt={attempt} mark={mark} />
      <Total proposal={proposal} mark={mark} />
      <KnockOuts proposal={proposal} mark={mark} />
      <ul className="space-y-0.5">
        {proposal.lines.map((line, i) => (
          <ScoreRow
            key={line.criterion}
            line={line}
            score={mark.shown[line.criterion] ?? null}
            applies={line.applies && !mark.draft.notApplying.includes(line.criterion)}
            missing={mark.missing.includes(line)}
            chosen={i === mark.draft.row}
            choose={() => mark.edit({ kind: "row", row: i })}
            set={(score) => mark.score(line.criterion, score)}
          />
        ))}
      </ul>
      {mark.duty !== "second" && (
        <AreaField
          label="Change next"
          rows={2}
          tight
          maxLength={vocabulary.most.next}
          value={mark.draft.next}
          onChange={(text) => mark.edit({ kind: "next", text })}
        />
      )}
      <AreaField
        ref={words}
        label="Comment"
        rows={2}
        tight
        maxLength={vocabulary.most.comment}
        value={mark.draft.comment}
        onChange={(text) => mark.edit({ kind: "comment", text })}
      />
      <Problem error={mark.error} />
      {mark.conflict && (
        <button className="btn btn-sm" disabled={mark.reloading} onClick={mark.loadAgain}>
          Load it again, keep what I typed
        </button>
      )}
      {!mark.markable && <NotNow attempt={attempt} />}
      {mark.markable && missing.length > 0 && (
        <p role="note" className="text-sm font-semibold text-error">
          Before it is returned: a score, or “does not apply”, for {missing.join(", ")}.
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        {mark.duty !== "second" && (
          <button className="btn btn-sm" disabled={!mark.ready} onClick={() => mark.finish(false)}>
            {mark.duty === "agree" ? "Agree" : "Save"}
          </button>
        )}
        <button
          className={`btn btn-primary btn-sm ${mark.duty === "second" ? "col-span-2" : ""}`}
          disabled={!mark.ready || missing.length > 0}
          onClick={() => mark.finish(true)}
        >
          {FINISH[mark.duty]}
        </button>
        {may(attempt, "ask_photo") && (
          <button className="btn btn-ghost btn-xs" onClick={() => open("another_photo")}>
            Another photo …
          </button>
        )}
        {may(attempt, "send_back") && (
          <button className="btn btn-ghost btn-xs" onClick={() => open("weld_again")}>
            Weld it again …
          </button>
        )}
      </div>
      <AskAside attempt={attempt} />
      <KeysHelp />
      {mark.saved && (
        <p role="status" className="text-sm font-semibold">
          Saved.
        </p>
      )}
    </Panel>
  );
}

const FINISH = { mark: "Save and return", second: "Give the second mark", agree: "Agree and return" };

function Total({ proposal, mark }: { proposal: Proposal; mark: Marking }) {
  const part = partWords(mark.shown, proposal.lines);
  return (
    <div className="flex items-end justify-between gap-2">
      <p className="text-3xl font-bold">
        {mark.total === null ? "–" : markWords(mark.total)}
        <span className="quiet text-sm font-normal">
          {" "}
          of 100 ·{" "}
          <strong className={mark.passed ? "text-success" : "text-error"}>
            {mark.passed ? "passes" : "fails"}
          </strong>
        </span>
        <span className="quiet block text-xs font-normal">
          {proposal.scheme}; pass from {markWords(proposal.pass_mark)}
          {part && ` · ${part}`}
        </span>
      </p>
      <button
        className="btn btn-xs"
        disabled={mark.draft.scores === null}
        onClick={() => mark.edit({ kind: "as_suggested" })}
      >
        As suggested
      </button>
    </div>
  );
}

function KnockOuts({ proposal, mark }: { proposal: Proposal; mark: Marking }) {
  if (proposal.knocked.length === 0) return null;
  return (
    <ul className="text-sm" aria-label="What fails it whatever the sum">
      {proposal.knocked.map((k) => (
        <li key={k.key} className="flex items-center justify-between gap-2">
          <span className={mark.draft.waived.includes(k.key) ? "line-through" : "font-semibold text-error"}>
            Fails by {k.words}
          </span>
          <button
            className="btn btn-xs"
            aria-pressed={mark.draft.waived.includes(k.key)}
            onClick={() => mark.edit({ kind: "waive", fault: k.key })}
          >
            {mark.draft.waived.includes(k.key) ? "Mind it" : "Let it pass"}
          </button>
        </li>
      ))}
    </ul>
  );
}

/** Why nothing can be marked just now. */
function NotNow({ attempt }: { attempt: Attempt }) {
  if (attempt.state === "second_asked") return <p>Waits for the blind second mark of somebody else.</p>;
  if (attempt.state === "photo_asked") return <p>Another photo was asked for: {attempt.answer}</p>;
  if (attempt.state === "weld_again") return <p>To be welded again: {attempt.answer}</p>;
  return <p>There is nothing to mark before a photo has been sent.</p>;
}
