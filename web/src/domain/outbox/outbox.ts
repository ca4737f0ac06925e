/** The outbox: what a student changed stands in the phone's own store until the server has accepted it, in order. */

import { createStore, del, entries as all, get, set, type UseStore } from "idb-keyval";
import { t } from "../../catalogue";
import { Refused } from "../../api/client";
import { makeStore } from "../../ui/store";
import { keepAlike, keepAnswer, keptFor } from "../offline";
import type { Attempt } from "../use-attempt";
import { bytesOf, nextLocal, resolved, type Change, type Entry, type Opened } from "./changes";
import { send, type Outcome } from "./send";

const AGAIN_MS = 15_000;
const OPENED = "opened";
/** One tab sends at a time: another would send the same change beside it. */
const LOCK = "judicum-outbox";

export type Box = {
  entries: Entry[];
  opened: Opened;
  sending: { id: string; share: number } | null;
  waits: "offline" | "signed-out" | "busy" | null;
};

export const box = makeStore<Box>({ entries: [], opened: {}, sending: null, waits: null });

const change = (part: Partial<Box>) => box.set({ ...box.get(), ...part });
const heard = new Set<(attempt: Attempt) => void>();
/** Told of every change that the server accepted. */
export const onSent = (listener: (attempt: Attempt) => void) => {
  heard.add(listener);
  return () => void heard.delete(listener);
};

let person: number | null = null;
let turn = 0;
let changes: UseStore | undefined;
let names: UseStore | undefined;
let tabs: BroadcastChannel | undefined;
let loaded: Promise<void> = Promise.resolve();

const stores = () => {
  changes ??= createStore("judicum-outbox", "changes");
  names ??= createStore("judicum-opened", "attempts");
  return { changes, names };
};

/** Opens the outbox of the person who is signed in: what another person left waits for them. */
export function openOutbox(who: number): void {
  if (person === who) return;
  person = who;
  tabs ??= new BroadcastChannel("judicum-outbox");
  tabs.onmessage = () => void reload();
  loaded = reload();
  void loaded.then(flush);
}

/** Opens the outbox where nobody has yet: a finger may be faster than the bar that shows it. */
function opening(): Promise<void> {
  const known = person === null ? keptFor() : null;
  if (known !== null) openOutbox(known);
  return loaded;
}

async function reload(): Promise<void> {
  const { changes, names } = stores();
  const kept = (await all<string, Entry>(changes)).map(([, entry]) => entry);
  change({
    entries: kept.filter((e) => e.person === person).sort((a, b) => a.turn - b.turn),
    opened: (await get<Opened>(OPENED, names)) ?? {},
  });
}

/** The number for one more attempt opened here. */
export async function localNumber(): Promise<number> {
  await opening();
  const { entries, opened } = box.get();
  return nextLocal(entries, opened);
}

/**
 * Keeps a change, then sends what waits. Gives the attempt as the server then has it, null while the change waits.
 *
 * Throws Refused where the server refuses this very change while the person looks at it: they still have it there.
 */
export async function post(given: Change): Promise<Attempt | null> {
  await opening();
  turn = 1 + Math.max(turn, ...box.get().entries.map((e) => e.turn));
  const entry: Entry = {
    ...given,
    id: newId(),
    turn,
    madeAt: Date.now(),
    person: person ?? 0,
    bytes: bytesOf(given),
    refused: null,
    tried: false,
  };
  if (person === null) return sendUnkept(entry);
  try {
    await set(entry.id, entry, stores().changes);
  } catch {
    return sendUnkept(entry);
  }
  const ahead = box.get().entries.some((e) => e.refused === null);
  change({ entries: [...box.get().entries, entry] });
  const sent = flush();
  // Behind others its turn may be long in coming: it is kept, and that is what the person waits for.
  if (ahead) return null;
  const outcome = (await sent).get(entry.id);
  if (outcome?.is === "sent") return outcome.attempt;
  if (outcome?.is === "refused") {
    await discard(entry.id);
    throw new Refused(outcome.problem);
  }
  return null;
}

