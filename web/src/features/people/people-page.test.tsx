// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { AccountPage } from "./account-page";
import { PeoplePage } from "./people-page";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const MEMBERS = "/api/courses/7/members";
const GUS = { id: 3, role: "student", user: { id: 30, display_name: "Gus" } };

function served(more: Record<string, unknown> = {}) {
  return serve({
    [`GET ${MEMBERS}`]: { next: null, results: [GUS] },
    "GET /api/courses/7/join-code": { code: "ABCD2345", left: 2, until: null },
    ...more,
  });
}
const changes = (calls: { method: string; path: string; body: unknown }[]) =>
  calls.filter((call) => call.method !== "GET");

it("gives roles, asks before somebody is let go, and shows a reset link once", async () => {
  const calls = served({
    [`PUT ${MEMBERS}/3`]: GUS,
    [`DELETE ${MEMBERS}/3`]: {},
    [`POST ${MEMBERS}/3/reset`]: { name: "Gus", address: "http://here/reset/30/token" },
  });
  show(<PeoplePage />);
  await userEvent.selectOptions(await screen.findByLabelText("Role of Gus"), "assistant");
  await userEvent.click(screen.getByRole("button", { name: "New password for Gus" }));
  expect(await screen.findByText("http://here/reset/30/token")).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: "Let Gus go" }));
  expect(changes(calls)).toHaveLength(2);
  await userEvent.click(screen.getByRole("button", { name: "Yes, let Gus go" }));
  await waitFor(() => expect(changes(calls)).toHaveLength(3));
  expect(changes(calls).map((call) => `${call.method} ${call.path}`)).toEqual([
    `PUT ${MEMBERS}/3`,
    `POST ${MEMBERS}/3/reset`,
    `DELETE ${MEMBERS}/3`,
  ]);
});

it("limits the join code and makes a course like this one", async () => {
  const calls = served({
    "PUT /api/courses/7/join-code": { code: "NEW12345", left: 5, until: null },
    "POST /api/courses": { courses: [{ id: 8, name: "Next", role: "instructor" }] },
  });
  show(<PeoplePage />);
  expect(await screen.findByText(/lets 2 more in/)).toBeTruthy();
  await userEvent.type(screen.getByLabelText("How many more (empty: any number)"), "5");
  await userEvent.click(screen.getByRole("button", { name: "A new code" }));
  expect(await screen.findByText("NEW12345")).toBeTruthy();
  await userEvent.type(screen.getByLabelText("What it is called"), "Next");
  await userEvent.click(screen.getByRole("button", { name: "Make it" }));
  await waitFor(() => expect(changes(calls)).toHaveLength(2));
  expect(changes(calls).map((call) => call.body)).toEqual([
    { renew: true, left: 5, until: null },
    { name: "Next", like: 7 },
  ]);
});

it("changes one's password and empties the fields", async () => {
  const calls = served({ "PUT /api/session/password": {} });
  show(<AccountPage />);
  await userEvent.type(screen.getByLabelText("The one you have"), "old-password");
  await userEvent.type(screen.getByLabelText("The new one, at least 8 characters"), "new-password");
  await userEvent.click(screen.getByRole("button", { name: "Change it" }));
  expect(await screen.findByText(/It is changed/)).toBeTruthy();
  expect(calls.at(-1)?.body).toEqual({ old: "old-password", password: "new-password" });
  expect(screen.getByLabelText<HTMLInputElement>("The one you have").value).toBe("");
});
