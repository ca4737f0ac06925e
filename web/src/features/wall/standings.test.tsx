// @vitest-environment jsdom
import { cleanup, screen, within } from "@testing-library/react";
import { afterEach, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { show } from "../../testing/render";
import { Grid } from "./grid";
import { MayClimb, Stuck } from "./standings";

afterEach(cleanup);

const forecast = {
  assignment: 1,
  title: "Lap",
  ready: false,
  words: "next passes with 20 %",
  attempts: 3,
  good_in_a_row: 1,
  in_a_row: 3,
  next_pass: 0.2,
};
const standing = {
  student: { id: 3, display_name: "Wen" },
  forecast,
  best: 66,
  stuck: false,
  failed_in_a_row: 0,
  cause: null,
  next_step: null,
};

it("says who may climb and to what, and who is stuck and why", () => {
  const ready = (id: number, name: string) => ({
    ...standing,
    student: { id, display_name: name },
    forecast: { ...forecast, ready: true },
    next_step: { id: 9, title: "Tee" },
  });
  const standings = [
    { ...standing, stuck: true, failed_in_a_row: 3, cause: "Uneven dabbing" },
    ready(4, "Oda"),
    ready(5, "Pim"),
  ] as Schemas["CouponStanding"][];
  const resting = [
    {
      student: { id: 6, display_name: "Rik" },
      last_worked_at: "2026-10-01T18:00:00Z",
      overdue: 0,
      stuck: true,
    },
  ];
  show(
    <>
      <MayClimb standings={standings} />
      <Stuck standings={standings} resting={resting} />
      <Grid standings={standings} />
    </>,
  );
  const climb = screen.getByRole("region", { name: "Ready for the next coupon" });
  expect(within(climb).getByRole("link", { name: "Oda" })).toBeTruthy();
  const give = within(climb).getAllByRole("link", { name: /Assign Tee/ });
  expect(give.map((one) => [one.textContent, one.getAttribute("href")])).toEqual([
    ["Assign Tee to all 2", "/course/7/assign?give=9&to=4,5"],
    ["Assign Tee", "/course/7/assign?give=9&to=4"],
    ["Assign Tee", "/course/7/assign?give=9&to=5"],
  ]);
  const stuck = screen.getByRole("region", { name: "Stuck" });
  expect(stuck.textContent).toContain("failed 3 in a row – Uneven dabbing");
  expect(within(stuck).queryByText("Oda")).toBeNull();
  expect(stuck.textContent).toContain("Riknot welded since 1 Oct");
  const grid = screen.getByRole("region", { name: "People by coupons" });
  expect(within(grid).getByRole("row", { name: /Wen/ }).textContent).toContain(
    "1 of 3 3 attempts, best 66, stuck",
  );
  expect(within(grid).getByRole("row", { name: /Oda/ }).textContent).toContain("ready");
});
