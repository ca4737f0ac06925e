/** Clock and places on the plan; pure. */

export const STEP_MIN = 5;

/** The clock so many minutes after a beginning: `18:00` and 40 give `18:40`. */
export function clockAt(start: string, minutes: number): string {
  const [hours = 0, mins = 0] = start.split(":").map(Number);
  const all = (60 * hours + mins + minutes) % (24 * 60);
  return `${String(Math.floor(all / 60)).padStart(2, "0")}:${String(all % 60).padStart(2, "0")}`;
}

/** Full half hours of a session, in minutes from its beginning. */
export function halfHours(minutes: number): number[] {
  return Array.from({ length: Math.floor(minutes / 30) + 1 }, (_, i) => 30 * i);
}

/** A moved start on the step of the plan, inside of the session. */
export function snapped(start: number, length: number, session: number): number {
  const most = Math.max(0, session - length);
  return Math.min(most, Math.max(0, Math.round(start / STEP_MIN) * STEP_MIN));
}

const MOVES: Record<string, { minutes: number; rows: number }> = {
  ArrowLeft: { minutes: -STEP_MIN, rows: 0 },
  ArrowRight: { minutes: STEP_MIN, rows: 0 },
  ArrowUp: { minutes: 0, rows: -1 },
  ArrowDown: { minutes: 0, rows: 1 },
};

/** What an arrow key moves a slot by; nothing for other keys. */
export const moveOf = (key: string) => MOVES[key] ?? null;
