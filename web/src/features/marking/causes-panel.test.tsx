// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { serve, show } from "../../testing/render";
import { Lit, PlaceScope } from "../../domain/place";
import type { Attempt } from "../../domain/use-attempt";
import { CausesPanel } from "./causes-panel";
import { useCauses } from "./queries";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const attempt = { id: 5, version: 3, photos: [], measurement: null, measuring: false } as unknown as Attempt;
const evidence = (what: string, words: string, track: Schemas["Evidence"]["track"] = null) => ({
  what,
  words,
  track,
  from_mm: track ? 70 : null,
  to_mm: track ? 84 : null,
});
const cause = (code: string, words: string, given: Partial<Schemas["Cause"]> = {}): Schemas["Cause"] => ({
  code,
  words,
  share: 0.4,
  certainty: "maybe",
  advice: `${words}: change it.`,
  speaks_for: [
    evidence("grey_at_end", "grey at the end", "tint"),
    evidence("postflow_s", "post-flow 3 s, card 6 to 15 s"),
  ],
  against: [evidence("electrode_after", "electrode after the weld: shiny")],
  history: "3 × in this course",
  verdict: null,
  new: [],
  ...given,
});

function Page({ confirm }: { confirm: (one: { code: string }) => void }) {
  const causes = useCauses(attempt);
  return (
    <PlaceScope>
      <Lit track="tint" axis={{ from_mm: 0, to_mm: 100 }} length={90} />
      <CausesPanel
        attempt={attempt}
        causes={causes}
        cause="second"
        confirm={confirm}
        both={() => confirm({ code: "both" })}
      />
    </PlaceScope>
  );
}

function explained(causes: Schemas["Cause"][], sound: boolean | null = false) {
  const symptoms = causes.length
    ? [{ ...evidence("grey_at_end", "grey at the end", "tint"), code: "grey_at_end", strength: 0.8 }]
    : [];
  const answer = {
    symptoms,
    causes,
    sound,
    both: { words: "Likely both: dull and slow.", first: "first", second: "second" },
    ruled_out: [],
    log_note: null,
    asked: null,
  };
  const calls = serve({ "GET /api/attempts/5/causes": answer, "PUT /api/attempts/5/causes/first": answer });
  const confirm = vi.fn();
  show(<Page confirm={confirm} />);
  return { calls, confirm };
}

it("shows three cards with their evidence and keeps the rest out of the way", async () => {
  const names = ["first", "second", "third", "fourth"];
  const { confirm } = explained(names.map((code) => cause(code, `Cause ${code}`)));
  expect(await screen.findAllByRole("heading", { name: /Cause/ })).toHaveLength(3);
  expect(screen.getAllByText("post-flow 3 s, card 6 to 15 s", { exact: false })).toHaveLength(3);
  expect(screen.getAllByText("3 × in this course")).toHaveLength(3);
  expect(screen.getAllByText("maybe 40%")).toHaveLength(3);
  expect(screen.getByText("Likely both: dull and slow.")).toBeTruthy();
  await userEvent.click(screen.getByText("1 less likely"));
  const rest = screen.getByText(/Cause fourth/);
  await userEvent.click(rest.querySelector("button") ?? rest);
  expect(confirm.mock.calls[0]?.[0]).toMatchObject({ code: "fourth" });
  expect(screen.getByRole("button", { name: "Confirmed" }).getAttribute("aria-pressed")).toBe("true");
});

it("lights up the place that evidence speaks of while it has the focus", async () => {
  explained([cause("first", "Post-flow too short")]);
  const word = await screen.findByRole("button", { name: /grey at the end/ });
  fireEvent.focus(word);
  expect(screen.getByTestId("lit-tint").style.left).toBe("70%");
  fireEvent.blur(word);
  expect(screen.queryByTestId("lit-tint")).toBeNull();
});

it("sets a cause aside, and takes that back", async () => {
  const { calls } = explained([cause("first", "Post-flow too short")]);
  await userEvent.click(await screen.findByRole("button", { name: "Rule out" }));
  await waitFor(() => expect(calls.filter((c) => c.method === "PUT")).toHaveLength(1));
  expect(calls.find((c) => c.method === "PUT")?.body).toEqual({ verdict: "ruled_out" });
  cleanup();
  const again = explained([cause("first", "Post-flow too short", { verdict: "ruled_out" })]);
  await userEvent.click(await screen.findByRole("button", { name: "Ruled out" }));
  await waitFor(() => expect(again.calls.find((c) => c.method === "PUT")?.body).toEqual({ verdict: null }));
});

it("invents nothing for a sound bead, and says where nothing can be said", async () => {
  explained([], true);
  expect(await screen.findByText(/No problems found/)).toBeTruthy();
  cleanup();
  explained([], null);
  expect(await screen.findByText(/No causes to suggest/)).toBeTruthy();
});
