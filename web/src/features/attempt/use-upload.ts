import { useQueryClient } from "@tanstack/react-query";
import { del, get, set } from "idb-keyval";
import { useCallback, useEffect, useRef, useState } from "react";
import { DetailedError, Upload } from "tus-js-client";
import { vocabulary } from "../../api/generated-vocabulary";
import { csrfToken, problemOf, Refused, type Schemas } from "../../api/client";
import { attemptKeys, recordKeys } from "../../domain/keys";

const PIECE = 512 * 1024;
const MAX_BYTES = vocabulary.most.photoBytes;
const MOST = `${(MAX_BYTES / 1024 / 1024).toFixed(0)} MB`;

export type Sending =
  | { state: "idle" }
  | { state: "sending"; share: number; waiting: boolean }
  | { state: "failed"; error: unknown };

/**
 * Sends a photo in pieces. The file is kept in the browser until it has arrived whole, so that a
 * closed page goes on where it stopped; a lost connection is tried again by itself.
 */
export function useUpload(attemptId: number, kind: Schemas["PhotoKind"] = "bead", run: number | null = null) {
  const [sending, setSending] = useState<Sending>({ state: "idle" });
  const running = useRef<Upload | null>(null);
  const queries = useQueryClient();
  const place = ["photo", attemptId, ...(kind === "bead" ? [] : [kind]), ...(run === null ? [] : [run])].join(
    "-",
  );

  const begin = useCallback(
    (file: File) => {
      setSending({ state: "sending", share: 0, waiting: false });
      const requestId = newRequestId();
      const upload = new Upload(file, {
        endpoint: `/api/attempts/${String(attemptId)}/uploads`,
        chunkSize: PIECE,
        retryDelays: [0, 1000, 2000, 4000, 8000, 15000, 30000, 60000],
        metadata: { filename: file.name, kind, ...(run === null ? {} : { run: String(run) }) },
        removeFingerprintOnSuccess: true,
        fingerprint: () => Promise.resolve(`${place}-${String(file.size)}-${String(file.lastModified)}`),
        onBeforeRequest: (request) => {
          request.setHeader("X-CSRFToken", csrfToken());
          request.setHeader("X-Request-Id", requestId);
        },
        onProgress: (sent, total) => setSending({ state: "sending", share: sent / total, waiting: false }),
        onShouldRetry: (error) => {
          const status = error.originalResponse?.getStatus() ?? 0;
          const again = status === 0 || status >= 500 || status === 409;
          if (again) setSending((s) => (s.state === "sending" ? { ...s, waiting: true } : s));
          return again;
        },
        onSuccess: () => {
          void del(place);
          setSending({ state: "idle" });
          void queries.invalidateQueries({ queryKey: attemptKeys.one(attemptId) });
          void queries.invalidateQueries({ queryKey: recordKeys.allLists });
        },
        onError: (error) => {
          const answer = error instanceof DetailedError ? error.originalResponse : null;
          const refused = answer && answer.getStatus() >= 400 && answer.getStatus() < 500;
          if (refused) void del(place);
          setSending({
            state: "failed",
            error: refused
              ? new Refused(problemOf(parse(answer.getBody()), answer.getStatus()))
              : new Error(
                  "Connection lost. The photo is saved on this phone. Try again when you are online.",
                ),
          });
        },
      });
      running.current = upload;
      void upload.findPreviousUploads().then((earlier) => {
        if (earlier[0]) upload.resumeFromPreviousUpload(earlier[0]);
        upload.start();
      });
    },
    [attemptId, kind, place, queries, run],
  );

  const send = useCallback(
    (file: File) => {
      if (file.size > MAX_BYTES) {
        setSending({
          state: "failed",
          error: new Error(
            `The picture has ${(file.size / 1024 / 1024).toFixed(1)} MB; at most ${MOST} can be sent.`,
          ),
        });
        return;
      }
      void set(place, file)
        .catch(() => undefined)
        .then(() => begin(file));
    },
    [begin, place],
  );

  useEffect(() => {
    let gone = false;
    void get<File>(place).then((file) => {
      if (file && !gone && !running.current) begin(file);
    });
    return () => {
      gone = true;
      void running.current?.abort();
      running.current = null;
    };
  }, [begin, place]);

  const resume = useCallback(() => {
    void get<File>(place).then((file) => {
      if (file) begin(file);
      else setSending({ state: "idle" });
    });
  }, [begin, place]);

  return { sending, send, resume };
}

/** An id under which the server logs every piece of a photo, and its measuring. */
function newRequestId(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) => b.toString(16).padStart(2, "0")).join(
    "",
  );
}

function parse(body: string): unknown {
  try {
    return JSON.parse(body) as unknown;
  } catch {
    return null;
  }
}
