// @vitest-environment jsdom
import { cleanup, screen, within } from "@testing-library/react";
import { afterEach, expect, it } from "vitest";
import type { Schemas } from "../api/client";
import { vocabulary } from "../api/generated-vocabulary";
import { show } from "../testing/render";
import { FaultCrops } from "./fault-crops";
import { OffCard } from "./off-card";
import { PhotoWarnings } from "./photo-warnings";
import { HeatAndGas, WhyCurrent } from "./why-current";
import {
  dateWords,
  finishWords,
  isTube,
  optionsOf,
  percent,
  quantityOf,
  tintWords,
  wholePercent,
} from "./words";
import { Worked } from "./worked";

afterEach(cleanup);
const mm = { length: "mm", flow: "l_min" } as const;
const thou = { length: "thou", flow: "cfh" } as const;
const low = {
  key: "gas_l_min",
  used: 4,
  low: 6,
  high: 9,
  outside: 2,
  effect: "air reaches the pool",
};
const check = (given: object) => given as unknown as Schemas["SetupCheck"];

it("says that a run is as the card says", () => {
  show(<OffCard check={check({ deviations: [], warnings: [], besides: [] })} units={mm} />);
  expect(screen.getByText("Settings match the card.")).toBeTruthy();
});

it("says how far off the card a figure lies and what it does, in the person's unit", () => {
  const off = check({ deviations: [low], warnings: [], besides: [] });
  show(<OffCard check={off} units={mm} />);
  const text = screen.getByRole("listitem").textContent;
  expect(text).toContain("4.0 L/min, 2.0 L/min under 6.0 to 9.0 L/min");
  expect(text).toContain("air reaches the pool.");
  cleanup();
  show(<OffCard check={off} units={thou} />);
  expect(screen.getByRole("listitem").textContent).toContain("CFH");
});

it("shows only the warnings that say more than the deviations", () => {
  const warnings = [
    { code: "a", severity: "note", message: "said already" },
    { code: "b", severity: "stop", message: "stop here" },
  ];
  show(<OffCard check={check({ deviations: [low], warnings, besides: ["b"] })} units={mm} />);
  expect(screen.queryByText("said already")).toBeNull();
  expect(screen.getByText("stop here").className).toContain("text-error");
});

const worked = (given: object) => given as unknown as Schemas["Worked"];

it("says that nobody has passed yet, or what worked with its range", () => {
  show(<Worked worked={worked({ attempts: 0, figures: [] })} units={mm} />);
  expect(screen.getByText(/No one in this course has passed/)).toBeTruthy();
  cleanup();
  const figures = [
    { key: "current_a", median: 62, low: 55, high: 70 },
    { key: "cup", median: 11, low: 11, high: 11 },
  ];
  show(<Worked worked={worked({ attempts: 1, figures })} units={mm} />);
  const section = screen.getByLabelText("What worked here");
  expect(section.textContent).toContain("in 1 passed attempt");
  expect(within(section).getByText("62 A").parentElement?.textContent).toBe("62 A (55 to 70)");
  expect(section.textContent).not.toContain("11.0 to 11.0");
});

it("cuts every fault out of the photo around its place, no smaller than can be seen", () => {
  const along = (y: number) => [
    [0, y],
    [1000, y],
  ];
  const overlay = {
    px_per_mm: 10,
    centre: along(400),
    left: along(370),
    right: along(430),
    s_mm: [0, 100],
    left_n_mm: [-3, -3],
    right_n_mm: [3, 3],
  };
  const photo = { url: "/p.jpg", width_px: 1000, height_px: 800 };
  const defects = [
    { kind: "pore", s_mm: 20, n_mm: 0, size_mm: 0.8, confidence: 0.9 },
    { kind: "crater", s_mm: 60, n_mm: 0, size_mm: 5, confidence: 0.5, pinhole: true },
  ];
  show(
    <FaultCrops
      defects={defects as unknown as Schemas["Defect"][]}
      photo={photo as unknown as Schemas["Photo"]}
      overlay={overlay as unknown as Schemas["Overlay"]}
      units={mm}
    />,
  );
  const [pore, crater] = screen.getAllByRole("img");
  expect(pore?.getAttribute("viewBox")?.split(" ").slice(2)).toEqual(["60", "60"]);
  expect(crater?.getAttribute("viewBox")?.split(" ").slice(2)).toEqual(["80", "80"]);
  expect(crater?.getAttribute("aria-label")).toContain("with a pinhole at 60.0 mm");
  expect(screen.getAllByRole("listitem")[1]?.textContent).toContain("doubtful");
  expect(screen.getAllByRole("listitem")[0]?.textContent).not.toContain("doubtful");
});

it("says where a current comes from and what heat and gas go with it", () => {
  const card = {
    current_a: { rule: "40 A for each mm", because: ["fillet", "one size up"] },
    opinions: [{ rule: "one amp a thou", current_a: 78.74 }],
    heat_kj_mm: { arc: 0.354, net: 0.212 },
    gas_l_per_run: 9.6,
    reynolds: 812.2,
  } as unknown as Schemas["Card"];
  show(
    <>
      <WhyCurrent card={card} />
      <HeatAndGas card={card} units={mm} />
    </>,
  );
  expect(screen.getByText("40 A for each mm; fillet, one size up.")).toBeTruthy();
  expect(screen.getByText("one amp a thou: 79 A")).toBeTruthy();
  expect(screen.getByText(/Heat 0.35 kJ\/mm at the arc, 0.21 reaches/).textContent).toContain(
    "Gas for a run of 100 mm: 10 L; Reynolds number 812.",
  );
});

it("tells what the measurement warns of, and nothing where it is sure", () => {
  const report = (warnings: string[]) => ({ quality: { warnings } }) as unknown as Schemas["Report"];
  show(
    <PhotoWarnings report={report([Object.keys(vocabulary.photoWarnings)[0] ?? "", "unsure: look twice"])} />,
  );
  expect(screen.getAllByRole("listitem").map((li) => li.textContent)).toEqual([
    "No card: the scale was given by hand, and colours are not corrected for the light.",
    "unsure: look twice",
  ]);
  cleanup();
  show(<PhotoWarnings report={report([])} />);
  expect(screen.queryByRole("list")).toBeNull();
});

it("has the words, limits and units of the server's tables", () => {
  expect(percent(null)).toBe("–");
  expect(percent(0.0613)).toBe("6.1%");
  expect(wholePercent(0.8)).toBe("80%");
  expect(dateWords("2026-11-03T18:00:00Z")).toBe("3 Nov");
  expect(quantityOf("current_a")?.unit).toBe("A");
  expect(quantityOf("nonsense")).toBeUndefined();
  expect(optionsOf("finish").length).toBeGreaterThan(1);
  for (const code of optionsOf("finish")) expect(finishWords(code)).toMatch(/^.+: .+/);
  expect(tintWords(0)).toMatch(/^0 \w+/);
  expect([isTube("tube_butt"), isTube("butt")]).toEqual([true, false]);
});
