// @vitest-environment jsdom
import { cleanup, fireEvent, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { Refused } from "../api/client";
import { show } from "../testing/render";
import { ChoiceField } from "../ui/choice-field";
import { Toggle } from "../ui/field";
import { Empty, Loading, Problem } from "../ui/states";
import { Stepper } from "../ui/stepper";
import { UnitField } from "./unit-field";
import { stepped } from "./units";

afterEach(cleanup);
const metric = { length: "mm", flow: "l_min" } as const;
const thou = { length: "thou", flow: "cfh" } as const;

function stepper(value: string, step = 0.1) {
  const change = vi.fn();
  show(
    <Stepper
      id="w"
      label="Width"
      unit="mm"
      value={value}
      next={(typed, by) => stepped(typed, by, "plain", metric, step)}
      onChange={change}
    />,
  );
  return change;
}

it.each([
  ["2.5", "Width: more", "2.6"],
  ["2,5", "Width: less", "2.4"],
  ["0.05", "Width: less", "0.0"],
  ["about five", "Width: more", "0.1"],
])("steps %s by %s to %s", async (value, button, expected) => {
  const change = stepper(value);
  await userEvent.click(screen.getByRole("button", { name: button }));
  expect(change).toHaveBeenCalledExactlyOnceWith(expected);
});

it("steps whole figures without a decimal", async () => {
  const change = stepper("50", 5);
  await userEvent.click(screen.getByRole("button", { name: "Width: more" }));
  expect(change).toHaveBeenCalledExactlyOnceWith("55");
});

it("ties the error to its figure", () => {
  show(
    <Stepper
      id="w"
      label="Width"
      unit="mm"
      value="99"
      next={(typed) => typed}
      required
      error="0 to 20 mm"
      onChange={vi.fn()}
    />,
  );
  const input = screen.getByLabelText(/Width.*required/);
  expect(input.getAttribute("aria-invalid")).toBe("true");
  const hint = document.getElementById(input.getAttribute("aria-describedby") ?? "");
  expect(hint?.textContent).toBe("0 to 20 mm");
});

it("asks for a figure in the person's unit and hands on what is typed", () => {
  const change = vi.fn();
  show(<UnitField label="Gap" quantity="length" units={thou} value="" placeholder="4" onChange={change} />);
  fireEvent.change(screen.getByLabelText("Gap (thou)"), { target: { value: "3,5" } });
  expect(change).toHaveBeenCalledExactlyOnceWith("3,5");
});

it("says what is wrong under a figure", () => {
  show(
    <UnitField
      label="Gap"
      quantity="length"
      units={thou}
      value="-1"
      error="not below nothing"
      onChange={vi.fn()}
    />,
  );
  expect(screen.getByRole("textbox").getAttribute("aria-invalid")).toBe("true");
  expect(screen.getByText("not below nothing")).toBeTruthy();
});

it("offers choices by their words, with a line for none where there may be none", async () => {
  const change = vi.fn();
  show(
    <ChoiceField
      label="Side"
      value=""
      options={["l", "r"]}
      words={(code) => (code === "l" ? "Left" : "Right")}
      empty="either"
      onChange={change}
    />,
  );
  expect(screen.getAllByRole("option").map((o) => o.textContent)).toEqual(["either", "Left", "Right"]);
  await userEvent.selectOptions(screen.getByLabelText("Side"), "Right");
  expect(change).toHaveBeenCalledExactlyOnceWith("r");
});

it("turns a switch by its words", async () => {
  const change = vi.fn();
  show(
    <Toggle checked={false} onChange={change}>
      Purged
    </Toggle>,
  );
  await userEvent.click(screen.getByText("Purged"));
  expect(change).toHaveBeenCalledExactlyOnceWith(true);
});

it("tells every refused field with what was given and what is allowed", () => {
  const refused = new Refused({
    code: "invalid",
    detail: "2 fields",
    errors: [
      {
        field: "current_a",
        words: "Welding current",
        given: "900",
        allowed: "5 to 400 A",
        message: "Welding current: enter 5 to 400 A (you entered 900).",
      },
      { field: "wire_mm", words: "Wire", given: null, allowed: "a value", message: "Wire: enter a value." },
    ],
  } as unknown as ConstructorParameters<typeof Refused>[0]);
  show(<Problem error={refused} />);
  expect(screen.getByRole("alert").textContent).toContain(
    "Welding current: enter 5 to 400 A (you entered 900).",
  );
  expect(screen.getByRole("alert").textContent).toContain("Wire: enter a value.");
});

it("tells any other error and offers to try again", async () => {
  const again = vi.fn();
  show(<Problem error={new Error("The server cannot be reached.")} again={again} />);
  expect(screen.getByText("The server cannot be reached.")).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: "Try again" }));
  expect(again).toHaveBeenCalledOnce();
});

it("shows no alert where nothing went wrong, what is fetched while it is, and why a list is empty", () => {
  show(
    <>
      <Problem error={null} />
      <Loading />
      <Empty>Nothing waits.</Empty>
    </>,
  );
  expect(screen.queryByRole("alert")).toBeNull();
  expect(screen.getByRole("status").textContent).toContain("Loading …");
  expect(screen.getByText("Nothing waits.")).toBeTruthy();
});
