/** Hearing taps: a knock of the rod or a click stands out of hiss and voices by its sudden high sound; pure. */

/** Frames whose median is what is heard all the time: half a second at 15 ms. */
const BEFORE = 32;
/** dB. A knock stands this far above that; hiss and voices swing by less from frame to frame. */
const ABOVE_DB = 9;
/** s. No hand dabs faster; an echo comes within. */
const MIN_GAP_S = 0.16;
/** Of full scale squared: below this nothing is heard. */
const FLOOR = 1e-9;

/** The loudness of what is high in a frame (samples of −1 to 1), dB: twice differenced, voices hardly count. */
export function highLevel(frame: ArrayLike<number>): number {
  let sum = 0;
  for (let k = 2; k < frame.length; k++) {
    const high = (frame[k] ?? 0) - 2 * (frame[k - 1] ?? 0) + (frame[k - 2] ?? 0);
    sum += high * high;
  }
  return 10 * Math.log10(sum / Math.max(1, frame.length - 2) + FLOOR);
}

const median = (values: number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
};

/** Tells of each frame (10 to 20 ms, one after another) whether a knock begins in it. */
export class KnockHearer {
  private levels: number[] = [];
  private last = -Infinity;

  hear(frame: ArrayLike<number>, at_s: number): boolean {
    const level = highLevel(frame);
    const usual = median(this.levels);
    const known = this.levels.length >= BEFORE / 2;
    this.levels.push(level);
    if (this.levels.length > BEFORE) this.levels.shift();
    if (!known || level < usual + ABOVE_DB || at_s - this.last < MIN_GAP_S) return false;
    this.last = at_s;
    return true;
  }
}
