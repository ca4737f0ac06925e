// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { Refused } from "../../api/client";
import type { Attempt } from "../use-attempt";
import { resolved, sourceOf, withWaiting, type Entry } from "./changes";
import { box, discard, flush, localNumber, openOutbox, post, tryAgain } from "./outbox";
import { outcomeOf } from "./send";

type Seen = { path: string; id: string | null; body: unknown };
let seen: Seen[] = [];
/** What the server says to a path: a status with a problem, or the attempt; nothing where there is no connection. */
let answer: (path: string) => [number, unknown] | null = () => null;

beforeEach(() => {
  seen = [];
  answer = () => null;
  vi.stubGlobal(
    "BroadcastChannel",
    class {
      postMessage() {}
    },
  );
  vi.stubGlobal("fetch", async (request: Request) => {
    const path = new URL(request.url).pathname;
    const given = answer(path);
    if (!given) throw new TypeError("no connection");
    const text = await request.text();
    seen.push({
      path,
      id: request.headers.get("Judicum-Change"),
      body: text && (JSON.parse(text) as unknown),
    });
    return new Response(JSON.stringify(given[1]), {
      status: given[0],
      headers: { "Content-Type": "application/json" },
    });
  });
  openOutbox(1);
});

afterEach(async () => {
  for (const entry of box.get().entries) await discard(entry.id);
});

const tick = (attempt: number, ...prepared: string[]) => ({ what: "prepare" as const, attempt, prepared });
const problem = (status: number, code: string) => ({ status, code, detail: code, errors: [] });

it("keeps changes without a connection and sends them in their order, each with its own name", async () => {
  expect(await post(tick(5, "cup_clean"))).toBeNull();
  expect(await post({ what: "log", attempt: 5, number: 1, run: { current_a: 60 } })).toBeNull();
  expect(box.get()).toMatchObject({ waits: "offline", entries: [{ what: "prepare" }, { what: "log" }] });
  answer = () => [200, { id: 5 }];
  await flush();
  expect(seen.map((s) => s.path)).toEqual(["/api/attempts/5/preparation", "/api/attempts/5/runs/1"]);
  expect(new Set(seen.map((s) => s.id)).size).toBe(2);
  expect(box.get().entries).toEqual([]);
});

it("sends what was made of an attempt that it opened itself to the one the server opened", async () => {
  const local = await localNumber();
  await post({ what: "another", attempt: local, assignment: 3, like: 5, number: 2 });
  await post(tick(local, "cup_clean"));
  expect(await localNumber()).toBeLessThan(local);
  answer = (path) => [200, { id: path.includes("assignments") ? 77 : 77 }];
  await flush();
  expect(seen.map((s) => s.path)).toEqual(["/api/assignments/3/attempts", "/api/attempts/77/preparation"]);
  expect(box.get().opened[local]).toBe(77);
});

it("reads an angle on the photo that it sends before", async () => {
  await post({
    what: "photo",
    attempt: 5,
    kind: "torch",
    run: null,
    name: "torch.jpg",
    file: new Blob(["x"]),
  });
  const photo = box.get().entries[0]?.id ?? "";
  const read = { which: "work" as const, torch: [], reference: [], run: 1 };
  await post({ what: "angle", attempt: 5, photo, read });
  await discard(photo);
  await post({ what: "angle", attempt: 5, photo: 12, read });
  answer = () => [200, { id: 5 }];
  await flush();
  expect(seen.map((s) => s.path)).toEqual([`/api/uploads/${photo}/angle`, "/api/photos/12/angle"]);
  expect(seen[0]?.body).toEqual(read);
});

it("gives back at once what the server refuses while the person looks at it", async () => {
  answer = () => [400, problem(400, "invalid_value")];
  await expect(post(tick(5, "hat_on"))).rejects.toBeInstanceOf(Refused);
  expect(box.get().entries).toEqual([]);
});

it("keeps what is refused later until the person decides, and sends the rest", async () => {
  await post(tick(5, "cup_clean"));
  await post(tick(6, "cup_clean"));
  answer = (path) => (path.includes("/5/") ? [409, problem(409, "wrong_state")] : [200, { id: 6 }]);
  await flush();
  expect(box.get().entries).toMatchObject([{ attempt: 5, refused: "wrong_state" }]);
  answer = () => [200, { id: 5 }];
  await tryAgain(box.get().entries[0]?.id ?? "");
  expect(box.get().entries).toEqual([]);
});

it("waits for a sign-in, and for the person whose changes they are", async () => {
  answer = () => [401, problem(401, "not_authenticated")];
  await post(tick(5, "cup_clean"));
  expect(box.get()).toMatchObject({ waits: "signed-out", entries: [{ attempt: 5 }] });
  openOutbox(2);
  await flush();
  expect(box.get().entries).toEqual([]);
  openOutbox(1);
  answer = () => [200, { id: 5 }];
  await flush();
  expect(seen.at(-1)?.path).toBe("/api/attempts/5/preparation");
  expect(box.get().entries).toEqual([]);
});

it.each([
  [0, "no_answer", "later"],
  [502, "broken", "later"],
  [507, "no_room", "later"],
  [429, "throttled", "later"],
  [403, "csrf_failed", "later"],
  [403, "not_allowed", "refused"],
  [404, "not_found", "refused"],
  [409, "wrong_state", "refused"],
])("takes an answer %i %s as %s", (status, code, is) => {
  expect(outcomeOf(problem(status, code)).is).toBe(is);
});

const entry = (change: object): Entry =>
  ({ id: "x", turn: 1, madeAt: 0, person: 1, bytes: 1, refused: null, tried: false, ...change }) as Entry;
const attempt = {
  id: 5,
  state: "assigned",
  runs: [],
  photos: [],
  may: ["log"],
  preparation: [
    { step: "cup_clean", done: false },
    { step: "blank_wiped", done: false },
  ],
} as unknown as Attempt;

it("shows an attempt as it will be", () => {
  const seen = withWaiting(attempt, 5, [
    entry({ what: "prepare", attempt: 5, prepared: ["cup_clean"] }),
    entry({ what: "log", attempt: 5, number: 1, run: { current_a: 60 } }),
    entry({ what: "log", attempt: 6, number: 1, run: { current_a: 99 } }),
    entry({ what: "prepare", attempt: 5, prepared: [], refused: "no" }),
  ]);
  expect(seen.preparation.map((s) => s.done)).toEqual([true, false]);
  expect(seen.runs).toMatchObject([{ number: 1, current_a: 60 }]);
  expect(seen).toMatchObject({ state: "logged", may: ["log", "add_photo", "read_angle"] });
});

it("shows an attempt opened here after the one it is like, without what was of that one", () => {
  const another = entry({ what: "another", attempt: -1, assignment: 3, like: 5, number: 4 });
  expect(sourceOf(-1, [another])).toBe(5);
  expect(sourceOf(8, [another])).toBe(8);
  const old = {
    ...attempt,
    state: "returned",
    runs: [{ number: 1 }],
    mark: { total: 80 },
  } as unknown as Attempt;
  expect(withWaiting(old, -1, [another])).toMatchObject({
    id: -1,
    number: 4,
    state: "assigned",
    runs: [],
    mark: null,
  });
  const logged = entry({ what: "log", attempt: -1, number: 1, run: { current_a: 60 } });
  expect(withWaiting({ ...attempt, id: 9 }, 9, [logged], { [-1]: 9 }).runs).toMatchObject([{ number: 1 }]);
  expect(resolved(tick(-1, "a"), {})).toBeNull();
  expect(resolved(tick(-1, "a"), { [-1]: 9 })?.attempt).toBe(9);
});
