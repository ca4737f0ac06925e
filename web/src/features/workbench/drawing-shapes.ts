/** Geometry of the workbench's drawings; pure, so that it can be tested without a page. */

export type Point = [number, number];

/** Points of a curve in a frame, y up; the frame holds 0 to the largest x and y. */
export function curve(x: number[], y: number[], width: number, height: number): Point[] {
  const [mostX, mostY] = [Math.max(...x, 1e-9), Math.max(...y, 1e-9)];
  return x.map((v, k): Point => [(v / mostX) * width, height - ((y[k] ?? 0) / mostY) * height]);
}

export const line = (points: Point[]) =>
  `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join("L")}`;

/** A place on a ring, degrees clockwise from the top. */
export function onRing(deg: number, radius: number, middle: Point): Point {
  const angle = (deg * Math.PI) / 180;
  return [middle[0] + radius * Math.sin(angle), middle[1] - radius * Math.cos(angle)];
}

/** The arc of a ring between two places, clockwise. */
export function ringArc(from: number, to: number, radius: number, middle: Point): string {
  const [a, b] = [onRing(from, radius, middle), onRing(to, radius, middle)];
  const [begin, end] = [a, b].map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`);
  const large = to - from > 180 ? "1" : "0";
  return `M${begin ?? ""}A${String(radius)} ${String(radius)} 0 ${large} 1 ${end ?? ""}`;
}

/** Which turn each run has: order [1, 3, 5, 2, 4] makes run 2 the fourth. */
export const turnOf = (order: number[], run: number) => order.indexOf(run) + 1;
