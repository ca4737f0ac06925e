import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import type { ReactNode } from "react";
import { MemoryRouter } from "react-router";
import { vi } from "vitest";
import { CourseContext } from "../domain/course";
import { CursorScope } from "../ui/cursor";
import { sessionKeys } from "../domain/keys";

type Call = { method: string; path: string; body: unknown };
type Answers = Record<string, unknown>;

/** Answers requests by `METHOD path`; what has no answer is a 404. Returns the calls that were made. */
export function serve(answers: Answers): Call[] {
  const calls: Call[] = [];
  vi.stubGlobal("fetch", async (request: Request) => {
    const path = new URL(request.url).pathname;
    const text = await request.text();
    calls.push({ method: request.method, path, body: text === "" ? null : JSON.parse(text) });
    const answer = answers[`${request.method} ${path}`];
    const [status, body] = answer === undefined ? [404, { code: "not_found", detail: path }] : [200, answer];
    return new Response(JSON.stringify(body), {
      status,
      headers: { "Content-Type": "application/json" },
    });
  });
  return calls;
}

const session = {
  id: 1,
  display_name: "Ilka",
  length_unit: "mm",
  flow_unit: "l_min",
  second_factor: "off",
  courses: [] as { id: number; name: string; role: string; archived: boolean }[],
};

/** Renders inside of a course, with the session of somebody who thinks in the given units. */
export function show(page: ReactNode, units: Partial<typeof session> = {}) {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } });
  queries.setQueryData(sessionKeys.signedIn, { ...session, ...units });
  return render(
    <QueryClientProvider client={queries}>
      <MemoryRouter>
        <CourseContext value={{ id: 7, name: "Session", role: "instructor" }}>
          <CursorScope>{page}</CursorScope>
        </CourseContext>
      </MemoryRouter>
    </QueryClientProvider>,
  );
}
