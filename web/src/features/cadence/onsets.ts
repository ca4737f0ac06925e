/** Hearing taps: a knock of the rod or a click stands out of hiss and voices by its sudden high sound; pure. */

import { highLevel, median } from "../../domain/hearing";

/** Frames whose median is what is heard all the time: half a second at 15 ms. */
const BEFORE = 32;
/** dB. A knock stands this far above that; hiss and voices swing by less from frame to frame. */
const ABOVE_DB = 9;
/** s. No hand dabs faster; an echo comes within. */
const MIN_GAP_S = 0.16;
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
