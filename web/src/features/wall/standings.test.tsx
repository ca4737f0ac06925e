// @vitest-environment jsdom
import { cleanup, screen, within } from "@testing-library/react";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { Standings } from "./standings";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

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
  stuck: false,
  failed_in_a_row: 0,
  cause: null,
  next_rung: null,
};

it("says who may climb and to what, and who is stuck and why", async () => {
  serve({
    "GET /api/courses/7/standings": [
      { ...standing, stuck: true, failed_in_a_row: 3, cause: "Uneven dabbing" },
      {
        ...standing,
        student: { id: 4, display_name: "Oda" },
        forecast: { ...forecast, ready: true },
        next_rung: { id: 9, title: "Tee" },
      },
    ],
  });
  show(<Standings />);
  const climb = await screen.findByRole("region", { name: "May climb" });
  expect(within(climb).getByRole("link", { name: "Oda" })).toBeTruthy();
  expect(within(climb).getByRole("link", { name: "give Tee" }).getAttribute("href")).toBe(
    "/course/7/assign?give=9",
  );
  const stuck = screen.getByRole("region", { name: "Stuck" });
  expect(stuck.textContent).toContain("failed 3 in a row – uneven dabbing");
  expect(within(stuck).queryByText("Oda")).toBeNull();
  const grid = screen.getByRole("region", { name: "People by coupons" });
  expect(within(grid).getByRole("row", { name: /Wen/ }).textContent).toContain("1 of 3 3 tries, stuck");
  expect(within(grid).getByRole("row", { name: /Oda/ }).textContent).toContain("ready");
});
