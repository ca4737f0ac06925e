// @vitest-environment jsdom
import { cleanup, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { MyTimePage } from "./time-page";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const strip = { url: "/s", from_mm: -4, to_mm: 80, half_height_mm: 8 };
const attempt = (number: number, kinds: string[], strips = true) => ({
  id: number,
  number,
  state: "returned",
  created_at: `2026-10-0${String(number)}T18:00:00Z`,
  mark_total: 60 + number,
  assignment: { id: 5, design: { title: "Lap" } },
  measurement: {
    refusal_code: "",
    strip: strips ? strip : null,
    faults: kinds.map((kind) => ({ kind, s_mm: 1 })),
  },
});
const figure = (key: string, words: string, formatted: (string | null)[]) => ({
  key,
  words,
  good: 0.06,
  values: formatted.map((one) => (one === null ? null : 0.08)),
  formatted,
  cone: [],
});
const progress = {
  student: { id: 1, display_name: "Ilka" },
  series: [
    {
      assignment: { id: 5, good_in_a_row: 3, design: { title: "Lap" } },
      attempts: [attempt(1, ["pore"]), attempt(2, []), attempt(3, []), attempt(4, [])],
      good_in_a_row: 1,
      engines: ["2.2", "3.0"],
      figures: [
        figure("width_cv", "Even width", ["12.0 %", null, "9.0 %", "8.0 %"]),
        figure("pitch_cv", "Even ripples", [null, null, null, null]),
      ],
    },
  ],
  sequence: [
    { title: "Plate", state: "done", words: "done", assignment: 4 },
    { title: "Lap", state: "tried", words: "being tried", assignment: 5 },
    { title: "Tube", state: "locked", words: "not yet", assignment: null },
  ],
  propped: [
    { prop: "arm", words: "arm on the bench", count: 6, toe_waviness: 0.05, formatted: "5.0%" },
    { prop: "none", words: "nothing", count: 1, toe_waviness: 0.09, formatted: "9.0%" },
  ],
  changes: [
    {
      attempt: 3,
      title: "Lap",
      number: 3,
      at: "2026-10-03T18:00:00Z",
      text: "Count aloud.",
      cause: null,
      became: "done; it is gone",
    },
  ],
};
const forecast = {
  assignment: 5,
  title: "Lap",
  in_a_row: 3,
  attempts: 4,
  to_go: null,
  ready: false,
  words: "A pass next time is likely.",
};

const reads = {
  "GET /api/courses/7/students/1/progress": progress,
  "GET /api/courses/7/students/1/forecasts": [forecast],
};

it("tells a student's story: sequence, beads, figures, faults since gone, what was asked to change", async () => {
  serve(reads);
  show(<MyTimePage />);
  const sequence = await screen.findByRole("list", { name: "Coupon sequence" });
  expect(within(sequence).queryByText("Tube")).toBeNull();
  await userEvent.click(within(sequence).getByRole("button", { name: "1 later step" }));
  expect(within(sequence).getByText(/Tube/)).toBeTruthy();

  expect(screen.getAllByRole("img", { name: /^Strip of/ })).toHaveLength(4);
  expect(
    screen.getByRole("img", { name: "Even width at Lap: from 12.0 % to 8.0 % over 3 attempts" }),
  ).toBeTruthy();
  expect(screen.queryByText(/Even ripples/)).toBeNull();
  expect(screen.getByText("A pass next time is likely.")).toBeTruthy();
  expect(screen.getByText(/measured with versions 2.2, 3.0/)).toBeTruthy();
  expect(screen.getByRole("link", { name: "compare first and last" }).getAttribute("href")).toBe(
    "/course/7/compare/1/4",
  );

  const faults = screen.getByRole("region", { name: "Faults" });
  expect(within(faults).getByRole("row", { name: /pore/ }).textContent).toContain(
    "not seen for 3 beads – well done",
  );
  expect(screen.getByText("arm on the bench: toes waver 5.0%, 6 beads")).toBeTruthy();
  const changes = screen.getByRole("region", { name: "Changes" });
  expect(changes.textContent).toContain("Count aloud. – done; it is gone");
});

it("shows figures as a table on the key, with a dash where nothing was measured", async () => {
  serve(reads);
  show(<MyTimePage />);
  await screen.findByRole("list", { name: "Coupon sequence" });
  await userEvent.keyboard("t");
  const cells = screen.getAllByRole("cell").map((cell) => cell.textContent);
  expect(cells).toContain("12.0 %");
  expect(cells).toContain("–");
  await userEvent.keyboard("t");
});

it("says so where nothing has been photographed or asked yet", async () => {
  serve({
    ...reads,
    "GET /api/courses/7/students/1/progress": { ...progress, series: [], changes: [] },
  });
  show(<MyTimePage />);
  expect(await screen.findByText("No bead photos yet.")).toBeTruthy();
});
