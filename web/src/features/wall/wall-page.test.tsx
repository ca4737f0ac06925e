// @vitest-environment jsdom
import { cleanup, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { WallPage } from "./wall-page";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const wen = { id: 3, display_name: "Wen" };
const oda = { id: 4, display_name: "Oda" };
const share = (words: string, now: number, before: number) => ({
  words,
  now,
  now_of: 10,
  before,
  before_of: 20,
  said: `${String(now)} of 10 beads`,
});
const week = {
  since: "2026-11-12T18:00:00Z",
  until: "2026-11-19T18:00:00Z",
  faults: [share("pore", 4, 1), share("undercut", 0, 3)],
  causes: [],
  resting: [],
  figures: [
    {
      key: "width_cv",
      words: "Even width",
      good: 0.06,
      places: [
        { student: oda, value: 0.04 },
        { student: wen, value: 0.11 },
      ],
    },
  ],
};
const bead = {
  id: 9,
  created_at: "2026-11-13T18:00:00Z",
  state: "returned",
  mark_total: 71.5,
  measurement: null,
  assignment: { design: { title: "Lap" } },
};
const standing = (student: typeof wen, next_pass: number) => ({
  student,
  best: 70,
  stuck: false,
  failed_in_a_row: 0,
  cause: null,
  next_step: null,
  forecast: {
    assignment: 1,
    title: "Lap",
    ready: false,
    words: "",
    attempts: 3,
    good_in_a_row: 0,
    in_a_row: 2,
    next_pass,
  },
});
const reads = {
  "GET /api/courses/7/wall": [
    { student: oda, attempts: [bead] },
    { student: wen, attempts: [bead] },
  ],
  "GET /api/courses/7/standings": [standing(oda, 0.9), standing(wen, 0.3)],
  "GET /api/courses/7/week": week,
};

const hung = () =>
  screen
    .getAllByRole("heading", { level: 2 })
    .map((one) => one.textContent)
    .filter((words) => words === "Oda" || words === "Wen");

it("begins with what goes wrong this week, and says what does not any more", async () => {
  serve(reads);
  show(<WallPage />);
  const now = await screen.findByRole("region", { name: "Last week of welding" });
  expect(now.textContent).toContain("pore");
  expect(within(now).getByText("more")).toBeTruthy();
  expect(now.textContent).toContain("No longer seen: undercut.");
  expect(now.textContent).toContain("None.");
  expect(now.textContent).toContain("12 Nov to 19 Nov");
});

it("says in words where everybody stands, and who is furthest off", async () => {
  serve(reads);
  show(<WallPage />);
  expect(
    await screen.findByRole("img", {
      name: "Even width: 1 of 2 within 6.0%, furthest off Wen with 11.0%",
    }),
  ).toBeTruthy();
});

it("hangs the wall by need until another order is chosen", async () => {
  serve(reads);
  show(<WallPage />);
  await screen.findByRole("region", { name: "Last week of welding" });
  expect(hung()).toEqual(["Wen", "Oda"]);
  await userEvent.click(screen.getByRole("button", { name: "name" }));
  expect(hung()).toEqual(["Oda", "Wen"]);
  expect(screen.getAllByText("71.5")).toHaveLength(2);
});

it("says so where nothing has been measured, and what went wrong where it cannot be read", async () => {
  serve({ ...reads, "GET /api/courses/7/wall": [] });
  show(<WallPage />);
  expect(await screen.findByText(/No measured beads yet/)).toBeTruthy();
  cleanup();
  serve({ "GET /api/courses/7/wall": [] });
  show(<WallPage />);
  expect(await screen.findByRole("alert")).toBeTruthy();
});
