// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { Machine } from "./machine";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const BOOTHS = [
  { id: 1, name: "1", broken: "" },
  { id: 2, name: "2", broken: "pedal sticks" },
];
const WORKED = { at: "2026-03-03T18:00:00Z", words: ["current at the arc 58 A"], run: {} };

it("tells what worked on the machine, changes the booth and reports what is broken there", async () => {
  const calls = serve({
    "GET /api/attempts/5/machine": {
      booth: 1,
      booths: BOOTHS,
      worked: WORKED,
      advice: [],
      ac_controls: "",
      knobs: "Table 3: 0.8 rpm",
    },
    "PUT /api/attempts/5/machine": {
      booth: 2,
      booths: BOOTHS,
      worked: null,
      advice: [],
      ac_controls: "",
      knobs: "",
    },
    "POST /api/courses/7/booths/2/notes": BOOTHS[1],
  });
  show(<Machine attempt={5} />);
  expect(await screen.findByText(/current at the arc 58 A/)).toBeTruthy();
  await userEvent.selectOptions(screen.getByLabelText("Booth"), "2");
  expect(await screen.findByText("Reported fault: pedal sticks")).toBeTruthy();
  expect(screen.queryByText(/58 A/)).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: "Report a fault" }));
  await userEvent.type(screen.getByLabelText("What is broken?"), "no gas");
  await userEvent.click(screen.getByRole("button", { name: "Send" }));
  await waitFor(() => expect(calls.filter((c) => c.method !== "GET")).toHaveLength(2));
  expect(calls.filter((c) => c.method !== "GET").map((c) => c.body)).toEqual([
    { booth: 2 },
    { text: "no gas" },
  ]);
});

it("is not there where the course has no booths", async () => {
  serve({
    "GET /api/attempts/5/machine": {
      booth: null,
      booths: [],
      worked: null,
      advice: [],
      ac_controls: "",
      knobs: "",
    },
  });
  const { container } = show(<Machine attempt={5} />);
  await waitFor(() => expect(container.textContent).toBe(""));
});
