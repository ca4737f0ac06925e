/** How even a hand keeps its cadence; pure. */

export type Evenness = {
  /** Standard deviation of the gaps over their mean. */
  cv: number;
  /** Change of the gap from the first to the last dab, over the mean gap: above zero slows down. */
  drift: number;
  /** Mean gap less the wanted one, over the wanted: above zero is late. */
  late: number;
};

export const MIN_DABS = 5;

/** Evenness of dabs at these times (s) against so many a second; null for fewer than five. */
export function evennessOf(times: readonly number[], perSecond: number): Evenness | null {
  if (times.length < MIN_DABS) return null;
  const gaps = times.slice(1).map((at, k) => at - (times[k] ?? 0));
  const mean = gaps.reduce((a, b) => a + b, 0) / gaps.length;
  const variance = gaps.reduce((sum, gap) => sum + (gap - mean) ** 2, 0) / (gaps.length - 1);
  const middle = (gaps.length - 1) / 2;
  const steps = gaps.reduce((sum, _, k) => sum + (k - middle) ** 2, 0);
  const slope = gaps.reduce((sum, gap, k) => sum + (k - middle) * (gap - mean), 0) / steps;
  return {
    cv: Math.sqrt(variance) / mean,
    drift: (slope * (gaps.length - 1)) / mean,
    late: mean * perSecond - 1,
  };
}
