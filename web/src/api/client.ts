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

export const api = createClient<paths>({
  baseUrl: globalThis.location?.origin ?? "",
  credentials: "same-origin",
  // Looked up at each call, so that a test can answer instead.
  fetch: (request) => globalThis.fetch(request),
});
api.use(withCsrf);

const noAnswer: Problem = {
  code: "no_answer",
  status: 0,
  detail: "The server does not answer. Check the connection; nothing you sent is lost.",
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
  if (result.response.ok) return result.data as T;
  throw new Refused(problemOf(result.error, result.response.status));
}

export function problemOf(error: unknown, status: number): Problem {
  if (error && typeof error === "object" && "code" in error && "detail" in error) return error as Problem;
  return {
    code: "broken",
    status,
    detail: `The server failed (${String(status)}). Try again; if it stays, tell whoever runs it.`,
    errors: [],
  };
}
