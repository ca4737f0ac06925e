import { describe, expect, it } from "vitest";
import { evennessOf } from "./evenness";
import { KnockHearer } from "./onsets";
import { dice, FRAME, RATE, talk } from "../../testing/sound";

type Sound = { seconds: number; knocks: number[]; loud: number; hiss: number; voice: number; seed: number };

/** Knocks of a rod in the noise of a hall: the hiss of an arc, and somebody talking in syllables. */
function sound({ seconds, knocks, loud, hiss, voice, seed }: Sound): Float32Array {
  const samples = new Float32Array(seconds * RATE);
  const chance = dice(seed);
  for (let k = 0; k < samples.length; k++) {
    const t = k / RATE;
    samples[k] = hiss * chance() + voice * talk(t);
  }
  for (const at of knocks)
    for (let k = 0; k < 0.03 * RATE; k++) {
      const place = Math.round(at * RATE) + k;
      samples[place] = (samples[place] ?? 0) + loud * Math.exp(-k / (0.004 * RATE)) * chance();
    }
  return samples;
}

function heard(samples: Float32Array): number[] {
  const hearer = new KnockHearer();
  const times: number[] = [];
  for (let k = 0; k + FRAME <= samples.length; k += FRAME)
    if (hearer.hear(samples.subarray(k, k + FRAME), k / RATE)) times.push(k / RATE);
  return times;
}

const steady = Array.from({ length: 12 }, (_, k) => 1 + k * 0.8);

describe("hearing knocks", () => {
  it.each([
    ["a quiet room", 0.4, 0.002, 0],
    ["arc hiss", 0.5, 0.03, 0],
    ["voices", 0.4, 0.004, 0.15],
    ["hiss and voices", 0.6, 0.03, 0.2],
  ])("finds each of twelve in %s, and no other", (_, loud, hiss, voice) => {
    for (const seed of [7, 8, 9]) {
      const times = heard(sound({ seconds: 11, knocks: steady, loud, hiss, voice, seed }));
      expect(times).toHaveLength(12);
      times.forEach((at, k) => expect(Math.abs(at - (steady[k] ?? 0))).toBeLessThan(0.02));
    }
  });
  it.each([
    ["hiss", 0.05, 0],
    ["voices", 0.003, 0.3],
  ])("hears none in %s alone", (_, hiss, voice) => {
    expect(heard(sound({ seconds: 8, knocks: [], loud: 0, hiss, voice, seed: 3 }))).toEqual([]);
  });
});

describe("evenness", () => {
  it("is nought for a clock, and says how late it is", () => {
    const found = evennessOf(steady, 1.25);
    expect(found?.cv).toBeCloseTo(0, 6);
    expect(found?.late).toBeCloseTo(0, 6);
    expect(evennessOf(steady, 1)?.late).toBeCloseTo(-0.2, 6);
  });
  it("tells a hand that slows down from one that swings", () => {
    const slowing = [0, 1, 2.1, 3.3, 4.6, 6];
    expect(evennessOf(slowing, 1)?.drift).toBeCloseTo(0.4 / 1.2, 6);
    const swinging = [0, 0.8, 2, 2.8, 4, 4.8];
    expect(evennessOf(swinging, 1)?.cv).toBeGreaterThan(0.2);
    expect(Math.abs(evennessOf(swinging, 1)?.drift ?? 1)).toBeLessThan(0.01);
  });
  it("says nothing of a few dabs", () => expect(evennessOf([0, 1, 2, 3], 1)).toBeNull());
});
