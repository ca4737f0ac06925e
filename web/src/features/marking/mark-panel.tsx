import { useEffect, useEffectEvent, useRef, useState } from "react";
import { api, Refused, unwrap } from "../../api/client";
import { Problem } from "../../ui/states";
import { useAttemptChange, type Attempt } from "../../ui/use-attempt";
import { criterionWords } from "../../ui/words";
import { because } from "./because";
import {
  meaningOf,
  partWords,
  stepped,
  suggestedScores,
  totalOf,
  type Scores,
  type Suggestion,
} from "./score-shape";

type Given = { scores: Scores; comment: string; next_change: string; andReturn: boolean };

/** Scores, words and returning; everything by keyboard too. */
export function MarkPanel({
  attempt,
  suggestions,
  reload,
  toNext,
}: {
  attempt: Attempt;
  suggestions: Suggestion[];
  reload: () => Promise<unknown>;
  toNext: () => void;
}) {
  const suggested = suggestedScores(suggestions);
  const [scores, setScores] = useState<Scores>((attempt.mark?.scores as Scores | undefined) ?? suggested);
  const [touched, setTouched] = useState(attempt.mark !== null);
  const [comment, setComment] = useState(attempt.mark?.comment ?? "");
  const [next, setNext] = useState(attempt.mark?.next_change ?? "");
  const [row, setRow] = useState(0);
  const [reloading, setReloading] = useState(false);
  const words = useRef<HTMLTextAreaElement>(null);
  const shown = touched ? scores : suggested;
  const total = totalOf(shown, suggestions);
  const markable = !reloading && ["photographed", "measured", "marked", "returned"].includes(attempt.state);

  const save = useAttemptChange(
    attempt.id,
    async ({ scores: s, comment: c, next_change, andReturn }: Given) => {
      const path = { attempt_id: attempt.id };
      const marked = await unwrap(
        api.PUT("/api/attempts/{attempt_id}/mark", {
          params: { path },
          body: { version: attempt.version, scores: s, comment: c, next_change },
        }),
      );
      return andReturn
        ? unwrap(
            api.POST("/api/attempts/{attempt_id}/return", {
              params: { path },
              body: { version: marked.version },
            }),
          )
        : marked;
    },
  );
  const finish = (andReturn: boolean) => {
    if (!markable || save.isPending || total === null) return;
    save.mutate(
      { scores: shown, comment, next_change: next, andReturn },
      {
        onSuccess: () => {
          if (andReturn) toNext();
        },
      },
    );
  };
  const set = (criterion: string, score: number | null) => {
    setScores({ ...shown, [criterion]: score });
    setTouched(true);
  };
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    const meaning = meaningOf(event);
    const criterion = suggestions[row]?.criterion;
    if (!meaning || !criterion) return;
    event.preventDefault();
    if (meaning === "up") setRow((row + suggestions.length - 1) % suggestions.length);
    if (meaning === "down") setRow((row + 1) % suggestions.length);
    if (meaning === "more") set(criterion, stepped(shown[criterion], 0.5));
    if (meaning === "less") set(criterion, stepped(shown[criterion], -0.5));
    if (meaning === "skip") set(criterion, null);
    if (meaning === "suggested") setTouched(false);
    if (meaning === "comment") words.current?.focus();
    if (meaning === "save") finish(false);
    if (meaning === "return") finish(true);
    if (meaning === "next") toNext();
  });
  useEffect(() => {
    const heard = (event: KeyboardEvent) => {
      onKey(event);
    };
    window.addEventListener("keydown", heard);
    return () => {
      window.removeEventListener("keydown", heard);
    };
  }, []);
  const conflict = save.error instanceof Refused && save.error.problem.code === "edit_conflict";
  return (
    <section
      aria-label="Mark"
      className="h-fit space-y-3 rounded-box border border-base-300 bg-base-100 p-3 lg:sticky lg:top-3"
    >
      <div className="flex items-end justify-between">
        <p className="text-4xl font-bold">
          {total === null ? "–" : total.toFixed(0)}
          <span className="quiet text-base font-normal"> of 100</span>
          {total !== null && (
            <span className="quiet block text-sm font-normal">{partWords(shown, suggestions)}</span>
          )}
        </p>
        <button
          className="btn btn-sm"
          disabled={!touched}
          onClick={() => {
            setTouched(false);
          }}
        >
          As suggested
        </button>
      </div>
      <ul>
        {suggestions.map((s, i) => (
          <ScoreRow
            key={s.criterion}
            suggestion={s}
            score={shown[s.criterion] ?? null}
            chosen={i === row}
            choose={() => {
              setRow(i);
            }}
            set={(v) => {
              set(s.criterion, v);
            }}
          />
        ))}
      </ul>
      <label className="block">
        <span className="text-sm font-medium">Change next</span>
        <input
          className="input w-full"
          maxLength={300}
          value={next}
          onChange={(e) => {
            setNext(e.target.value);
          }}
        />
      </label>
      <label className="block">
        <span className="text-sm font-medium">Comment</span>
        <textarea
          ref={words}
          className="textarea w-full"
          rows={3}
          maxLength={4000}
          value={comment}
          onChange={(e) => {
            setComment(e.target.value);
          }}
        />
      </label>
      <Problem error={save.error} />
      {conflict && (
        <button
          className="btn btn-sm"
          disabled={reloading}
          onClick={() => {
            setReloading(true);
            void reload().finally(() => {
              save.reset();
              setReloading(false);
            });
          }}
        >
          Load it again, keep what I typed
        </button>
      )}
      {!markable && <p>There is nothing to mark before a photo has been sent.</p>}
      <div className="grid grid-cols-2 gap-2">
        <button
          className="btn"
          disabled={!markable || save.isPending || total === null}
          onClick={() => {
            finish(false);
          }}
        >
          Save
        </button>
        <button
          className="btn btn-primary"
          disabled={!markable || save.isPending || total === null}
          onClick={() => {
            finish(true);
          }}
        >
          Save and return
        </button>
      </div>
      <p className="quiet text-xs">
        Keys: <kbd className="kbd kbd-sm">↑</kbd> <kbd className="kbd kbd-sm">↓</kbd> line,{" "}
        <kbd className="kbd kbd-sm">←</kbd> <kbd className="kbd kbd-sm">→</kbd> half a point,{" "}
        <kbd className="kbd kbd-sm">x</kbd> does not apply, <kbd className="kbd kbd-sm">a</kbd> as suggested,{" "}
        <kbd className="kbd kbd-sm">w</kbd> write, <kbd className="kbd kbd-sm">s</kbd> save,{" "}
        <kbd className="kbd kbd-sm">Enter</kbd> save, return and go on, <kbd className="kbd kbd-sm">n</kbd>{" "}
        next
      </p>
      {save.isSuccess && (
        <p role="status" className="text-sm font-semibold">
          Saved.
        </p>
      )}
    </section>
  );
}

