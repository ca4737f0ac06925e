import { useEffect, useEffectEvent, useState } from "react";
import { Refused } from "../../api/client";
import { offerUndo } from "../../ui/undo";
import { may, type Attempt } from "../../ui/use-attempt";
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
  type Scores,
} from "./score-shape";

const DUTIES = { mark: ["mark"], second: ["mark_second"], agree: ["agree"] } as const;

export type Taken = { code: string; advice: string };

type Props = {
  attempt: Attempt;
  proposal: Proposal;
  /** The cause that was taken when the mark was last saved. */
  taken: string | null;
  causes: Taken[];
  reload: () => Promise<unknown>;
  toNext: () => void;
  /** Keys that open something beside the mark. */
  open: (key: Key) => void;
};

/** A mark while it is set: scores as suggested until somebody touches one, the words, saving, and the keys. */
export function useMark({ attempt, proposal, taken, causes, reload, toNext, open }: Props) {
  const { lines } = proposal;
  const { mark, second } = attempt;
  const duty = dutyOf(attempt.may);
  const both = second?.first && second.second ? between(second.first.scores, second.second.scores) : null;
  const suggested = duty === "agree" && both ? both : suggestedScores(lines);
  const [scores, setScores] = useState<Scores>((duty === "mark" ? mark?.scores : null) ?? suggested);
  const [notApplying, setNotApplying] = useState<string[]>(mark?.not_applying ?? []);
  const [waived, setWaived] = useState<string[]>(mark?.waived ?? []);
  const [touched, setTouched] = useState(duty === "mark" && mark !== null);
  const [comment, setComment] = useState(mark?.comment ?? "");
  const [next, setNext] = useState(mark?.next_change ?? "");
  const [chosen, setChosen] = useState<string | null | undefined>(undefined);
  const cause = chosen === undefined ? taken : chosen;
  const [row, setRow] = useState(0);
  const [reloading, setReloading] = useState(false);
  const save = useSetMark(attempt);
  const shown = touched ? scores : suggested;
  const total = totalOf(shown, lines);
  const missing = missingIn(shown, notApplying, lines);
  const knocked = proposal.knocked.filter((k) => !waived.includes(k.key));
  const passed = total !== null && total >= proposal.pass_mark && knocked.length === 0;
  const markable = !reloading && DUTIES[duty].some((step) => may(attempt, step));
  const ready = markable && !save.isPending && total !== null;

  const finish = (andReturn: boolean) => {
    if (!ready) return;
    const first = missing[0];
    if (andReturn && first) {
      setRow(lines.indexOf(first));
      return;
    }
    const given = {
      duty,
      scores: shown,
      not_applying: notApplying.filter((key) => key in shown && shown[key] === null),
      waived,
      comment,
      next_change: next,
      cause,
      andReturn,
    };
    const words = `Returned ${total.toFixed(0)} to ${attempt.student.display_name}.`;
    const done = (after: Attempt) => {
      if (after.state === "returned") offerUndo(attempt.id, words);
      toNext();
    };
    save.mutate(given, { onSuccess: andReturn || duty === "second" ? done : undefined });
  };
  const set = (criterion: string, score: number | null) => {
    setScores({ ...shown, [criterion]: score });
    setNotApplying(
      score === null
        ? [...new Set([...notApplying, criterion])]
        : notApplying.filter((key) => key !== criterion),
    );
    setTouched(true);
  };
  /** Takes a cause as what is to change next; taken again, it is let go with its words. */
  const take = (one: Taken) => {
    const lets = cause === one.code;
    setChosen(lets ? null : one.code);
    const written = causes.some((c) => c.advice === next);
    if (lets && written) setNext("");
    else if (!lets && (next === "" || written)) setNext(one.advice);
  };
  const setAll = (given: Scores) => {
    setScores(given);
    setTouched(true);
  };
  const waive = (key: string) =>
    setWaived(waived.includes(key) ? waived.filter((k) => k !== key) : [...waived, key]);
  const loadAgain = () => {
    setReloading(true);
    void reload().finally(() => {
      save.reset();
      setReloading(false);
    });
  };
  const asSuggested = () => {
    setTouched(false);
    setNotApplying([]);
  };
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    const meaning = meaningOf(event);
    const criterion = lines[row]?.criterion;
    if (!meaning || !criterion) return;
    event.preventDefault();
    const count = lines.length;
    const cause = meaning.startsWith("cause") ? causes[Number(meaning.at(-1)) - 1] : undefined;
    if (meaning === "up") setRow((row + count - 1) % count);
    else if (meaning === "down") setRow((row + 1) % count);
    else if (meaning === "more") set(criterion, stepped(shown[criterion], HALF));
    else if (meaning === "less") set(criterion, stepped(shown[criterion], -HALF));
    else if (meaning === "skip") set(criterion, null);
    else if (meaning === "suggested") asSuggested();
    else if (meaning === "save") finish(false);
    else if (meaning === "return") finish(true);
    else if (meaning === "next") toNext();
    else if (cause) take(cause);
    else open(meaning);
  });
  useEffect(() => {
    const heard = (event: KeyboardEvent) => onKey(event);
    window.addEventListener("keydown", heard);
    return () => window.removeEventListener("keydown", heard);
  }, []);
  return {
    duty,
    setAll,
    shown,
    total,
    passed,
    missing,
    knocked,
    waived,
    waive,
    notApplying,
    touched,
    asSuggested,
    row,
    setRow,
    set,
    comment,
    setComment,
    next,
    setNext,
    cause,
    take,
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
