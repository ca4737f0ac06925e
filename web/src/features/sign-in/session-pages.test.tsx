// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import { JoinPage } from "./join-page";
import { SignInPage } from "./sign-in-page";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const begun = { id: 2, display_name: "Bram", length_unit: "mm", flow_unit: "l_min", courses: [] };

it("signs in with what was typed, by the enter key", async () => {
  const calls = serve({ "POST /api/session": begun });
  show(<SignInPage />);
  await userEvent.type(screen.getByLabelText("Name"), "bram");
  await userEvent.type(screen.getByLabelText("Password"), "a long secret{Enter}");
  await waitFor(() => expect(calls).toHaveLength(1));
  expect(calls[0]?.body).toEqual({ username: "bram", password: "a long secret" });
});

it("keeps what was typed and says what is wrong where it is refused", async () => {
  serve({});
  show(<SignInPage />);
  await userEvent.type(screen.getByLabelText("Name"), "bram");
  await userEvent.type(screen.getByLabelText("Password"), "wrong{Enter}");
  expect((await screen.findByRole("alert")).textContent).toContain("/api/session");
  expect(screen.getByLabelText<HTMLInputElement>("Name").value).toBe("bram");
});

it("asks for the second factor once name and password were right", async () => {
  const needed = { code: "second_factor_needed", status: 401, detail: "Type the code.", errors: [] };
  const fetches = vi.fn(
    async () => new Response(JSON.stringify(needed), { status: 401, headers: { "Content-Type": "a/json" } }),
  );
  vi.stubGlobal("fetch", fetches);
  show(<SignInPage />);
  expect(screen.queryByLabelText(/authenticator app/)).toBeNull();
  await userEvent.type(screen.getByLabelText("Name"), "bram");
  await userEvent.type(screen.getByLabelText("Password"), "a long secret{Enter}");
  const calls = serve({ "POST /api/session": begun });
  await userEvent.type(await screen.findByLabelText(/authenticator app/), "123456{Enter}");
  await waitFor(() => expect(calls).toHaveLength(1));
  expect(calls[0]?.body).toEqual({ username: "bram", password: "a long secret", code: "123456" });
});

it("asks somebody signed in for the code alone", async () => {
  const calls = serve({ "POST /api/join": begun });
  show(<JoinPage />);
  expect(screen.queryByLabelText(/Password/)).toBeNull();
  await userEvent.type(screen.getByLabelText("Course code"), "k7-blue{Enter}");
  await waitFor(() => expect(calls).toHaveLength(1));
  expect(calls[0]?.body).toEqual({ code: "k7-blue" });
});
