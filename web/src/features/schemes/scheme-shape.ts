/** A marking scheme while it is changed; pure. */

import type { Schemas } from "../../api/client";
import { criteria } from "../../domain/words";

export type Body = Schemas["SchemeBody"];
export type Line = Body["lines"][number];

/** A line for a criterion with the weight of a usual one, its own curve and options. */
export function lineFor(key: string): Line {
  const info = criteria[key];
  return {
    criterion: key,
    weight: 10,
    curve: (info?.curve ?? []).map((point) => [...point]),
    options: { ...info?.options },
  };
}

/** A line's weight in percent of all. */
export function shareOf(body: Body, line: Line): number {
  const whole = body.lines.reduce((sum, one) => sum + one.weight, 0);
  return whole > 0 ? (100 * line.weight) / whole : 0;
}

/** The criteria that a scheme does not have yet. */
export const unused = (body: Body): string[] =>
  Object.keys(criteria).filter((key) => !body.lines.some((line) => line.criterion === key));

export const changedLine = (body: Body, at: number, line: Partial<Line>): Body => ({
  ...body,
  lines: body.lines.map((one, i) => (i === at ? { ...one, ...line } : one)),
});

export const withoutLine = (body: Body, at: number): Body => ({
  ...body,
  lines: body.lines.filter((_, i) => i !== at),
});

/** A curve with one point moved; it stays between its neighbours, scores in halves. */
export function movedPoint(curve: number[][], at: number, figure: number, score: number): number[][] {
  const before = at === 0 ? 0 : (curve[at - 1]?.[0] ?? 0);
  const after = curve[at + 1]?.[0] ?? Infinity;
  const room = 1e-3;
  const low = at === 0 ? 0 : before + room;
  const held = Math.min(Math.max(figure, low), after - room);
  const halves = Math.round(Math.min(10, Math.max(0, score)) * 2) / 2;
  return curve.map((point, i) => (i === at ? [Number(held.toPrecision(3)), halves] : point));
}
