/** Sound of a welding hall for tests: the same dice every time, and somebody talking. */

export const RATE = 44_100;
export const FRAME = 662; // 15 ms

/** Noise of −1 to 1. */
export function dice(seed: number) {
  let state = seed;
  return () => {
    state = (state * 1103515245 + 12345) % 2147483648;
    return state / 1073741824 - 1;
  };
}

/** Talk in syllables, `t` seconds from its beginning. */
export function talk(t: number): number {
  const syllable = Math.max(0, Math.sin(2 * Math.PI * 3.7 * t)) ** 2;
  const voice = [140, 280, 560, 1120].reduce(
    (sum, hz, n) => sum + Math.sin(2 * Math.PI * hz * t) / (n + 1),
    0,
  );
  return syllable * voice;
}
