// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { csvOf, svgOf } from "./export-plot";
import { PlotFrame, TablesSwitch } from "./plot-frame";

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

it("writes CSV that a spreadsheet reads and does not run", () => {
  expect(
    csvOf([
      ["Student", "Width"],
      ['Wen "W"', "6,1 %"],
      ["=1+1", "-2"],
    ]),
  ).toBe('Student,Width\r\n"Wen ""W""","6,1 %"\r\n\'=1+1,\'-2\r\n');
});

it("writes an SVG that stands on its own", () => {
  render(
    <svg data-testid="plot" width="40" height="20">
      <circle r="3" style={{ fill: "rgb(1, 2, 3)" }} />
    </svg>,
  );
  const file = svgOf(screen.getByTestId<HTMLElement & SVGSVGElement>("plot"));
  expect(file).toContain('xmlns="http://www.w3.org/2000/svg"');
  expect(file).toContain("fill:rgb(1, 2, 3)");
});

it("says a plot in words and shows its table and files on a key", async () => {
  const saved: string[] = [];
  vi.spyOn(HTMLAnchorElement.prototype, "click").mockImplementation(function (this: HTMLAnchorElement) {
    saved.push(this.download);
  });
  Object.assign(URL, { createObjectURL: () => "blob:x", revokeObjectURL: () => undefined });
  const rows = [
    ["Attempt", "Width"],
    ["1 Oct", "6.1 %"],
  ];
  render(
    <>
      <TablesSwitch />
      <PlotFrame title="Even width: 6.1 %" words="Even width: steady" rows={rows}>
        <svg width="40" height="20" />
      </PlotFrame>
    </>,
  );
  expect(screen.getByRole("img", { name: "Even width: steady" })).toBeTruthy();
  expect(screen.queryByRole("table")).toBeNull();
  await userEvent.keyboard("t");
  expect(screen.getByRole("cell", { name: "6.1 %" })).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: "Save CSV" }));
  await userEvent.click(screen.getByRole("button", { name: "Save SVG" }));
  expect(saved).toEqual(["even-width.csv", "even-width.svg"]);
  await userEvent.click(screen.getByRole("button", { name: /Tables and files/ }));
  expect(screen.queryByRole("table")).toBeNull();
});
