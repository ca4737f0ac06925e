// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { SessionsPage } from "./sessions-page";
import { clockAt, halfHours, moveOf, snapped } from "./times";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it("reads clocks past midnight, and keeps a moved slot on the step and inside of the session", () => {
  expect([clockAt("18:00", 40), clockAt("23:30", 45)]).toEqual(["18:40", "00:15"]);
  expect(halfHours(75)).toEqual([0, 30, 60]);
  expect([snapped(12, 45, 180), snapped(-9, 45, 180), snapped(170, 45, 180)]).toEqual([10, 0, 135]);
  expect([moveOf("ArrowLeft"), moveOf("a")]).toEqual([{ minutes: -5, rows: 0 }, null]);
});

const wen = { id: 3, display_name: "Wen" };
const oda = { id: 4, display_name: "Oda" };
const sessions = {
  time_zone: "UTC",
  changeover_minutes: 10,
  features: { ac: "AC", purge: "purge gas" },
  sessions: [{ id: 1, date: "2026-12-01", start: "18:00", minutes: 180, door_code: "4711" }],
  booths: [
    { id: 11, name: "1", has: ["ac"], broken: "", closed: [] },
    { id: 12, name: "2", has: [], broken: "pedal sticks", closed: [] },
  ],
  people: [wen, oda],
  attendance: [{ session: 1, student: 4, there: false }],
  slots: [
    {
      id: 21,
      session: 1,
      booth: 11,
      assignment: 5,
      title: "Lap",
      student: wen,
      start: 10,
      minutes: 45,
      kept: false,
    },
  ],
  work: [
    { assignment: 5, title: "Lap", student: wen, minutes: 45, wants: [], due_on: "2026-12-20" },
    { assignment: 6, title: "Tube", student: oda, minutes: 60, wants: ["purge gas"], due_on: "2026-12-20" },
  ],
};
const base = "/api/courses/7";

function page() {
  const unplaced = [{ assignment: 6, student: 4, why: "no_booth_has", words: "no booth has purge gas" }];
  const calls = serve({
    [`GET ${base}/sessions`]: sessions,
    [`GET ${base}/calendar`]: { address: "/api/calendar/x.ics" },
    [`PUT ${base}/rota`]: { sessions, unplaced: [], gone: ["Oda, Tube"] },
    [`POST ${base}/rota`]: { sessions, unplaced, gone: [] },
    "PUT /api/sessions/1/attendance": {},
    [`POST ${base}/booths`]: sessions,
  });
  show(<SessionsPage />);
  return () => calls.filter((c) => c.method !== "GET");
}

it("moves a slot by arrow keys and says who had to go for it", async () => {
  const written = page();
  const bar = await screen.findByRole("button", { name: "Wen, Lap, booth 1, 18:10 to 18:55" });
  fireEvent.keyDown(bar, { key: "ArrowDown" });
  await waitFor(() => expect(written()).toHaveLength(1));
  expect(written()[0]?.body).toEqual({ assignment: 5, student: 3, session: 1, booth: 12, start: 10 });
  expect(await screen.findByText(/Moved out to make room: Oda, Tube/)).toBeTruthy();
  fireEvent.keyDown(bar, { key: "ArrowRight" });
  await waitFor(() => expect(written()).toHaveLength(2));
  expect(written()[1]?.body).toMatchObject({ booth: 11, start: 15 });
});

it("plans the rest and says why something has no place", async () => {
  const written = page();
  await userEvent.click(await screen.findByRole("button", { name: "Schedule the rest" }));
  const left = screen.getByRole("region", { name: "Not scheduled" });
  expect(await within(left).findByText("no booth has purge gas")).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: "Oda to booth 1" }));
  await waitFor(() => expect(written()).toHaveLength(2));
  expect(written()[1]?.body).toMatchObject({ assignment: 6, student: 4, booth: 11, start: 65 });
});

it("takes attendance by tapping names, and makes a booth", async () => {
  const written = page();
  await userEvent.click(await screen.findByRole("button", { name: "Wen: not recorded" }));
  await userEvent.click(screen.getByRole("button", { name: "Oda: absent" }));
  await waitFor(() =>
    expect(written().map((c) => c.body)).toEqual([
      { student: 3, there: true },
      { student: 4, there: null },
    ]),
  );
  await userEvent.click(screen.getByRole("button", { name: "Add booth …" }));
  await userEvent.type(screen.getByLabelText("Name"), "5");
  await userEvent.click(screen.getByLabelText("AC"));
  await userEvent.click(screen.getByRole("button", { name: "Save booth" }));
  await waitFor(() => expect(written()).toHaveLength(3));
  expect(written()[2]?.body).toMatchObject({ name: "5", has: ["ac"], broken: "", closed: [] });
});
