import { expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { climb, fitting, NO_FILTER } from "./sequence";

const design = (code: string, stainless_step: number | null, carbon_step: number | null) =>
  ({ code, stainless_step, carbon_step }) as Schemas["LibraryDesign"];
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

it("keeps what fits every filter that is set", () => {
  const of = (id: number, metal: string, joint: string, passed: number) =>
    ({ id, metal, joint, position: "flat", passed }) as Schemas["LibraryDesign"];
  const designs = [of(1, "304L", "tee", 2), of(2, "304L", "lap", 0), of(3, "carbon", "tee", 0)];
  const ids = (filter: Partial<typeof NO_FILTER>) =>
    fitting(designs, { ...NO_FILTER, ...filter }).map((one) => one.id);
  expect(ids({})).toEqual([1, 2, 3]);
  expect(ids({ metal: "304L" })).toEqual([1, 2]);
  expect(ids({ metal: "304L", joint: "tee" })).toEqual([1]);
  expect(ids({ passed: "some" })).toEqual([1]);
  expect(ids({ passed: "none", joint: "tee" })).toEqual([3]);
  expect(ids({ position: "overhead" })).toEqual([]);
});
