// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { ReportsPage } from "./reports-page";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const made = {
  id: 4,
  student: null,
  paper: "a4",
  period: "the whole course",
  asked_at: "2026-11-01T10:00:00Z",
};

it("makes a report of everybody on the paper chosen, follows it, and measures all again", async () => {
  const calls = serve({
    "GET /api/courses/7/reports": [
      { ...made, state: "making", done: 3, total: 10 },
      { ...made, id: 5, state: "done", done: 10, total: 10 },
    ],
    "POST /api/courses/7/reports": { ...made, state: "waiting", done: 0, total: 10 },
    "GET /api/courses/7/members": { next: null, results: [{ user: { id: 3, display_name: "Wen" } }] },
    "GET /api/courses/7/engines": {
      present: "3.0",
      outdated: 12,
      corrected: 2,
      running: false,
      done: 0,
      total: 0,
    },
    "POST /api/courses/7/engines": {
      present: "3.0",
      outdated: 12,
      corrected: 2,
      running: true,
      done: 4,
      total: 12,
    },
  });
  show(<ReportsPage />);
  expect(await screen.findByRole("progressbar", { name: "Students drawn" })).toBeTruthy();
  expect(screen.getByRole("link", { name: "Open" }).getAttribute("href")).toBe("/api/reports/5/file");
  await userEvent.click(screen.getByRole("button", { name: "Letter" }));
  expect(screen.getByRole("link", { name: "PDF, Letter" }).getAttribute("href")).toContain("paper=letter");
  await userEvent.click(screen.getByRole("button", { name: "Create report" }));
  await waitFor(() => expect(calls.some((c) => c.method === "POST")).toBe(true));
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({
    student: null,
    paper: "letter",
    since: null,
    until: null,
  });
  await userEvent.click(await screen.findByRole("button", { name: "Measure all again with version 3.0" }));
  expect(await screen.findByText("4 of 12 measured again")).toBeTruthy();
  expect(screen.getByRole("button", { name: /Stop/ })).toBeTruthy();
});
