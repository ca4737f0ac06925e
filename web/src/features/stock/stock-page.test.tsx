// @vitest-environment jsdom
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { StockPage } from "./stock-page";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const SPEC = { low: null, high: null, unit: null, options: null, needed: true };
const KINDS = [
  {
    key: "wire",
    words: "Filler wire",
    unit: "m",
    specs: [
      { ...SPEC, key: "name", words: "Name" },
      { ...SPEC, key: "filler_alloy", words: "Filler alloy", options: { "308L": "308L" } },
      { ...SPEC, key: "filler_mm", words: "Filler rod diameter", unit: "mm", low: 0.5, high: 6.4 },
    ],
  },
];

function item(id: number, name: string, more: Record<string, unknown> = {}) {
  return {
    id,
    kind: "wire",
    name,
    what: "308L, 1.6 mm",
    left: 3,
    left_words: "3.0 m",
    counted_at: null,
    real: 1.2,
    lasts: "4 sessions, 2 to 6",
    low: false,
    order: "",
    supplier: "",
    cost: null,
    given: { name, filler_alloy: "308L", filler_mm: 1.6 },
    ...more,
  };
}

const ROW = { name: "Gus", coupons: 2, by_kind: { gas: 1.5 }, total: 1.5 };
const STORE = {
  kinds: KINDS,
  moves: { counted: "counted", delivered: "delivered" },
  gauges: [],
  items: [
    item(1, "Rod thin", { order: "10.0 m, by Mon 9 Mar", supplier: "Quayside", cost: 8, low: true }),
    item(2, "Rod thick", { order: "5.0 m", supplier: "Quayside", cost: 4 }),
    item(3, "Rod other", { order: "1.0 m", supplier: "" }),
  ],
  bottles: [],
  gas: { words: "0 L ± 0", lasts: "", per_session: null, real: 1 },
  costs: {
    kinds: { gas: "gas", wire: "wire" },
    whole: ROW,
    unpriced: "",
    litre: 0.02,
    people: [ROW],
    coupons: [{ ...ROW, name: "Butt", gas_l: 10, postflow_l: 2, cup_more_l: 0, purge_l: 0 }],
    sessions: [ROW],
  },
};
const AT = "/api/courses/7/stock";

it("shows what is left and what to order from whom, with sums", async () => {
  serve({ [`GET ${AT}`]: STORE });
  show(<StockPage />);
  const orders = await screen.findByLabelText("To order");
  expect(within(orders).getByText("Quayside").parentElement?.textContent).toContain("12.00");
  expect(within(orders).getByText("No supplier named")).toBeTruthy();
  expect(within(orders).getByText("10.0 m, by Mon 9 Mar")).toBeTruthy();
  expect(screen.getAllByText("lasts 4 sessions, 2 to 6")).toHaveLength(3);
});

it("writes a count down and changes what an item is", async () => {
  const calls = serve({ [`GET ${AT}`]: STORE, [`POST ${AT}/1/moves`]: STORE, [`PUT ${AT}/1`]: STORE });
  show(<StockPage />);
  await userEvent.click(await screen.findByRole("button", { name: /^Rod thin/ }));
  expect(screen.getByText("Between counts, 20% more was used than logged.")).toBeTruthy();
  await userEvent.type(screen.getByLabelText("Amount m"), "2,5");
  await userEvent.type(screen.getByLabelText("Note"), "two bent");
  await userEvent.click(screen.getByRole("button", { name: "Save change" }));
  await waitFor(() => expect(screen.queryByRole("button", { name: "Save change" })).toBeNull());
  await userEvent.click(screen.getByRole("button", { name: /^Rod thin/ }));
  await userEvent.click(screen.getByRole("button", { name: "Edit item" }));
  await userEvent.clear(screen.getByLabelText("Filler rod diameter, mm"));
  await userEvent.type(screen.getByLabelText("Filler rod diameter, mm"), "1,2");
  await userEvent.click(screen.getByRole("button", { name: "Save item" }));
  await waitFor(() => expect(calls.filter((c) => c.method !== "GET")).toHaveLength(2));
  expect(calls.filter((c) => c.method !== "GET").map((c) => c.body)).toEqual([
    { kind: "counted", amount: 2.5, note: "two bent" },
    { kind: "wire", given: { name: "Rod thin", filler_alloy: "308L", filler_mm: 1.2 } },
  ]);
});

it("shows what practice costs and the sheets to cut", async () => {
  serve({
    [`GET ${AT}`]: STORE,
    "GET /api/courses/7/cut-list": [
      {
        what: "304L, 1.5 mm",
        wanted: { Blank: 2 },
        short: { Blank: 1 },
        sheets: [
          {
            stock: "Half sheet",
            length_mm: 1000,
            width_mm: 500,
            used_share: 0.01,
            laid: [{ name: "Blank", x_mm: 0, y_mm: 0, length_mm: 100, width_mm: 50 }],
            cuts: [{ across: false, at_mm: 50, start_mm: 0, end_mm: 1000 }],
            left: null,
          },
        ],
      },
    ],
  });
  show(<StockPage />);
  await userEvent.click(await screen.findByRole("button", { name: "Costs" }));
  expect(within(screen.getByLabelText("By person")).getByText("Gus")).toBeTruthy();
  expect(within(screen.getByLabelText("By coupon")).getByText("0.20")).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: "Cut list" }));
  expect(await screen.findByRole("img", { name: "Half sheet: 1 blank, 1 cut, 1% used" })).toBeTruthy();
  expect(screen.getByText("No sheet or bar left for 1 × Blank.")).toBeTruthy();
});
