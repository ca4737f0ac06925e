// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { FirstSteps } from "./first-steps";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const keys = ["card", "people", "coupon", "photo", "mark"] as const;
const guide = (done: string[], attempt: number | null = null) => ({
  steps: keys.map((key) => ({ key, done: done.includes(key) })),
  over: false,
  attempt,
});

it("does each of the first things in place, and is gone when dismissed", async () => {
  const calls = serve({
    "GET /api/courses/7/guide": guide(["coupon"]),
    "GET /api/courses/7": { id: 7, join_code: "k7-blue" },
    "PATCH /api/courses/7/guide": { steps: [], over: true, attempt: null },
    "POST /api/courses/7/guide/sample": guide(["coupon", "people", "photo"], 12),
  });
  show(<FirstSteps />);
  expect(await screen.findByText("k7-blue")).toBeTruthy();
  expect(screen.getByRole("link", { name: "Print card" }).getAttribute("href")).toBe(
    "/api/scale-card/window",
  );
  await userEvent.click(screen.getByRole("button", { name: "Send sample bead" }));
  const mark = await screen.findByRole("link", { name: "Mark it" });
  expect(mark.getAttribute("href")).toBe("/course/7/attempt/12");
  await userEvent.click(screen.getByRole("button", { name: "Dismiss guide" }));
  await waitFor(() => expect(screen.queryByText("First time here")).toBeNull());
  expect(calls.find((call) => call.method === "PATCH")?.body).toEqual({ tick: "over" });
});
