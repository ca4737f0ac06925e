/** Sending one change: done, to be tried again later, or refused for good. */

import { api, csrfToken, problemOf, Refused, unwrap, type Problem, type Schemas } from "../../api/client";
import type { Attempt } from "../use-attempt";
import type { Entry } from "./changes";

/** `later` where the server was not reached, or will take it when it is less busy or the person is signed in again. */
export type Outcome =
  | { is: "sent"; attempt: Attempt }
  | { is: "later"; why: "offline" | "signed-out" | "busy" }
  | { is: "refused"; problem: Problem };

const SIGNED_OUT = ["not_authenticated", "csrf_failed"];
const BUSY = [408, 425, 429];
const PIECE = 512 * 1024;
const RETRIES_MS = [0, 1000, 2000, 4000];

export async function send(entry: Entry, progress: (share: number) => void): Promise<Outcome> {
  try {
    return { is: "sent", attempt: await call(entry, progress) };
  } catch (error) {
    // Whatever else goes wrong, such as a part of the page that cannot be loaded, ends with the next connection.
    return error instanceof Refused ? outcomeOf(error.problem) : { is: "later", why: "offline" };
  }
}

export function outcomeOf(problem: Problem): Outcome {
  if (problem.status === 0) return { is: "later", why: "offline" };
  if (SIGNED_OUT.includes(problem.code)) return { is: "later", why: "signed-out" };
  if (problem.status >= 500 || BUSY.includes(problem.status)) return { is: "later", why: "busy" };
  return { is: "refused", problem };
}

const headersOf = (entry: Entry) => ({
  "Judicum-Change": entry.id,
  "Judicum-Age": String(Math.max(0, Date.now() - entry.madeAt) / 1000),
});

function call(entry: Entry, progress: (share: number) => void): Promise<Attempt> {
  const headers = headersOf(entry);
  const path = { attempt_id: entry.attempt };
  switch (entry.what) {
    case "log":
      return unwrap(
        api.PUT("/api/attempts/{attempt_id}/runs/{number}", {
          params: { path: { ...path, number: entry.number } },
          body: entry.run as Schemas["RunRequest"],
          headers,
        }),
      );
    case "prepare":
      return unwrap(
        api.PUT("/api/attempts/{attempt_id}/preparation", {
          params: { path },
          body: { prepared: entry.prepared },
          headers,
        }),
      );
    case "another":
      return unwrap(
        api.POST("/api/assignments/{assignment_id}/attempts", {
          params: { path: { assignment_id: entry.assignment } },
          headers,
        }),
      );
    case "booth":
      return unwrap(
        api.PUT("/api/attempts/{attempt_id}/machine", { params: { path }, body: { booth: entry.booth } }),
      ).then(() => read(entry.attempt));
    case "angle": {
      const { photo, read: body } = entry;
      if (typeof photo === "number")
        return unwrap(
          api.POST("/api/photos/{photo_id}/angle", { params: { path: { photo_id: photo } }, body, headers }),
        );
      return unwrap(
        api.POST("/api/uploads/{upload_id}/angle", {
          params: { path: { upload_id: photo } },
          body,
          headers,
        }),
      );
    }
    case "photo":
      // It is sent once it is seen with its attempt: until then the page would open without it.
      return upload(entry, headers, progress).then(() => read(entry.attempt));
  }
}

const read = (attempt: number): Promise<Attempt> =>
  unwrap(api.GET("/api/attempts/{attempt_id}", { params: { path: { attempt_id: attempt } } }));

/** Sends a photo in pieces under its own id: whatever ended the last sending, it goes on where that stopped. */
async function upload(
  entry: Extract<Entry, { what: "photo" }>,
  headers: Record<string, string>,
  progress: (share: number) => void,
): Promise<void> {
  const { Upload, DetailedError } = await import("tus-js-client");
  return new Promise((done, fail) => {
    const sending = new Upload(entry.file, {
      endpoint: `/api/attempts/${String(entry.attempt)}/uploads`,
      ...(entry.tried ? { uploadUrl: `/api/uploads/${entry.id}` } : {}),
      chunkSize: PIECE,
      retryDelays: RETRIES_MS,
      storeFingerprintForResuming: false,
      headers,
      metadata: {
        filename: entry.name,
        kind: entry.kind,
        ...(entry.run === null ? {} : { run: String(entry.run) }),
      },
      onBeforeRequest: (request) => {
        request.setHeader("X-CSRFToken", csrfToken());
        request.setHeader("X-Request-Id", entry.id.replaceAll("-", ""));
      },
      onProgress: (sent, total) => progress(sent / total),
      onShouldRetry: (error) => {
        const status = error.originalResponse?.getStatus() ?? 0;
        return status === 0 || status >= 500 || status === 409;
      },
      onSuccess: () => done(),
      onError: (error) => {
        const answer = error instanceof DetailedError ? error.originalResponse : null;
        fail(new Refused(problemOf(parsed(answer?.getBody() ?? ""), answer?.getStatus() ?? 0)));
      },
    });
    sending.start();
  });
}

function parsed(body: string): unknown {
  try {
    return JSON.parse(body) as unknown;
  } catch {
    return null;
  }
}
