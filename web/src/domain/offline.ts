/** The page as an app that opens without a connection: registering its worker, and forgetting what it kept for a person. */

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
  const before = localStorage.getItem(PERSON);
  if (before !== null && before !== String(person)) await forgetAnswers();
  localStorage.setItem(PERSON, String(person));
}
