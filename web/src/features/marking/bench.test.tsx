// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { line, proposal } from "../../testing/proposal";
import { serve, show } from "../../testing/render";
import type { Attempt } from "../../domain/use-attempt";
import { Bench } from "./bench";
import { useCauses } from "./queries";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const cause = (code: string, words: string, advice: string): Schemas["Cause"] => ({
  code,
  words,
  advice,
  share: 0.4,
  certainty: "maybe",
  speaks_for: [{ what: "grey_at_end", words: "grey at the end", track: "tint", from_mm: 70, to_mm: 84 }],
  against: [],
  history: "",
  verdict: null,
  new: [],
});
const explanation = {
  symptoms: [],
  causes: [
    cause("postflow_short", "Post-flow too short", "Post-flow 5 s → 9 s."),
    cause("torch_pulled_early", "Torch pulled away early", "Keep the torch still."),
  ],
  sound: false,
  both: null,
  ruled_out: [],
  log_note: null,
  asked: null,
};
const attempt = {
  id: 5,
  version: 3,
  mark: null,
  may: ["mark", "ask_photo", "send_back"],
  state: "measured",
  student: { id: 3, display_name: "Wen Alder" },
  photos: [],
  runs: [],
  preparation: [],
  measurement: null,
  measuring: false,
  assignment: { design: { title: "Lap" } },
} as unknown as Attempt;
const marked = { ...attempt, version: 4, may: ["mark", "return"], state: "marked" };
const answers = {
  "PUT /api/attempts/5/mark": marked,
  "POST /api/attempts/5/return": { ...marked, version: 5 },
};
const reads = {
  "GET /api/attempts/5/causes": explanation,
  "GET /api/attempts/5/setup": { card: {}, checks: [], worked: {}, cautions: [] },
  "GET /api/phrases": [{ key: 1, text: "Well done, {name}: {width}." }],
};

function Page({
  given,
  scheme,
  toNext,
}: {
  given: Attempt;
  scheme: Schemas["Proposal"];
  toNext: () => void;
}) {
  const causes = useCauses(given);
  return causes.data ? (
    <Bench
      attempt={given}
      proposal={scheme}
      causes={causes}
      reload={() => Promise.resolve()}
      toNext={toNext}
    />
  ) : null;
}

const whole = proposal({
  lines: [line({ weight: 60 }), line({ criterion: "tint", words: "Tint", score: 6 })],
});

async function bench(given: Partial<Attempt> = {}, scheme = whole) {
  const calls = serve({ ...reads, ...answers });
  const toNext = vi.fn();
  show(<Page given={{ ...attempt, ...given }} scheme={scheme} toNext={toNext} />);
  await screen.findByText("Post-flow too short");
  const written = () => calls.filter((c) => c.method !== "GET");
  return { toNext, written };
}

it("says what is suggested and why, and whether it passes", async () => {
  await bench();
  expect(screen.getByText(/suggested 8: width varies 6.1 %/)).toBeTruthy();
  expect(screen.getByRole("img", { name: /6.1 % gives 8/ })).toBeTruthy();
  expect(screen.getByText("passes")).toBeTruthy();
});

it("returns a clear pass with one key and then goes on", async () => {
  const { toNext, written } = await bench();
  await userEvent.keyboard("{Enter}");
  await waitFor(() => expect(toNext).toHaveBeenCalledOnce());
  expect(written().map((c) => `${c.method} ${c.path}`)).toEqual(Object.keys(answers));
  expect(written()[0]?.body).toEqual({
    version: 3,
    scores: { width_evenness: 8, tint: 6 },
    not_applying: [],
    waived: [],
    comment: "",
    next_change: "",
    runs: {},
    cause: null,
  });
});

