import { t } from "../catalogue";
import createClient, { type Middleware } from "openapi-fetch";
import type { components, paths } from "./generated";

export type Schemas = components["schemas"];
export type Problem = Pick<Schemas["Problem"], "code" | "detail" | "status" | "errors">;

/** A request the server refused, with its problem details. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

export function csrfToken(): string {
  return /(?:^|; )judicum_csrf=([^;]+)/.exec(document.cookie)?.[1] ?? "";
}

const withCsrf: Middleware = {
  onRequest({ request }) {
    if (request.method !== "GET") request.headers.set("X-CSRFToken", csrfToken());
    return request;
  },
};

/** Answers by address with their hash: asked for again, the server says only whether anything changed. */
const answers = new Map<string, { tag: string; body: string }>();
const MAX_ANSWERS = 60;

const withTag: Middleware = {
  onRequest({ request }) {
    const before = request.method === "GET" ? answers.get(request.url) : undefined;
    if (before) request.headers.set("If-None-Match", before.tag);
    return request;
  },
  async onResponse({ request, response }) {
    const before = answers.get(request.url);
    if (response.status === 304 && before)
      return new Response(before.body, { headers: { "Content-Type": "application/json" } });
    const tag = response.headers.get("ETag");
    if (request.method === "GET" && response.ok && tag) {
      // The one that was asked for longest ago makes room.
      answers.delete(request.url);
      answers.set(request.url, { tag, body: await response.clone().text() });
      const oldest = answers.keys().next().value;
      if (answers.size > MAX_ANSWERS && oldest !== undefined) answers.delete(oldest);
    }
    return response;
  },
};

export const api = createClient<paths>({
  baseUrl: globalThis.location?.origin ?? "",
  credentials: "same-origin",
  // Looked up at each call, so that a test can answer instead.
  fetch: (request) => globalThis.fetch(request),
});
api.use(withCsrf, withTag);

const OK = 200;

const noAnswer: Problem = {
  code: "no_answer",
  status: 0,
  detail: t("api-the-server-does-not-answer-check"),
  errors: [],
};

/** The data of an answer; throws Refused for a problem, and for no answer at all. */
export async function unwrap<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let result;
  try {
    result = await call;
  } catch {
    throw new Refused(noAnswer);
  }
  // A line that breaks after the head of an answer leaves one without a body.
  if (result.response.status === OK && result.data === undefined) throw new Refused(noAnswer);
  if (result.response.ok) return result.data as T;
  throw new Refused(problemOf(result.error, result.response.status));
}

export function problemOf(error: unknown, status: number): Problem {
  if (error && typeof error === "object" && "code" in error && "detail" in error) return error as Problem;
  return {
    code: "broken",
    status,
    detail: t("api-the-server-failed-try-again-if", { status }),
    errors: [],
  };
}
