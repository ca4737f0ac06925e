// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { WorkshopPage } from "./workshop-page";
import { WorkshopPeoplePage } from "./workshop-people-page";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const MILL = { name: "Mill", second_factor: false, photo_retention_days: null };
const EVENING = { id: 3, name: "Session", people: 1, archived_at: null, role: null };
const GUS = {
  id: 30,
  username: "gus",
  display_name: "Gus",
  owns: false,
  is_active: true,
  second_factor: true,
  courses: [{ course: "Session", role: "student" }],
};
const changed = (calls: { method: string; path: string; body: unknown }[]) =>
  calls.filter((call) => call.method !== "GET").map((call) => [`${call.method} ${call.path}`, call.body]);

it("sets what holds in all courses and takes part in one", async () => {
  const calls = serve({
    "GET /api/workshop": MILL,
    "GET /api/workshop/courses": [EVENING],
    "PUT /api/workshop": MILL,
    "PUT /api/workshop/courses/3/part": { courses: [] },
  });
  show(<WorkshopPage />);
  await userEvent.click(await screen.findByLabelText("Require a second factor for everyone who teaches"));
  await userEvent.type(screen.getByLabelText(/Delete photos, keep strips/), "400");
  await userEvent.click(screen.getByRole("button", { name: "Save settings" }));
  await userEvent.click(await screen.findByRole("button", { name: "Join Session" }));
  await waitFor(() => expect(changed(calls)).toHaveLength(2));
  expect(changed(calls)).toEqual([
    ["PUT /api/workshop", { name: "Mill", second_factor: true, photo_retention_days: 400 }],
    ["PUT /api/workshop/courses/3/part", null],
  ]);
});

it("keeps somebody out, hands over a link, takes a lost second factor away", async () => {
  const calls = serve({
    "GET /api/workshop/people": { next: null, results: [GUS] },
    "PUT /api/workshop/people/30": GUS,
    "POST /api/workshop/people/30/reset": { name: "Gus", address: "http://here/reset/30/t" },
    "DELETE /api/workshop/people/30/second-factor": {},
  });
  show(<WorkshopPeoplePage />);
  await userEvent.click(await screen.findByLabelText("may sign in Gus"));
  await userEvent.click(screen.getByRole("button", { name: "Reset password of Gus" }));
  expect(await screen.findByText("http://here/reset/30/t")).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: "Remove second factor of Gus" }));
  await waitFor(() => expect(changed(calls)).toHaveLength(3));
  expect(changed(calls)[0]).toEqual(["PUT /api/workshop/people/30", { owns: false, is_active: false }]);
});

it("removes somebody only when asked twice", async () => {
  const calls = serve({
    "GET /api/workshop/people": { next: null, results: [GUS] },
    "DELETE /api/workshop/people/30": {},
  });
  show(<WorkshopPeoplePage />);
  await userEvent.click(await screen.findByRole("button", { name: "Remove Gus" }));
  await userEvent.click(screen.getByRole("button", { name: "Cancel" }));
  await userEvent.click(screen.getByRole("button", { name: "Remove Gus" }));
  expect(changed(calls)).toEqual([]);
  await userEvent.click(screen.getByRole("button", { name: "Remove Gus" }));
  await waitFor(() => expect(changed(calls)).toEqual([["DELETE /api/workshop/people/30", null]]));
});
