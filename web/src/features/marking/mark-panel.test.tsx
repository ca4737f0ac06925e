// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../../testing/render";
import type { Attempt } from "../../ui/use-attempt";
import { MarkPanel } from "./mark-panel";
import type { Suggestion } from "./score-shape";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const suggestions: Suggestion[] = [
  { criterion: "width_evenness", words: "Even width", weight: 60, score: 8, because: "width varies 6.1 %" },
  { criterion: "tint", words: "Heat tint", weight: 40, score: null, because: "nothing measured" },
];
const attempt = { id: 5, version: 3, mark: null, may: ["mark"] } as unknown as Attempt;

function panel(given: Partial<Attempt> = {}) {
  const toNext = vi.fn();
  show(
    <MarkPanel
      attempt={{ ...attempt, ...given }}
      suggestions={suggestions}
      reload={() => Promise.resolve()}
      toNext={toNext}
    />,
  );
  return toNext;
}

const marked = { ...attempt, version: 4 };
const answers = {
  "PUT /api/attempts/5/mark": marked,
  "POST /api/attempts/5/return": { ...marked, version: 5 },
};

it("says what is suggested and why, and from how many lines the total comes", () => {
  panel();
  expect(screen.getByText(/suggested 8: width varies 6.1 %/)).toBeTruthy();
  expect(screen.getByText("from 1 of 2 lines")).toBeTruthy();
  expect(screen.getByLabelText("Even width: score").textContent).toBe("8");
});

it("saves and returns with one key and then goes on", async () => {
  const calls = serve(answers);
  const toNext = panel();
  await userEvent.keyboard("{Enter}");
  await waitFor(() => expect(toNext).toHaveBeenCalledOnce());
  expect(calls.map((c) => `${c.method} ${c.path}`)).toEqual(Object.keys(answers));
  expect(calls[0]?.body).toEqual({
    version: 3,
    scores: { width_evenness: 8, tint: null },
    comment: "",
    next_change: "",
  });
  expect(calls[1]?.body).toEqual({ version: 4 });
});

it("steps the chosen line by keys and takes the suggestion back", async () => {
  panel();
  await userEvent.keyboard("{ArrowDown}{ArrowRight}{ArrowRight}");
  expect(screen.getByLabelText("Heat tint: score").textContent).toBe("6");
  await userEvent.keyboard("a");
  expect(screen.getByLabelText("Heat tint: score").textContent).toBe("–");
});

it("keeps what is typed as words, not as keys", async () => {
  const calls = serve(answers);
  panel();
  await userEvent.type(screen.getByLabelText("Change next"), "as next");
  expect(screen.getByLabelText<HTMLInputElement>("Change next").value).toBe("as next");
  expect(calls).toEqual([]);
});

it("cannot be saved where the server does not let it", async () => {
  const calls = serve(answers);
  panel({ may: [] });
  expect(screen.getByRole<HTMLButtonElement>("button", { name: "Save and return" }).disabled).toBe(true);
  await userEvent.keyboard("{Enter}s");
  expect(calls).toEqual([]);
  expect(screen.getByText(/nothing to mark before a photo/)).toBeTruthy();
});
