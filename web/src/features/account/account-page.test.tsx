// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { AccountPage } from "./account-page";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const SECOND = "/api/session/second-factor";
const BEGUN = { address: "otpauth://totp/x", picture: "data:image/svg+xml,", secret: "ABCDEF" };
const token = { id: "t1", name: "Sheet", scope: "read", created: "2026-01-01", expiry: "2026-04-01" };

it("changes one's password and empties the fields", async () => {
  const calls = serve({ "PUT /api/session/password": {}, "GET /api/tokens": [] });
  show(<AccountPage />);
  await userEvent.type(screen.getByLabelText("Current password"), "old-password");
  await userEvent.type(screen.getByLabelText("New password (at least 8 characters)"), "new-password");
  await userEvent.click(screen.getByRole("button", { name: "Save new password" }));
  expect(await screen.findByText(/Password changed/)).toBeTruthy();
  expect(calls.at(-1)?.body).toEqual({ old: "old-password", password: "new-password" });
  expect(screen.getByLabelText<HTMLInputElement>("Current password").value).toBe("");
});

it("sets up a second factor where the workshop asks for one, and nothing else is there", async () => {
  const calls = serve({ [`POST ${SECOND}`]: BEGUN, [`PUT ${SECOND}`]: { codes: ["aaaa1111", "bbbb2222"] } });
  show(<AccountPage />, { second_factor: "missing" });
  expect(screen.queryByText("API tokens")).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: "Set up second factor" }));
  await userEvent.type(await screen.findByLabelText("Six-digit code"), "123456");
  await userEvent.click(screen.getByRole("button", { name: "Turn on second factor" }));
  expect(await screen.findByText("bbbb2222")).toBeTruthy();
  expect(calls.find((call) => call.method === "PUT")?.body).toEqual({ code: "123456" });
});

it("makes a token whose secret is shown once, and ends one", async () => {
  const calls = serve({
    "GET /api/tokens": [token],
    "POST /api/tokens": { secret: "judicum_s3cret", token },
    "DELETE /api/tokens/t1": {},
  });
  show(<AccountPage />);
  expect(await screen.findByText(/read, until/)).toBeTruthy();
  await userEvent.type(screen.getByLabelText("Purpose"), "Class list");
  await userEvent.click(screen.getByRole("button", { name: "read and write" }));
  await userEvent.click(screen.getByRole("button", { name: "Create token" }));
  expect(await screen.findByText("judicum_s3cret")).toBeTruthy();
  expect(calls.find((call) => call.method === "POST")?.body).toEqual({
    name: "Class list",
    scope: "write",
    days: 90,
  });
  await userEvent.click(screen.getByRole("button", { name: "Revoke Sheet" }));
  await waitFor(() => expect(calls.some((call) => call.method === "DELETE")).toBe(true));
});

it("takes the password where the mail address changes, and keeps what one is told of", async () => {
  const wish = { email: "", kinds: [] };
  const after = { email: "ilka@example.org", kinds: ["due"] };
  const calls = serve({
    "GET /api/tokens": [],
    "GET /api/session/mail": wish,
    "PUT /api/session/mail": after,
  });
  show(<AccountPage />);
  await userEvent.type(await screen.findByLabelText("Email address"), "ilka@example.org");
  await userEvent.type(screen.getByLabelText(/the address changes/), "a-good-password");
  await userEvent.click(screen.getByLabelText("a coupon is due tomorrow"));
  await userEvent.click(screen.getByRole("button", { name: "Save mail settings" }));
  await waitFor(() => expect(calls.some((call) => call.method === "PUT")).toBe(true));
  expect(calls.find((call) => call.method === "PUT")?.body).toEqual({
    ...after,
    password: "a-good-password",
  });
});
