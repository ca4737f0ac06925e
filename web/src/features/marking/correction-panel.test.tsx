// @vitest-environment jsdom
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { show } from "../../testing/render";
import { CorrectionPanel, type FaultDraft } from "./correction-panel";
import type { Step, Tool } from "./correction-shape";

afterEach(cleanup);

const overlay: Schemas["Overlay"] = {
  size: [100, 100],
  left: [],
  right: [],
  centre: [],
  fronts: [],
  s_mm: [0, 1],
  left_n_mm: [-2, -2],
  right_n_mm: [2, 2],
};
const report = { ripple: { positions_mm: [0.1] } } as unknown as Schemas["Report"];

function Panel({ correct, kept = overlay }: { correct: (step: Step) => void; kept?: Schemas["Overlay"] }) {
  const [tool, setTool] = useState<Tool>("toe");
  const [reach, setReach] = useState(4);
  const [fault, setFault] = useState<FaultDraft>({ kind: "pore", size: "1" });
  const units = { length: "mm", flow: "l_min" } as const;
  return (
    <CorrectionPanel
      {...{ report, units, tool, setTool, reach, setReach, fault, setFault, correct }}
      overlay={kept}
      faultSize={fault.size === "" ? null : Number(fault.size)}
      busy={false}
      error={null}
    />
  );
}

it("nudges a toe at the red line over the reach that is chosen", async () => {
  const correct = vi.fn();
  show(<Panel correct={correct} />);
  await userEvent.selectOptions(screen.getByLabelText(/moves over/), "10");
  await userEvent.click(screen.getByRole("button", { name: "Right toe out" }));
  expect(correct).toHaveBeenCalledWith({ step: "move_toe", side: "right", s_mm: 0, n_mm: 2.1, reach_mm: 10 });
});

it("joins a front that is there", async () => {
  const correct = vi.fn();
  show(<Panel correct={correct} />);
  await userEvent.click(screen.getByRole("button", { name: "Add or remove fronts" }));
  await userEvent.click(screen.getByRole("button", { name: "Add or remove front at the red line" }));
  expect(correct).toHaveBeenCalledWith({ step: "remove_front", s_mm: 0 });
});

it("adds a fault of every kind the core knows, of the size typed, and none without a size", async () => {
  const correct = vi.fn();
  show(<Panel correct={correct} />);
  await userEvent.click(screen.getByRole("button", { name: "Mark faults" }));
  await userEvent.selectOptions(screen.getByLabelText("Kind"), "burn-through");
  const add = screen.getByRole<HTMLButtonElement>("button", { name: /Add fault/ });
  await userEvent.click(add);
  expect(correct).toHaveBeenCalledWith({
    step: "add_fault",
    kind: "burn_through",
    s_mm: 0,
    n_mm: 0,
    size_mm: 1,
  });
  await userEvent.clear(screen.getByLabelText(/Size/));
  expect(add.disabled).toBe(true);
});

it("says that a result without a trace cannot be corrected", () => {
  show(<Panel correct={vi.fn()} kept={{ ...overlay, left_n_mm: undefined as never }} />);
  expect(screen.getByText(/can't be corrected/)).toBeTruthy();
});
