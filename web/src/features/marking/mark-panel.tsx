import { t } from "../../catalogue";
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
    <Panel tight aria-label={t("common-mark-2")} className="h-fit space-y-2 lg:sticky lg:top-2">
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
          label={t("marking-one-change-for-next-time")}
          rows={2}
          tight
          maxLength={vocabulary.most.next}
          value={mark.draft.next}
          onChange={(text) => mark.edit({ kind: "next", text })}
        />
      )}
      <AreaField
        ref={words}
        label={t("common-comment")}
        rows={2}
        tight
        maxLength={vocabulary.most.comment}
        value={mark.draft.comment}
        onChange={(text) => mark.edit({ kind: "comment", text })}
      />
      <Problem error={mark.error} />
      {mark.conflict && (
        <button className="btn btn-sm" disabled={mark.reloading} onClick={mark.loadAgain}>
          {t("marking-reload-and-keep-my-entries")}
        </button>
      )}
      {!mark.markable && <NotNow attempt={attempt} />}
      {mark.markable && missing.length > 0 && (
        <p role="note" className="text-sm font-semibold text-error">
          {t("marking-score-or-set-n-a-before", { missing: missing.join(", ") })}
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        {mark.duty !== "second" && (
          <button className="btn btn-sm" disabled={!mark.ready} onClick={() => mark.finish(false)}>
            {mark.duty === "agree" ? t("marking-agree") : t("marking-save")}
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
            {t("marking-another-photo-2")}
          </button>
        )}
        {may(attempt, "send_back") && (
          <button className="btn btn-ghost btn-xs" onClick={() => open("weld_again")}>
            {t("marking-weld-again-3")}
          </button>
        )}
      </div>
      <AskAside attempt={attempt} />
      <KeysHelp />
      {mark.saved && (
        <p role="status" className="text-sm font-semibold">
          {t("common-saved")}
        </p>
      )}
    </Panel>
  );
}

const FINISH = {
  mark: t("marking-save-and-return"),
  second: t("marking-save-second-mark"),
  agree: t("marking-agree-and-return"),
};

/** Whether it passes; nothing is said of it before all that applies is scored, unless it fails whatever comes. */
function Verdict({ mark }: { mark: Marking }) {
  if (mark.total === null) return t("marking-not-scored-yet");
  if (mark.missing.length > 0 && mark.knocked.length === 0) return t("marking-so-far");
  return (
    <strong className={mark.passed ? "text-success" : "text-error"}>
      {mark.passed ? t("common-passes") : t("common-fails")}
    </strong>
  );
}

function Total({ proposal, mark }: { proposal: Proposal; mark: Marking }) {
  const part = partWords(mark.shown, proposal.lines);
  return (
    <div className="flex items-end justify-between gap-2">
      <p className="text-3xl font-bold">
        {mark.total === null ? "–" : markWords(mark.total)}
        <span className="quiet text-sm font-normal">
          {" "}
          {t("marking-of-100")} <Verdict mark={mark} />
        </span>
        <span className="quiet block text-xs font-normal">
          {t("marking-pass-mark", { scheme: proposal.scheme, pass_mark: markWords(proposal.pass_mark) })}
          {part && ` · ${part}`}
        </span>
      </p>
      <button
        className="btn btn-xs"
        disabled={mark.draft.scores === null}
        onClick={() => mark.edit({ kind: "as_suggested" })}
      >
        {t("marking-use-suggested")}
      </button>
    </div>
  );
}

function KnockOuts({ proposal, mark }: { proposal: Proposal; mark: Marking }) {
  if (proposal.knocked.length === 0) return null;
  return (
    <ul className="text-sm" aria-label={t("marking-automatic-fails")}>
      {proposal.knocked.map((k) => (
        <li key={k.key} className="flex items-center justify-between gap-2">
          <span className={mark.draft.waived.includes(k.key) ? "line-through" : "font-semibold text-error"}>
            {t("marking-automatic-fail", { k: k.words })}
          </span>
          <button
            className="btn btn-xs"
            aria-pressed={mark.draft.waived.includes(k.key)}
            onClick={() => mark.edit({ kind: "waive", fault: k.key })}
          >
            {mark.draft.waived.includes(k.key) ? t("marking-count-it") : t("marking-waive")}
          </button>
        </li>
      ))}
    </ul>
  );
}

/** Why nothing can be marked just now. */
function NotNow({ attempt }: { attempt: Attempt }) {
  if (attempt.state === "second_asked") return <p>{t("marking-waiting-for-a-second-mark-from")}</p>;
  if (attempt.state === "photo_asked")
    return <p>{t("marking-new-photo-requested", { answer: attempt.answer })}</p>;
  if (attempt.state === "weld_again") return <p>{t("marking-to-weld-again", { answer: attempt.answer })}</p>;
  return <p>{t("marking-nothing-to-mark-until-the-student")}</p>;
}