function ScoreRow({
  suggestion,
  score,
  chosen,
  choose,
  set,
}: {
  suggestion: Suggestion;
  score: number | null;
  chosen: boolean;
  choose: () => void;
  set: (score: number | null) => void;
}) {
  const words = criterionWords[suggestion.criterion] ?? suggestion.criterion;
  return (
    <li
      className={`rounded px-2 py-1.5 ${chosen ? "bg-base-200 outline-2 outline-primary" : ""}`}
      onPointerDown={choose}
    >
      <div className="flex items-center justify-between gap-2">
        <span className="font-medium">
          {words} <span className="quiet text-xs">{suggestion.weight} %</span>
        </span>
        <span className="join">
          <button
            className="btn join-item btn-sm"
            aria-label={`${words}: half a point less`}
            onClick={() => {
              set(stepped(score, -0.5));
            }}
          >
            −
          </button>
          <output
            className="join-item grid w-12 place-items-center border border-base-300 font-bold"
            aria-label={`${words}: score`}
          >
            {score ?? "–"}
          </output>
          <button
            className="btn join-item btn-sm"
            aria-label={`${words}: half a point more`}
            onClick={() => {
              set(stepped(score, 0.5));
            }}
          >
            +
          </button>
        </span>
      </div>
      <p className="quiet text-xs">
        suggested {suggestion.score ?? "nothing"}: {because(suggestion)}
      </p>
    </li>
  );
}
