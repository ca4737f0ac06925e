// @vitest-environment jsdom
import { cleanup, screen, within } from "@testing-library/react";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { DeskPage } from "./desk-page";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const student = (id: number, display_name: string) => ({ id, display_name });
const desk = {
  to_mark: 2,
  to_return: 1,
  welding: 4,
  measuring: 1,
  students: [
    { student: student(3, "Wen"), last_worked_at: "2026-11-20T18:00:00Z", overdue: 2, stuck: true },
    { student: student(4, "Oda"), last_worked_at: null, overdue: 0, stuck: false },
  ],
};
const attempt = (id: number, given: object) => ({
  id,
  number: 1,
  student: student(3, "Wen"),
  assignment: { design: { title: "Lap on 2 mm" } },
  updated_at: "2026-11-20T18:00:00Z",
  state: "photographed",
  need: "none",
  measuring: false,
  measurement: null,
  ...given,
});

function desked(results: object[], to_mark: number) {
  serve({
    "GET /api/courses/7/desk": { ...desk, to_mark },
    "GET /api/courses/7/waiting": { count: Math.max(results.length, to_mark + 1), attempts: results },
    "GET /api/courses/7/assignments": { next: null, results: [] },
    "GET /api/courses/7": { id: 7, join_code: "k7-blue", schools: {} },
  });
  show(<DeskPage />);
}

it("says what waits, what is being measured and what could not be", async () => {
  desked([attempt(11, { measuring: true }), attempt(12, {}), attempt(13, { state: "marked" })], 2);
  expect((await screen.findByText(/2 ready to mark/)).textContent).toContain(
    "1 marked, not returned · 4 being welded",
  );
  const [measuring, refused] = screen.getAllByRole("link", { name: /Lap on 2 mm/ });
  expect(measuring?.textContent).toContain("Being measured");
  expect(refused?.textContent).toContain("could not be measured");
  expect(refused?.textContent).not.toContain("vary");
  expect(refused?.getAttribute("href")).toBe("/course/7/attempt/12");
  expect(screen.queryByText(/come last/)).toBeNull();
});

it("tells the figures of a bead that was measured, and how many wait behind the list", async () => {
  const measurement = { width_cv: 0.061, pitch_cv: 0.114, tint_level: 3, strip: null };
  desked([attempt(11, { state: "measured", measurement })], 60);
  const row = await screen.findByRole("link", { name: /Lap on 2 mm/ });
  expect(row.textContent).toContain("width variation 6.1%");
  expect(row.textContent).toContain("ripple variation 11.4%");
  expect(screen.getByText(/60 more appear/)).toBeTruthy();
});

it("shows who needs help, the join code and the cards for either paper", async () => {
  desked([], 0);
  const wen = await screen.findByRole("link", { name: /Wen/ });
  expect(within(wen).getByText("2 overdue")).toBeTruthy();
  expect(within(wen).getByText("not welded lately")).toBeTruthy();
  expect(screen.getByRole("link", { name: /Oda/ }).textContent).toContain("no attempts yet");
  expect(await screen.findByText("k7-blue")).toBeTruthy();
  const cards = screen.getAllByRole("link", { name: /^(window|strip|long strip|phone check)$/ });
  expect(cards.map((a) => a.getAttribute("href"))).toContain("/api/scale-card/strip?paper=letter");
  expect(cards.map((a) => a.getAttribute("href"))).toContain("/api/scale-card/long_strip");
  expect(cards.map((a) => a.getAttribute("href"))).toContain("/api/scale-card/target?paper=letter");
  expect(screen.getByText(/Nothing to mark/)).toBeTruthy();
});

it("offers to try again where the server does not answer", async () => {
  serve({});
  show(<DeskPage />);
  expect(await screen.findByRole("button", { name: "Try again" })).toBeTruthy();
});
