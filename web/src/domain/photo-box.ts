/** The part of a photo around a bead, as an SVG view box [x, y, width, height] in its pixels. */
export function boxAround(lines: number[][][], size: number[]): [number, number, number, number] {
  const xs = lines.flat().map((p) => p[0] ?? 0);
  const ys = lines.flat().map((p) => p[1] ?? 0);
  const [width, height] = [size[0] ?? 1, size[1] ?? 1];
  const long = Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys));
  const edge = 0.09 * long;
  const left = Math.max(0, Math.min(...xs) - edge);
  const top = Math.max(0, Math.min(...ys) - edge);
  return [
    left,
    top,
    Math.min(width, Math.max(...xs) + edge) - left,
    Math.min(height, Math.max(...ys) + edge) - top,
  ];
}

type Drawn = {
  centre: number[][];
  left: number[][];
  right: number[][];
  s_mm?: number[];
  left_n_mm?: number[];
  right_n_mm?: number[];
};

/** The pixel of a place in the bead frame: along the centreline by s, across by n on the scale of the toes there. */
export function pointAt(drawn: Drawn, s: number, n: number): [number, number] {
  const places = drawn.s_mm ?? drawn.centre.map((_, i) => i * 0.5);
  const i = places.reduce(
    (best, at, k) => (Math.abs(at - s) < Math.abs((places[best] ?? 0) - s) ? k : best),
    0,
  );
  const [c, l, r] = [drawn.centre[i], drawn.left[i], drawn.right[i]];
  if (!c || !l || !r) return [0, 0];
  const width = (drawn.right_n_mm?.[i] ?? 1) - (drawn.left_n_mm?.[i] ?? -1);
  return [0, 1].map((k) => (c[k] ?? 0) + (((r[k] ?? 0) - (l[k] ?? 0)) / width) * n) as [number, number];
}
