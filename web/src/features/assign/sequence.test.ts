import { expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { climb } from "./sequence";

const design = (code: string, stainless_step: number | null, carbon_step: number | null) =>
  ({ code, stainless_step, carbon_step }) as Schemas["Design"];
const designs = [
  design("butt", 2, 3),
  design("plate", 1, null),
  design("mild", null, 1),
  design("own", null, null),
];

it("climbs a sequence step by step and keeps one's own coupons at the end", () => {
  expect(climb(designs, "stainless").map((d) => d.code)).toEqual(["plate", "butt", "own"]);
  expect(climb(designs, "carbon").map((d) => d.code)).toEqual(["mild", "butt", "own"]);
});
