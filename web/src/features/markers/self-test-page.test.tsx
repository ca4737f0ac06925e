// @vitest-environment jsdom
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Navigate, Route, Routes } from "react-router";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { MarkersPage } from "./markers-page";
import { SelfTestPage } from "./self-test-page";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const bead = {
  id: 31,
  title: "Lap",
  target_width_mm: 4,
  measurement: null,
  lines: { tint: "Tint" },
  given: null,
  given_total: null,
  scores: null,
  total: null,
  comment: null,
};
const test = { id: 2, finished: false, result: null, beads: [bead] };
const over = {
  ...test,
  finished: true,
  result: { said: "second marks lie level with first ones" },
  beads: [{ ...bead, given: { scores: { tint: 8 } }, given_total: 80, total: 70, comment: "a 7 for tint" }],
};

it("takes one's mark of a bead and then shows it beside the reference", async () => {
  const calls = serve({
    "GET /api/courses/7/self-tests/2": test,
    "PUT /api/courses/7/self-tests/2/beads/31": over,
  });
  show(
    <Routes>
      <Route path="/" element={<Navigate to="/self-test/2" />} />
      <Route path="/self-test/:testId" element={<SelfTestPage />} />
    </Routes>,
  );
  await screen.findByText("Bead 1 of 1");
  expect(screen.queryByText("a 7 for tint")).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: "Tint: half a point more" }));
  await userEvent.click(screen.getByRole("button", { name: "Save my mark" }));
  expect(await screen.findByText("a 7 for tint")).toBeTruthy();
  expect(calls.find((c) => c.method === "PUT")?.body).toEqual({ scores: { tint: 7.5 } });
});

it("says how alike two mark, offers what would fit better and sets the share", async () => {
  const one = { value: 0.5, low: 0.1, high: 0.9 };
  const calls = serve({
    "GET /api/courses/7/agreement": {
      share: 10,
      lines: [
        {
          key: "tint",
          words: "Tint",
          pairs: 12,
          difference: one,
          kappa: one,
          icc: null,
          said: "both agree fairly",
        },
      ],
      markers: [
        {
          marker: { id: 1, display_name: "Ilka" },
          marks: 30,
          usual: 1,
          moving: [1, 8],
          limits: [3, 4],
          drifts: true,
          said: "drifts",
        },
      ],
      departures: [{ criterion: "tint", words: "Tint", marks: 30, difference: one, said: "above" }],
      causes: [],
      months: [],
      offers: [{ code: "training", title: "Training", version: 1, changed: ["Tint"], scheme: {} }],
    },
    "GET /api/courses/7/references": { tested: false, references: [] },
    "PUT /api/courses/7/second-share": { share: 25 },
  });
  show(<MarkersPage />);
  expect((await screen.findByRole("row", { name: /both agree fairly/ })).textContent).toContain(
    "0.50 (0.10 to 0.90)",
  );
  expect(screen.getByRole("img", { name: "Ilka: drifts" })).toBeTruthy();
  expect(screen.getByRole("link", { name: /as a new version/ }).getAttribute("href")).toBe(
    "/course/7/schemes?scheme=training&offer=1",
  );
  await userEvent.clear(screen.getByLabelText("Share, %"));
  await userEvent.type(screen.getByLabelText("Share, %"), "25");
  await userEvent.click(screen.getByRole("button", { name: "Save share" }));
  expect(calls.find((c) => c.method === "PUT")?.body).toEqual({ share: 25 });
});
