// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { serve, show } from "../../testing/render";
import { AssignForm } from "./assign-form";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const design = {
  id: 9,
  title: "Lap on 2 mm",
  target_width_mm: 4,
  finish: null,
} as unknown as Schemas["Design"];
const member = (id: number, display_name: string, role: string) => ({ role, user: { id, display_name } });
const answers = {
  "POST /api/courses/7/assignments": { id: 1 },
  "GET /api/courses/7/members": {
    next: null,
    results: [member(1, "Ilka", "instructor"), member(3, "Wen", "student"), member(4, "Oda", "student")],
  },
};

function form(units = {}) {
  const calls = serve(answers);
  const done = vi.fn();
  show(<AssignForm design={design} usual="bright" done={done} />, units);
  const given = () => calls.find((c) => c.method === "POST")?.body as Record<string, unknown> | undefined;
  return { given, done };
}

it("gives the whole class the coupon with the course's finish and is done", async () => {
  const { given, done } = form();
  await userEvent.click(screen.getByRole("button", { name: "Assign coupon" }));
  await waitFor(() => expect(done).toHaveBeenCalledOnce());
  expect(given()).toMatchObject({
    design: 9,
    target_width_mm: 4,
    finish: "bright",
    good_in_a_row: 3,
    students: null,
  });
  expect(given()?.due_on).toMatch(/^\d{4}-\d{2}-\d{2}$/);
});

it("gives it to some students only, and never lists the instructor", async () => {
  const { given, done } = form();
  await userEvent.click(screen.getByLabelText("Some students"));
  await userEvent.click(await screen.findByLabelText("Oda"));
  await userEvent.click(screen.getByLabelText("Wen"));
  await userEvent.click(screen.getByLabelText("Oda"));
  expect(screen.queryByLabelText("Ilka")).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: "Assign coupon" }));
  await waitFor(() => expect(done).toHaveBeenCalledOnce());
  expect(given()?.students).toEqual([3]);
});

it("takes the width in the person's unit and sends millimetres", async () => {
  const { given, done } = form({ length_unit: "thou", flow_unit: "cfh" });
  const width = screen.getByLabelText<HTMLInputElement>("Target bead width (thou)");
  expect(width.value).toBe("157");
  fireEvent.change(width, { target: { value: "200" } });
  await userEvent.click(screen.getByRole("button", { name: "Assign coupon" }));
  await waitFor(() => expect(done).toHaveBeenCalledOnce());
  expect(given()?.target_width_mm).toBeCloseTo(5.08, 6);
});

it("stays open with what the server refused", async () => {
  serve({ "GET /api/courses/7/members": answers["GET /api/courses/7/members"] });
  const done = vi.fn();
  show(<AssignForm design={design} usual="bright" done={done} />);
  await userEvent.click(screen.getByRole("button", { name: "Assign coupon" }));
  expect(await screen.findByRole("alert")).toBeTruthy();
  expect(done).not.toHaveBeenCalled();
  await userEvent.click(screen.getByRole("button", { name: "Cancel" }));
  expect(done).toHaveBeenCalledOnce();
});