it("takes a cause with one key as what to change next, and lets it go again", async () => {
  const { written } = await bench();
  await userEvent.keyboard("1");
  const next = screen.getByLabelText<HTMLTextAreaElement>("One change for next time");
  expect(next.value).toBe("Post-flow 5 s → 9 s.");
  await userEvent.keyboard("2");
  expect(next.value).toBe("Keep the torch still.");
  await userEvent.keyboard("2");
  expect(next.value).toBe("");
  await userEvent.keyboard("1s");
  await waitFor(() => expect(written()).toHaveLength(1));
  expect(written()[0]?.body).toMatchObject({ cause: "postflow_short", next_change: "Post-flow 5 s → 9 s." });
});

it("returns nothing while a line is neither set nor said not to apply", async () => {
  const { written } = await bench({}, proposal());
  expect(screen.getByText(/1 of 2 criteria scored/)).toBeTruthy();
  expect(screen.getByRole<HTMLButtonElement>("button", { name: "Save and return" }).disabled).toBe(true);
  await userEvent.keyboard("{Enter}");
  expect(written()).toEqual([]);
  // Enter has gone to the line that is missing.
  await userEvent.keyboard("x{Enter}");
  await waitFor(() => expect(written()).toHaveLength(2));
  expect(written()[0]?.body).toMatchObject({ not_applying: ["tint"], scores: { tint: null } });
});

it("says nothing of passing before everything that applies is scored", async () => {
  const [first, ...rest] = whole.lines;
  await bench({}, { ...whole, lines: [{ ...first, score: null }, ...rest] as typeof whole.lines });
  expect(screen.getByText("so far", { exact: false })).toBeTruthy();
  expect(screen.queryByText("passes")).toBeNull();
});

it("fails what is knocked out until it is let pass", async () => {
  await bench({}, { ...whole, knocked: [{ key: "burn_through", words: "any burn-through" }] });
  expect(screen.getByText("fails")).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: "Waive" }));
  expect(screen.getByText("passes")).toBeTruthy();
});

it("steps the chosen line by keys and takes the suggestion back", async () => {
  await bench();
  await userEvent.keyboard("{ArrowDown}{ArrowRight}{ArrowRight}");
  expect(screen.getByLabelText("Tint: score").textContent).toBe("7");
  await userEvent.keyboard("a");
  expect(screen.getByLabelText("Tint: score").textContent).toBe("6");
});

it("keeps what is typed as words, not as keys, and fills a phrase with the figures", async () => {
  const { written } = await bench();
  await userEvent.type(screen.getByLabelText("One change for next time"), "as next 1");
  expect(screen.getByLabelText<HTMLTextAreaElement>("One change for next time").value).toBe("as next 1");
  expect(written()).toEqual([]);
  await userEvent.click(document.body);
  (document.activeElement as HTMLElement | null)?.blur();
  await userEvent.keyboard("c");
  await screen.findByText(/Well done, Wen: 4.6 mm./);
  await userEvent.keyboard("1");
  expect(screen.getByLabelText<HTMLTextAreaElement>("Comment").value).toBe("Well done, Wen: 4.6 mm.");
});

it("asks for another photo with a reason, and goes on", async () => {
  const calls = serve({ ...reads, "POST /api/attempts/5/answer": marked });
  const toNext = vi.fn();
  show(<Page given={attempt} scheme={whole} toNext={toNext} />);
  await screen.findByText("Post-flow too short");
  await userEvent.keyboard("b");
  await userEvent.type(await screen.findByLabelText(/What is wrong/), "The card is cut off.");
  await userEvent.click(screen.getByRole("button", { name: "Ask for another photo" }));
  await waitFor(() => expect(toNext).toHaveBeenCalledOnce());
  const sent = calls.find((c) => c.method === "POST");
  expect(sent?.body).toEqual({ version: 3, answer: "another_photo", why: "The card is cut off." });
});

it("cannot be saved where the server does not let it", async () => {
  const { written } = await bench({ may: [] });
  await userEvent.keyboard("{Enter}s");
  expect(written()).toEqual([]);
  expect(screen.getByText(/Nothing to mark until/)).toBeTruthy();
});
