/** The part of a photo around a bead, as an SVG view box [x, y, width, height] in its pixels. */
export function boxAround(lines: number[][][], size: number[]): [number, number, number, number] {
  const xs = lines.flat().map((p) => p[0] ?? 0);
  const ys = lines.flat().map((p) => p[1] ?? 0);
  const [width, height] = [size[0] ?? 1, size[1] ?? 1];
  const long = Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys));
  const edge = 0.09 * long;
  const left = Math.max(0, Math.min(...xs) - edge);
  const top = Math.max(0, Math.min(...ys) - edge);
  return [left, top, Math.min(width, Math.max(...xs) + edge) - left, Math.min(height, Math.max(...ys) + edge) - top];
}
