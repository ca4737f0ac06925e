// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { MySessions } from "./my-sessions";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it("tells where I stand and what to bring, and lets me say that I will be absent and that Check in", async () => {
  const calls = serve({
    "GET /api/courses/7/my-sessions": {
      slots: [
        {
          when: "Tue 1 Dec, 18:40",
          booth: "4",
          broken: "pedal sticks",
          title: "Butt",
          minutes: 45,
          bring: "blanks",
        },
      ],
      sessions: [{ id: 2, when: "Tue 1 Dec, 18:00", away: false, there: false, now: true }],
    },
    "PUT /api/sessions/2/attendance": {},
    "POST /api/sessions/2/door": {},
  });
  show(<MySessions />);
  expect(await screen.findByText("Tue 1 Dec, 18:40: booth 4")).toBeTruthy();
  expect(screen.getByText("Booth note: pedal sticks")).toBeTruthy();
  await userEvent.click(screen.getByText("Upcoming sessions"));
  await userEvent.click(screen.getByRole("button", { name: "I will be absent" }));
  await userEvent.type(screen.getByLabelText("Door code"), "4711");
  await userEvent.click(screen.getByRole("button", { name: "Check in" }));
  await waitFor(() => expect(calls.filter((c) => c.method !== "GET")).toHaveLength(2));
  expect(calls.filter((c) => c.method !== "GET").map((c) => c.body)).toEqual([
    { student: 1, there: false },
    { code: "4711" },
  ]);
});
