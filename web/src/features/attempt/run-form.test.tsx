// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import type { Attempt } from "../../domain/use-attempt";
import { RunForm } from "./run-form";

beforeEach(() => localStorage.clear());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const attempt = { id: 5, version: 1, runs: [] } as unknown as Attempt;
const card = { current_a: 55, gas_l_min: 9, cup: 8 };
const calm = { deviations: [], warnings: [], besides: [] };
const slip = {
  deviations: [],
  besides: ["gas_unit_slip"],
  warnings: [
    {
      code: "gas_unit_slip",
      severity: "warn",
      message: "20 L/min looks like cubic feet per hour",
      meant: 9.4,
    },
  ],
};

function form(check: unknown = calm) {
  const calls = serve({ "POST /api/attempts/5/check": check, "PUT /api/attempts/5/runs/1": attempt });
  const close = vi.fn();
  show(
    <RunForm
      attempt={attempt}
      number={1}
      start={{ run: card, words: "with the card settings" }}
      card={card}
      last={null}
      units={{ length: "mm", flow: "l_min" }}
      readOff={null}
      close={close}
    />,
  );
  return { close, saved: () => calls.filter((c) => c.method === "PUT").map((c) => c.body) };
}

const save = () => userEvent.click(screen.getByRole("button", { name: "Save log" }));

it("opens filled and is saved as it is with one tap", async () => {
  const { close, saved } = form();
  await save();
  await waitFor(() => expect(close).toHaveBeenCalledOnce());
  expect(saved()[0]).toMatchObject({ current_a: 55, gas_l_min: 9, cup: 8, draught: null, restarts_mm: [] });
});

it("is not saved with what is no figure, and says which field", async () => {
  const { close, saved } = form();
  await userEvent.clear(screen.getByRole("textbox", { name: /^Gas flow/ }));
  await save();
  expect(screen.getByText("Required.")).toBeTruthy();
  expect(screen.getByRole("alert").textContent).toContain("Gas flow");
  expect([close.mock.calls.length, saved()]).toEqual([0, []]);
});

it("asks about a figure that looks typed in another unit before it is saved", async () => {
  const { saved } = form(slip);
  await screen.findByText(/cubic feet per hour/);
  await save();
  expect(saved()).toEqual([]);
  await userEvent.click(screen.getByRole("button", { name: "Use 9.4 L/min" }));
  expect(screen.getByRole<HTMLInputElement>("textbox", { name: /^Gas flow/ }).value).toBe("9.4");
});

it("times the arc with two taps", async () => {
  form();
  await userEvent.click(screen.getByRole("button", { name: /Start timer/ }));
  await userEvent.click(screen.getByRole("button", { name: /Stop timer/ }));
  expect(screen.getByRole<HTMLInputElement>("textbox", { name: /^Arc time/ }).value).toMatch(/^\d+(\.\d)?$/);
});

it("keeps what was noticed as ticks and choices", async () => {
  const { saved } = form();
  await userEvent.click(screen.getByLabelText("Draught noticed"));
  await userEvent.selectOptions(screen.getByLabelText("Tungsten after the weld"), "dull");
  await save();
  await waitFor(() => expect(saved()[0]).toMatchObject({ draught: true, electrode_after: "dull" }));
});
