// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { show } from "../../testing/render";
import { RecordsPage } from "./records-page";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const line = (given: object) => ({
  line: 2,
  outcome: "made",
  what: "",
  problems: [],
  hand_over: null,
  ...given,
});
const TABLE = new File(["username\nrunar\n"], "class.csv", { type: "text/csv" });

/** Answers the two calls of a table; what was sent is kept. */
function served(foreseen: object[], done: object[] = []) {
  const sent: string[] = [];
  vi.stubGlobal("fetch", async (request: Request) => {
    sent.push(`${request.method} ${new URL(request.url).pathname} ${await request.text()}`);
    const kept = request.method === "PUT";
    const answer = { kept, lines: kept ? done : foreseen };
    return new Response(JSON.stringify(answer), { headers: { "Content-Type": "application/json" } });
  });
  return sent;
}

it("tells what each line would do before anything is kept, then keeps all of it", async () => {
  const made = line({ what: "Runar, a new account" });
  const sent = served([made], [{ ...made, hand_over: "http://here/reset/5/t" }]);
  show(<RecordsPage />);
  await userEvent.upload(screen.getByLabelText(/CSV file/), TABLE);
  expect(await screen.findByText(/1 new. Nothing is imported yet/)).toBeTruthy();
  expect(sent).toEqual(["POST /api/courses/7/sheets/people.csv username\nrunar\n"]);
  await userEvent.click(screen.getByRole("button", { name: "Import all" }));
  expect(await screen.findByText(/http:\/\/here\/reset\/5\/t/)).toBeTruthy();
  expect(sent[1]).toBe("PUT /api/courses/7/sheets/people.csv username\nrunar\n");
  expect(screen.queryByRole("button", { name: "Import all" })).toBeNull();
});

it("keeps nothing while a line is refused, and says what of it", async () => {
  const message = "Welding current: enter 1 to 1000 A (you entered hot).";
  const problems = [
    { field: "current_a", words: "Welding current", given: "hot", allowed: "1 to 1000 A", message },
  ];
  served([line({}), line({ line: 3, outcome: "refused", problems })]);
  show(<RecordsPage />);
  await userEvent.click(screen.getByRole("button", { name: "Runs" }));
  await userEvent.upload(screen.getByLabelText(/CSV file/), TABLE);
  await waitFor(() => expect(screen.getByText(message)).toBeTruthy());
  expect(screen.getByRole<HTMLButtonElement>("button", { name: "Import all" }).disabled).toBe(true);
});
