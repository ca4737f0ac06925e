// @vitest-environment jsdom
import { afterEach, describe, expect, it, vi } from "vitest";
import { api, problemOf, Refused, unwrap } from "./client";

const answer = (status: number, body: { data?: unknown; error?: unknown }) =>
  Promise.resolve({ ...body, response: new Response(null, { status }) });

describe("answers of the server", () => {
  it("gives the data of a good one", async () => {
    await expect(unwrap(answer(200, { data: { id: 1 } }))).resolves.toEqual({ id: 1 });
  });
  it("keeps the problem of a refused one", async () => {
    const problem = { code: "edit_conflict", detail: "Ilka changed it.", status: 409, errors: [] };
    const refused = await unwrap(answer(409, { error: problem })).catch((e: unknown) => e);
    expect(refused).toBeInstanceOf(Refused);
    expect((refused as Refused).problem).toEqual(problem);
    expect((refused as Refused).message).toBe("Ilka changed it.");
  });
  it("says in words when nobody answers", async () => {
    const refused = await unwrap(Promise.reject(new TypeError("failed to fetch"))).catch((e: unknown) => e);
    expect((refused as Refused).problem.code).toBe("no_answer");
    expect((refused as Refused).message).toContain("nothing you sent is lost");
  });
  it("says in words when the answer is no problem at all", () => {
    expect(problemOf("<html>", 502)).toMatchObject({ code: "broken", status: 502, errors: [] });
    expect(problemOf(null, 500).detail).toContain("500");
  });
});

describe("answers that come again", () => {
  afterEach(() => vi.unstubAllGlobals());
  it("are asked for with their hash, and taken from before where nothing changed", async () => {
    const asked: (string | null)[] = [];
    vi.stubGlobal("fetch", (request: Request) => {
      asked.push(request.headers.get("If-None-Match"));
      const known = asked.at(-1) === '"one"';
      const headers = { "Content-Type": "application/json", ETag: '"one"' };
      const body = JSON.stringify({ attempt: 7 });
      return Promise.resolve(known ? new Response(null, { status: 304 }) : new Response(body, { headers }));
    });
    const next = () =>
      unwrap(api.GET("/api/courses/{course_id}/next", { params: { path: { course_id: 5 } } }));
    await expect(next()).resolves.toEqual({ attempt: 7 });
    await expect(next()).resolves.toEqual({ attempt: 7 });
    expect(asked).toEqual([null, '"one"']);
  });
});
