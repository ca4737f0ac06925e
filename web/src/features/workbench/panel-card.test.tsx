// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import type { Units } from "../../domain/units";
import { Drawing } from "./drawings";
import { PanelCard } from "./panel-card";
import type { Panel } from "./panel-shape";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const mm: Units = { length: "mm", flow: "l_min" };
const panel = {
  key: "gas",
  words: "Gas at the cup",
  formula: "Re = v d / ν",
  source: "textbook",
  inputs: [
    {
      key: "bore_mm",
      words: "Bore",
      kind: "length",
      unit: "mm",
      default: "11",
      low: 3,
      high: 30,
      options: {},
    },
    {
      key: "gas",
      words: "Gas",
      kind: "choice",
      unit: "",
      default: "argon",
      options: { argon: "argon", helium: "helium" },
    },
  ],
} as unknown as Panel;
const answer = {
  results: [
    { key: "reynolds", words: "Reynolds number", value: 812, quantity: "count", digits: 0, unit: "" },
  ],
  notes: ["Smooth flow."],
  series: { reynolds: [812], warn: [1400], turbulent: [2000], practice: [400, 1200] },
};

it("asks the server in SI and tells result, note and source", async () => {
  const calls = serve({ "GET /api/workbench/gas": answer });
  show(<PanelCard panel={panel} units={mm} linked={null} keep={vi.fn()} />);
  expect(await screen.findByText("Smooth flow.")).toBeTruthy();
  expect(screen.getByText("Reynolds number").parentElement?.textContent).toContain("812");
  expect(screen.getByText(/textbook/).textContent).toContain("Re = v d / ν");
  fireEvent.change(screen.getByLabelText("Bore (mm)"), { target: { value: "12" } });
  await waitFor(() => expect(calls).toHaveLength(2));
});

it("keeps its figures in SI for a link, whatever unit they were typed in", async () => {
  serve({ "GET /api/workbench/gas": answer });
  const keep = vi.fn();
  show(<PanelCard panel={panel} units={{ length: "thou", flow: "cfh" }} linked={null} keep={keep} />);
  fireEvent.change(screen.getByLabelText("Bore (thou)"), { target: { value: "500" } });
  await userEvent.selectOptions(screen.getByLabelText("Gas"), "helium");
  await userEvent.click(screen.getByRole("button", { name: /Copy link for/ }));
  const [key, si] = keep.mock.calls[0] as [string, Record<string, string>];
  expect(key).toBe("gas");
  expect(Number(si.bore_mm)).toBeCloseTo(12.7, 6);
  expect(si.gas).toBe("helium");
});

it("opens with the figures of a link and tells what the server refuses", async () => {
  serve({});
  show(<PanelCard panel={panel} units={mm} linked={{ bore_mm: "16", gas: "helium" }} keep={vi.fn()} />);
  expect(screen.getByLabelText<HTMLInputElement>("Bore (mm)").value).toBe("16");
  expect(screen.getByLabelText<HTMLSelectElement>("Gas").value).toBe("helium");
  expect(await screen.findByRole("alert")).toBeTruthy();
});

it.each([
  ["pulse", { time_s: [0, 1], current_a: [30, 60] }, /Current over three pulses/],
  ["heat", { travel_mm_s: [0.5, 6], net_kj_mm: [0.9, 0.1] }, /0.5 mm\/s to 6.0 mm\/s/],
  ["cooling", { beside_mm: [1, 20], peak_c: [2000, 310] }, /2,?000 °C to 310 °C/],
  ["tint", { beside_mm: [1, 10], film_nm: [17, 4] }, /17 nm to 4 nm/],
  ["warming", { time_s: [0, 45, 105, 150], part_c: [25, 178, 125, 250] }, /2 runs, hottest 250 °C/],
  ["gas", answer.series, /Reynolds number 812, practice 400 to 1,200/],
  ["runs", { starts_deg: [0, 120, 240], order: [1, 3, 2] }, /3 runs round the seam.*1, 3, 2/],
  ["turntable", { rpm: [0.5, 1], travel_mm_s: [1, 2], chosen: [1] }, /0.50 rpm, 1.00 mm\/s/],
])("draws %s and says it in words", (key, series, words) => {
  show(<Drawing panel={key} series={series as never} units={mm} />);
  expect(screen.getByRole("img").getAttribute("aria-label")).toMatch(words);
});

it("draws nothing where a calculator has no drawing", () => {
  show(<Drawing panel="filler" series={{}} units={mm} />);
  expect(screen.queryByRole("img")).toBeNull();
});
