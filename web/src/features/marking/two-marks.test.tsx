// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { line, proposal } from "../../testing/proposal";
import { serve, show } from "../../testing/render";
import type { Attempt } from "../../domain/use-attempt";
import { Bench } from "./bench";
import { useCauses } from "./queries";
import { between, dutyOf } from "./score-shape";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const given = (display_name: string, width_evenness: number, tint: number) => ({
  marked_by: { id: 1, display_name },
  scores: { width_evenness, tint },
  total: 10 * tint,
  passed: true,
  comment: "",
});
const second = {
  by_lot: true,
  agreed: false,
  lines: { width_evenness: "Even width", tint: "Tint" },
  first: given("Ilka", 8, 6),
  second: given("Asmus", 8, 7.5),
};
const attempt = {
  id: 5,
  version: 3,
  mark: null,
  may: ["mark_second"],
  state: "second_asked",
  student: { id: 3, display_name: "Wen" },
  photos: [],
  runs: [],
  preparation: [],
  measurement: null,
  measuring: false,
  second: { ...second, first: null, second: null },
  assignment: { design: { title: "Lap" } },
} as unknown as Attempt;
const scheme = proposal({
  lines: [line({ weight: 60 }), line({ criterion: "tint", words: "Tint", weight: 40, score: 6 })],
});
const reads = {
  "GET /api/attempts/5/causes": {
    symptoms: [],
    causes: [],
    sound: true,
    both: null,
    ruled_out: [],
    log_note: null,
    asked: null,
  },
  "GET /api/attempts/5/setup": { card: {}, checks: [], worked: {}, cautions: [] },
};

function Page({ of, toNext }: { of: Attempt; toNext: () => void }) {
  const causes = useCauses(of);
  if (!causes.data) return null;
  return (
    <Bench attempt={of} proposal={scheme} causes={causes} reload={() => Promise.resolve()} toNext={toNext} />
  );
}

it("gives a second mark blind with one key: no words on what to change, no return", async () => {
  const calls = serve({ ...reads, "PUT /api/attempts/5/second": { ...attempt, state: "to_agree", may: [] } });
  const toNext = vi.fn();
  show(<Page of={attempt} toNext={toNext} />);
  expect(await screen.findByText(/Their mark is hidden/)).toBeTruthy();
  expect(screen.queryByLabelText("Change next")).toBeNull();
  await userEvent.keyboard("{Enter}");
  await waitFor(() => expect(toNext).toHaveBeenCalledOnce());
  const written = calls.filter((c) => c.method !== "GET");
  expect(written.map((c) => `${c.method} ${c.path}`)).toEqual(["PUT /api/attempts/5/second"]);
  expect(written[0]?.body).toMatchObject({ version: 3, scores: { width_evenness: 8, tint: 6 } });
});

it("agrees between both, or on one of them, and returns that", async () => {
  const both = { ...attempt, state: "to_agree", may: ["agree"], second } as unknown as Attempt;
  const agreed = { ...both, state: "marked", version: 4, may: ["return"] };
  const calls = serve({
    ...reads,
    "POST /api/attempts/5/agree": agreed,
    "POST /api/attempts/5/return": { ...agreed, state: "returned", may: [] },
  });
  show(<Page of={both} toNext={vi.fn()} />);
  expect((await screen.findByRole("row", { name: /Tint/ })).textContent).toBe("Tint67.5");
  expect(screen.getByLabelText("Tint: score").textContent).toBe("7");
  await userEvent.click(screen.getByRole("button", { name: "Use second mark" }));
  expect(screen.getByLabelText("Tint: score").textContent).toBe("7.5");
  await userEvent.click(screen.getByRole("button", { name: "Agree and return" }));
  await waitFor(() => expect(calls.filter((c) => c.method === "POST")).toHaveLength(2));
  expect(calls.find((c) => c.path.endsWith("agree"))?.body).toMatchObject({ scores: { tint: 7.5 } });
});

it("knows the duty from what the server lets one do, and the middle of two marks", () => {
  expect([["mark"], ["mark_second"], ["correct", "agree"]].map(dutyOf)).toEqual(["mark", "second", "agree"]);
  expect(between({ a: 6, b: null, c: 8 }, { a: 7.5, b: 4, c: 8 })).toEqual({ a: 7, b: 4, c: 8 });
});
