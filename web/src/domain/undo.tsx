import { Say, t } from "../catalogue";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { api, unwrap } from "../api/client";
import { vocabulary } from "../api/generated-vocabulary";
import { usePaths } from "./course";
import { Problem } from "../ui/states";
import { makeStore, useStored } from "../ui/store";
import { attemptKeys } from "./keys";

/** What was just given back and may still be taken back: which attempt, in words, until when. */
type Given = { attempt: number; words: string; until: number };

const last = makeStore<Given | null>(null);

/** Offers to take a return or an answer back for a few seconds, on whatever page follows. */
export const offerUndo = (attempt: number, words: string) =>
  last.set({ attempt, words, until: Date.now() + vocabulary.undoS * 1000 });

const TICK_MS = 250;

export function Undo() {
  const given = useStored(last);
  return given ? <Offer key={given.until} given={given} /> : null;
}

function Offer({ given }: { given: Given }) {
  const [left, setLeft] = useState<number>(vocabulary.undoS);
  const paths = usePaths();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const back = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST("/api/attempts/{attempt_id}/take-back", { params: { path: { attempt_id: given.attempt } } }),
      ),
    onSuccess: (attempt) => {
      queries.setQueryData(attemptKeys.one(attempt.id), attempt);
      void queries.invalidateQueries();
      last.set(null);
      return navigate(paths.attempt(attempt.id));
    },
  });
  const { mutate, isPending, isError } = back;
  useEffect(() => {
    const timer = setInterval(() => {
      const seconds = Math.ceil((given.until - Date.now()) / 1000);
      setLeft(seconds);
      if (seconds <= 0 && !isPending && !isError) last.set(null);
    }, TICK_MS);
    const pressed = (event: KeyboardEvent) => {
      const typing = ["INPUT", "TEXTAREA", "SELECT"].includes(
        (event.target as { tagName?: string } | null)?.tagName ?? "",
      );
      if (event.key === "u" && !typing && !event.ctrlKey && !event.metaKey && !event.altKey) mutate();
    };
    window.addEventListener("keydown", pressed);
    return () => {
      clearInterval(timer);
      window.removeEventListener("keydown", pressed);
    };
  }, [given.until, isPending, isError, mutate]);
  return (
    <div
      role="status"
      className={
        "fixed bottom-4 left-4 z-30 flex items-center gap-3 rounded-box border border-primary " +
        "bg-base-100 px-4 py-2 shadow-lg"
      }
    >
      <span>{given.words}</span>
      {!isError && (
        <button className="btn btn-sm" disabled={isPending} onClick={() => mutate()}>
          <Say
            id="shared-undo-u-s"
            vars={{ left: Math.max(left, 0) }}
            elems={{ kbd: <kbd className="kbd kbd-xs max-sm:hidden" /> }}
          />
        </button>
      )}
      <Problem error={back.error} />
      {isError && (
        <button className="btn btn-sm" onClick={() => last.set(null)}>
          {t("common-close")}
        </button>
      )}
    </div>
  );
}
