// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../testing/render";
import { ReadGauge } from "./read-gauge";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const KEPT = { id: 1, at: "2026-03-03T18:00:00Z", bar: 150, temperature_c: null, off_bar: 5, how: "typed" };

it("sends a typed pressure, comma or point", async () => {
  const calls = serve({ "POST /api/bottles/4/readings": KEPT });
  const done = vi.fn();
  show(<ReadGauge bottle={4} done={done} />);
  await userEvent.type(screen.getByLabelText("Gauge, bar"), "150,5");
  await userEvent.type(screen.getByLabelText("Bottle, °C"), "18");
  await userEvent.click(screen.getByRole("button", { name: "Save reading" }));
  await waitFor(() => expect(done).toHaveBeenCalledWith(KEPT));
  expect(calls[0]?.body).toEqual({ bar: 150.5, temperature_c: 18 });
});

it("asks for four taps in their order and sends them in the photo's own pixels", async () => {
  const calls = serve({ "POST /api/bottles/4/readings": KEPT });
  vi.stubGlobal(
    "URL",
    Object.assign(URL, { createObjectURL: () => "blob:gauge", revokeObjectURL: () => {} }),
  );
  show(<ReadGauge bottle={4} done={() => {}} />);
  const file = new File(["x"], "gauge.jpg", { type: "image/jpeg" });
  await userEvent.upload(screen.getByLabelText("Or photograph the gauge"), file);
  const image = screen.getByAltText<HTMLImageElement>("The gauge as photographed");
  Object.defineProperty(image, "naturalWidth", { value: 800 });
  Object.defineProperty(image, "naturalHeight", { value: 600 });
  fireEvent.load(image);
  const taps = screen.getByTestId("gauge-taps");
  taps.getBoundingClientRect = () => ({ left: 10, top: 20, width: 400, height: 300 }) as DOMRect;
  const tap = (x: number, y: number) => fireEvent.click(taps, { clientX: 10 + x, clientY: 20 + y });
  expect(screen.getByRole("status").textContent).toContain("hub");
  tap(200, 150);
  tap(0, 0);
  await userEvent.click(screen.getByRole("button", { name: "Undo last tap" }));
  expect(screen.getByRole("status").textContent).toContain("tip");
  tap(200, 60);
  tap(120, 240);
  tap(280, 240);
  expect(screen.getByRole("status").textContent).toContain("All four");
  await userEvent.type(screen.getByLabelText("End of scale, bar"), "315");
  await userEvent.click(screen.getAllByRole("button", { name: "Save reading" }).at(-1) as HTMLElement);
  await waitFor(() => expect(calls).toHaveLength(1));
  expect(calls[0]?.body).toEqual({
    dial: { hub: [400, 300], tip: [400, 120], zero: [240, 480], full: [560, 480], full_bar: 315 },
    temperature_c: null,
  });
});
