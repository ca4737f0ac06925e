/** Changes that wait to be sent, and how an attempt looks with them; pure. */

import type { Schemas } from "../../api/client";
import type { Attempt } from "../use-attempt";

type Run = Attempt["runs"][number];
export type LoggedRun = Record<string, unknown>;

/** A photo by the server's number, or by the id of the change that sends it: its number is not known before. */
export type PhotoName = number | string;

/** What a student changes: `attempt` below zero is one that this phone opened and the server does not know yet. */
export type Change =
  | { what: "log"; attempt: number; number: number; run: LoggedRun }
  | { what: "prepare"; attempt: number; prepared: string[] }
  | { what: "booth"; attempt: number; booth: number }
  | { what: "angle"; attempt: number; photo: PhotoName; read: Schemas["AngleRequest"] }
  | { what: "another"; attempt: number; assignment: number; like: number; number: number }
  | {
      what: "photo";
      attempt: number;
      kind: Schemas["PhotoKind"];
      run: number | null;
      name: string;
      file: Blob;
    };

/** A change in the outbox: its id (the server accepts each once), its turn, when it was made (ms), by whom;
 *  `refused` is the server's reason;
 *  `tried` where the server may know of it already. */
export type Entry = Change & {
  id: string;
  turn: number;
  madeAt: number;
  person: number;
  bytes: number;
  refused: string | null;
  tried: boolean;
};

/** Local attempts that the server has opened meanwhile: their number here to their number there. */
export type Opened = Record<number, number>;

export const bytesOf = (change: Change): number =>
  change.what === "photo" ? change.file.size : JSON.stringify(change).length;

/** The change with the number that the server gave its attempt; null while it has none. */
export function resolved<T extends Change>(change: T, opened: Opened): T | null {
  if (change.attempt >= 0 || change.what === "another") return change;
  const attempt = opened[change.attempt];
  return attempt === undefined ? null : { ...change, attempt };
}

/** The number for another attempt opened here: below zero, and none that was used before. */
export const nextLocal = (entries: readonly Entry[], opened: Opened): number =>
  Math.min(0, ...entries.map((e) => e.attempt), ...Object.keys(opened).map(Number)) - 1;

/** The attempt that a local one is shown after until the server opens it; any other is its own. */
export function sourceOf(attempt: number, entries: readonly Entry[]): number {
  const local = entries.find((e) => e.what === "another" && e.attempt === attempt);
  return local?.what === "another" ? local.like : attempt;
}

/** A fresh attempt like another one of the same coupon, as the server will open it. */
function freshLike(attempt: Attempt, local: number, number: number): Attempt {
  return {
    ...attempt,
    id: local,
    number,
    state: "assigned",
    runs: [],
    photos: [],
    preparation: attempt.preparation.map((step) => ({ ...step, done: false })),
    measurement: null,
    measuring: false,
    mark: null,
    mark_total: null,
    passed: null,
    second: null,
    answer: "",
    may: ["prepare", "log", "add_view"],
  };
}

/** Whether a change is of an attempt, also where it was made before the server gave that its number. */
export const isOf = (change: Change, attempt: number, opened: Opened): boolean =>
  change.attempt === attempt || opened[change.attempt] === attempt;

/** The attempt as it will be when what waits for it has been sent. */
export function withWaiting(
  attempt: Attempt,
  asked: number,
  entries: readonly Entry[],
  opened: Opened = {},
): Attempt {
  const mine = entries.filter((e) => isOf(e, asked, opened) && e.refused === null);
  return mine.reduce((seen, entry) => applied(seen, entry, asked), attempt);
}

function applied(attempt: Attempt, entry: Entry, asked: number): Attempt {
  switch (entry.what) {
    case "another":
      return freshLike(attempt, asked, entry.number);
    case "prepare":
      return {
        ...attempt,
        preparation: attempt.preparation.map((step) => ({
          ...step,
          done: entry.prepared.includes(step.step),
        })),
      };
    case "log": {
      const run = { measured: [], machine: null, ...entry.run, number: entry.number } as unknown as Run;
      const runs = [...attempt.runs.filter((r) => r.number !== entry.number), run];
      return {
        ...attempt,
        runs: runs.sort((a, b) => a.number - b.number),
        state: attempt.state === "assigned" ? "logged" : attempt.state,
        may: [...new Set([...attempt.may, "add_photo" as const, "read_angle" as const])],
      };
    }
    case "angle":
    case "booth":
    case "photo":
      return attempt;
  }
}
