import { expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { ordered, stuckIn } from "./order";

const standing = (id: number, next_pass: number, more: object = {}) =>
  ({
    student: { id, display_name: "" },
    forecast: { next_pass, ready: false },
    stuck: false,
    ...more,
  }) as Schemas["CouponStanding"];
const row = (id: number, display_name: string) =>
  ({ student: { id, display_name }, attempts: [] }) as unknown as Schemas["WallRow"];

const rows = [row(1, "Cleo"), row(2, "Alma"), row(3, "Bo")];
const ready = { forecast: { next_pass: 0.9, ready: true } };
const standings = [
  standing(1, 0.4),
  standing(2, 0.2),
  standing(2, 0.8, ready),
  standing(3, 0.7, { stuck: true }),
];
const names = (order: "need" | "name" | "step") =>
  ordered(rows, standings, order).map((r) => r.student.display_name);

it("hangs the wall by name, by need with the stuck first, and by step with the furthest first", () => {
  expect(names("name")).toEqual(["Alma", "Bo", "Cleo"]);
  expect(names("need")).toEqual(["Bo", "Cleo", "Alma"]);
  expect(names("step")).toEqual(["Alma", "Bo", "Cleo"]);
});

it("calls nobody stuck at a coupon who is ready for a later one", () => {
  const climbed = [standing(2, 0.2, { stuck: true }), standing(2, 0.9, ready)];
  expect(stuckIn(climbed)).toEqual([]);
  expect(stuckIn(standings).map((s) => s.student.id)).toEqual([3]);
});
