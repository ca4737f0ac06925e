import { describe, expect, it } from "vitest";
import { ArcHearer } from "./hearing";
import { dice, FRAME, RATE, talk } from "../testing/sound";

type Hall = {
  seconds: number;
  arc: [number, number] | null;
  hiss: number;
  voice: number;
  claps: number[];
  seed: number;
};

/** A hall with its own noise, somebody talking, claps, and the hiss of an arc with short holes at each dab. */
function hall({ seconds, arc, hiss, voice, claps, seed }: Hall): Float32Array {
  const samples = new Float32Array(seconds * RATE);
  const chance = dice(seed);
  for (let k = 0; k < samples.length; k++) {
    const t = k / RATE;
    const burns = arc !== null && t >= arc[0] && t < arc[1] && (t * 1.2) % 1 > 0.04;
    const clap = claps.some((at) => t >= at && t < at + 0.08);
    samples[k] =
      0.004 * chance() + voice * talk(t) + (burns ? hiss * chance() : 0) + (clap ? 0.6 * chance() : 0);
  }
  return samples;
}

function heard(samples: Float32Array) {
  const hearer = new ArcHearer();
  const turns: { arc: boolean; at: number }[] = [];
  for (let k = 0; k + FRAME <= samples.length; k += FRAME) {
    const turn = hearer.hear(samples.subarray(k, k + FRAME), k / RATE);
    if (turn) turns.push(turn);
  }
  return turns;
}

describe("hearing an arc", () => {
  it.each([
    ["a quiet hall", 0.03, 0],
    ["voices", 0.04, 0.2],
    ["a loud arc", 0.3, 0.1],
  ])("knows when it begins and when it is out in %s", (_, hiss, voice) => {
    for (const seed of [3, 4, 5]) {
      const turns = heard(hall({ seconds: 10, arc: [2.5, 7.5], hiss, voice, claps: [1.0], seed }));
      expect(turns.map((one) => one.arc)).toEqual([true, false]);
      expect(Math.abs((turns[0]?.at ?? 0) - 2.5)).toBeLessThan(0.15);
      expect(Math.abs((turns[1]?.at ?? 0) - 7.5)).toBeLessThan(0.15);
    }
  });

  it("hears none in voices and claps alone", () => {
    const turns = heard(
      hall({ seconds: 8, arc: null, hiss: 0, voice: 0.3, claps: [1, 2.2, 3.1, 5], seed: 9 }),
    );
    expect(turns).toEqual([]);
  });

  it("takes no clap for the end", () => {
    const turns = heard(hall({ seconds: 9, arc: [2, 8], hiss: 0.05, voice: 0, claps: [4, 5, 6], seed: 2 }));
    expect(turns.map((one) => one.arc)).toEqual([true, false]);
  });
});