/** A random UUID; browsers make one of their own only where the connection is secure. */
function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x40;
  bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
  const hex = Array.from(bytes, (b) => b.toString(16).padStart(2, "0")).join("");
  return hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, "$1-$2-$3-$4-$5");
}

/** A phone without room keeps nothing: the change is sent at once, or the person is told while they still have it. */
async function sendUnkept(entry: Entry): Promise<Attempt | null> {
  const outcome = await send(entry, () => undefined);
  if (outcome.is === "refused") throw new Refused(outcome.problem);
  if (outcome.is === "later") throw new Error(t("shared-phone-full"));
  return outcome.attempt;
}

/** Removes a change that the person no longer wants sent. */
export async function discard(id: string): Promise<void> {
  await del(id, stores().changes);
  change({ entries: box.get().entries.filter((e) => e.id !== id) });
  tabs?.postMessage("changed");
}

/** Lets a refused change be sent once more. */
export async function tryAgain(id: string): Promise<void> {
  const entry = box.get().entries.find((e) => e.id === id);
  if (entry) await keep({ ...entry, refused: null });
  await flush();
}

async function keep(entry: Entry): Promise<void> {
  await set(entry.id, entry, stores().changes);
  change({ entries: box.get().entries.map((e) => (e.id === entry.id ? entry : e)) });
}

/** Sends what waits, in turn, until the server is not reached; what became of each change that was tried. */
export function flush(): Promise<Map<string, Outcome>> {
  const sent = turns.then(async () => {
    const outcomes = new Map<string, Outcome>();
    // Browsers part tabs only where the connection is secure.
    const locks = navigator.locks as LockManager | undefined;
    if (locks) await locks.request(LOCK, () => sendAll(outcomes));
    else await sendAll(outcomes);
    if (outcomes.size > 0) tabs?.postMessage("changed");
    return outcomes;
  });
  turns = sent.catch(() => undefined);
  return sent;
}

/** What sends now, in this tab. */
let turns: Promise<unknown> = Promise.resolve();

async function sendAll(outcomes: Map<string, Outcome>): Promise<void> {
  await reload(); // another tab may have sent some
  for (const before of box.get().entries) {
    const entry = resolved(before, box.get().opened);
    if (before.refused !== null || entry === null) continue;
    const kept = { ...before, tried: true };
    // Only a photo goes on where its last sending stopped.
    if (kept.what === "photo" && !before.tried) await keep(kept);
    change({ sending: { id: entry.id, share: 0 } });
    const outcome = await send(entry, (share) => change({ sending: { id: entry.id, share } }));
    outcomes.set(entry.id, outcome);
    change({ sending: null, waits: outcome.is === "later" ? outcome.why : null });
    if (outcome.is === "later") return;
    if (outcome.is === "refused") await keep({ ...kept, refused: outcome.problem.detail });
    else await accepted(kept, outcome.attempt);
  }
}

async function accepted(entry: Entry, attempt: Attempt): Promise<void> {
  const { changes, names } = stores();
  if (entry.what === "another") {
    // Kept before the change goes: what was made of the local attempt must find the real one.
    const opened = { ...box.get().opened, [entry.attempt]: attempt.id };
    await set(OPENED, opened, names);
    change({ opened });
  }
  const path = (id: number) => `/api/attempts/${String(id)}`;
  await keepAnswer(path(attempt.id), attempt);
  if (entry.what === "another") await keepAlike(path(entry.like), path(attempt.id));
  await del(entry.id, changes);
  change({ entries: box.get().entries.filter((e) => e.id !== entry.id) });
  heard.forEach((tell) => tell(attempt));
}

/** Tries again by itself: when a connection comes back, the page is looked at again, and every now and then. */
export function keepSending(): () => void {
  const now = () => {
    if (box.get().entries.some((e) => e.refused === null)) void flush();
  };
  const seen = () => document.visibilityState === "visible" && now();
  window.addEventListener("online", now);
  document.addEventListener("visibilitychange", seen);
  const timer = setInterval(now, AGAIN_MS);
  return () => {
    window.removeEventListener("online", now);
    document.removeEventListener("visibilitychange", seen);
    clearInterval(timer);
  };
}
