import { useQueryClient } from "@tanstack/react-query";
import { CloudOff, RefreshCw } from "lucide-react";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import { t } from "../catalogue";
import { usePaths } from "../domain/course";
import { attemptKeys, recordKeys } from "../domain/keys";
import type { Entry } from "../domain/outbox/changes";
import { box, discard, flush, keepSending, onSent, openOutbox, tryAgain } from "../domain/outbox/outbox";
import { clockWords, viewWords } from "../domain/words";
import { useStored } from "../ui/store";

const KB = 1024;

/** What this phone has not sent yet: how much, since when, and why; what was refused stays until somebody decides. */
export default function OutboxBar({ person }: { person: number }) {
  const { entries, waits, sending } = useStored(box);
  const [open, setOpen] = useState(false);
  useOutbox(person);
  const refused = entries.filter((e) => e.refused !== null);
  const waiting = entries.filter((e) => e.refused === null);
  // What goes out at once is not worth a word.
  if (refused.length === 0 && (waits === null || waiting.length === 0)) return null;
  const first = waiting[0];
  return (
    <section
      aria-label={t("app-outbox")}
      className="border-b border-base-300 bg-accent px-4 py-2 text-accent-content"
    >
      <div className="flex flex-wrap items-center gap-2">
        <CloudOff size={18} aria-hidden />
        <p role="status" className="grow">
          {first && (
            <>
              {t("app-outbox-waiting", { count: waiting.length, since: clockWords(first.madeAt) })}{" "}
              {t(`app-outbox-why-${waits ?? "busy"}`)}{" "}
            </>
          )}
          {refused.length > 0 && t("app-outbox-refused", { count: refused.length })}
        </p>
        <button className="btn btn-sm" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? t("app-outbox-hide") : t("app-outbox-show")}
        </button>
        <button className="btn btn-sm" disabled={sending !== null} onClick={() => void flush()}>
          <RefreshCw size={16} aria-hidden /> {t("app-outbox-send-now")}
        </button>
      </div>
      {open && (
        <ul className="mt-2 space-y-2">
          {entries.map((entry) => (
            <Row key={entry.id} entry={entry} />
          ))}
        </ul>
      )}
    </section>
  );
}

function Row({ entry }: { entry: Entry }) {
  const paths = usePaths();
  const [sure, setSure] = useState(false);
  return (
    <li className="rounded-box bg-base-100 p-2 text-base-content">
      <p>
        <strong>{wordsOf(entry)}</strong>{" "}
        {t("app-outbox-made-size", { at: clockWords(entry.madeAt), kb: Math.ceil(entry.bytes / KB) })}
      </p>
      {entry.refused !== null && (
        <>
          <p className="text-error">{t("app-outbox-not-accepted", { why: entry.refused })}</p>
          <div className="mt-1 flex flex-wrap gap-2">
            {entry.attempt > 0 && (
              <Link className="btn btn-sm" to={paths.attempt(entry.attempt)}>
                {t("app-outbox-open-attempt")}
              </Link>
            )}
            <button className="btn btn-sm" onClick={() => void tryAgain(entry.id)}>
              {t("app-outbox-try-again")}
            </button>
            <button className="btn btn-sm" onClick={() => (sure ? void discard(entry.id) : setSure(true))}>
              {sure ? t("app-outbox-really-delete") : t("app-outbox-delete")}
            </button>
          </div>
        </>
      )}
    </li>
  );
}

function wordsOf(entry: Entry): string {
  switch (entry.what) {
    case "log":
      return t("app-outbox-log", { number: entry.number });
    case "prepare":
      return t("app-outbox-prepare");
    case "another":
      return t("app-outbox-another", { number: entry.number });
    case "angle":
      return t("app-outbox-angle", { number: entry.read.run ?? 1 });
    case "booth":
      return t("app-outbox-booth");
    case "photo":
      return t("app-outbox-photo", { kind: viewWords(entry.kind) });
  }
}

/** Opens the outbox of whoever is signed in, sends what waits, and shows what the server made of it. */
function useOutbox(person: number) {
  const queries = useQueryClient();
  useEffect(() => {
    openOutbox(person);
    const heard = onSent((attempt) => {
      queries.setQueryData(attemptKeys.one(attempt.id), attempt);
      void queries.invalidateQueries({ queryKey: recordKeys.all });
    });
    const stop = keepSending();
    return () => {
      heard();
      stop();
    };
  }, [person, queries]);
}
