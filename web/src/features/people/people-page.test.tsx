// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { PeoplePage } from "./people-page";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const MEMBERS = "/api/courses/7/members";
const GUS = { id: 3, role: "student", user: { id: 30, display_name: "Gus" } };
const JOIN = { address: "http://here/join?code=ABCD2345", picture: "data:image/svg+xml," };

function served(more: Record<string, unknown> = {}) {
  return serve({
    [`GET ${MEMBERS}`]: { next: null, results: [GUS] },
    "GET /api/courses/7/join-code": { code: "ABCD2345", left: 2, until: null, ...JOIN },
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
  await userEvent.click(screen.getByRole("button", { name: "Reset password of Gus" }));
  expect(await screen.findByText("http://here/reset/30/token")).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: "Remove Gus from course" }));
  expect(changes(calls)).toHaveLength(2);
  await userEvent.click(screen.getByRole("button", { name: "Remove Gus" }));
  await waitFor(() => expect(changes(calls)).toHaveLength(3));
  expect(changes(calls).map((call) => `${call.method} ${call.path}`)).toEqual([
    `PUT ${MEMBERS}/3`,
    `POST ${MEMBERS}/3/reset`,
    `DELETE ${MEMBERS}/3`,
  ]);
});

it("limits the join code and makes a course like this one", async () => {
  const calls = served({
    "PUT /api/courses/7/join-code": { code: "NEW12345", left: 5, until: null, ...JOIN },
    "POST /api/courses": { courses: [{ id: 8, name: "Next", role: "instructor" }] },
  });
  show(<PeoplePage />);
  expect(await screen.findByText(/open to 2 more/)).toBeTruthy();
  await userEvent.type(screen.getByLabelText("Places left (empty: no limit)"), "5");
  await userEvent.click(screen.getByRole("button", { name: "Create new code" }));
  expect(await screen.findByText("NEW12345")).toBeTruthy();
  await userEvent.type(screen.getByLabelText("Course name"), "Next");
  await userEvent.click(screen.getByRole("button", { name: "Create course" }));
  await waitFor(() => expect(changes(calls)).toHaveLength(2));
  expect(changes(calls).map((call) => call.body)).toEqual([
    { renew: true, left: 5, until: null },
    { name: "Next", like: 7 },
  ]);
});

it("moves a student to another course that one teaches, and archives the course when one is sure", async () => {
  const calls = served({ [`POST ${MEMBERS}/3/move`]: {}, "PUT /api/courses/7/archived": { courses: [] } });
  const courses = [
    { id: 7, name: "Session", role: "instructor", archived: false },
    { id: 9, name: "Spring", role: "instructor", archived: false },
    { id: 10, name: "Last year", role: "instructor", archived: true },
    { id: 11, name: "Elsewhere", role: "assistant", archived: false },
  ];
  show(<PeoplePage />, { courses });
  const to = await screen.findByLabelText<HTMLSelectElement>("Move Gus to another course");
  expect([...to.options].map((one) => one.text)).toEqual(["Move to …", "Spring"]);
  await userEvent.selectOptions(to, "9");
  await userEvent.click(screen.getByRole("button", { name: "Archive this course" }));
  expect(changes(calls)).toHaveLength(1);
  await userEvent.click(screen.getByRole("button", { name: "Archive course" }));
  await waitFor(() => expect(changes(calls)).toHaveLength(2));
  expect(changes(calls)[0]?.body).toEqual({ to: 9 });
});
