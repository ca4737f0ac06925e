/** The page as an app that opens without a connection: registering its worker, forgetting what it kept for a person. */

const ANSWERS = "answers";
const PERSON = "judicum-person";

/** Registers the worker that keeps the page; the first time, what is open is read again, so that it is kept too. */
export function registerApp(readAgain: () => void): void {
  if (!("serviceWorker" in navigator) || !import.meta.env.PROD) return;
  if (!navigator.serviceWorker.controller)
    navigator.serviceWorker.addEventListener("controllerchange", readAgain, { once: true });
  // Where it cannot be registered (a private window), the page works as before, with a connection.
  void navigator.serviceWorker.register("/sw.js").catch(() => undefined);
}

/** Forgets every answer that was kept; what waits to be sent stays. */
export async function forgetAnswers(): Promise<void> {
  localStorage.removeItem(PERSON);
  if ("caches" in globalThis) await caches.delete(ANSWERS);
}

/** Lets nobody read on this device what was kept for somebody else. */
export async function keepFor(person: number): Promise<void> {
  const before = keptFor();
  if (before !== null && before !== person) await forgetAnswers();
  localStorage.setItem(PERSON, String(person));
}

/** For whom this device keeps answers; null for nobody. */
export function keptFor(): number | null {
  const person = localStorage.getItem(PERSON);
  return person === null ? null : Number(person);
}

/** Keeps what an address answers from now on: what was accepted is there when the page opens without a connection. */
export async function keepAnswer(path: string, answer: unknown): Promise<void> {
  if (!("caches" in globalThis) || !navigator.serviceWorker?.controller) return;
  const kept = new Response(JSON.stringify(answer), { headers: { "Content-Type": "application/json" } });
  await (await caches.open(ANSWERS)).put(path, kept);
}

/** What a fresh attempt of the same coupon begins with, besides itself. */
const ALIKE = {
  setup: { checks: [], last_run_at: null, real_travel_mm_s: null },
  "last-runs": {},
  machine: {},
};

/** Keeps for a fresh attempt what was kept for another at the same coupon: it opens before the server was asked. */
export async function keepAlike(from: string, to: string): Promise<void> {
  if (!("caches" in globalThis)) return;
  const answers = await caches.open(ANSWERS);
  for (const [part, fresh] of Object.entries(ALIKE)) {
    const kept = await answers.match(`${from}/${part}`);
    if (kept) await keepAnswer(`${to}/${part}`, { ...((await kept.json()) as object), ...fresh });
  }
}
