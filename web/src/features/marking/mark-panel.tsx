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
          label="One change for next time"
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
          Reload and keep my entries
        </button>
      )}
      {!mark.markable && <NotNow attempt={attempt} />}
      {mark.markable && missing.length > 0 && (
        <p role="note" className="text-sm font-semibold text-error">
          Score or set N/A before returning: {missing.join(", ")}.
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
            Weld again …
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

const FINISH = { mark: "Save and return", second: "Save second mark", agree: "Agree and return" };

function Total({ proposal, mark }: { proposal: Proposal; mark: Marking }) {
  const part = partWords(mark.shown, proposal.lines);
  return (
    <div className="flex items-end justify-between gap-2">
      <p className="text-3xl font-bold">
        {mark.total === null ? "–" : markWords(mark.total)}
        <span className="quiet text-sm font-normal">
          {" "}
          of 100 ·{" "}
          {mark.total === null ? (
            "not scored yet"
          ) : (
            <strong className={mark.passed ? "text-success" : "text-error"}>
              {mark.passed ? "passes" : "fails"}
            </strong>
          )}
        </span>
        <span className="quiet block text-xs font-normal">
          {proposal.scheme}; pass mark {markWords(proposal.pass_mark)}
          {part && ` · ${part}`}
        </span>
      </p>
      <button
        className="btn btn-xs"
        disabled={mark.draft.scores === null}
        onClick={() => mark.edit({ kind: "as_suggested" })}
      >
        Use suggested
      </button>
    </div>
  );
}

function KnockOuts({ proposal, mark }: { proposal: Proposal; mark: Marking }) {
  if (proposal.knocked.length === 0) return null;
  return (
    <ul className="text-sm" aria-label="Automatic fails">
      {proposal.knocked.map((k) => (
        <li key={k.key} className="flex items-center justify-between gap-2">
          <span className={mark.draft.waived.includes(k.key) ? "line-through" : "font-semibold text-error"}>
            Automatic fail: {k.words}
          </span>
          <button
            className="btn btn-xs"
            aria-pressed={mark.draft.waived.includes(k.key)}
            onClick={() => mark.edit({ kind: "waive", fault: k.key })}
          >
            {mark.draft.waived.includes(k.key) ? "Count it" : "Waive"}
          </button>
        </li>
      ))}
    </ul>
  );
}

/** Why nothing can be marked just now. */
function NotNow({ attempt }: { attempt: Attempt }) {
  if (attempt.state === "second_asked") return <p>Waiting for a second mark from someone else.</p>;
  if (attempt.state === "photo_asked") return <p>New photo requested: {attempt.answer}</p>;
  if (attempt.state === "weld_again") return <p>To weld again: {attempt.answer}</p>;
  return <p>Nothing to mark until the student sends a photo.</p>;
}
