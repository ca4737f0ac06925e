// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { SchemesPage } from "./schemes-page";
import { lineFor } from "./scheme-shape";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const body = {
  title: "Training",
  lines: [lineFor("tint")],
  knock_outs: ["grey"],
  pass_mark: 70,
  time_limit_s: null,
};
const scheme = {
  code: "training",
  version: 1,
  body,
  used: 12,
  own: false,
  created_at: "2026-11-01T10:00:00Z",
};
const mark = { attempt: 4, student: "Wen", title: "Lap", number: 2, total: 74, passed: true };
const tried = { marks: [{ ...mark, new_total: 66, new_passed: false }], pass_anew: 0, fail_anew: 1 };

it("shows what a change would have done before it is kept as the next version", async () => {
  const calls = serve({
    "GET /api/courses/7/schemes": [scheme],
    "POST /api/courses/7/schemes/try": tried,
    "POST /api/courses/7/schemes": [{ ...scheme, version: 2, own: true }],
  });
  show(<SchemesPage />);
  const pass = await screen.findByLabelText("Pass mark");
  await userEvent.clear(pass);
  await userEvent.type(pass, "80");
  await waitFor(() => {
    const last = calls.filter((c) => c.path.endsWith("/try")).at(-1);
    expect(last?.body).toMatchObject({ code: "training", scheme: { pass_mark: 80 } });
  });
  expect((await screen.findByRole("status")).textContent).toContain("1 would now fail");
  expect(screen.getByRole("link", { name: "Wen, Lap, attempt 2" })).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: "Save as next version" }));
  await screen.findByText(/version 2, your own/);
});

it("adds, weighs and removes lines, and opens a curve whose points can be typed", async () => {
  serve({
    "GET /api/courses/7/schemes": [scheme],
    "POST /api/courses/7/schemes/try": { ...tried, marks: [] },
  });
  show(<SchemesPage />);
  await userEvent.selectOptions(await screen.findByLabelText("Add criterion"), "width_evenness");
  expect(screen.getByLabelText<HTMLInputElement>("Weight of Even width").value).toBe("10");
  await userEvent.click(screen.getByRole("button", { name: /Even width/, expanded: false }));
  const point = screen.getByLabelText<HTMLInputElement>("Even width, point 2: figure (share)");
  await userEvent.clear(point);
  await userEvent.type(point, "0,08");
  await userEvent.tab();
  expect(screen.getByLabelText<HTMLInputElement>("Even width, point 2: figure (share)").value).toBe("0.08");
  await userEvent.click(screen.getByRole("button", { name: "Remove Even width" }));
  expect(screen.queryByLabelText("Weight of Even width")).toBeNull();
  expect(await screen.findByText(/No marks use this scheme/)).toBeTruthy();
});
