import { t } from "../../catalogue";
import { useIsMutating } from "@tanstack/react-query";
import { useEffect, useEffectEvent, useReducer, useState } from "react";
import { Refused } from "../../api/client";
import { markingKeys } from "../../domain/keys";
import { offerUndo } from "../../domain/undo";
import { may, type Attempt } from "../../domain/use-attempt";
import { draftOf, edited, type CauseChoice } from "./mark-draft";
import { useSetMark } from "./queries";
import {
  HALF,
  between,
  dutyOf,
  meaningOf,
  missingIn,
  stepped,
  suggestedScores,
  totalOf,
  type Key,
  type Proposal,
} from "./score-shape";
import { markWords } from "../../domain/units";

const DUTIES = { mark: ["mark"], second: ["mark_second"], agree: ["agree"] } as const;

type Props = {
  attempt: Attempt;
  proposal: Proposal;
  /** The cause that was confirmed when the mark was last saved. */
  confirmed: string | null;
  causes: CauseChoice[];
  reload: () => Promise<unknown>;
  toNext: () => void;
  /** Keys that open something beside the mark. */
  open: (key: Key) => void;
};

/** A mark while it is set: scores as suggested until somebody touches one, the words, saving, and the keys. */
export function useMark({ attempt, proposal, confirmed, causes, reload, toNext, open }: Props) {
  const { lines } = proposal;
  const { mark, second } = attempt;
  const duty = dutyOf(attempt.may);
  const both = second?.first && second.second ? between(second.first.scores, second.second.scores) : null;
  const [draft, edit] = useReducer(edited, draftOf(mark, duty === "mark"));
  const [reloading, setReloading] = useState(false);
  const save = useSetMark(attempt);
  const cause = draft.cause === undefined ? confirmed : draft.cause;
  const shown = draft.scores ?? (duty === "agree" && both ? both : suggestedScores(lines));
  const total = totalOf(shown, lines);
  const missing = missingIn(shown, draft.notApplying, lines);
  const knocked = proposal.knocked.filter((k) => !draft.waived.includes(k.key));
  const passed = total !== null && total >= proposal.pass_mark && knocked.length === 0;
  const markable = !reloading && DUTIES[duty].some((step) => may(attempt, step));
  // What is said of a cause makes a new version of the attempt: a mark waits until that is read.
  const judging = useIsMutating({ mutationKey: markingKeys.judging }) > 0;
  const ready = markable && !save.isPending && !judging && total !== null;

  const score = (criterion: string, score: number | null) => edit({ kind: "score", shown, criterion, score });
  const confirm = (choice: CauseChoice) => edit({ kind: "cause", choice, confirmed: cause, causes });
  const toRow = (row: number) => edit({ kind: "row", row });
  const finish = (andReturn: boolean) => {
    if (!ready) return;
    const first = missing[0];
    if (andReturn && first) {
      toRow(lines.indexOf(first));
      return;
    }
    const given = {
      duty,
      scores: shown,
      not_applying: draft.notApplying.filter((key) => key in shown && shown[key] === null),
      waived: draft.waived,
      runs: draft.runs,
      comment: draft.comment,
      next_change: draft.next,
      cause,
      andReturn,
    };
    const words = t("marking-returned-to", { total: markWords(total), name: attempt.student.display_name });
    const done = (after: Attempt) => {
      if (after.state === "returned") offerUndo(attempt.id, words);
      toNext();
    };
    save.mutate(given, { onSuccess: andReturn || duty === "second" ? done : undefined });
  };
  const loadAgain = () => {
    setReloading(true);
    void reload().finally(() => {
      save.reset();
      setReloading(false);
    });
  };
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    const meaning = meaningOf(event);
    const criterion = lines[draft.row]?.criterion;
    if (!meaning || !criterion) return;
    event.preventDefault();
    const count = lines.length;
    const cause = meaning.startsWith("cause") ? causes[Number(meaning.at(-1)) - 1] : undefined;
    if (meaning === "up") toRow((draft.row + count - 1) % count);
    else if (meaning === "down") toRow((draft.row + 1) % count);
    else if (meaning === "more") score(criterion, stepped(shown[criterion], HALF));
    else if (meaning === "less") score(criterion, stepped(shown[criterion], -HALF));
    else if (meaning === "skip") score(criterion, null);
    else if (meaning === "suggested") edit({ kind: "as_suggested" });
    else if (meaning === "save") finish(false);
    else if (meaning === "return") finish(true);
    else if (meaning === "next") toNext();
    else if (cause) confirm(cause);
    else open(meaning);
  });
  useEffect(() => {
    const heard = (event: KeyboardEvent) => onKey(event);
    window.addEventListener("keydown", heard);
    return () => window.removeEventListener("keydown", heard);
  }, []);
  return {
    duty,
    draft,
    edit,
    score,
    confirm,
    shown,
    cause,
    total,
    passed,
    missing,
    knocked,
    markable,
    ready,
    finish,
    error: save.error,
    saved: save.isSuccess,
    conflict: save.error instanceof Refused && save.error.problem.code === "edit_conflict",
    reloading,
    loadAgain,
  };
}

export type Marking = ReturnType<typeof useMark>;
