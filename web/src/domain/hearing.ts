/** Hearing in the browser, frame by frame (10 to 20 ms of samples of −1 to 1): what is loud up high; pure. */

/** Of full scale squared: below this nothing is heard. */
const FLOOR = 1e-9;

/** The loudness of what is high in a frame, dB: twice differenced, voices hardly count. */
export function highLevel(frame: ArrayLike<number>): number {
  let sum = 0;
  for (let k = 2; k < frame.length; k++) {
    const high = (frame[k] ?? 0) - 2 * (frame[k - 1] ?? 0) + (frame[k - 2] ?? 0);
    sum += high * high;
  }
  return 10 * Math.log10(sum / Math.max(1, frame.length - 2) + FLOOR);
}

export const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
};

/** s of the hall before the arc, whose median is what is heard all the time. */
const HALL_S = 1.5;
/** dB. An arc beside the phone hisses this far above the hall… */
const ARC_DB = 10;
/** …and is out once it is no louder than this above it. */
const OUT_DB = 5;
/** s. A knock, a clap or a word ends sooner; an arc stays. */
const STAYS_S = 0.5;
/** Of these frames so many must be loud: the hiss has short holes where rod and puddle meet. */
const LOUD_SHARE = 0.85;

type Level = { at: number; level: number };

/** Tells when an arc begins and when it is out: a hiss that stays. The moments are where the hiss began and ended. */
export class ArcHearer {
  private hall: Level[] = [];
  private lately: Level[] = [];
  private usual = 0;
  private arc = false;

  hear(frame: ArrayLike<number>, at: number): { arc: boolean; at: number } | null {
    this.lately.push({ at, level: highLevel(frame) });
    while ((this.lately[0]?.at ?? at) < at - STAYS_S) this.lately.shift();
    const whole = at - (this.lately[0]?.at ?? at) > 0.9 * STAYS_S;
    if (!this.arc) {
      this.keepHall(at);
      if (this.hall.length < 8 || !whole) return null;
      return this.turned(at, (level) => level > this.usual + ARC_DB);
    }
    return whole ? this.turned(at, (level) => level < this.usual + OUT_DB) : null;
  }

  /** What was heard before the last half second is the hall. */
  private keepHall(at: number): void {
    const oldest = this.lately[0];
    if (oldest) this.hall.push(oldest);
    while ((this.hall[0]?.at ?? at) < at - HALL_S - STAYS_S) this.hall.shift();
    this.usual = median(this.hall.map((one) => one.level));
  }

  private turned(at: number, is: (level: number) => boolean): { arc: boolean; at: number } | null {
    const first = this.lately.find((one) => is(one.level));
    const share = this.lately.filter((one) => is(one.level)).length / this.lately.length;
    if (!first || share < LOUD_SHARE) return null;
    this.arc = !this.arc;
    this.lately = [];
    return { arc: this.arc, at: Math.min(first.at, at) };
  }
}
