import { useEffect, useEffectEvent, useState } from "react";
import { Refused } from "../../api/client";
import { may, type Attempt } from "../../ui/use-attempt";
import { useSetMark } from "./queries";
import {
  HALF,
  meaningOf,
  stepped,
  suggestedScores,
  totalOf,
  type Scores,
  type Suggestion,
} from "./score-shape";

type Props = {
  attempt: Attempt;
  suggestions: Suggestion[];
  reload: () => Promise<unknown>;
  toNext: () => void;
  write: () => void;
};

/** A mark while it is set: scores as suggested until somebody touches one, the words, saving, and the keys. */
export function useMark({ attempt, suggestions, reload, toNext, write }: Props) {
  const suggested = suggestedScores(suggestions);
  const [scores, setScores] = useState<Scores>((attempt.mark?.scores as Scores | undefined) ?? suggested);
  const [touched, setTouched] = useState(attempt.mark !== null);
  const [comment, setComment] = useState(attempt.mark?.comment ?? "");
  const [next, setNext] = useState(attempt.mark?.next_change ?? "");
  const [row, setRow] = useState(0);
  const [reloading, setReloading] = useState(false);
  const save = useSetMark(attempt);
  const shown = touched ? scores : suggested;
  const total = totalOf(shown, suggestions);
  const markable = !reloading && may(attempt, "mark");
  const ready = markable && !save.isPending && total !== null;

  const finish = (andReturn: boolean) => {
    if (!ready) return;
    const given = { scores: shown, comment, next_change: next, andReturn };
    save.mutate(given, { onSuccess: andReturn ? toNext : undefined });
  };
  const set = (criterion: string, score: number | null) => {
    setScores({ ...shown, [criterion]: score });
    setTouched(true);
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
    const criterion = suggestions[row]?.criterion;
    if (!meaning || !criterion) return;
    event.preventDefault();
    const count = suggestions.length;
    if (meaning === "up") setRow((row + count - 1) % count);
    if (meaning === "down") setRow((row + 1) % count);
    if (meaning === "more") set(criterion, stepped(shown[criterion], HALF));
    if (meaning === "less") set(criterion, stepped(shown[criterion], -HALF));
    if (meaning === "skip") set(criterion, null);
    if (meaning === "suggested") setTouched(false);
    if (meaning === "comment") write();
    if (meaning === "save") finish(false);
    if (meaning === "return") finish(true);
    if (meaning === "next") toNext();
  });
  useEffect(() => {
    const heard = (event: KeyboardEvent) => onKey(event);
    window.addEventListener("keydown", heard);
    return () => window.removeEventListener("keydown", heard);
  }, []);
  return {
    shown,
    total,
    touched,
    asSuggested: () => setTouched(false),
    row,
    setRow,
    set,
    comment,
    setComment,
    next,
    setNext,
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
