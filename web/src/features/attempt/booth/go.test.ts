import { describe, expect, it } from "vitest";
import { COUNT_IN_S, heardArc, proposedPostflow, tapped, ticked, type Go } from "./go";
import { beside, resumeAt, stepsOf } from "./steps";

const at = (s: number) => 1_000_000 + s * 1000;

it("goes from the count-in over arc and post-flow to cooling, by three taps and the clock", () => {
  let go: Go = tapped({ phase: "ready" }, at(0));
  expect(ticked(go, at(2.9), 8)).toBe(go);
  go = ticked(go, at(COUNT_IN_S), 8);
  expect(go).toEqual({ phase: "arc", since: at(3) });
  go = tapped(go, at(33.46));
  expect(go).toMatchObject({ phase: "hold", arcS: 30.5, glowS: null });
  go = tapped(ticked(go, at(37), 8), at(39.5));
  expect(go).toMatchObject({ phase: "hold", glowS: 6 });
  expect(tapped(go, at(40)), "the first time it no longer glows counts").toBe(go);
  go = ticked(go, at(42), 8);
  expect(go).toMatchObject({ phase: "cooling", since: at(33.46), arcS: 30.5, glowS: 6 });
  expect(tapped(go, at(120))).toEqual({ phase: "count-in", since: at(120) });
});

it("calls the start off by a tap during the count-in, and keeps the least of an arc", () => {
  expect(tapped({ phase: "count-in", since: at(0) }, at(1))).toEqual({ phase: "ready" });
  expect(tapped({ phase: "arc", since: at(0) }, at(0))).toMatchObject({ arcS: 0.1 });
});

it("proposes post-flow beyond the glow", () => expect(proposedPostflow(6)).toBe(8));

it("shows what is done once before the first run only, and tacks where there are any", () => {
  expect(stepsOf(1, true)).toEqual(["prepare", "set", "tack", "go", "noticed", "photo", "next"]);
  expect(stepsOf(1, false)).not.toContain("tack");
  expect(stepsOf(2, true)).toEqual(["set", "go", "noticed", "photo", "next"]);
  expect(beside(stepsOf(2, true), "set", -1)).toBeNull();
  expect(beside(stepsOf(2, true), "set", 1)).toBe("go");
});

it.each([
  [0, false, false, { run: 1, step: "prepare" }],
  [0, true, false, { run: 1, step: "set" }],
  [2, true, false, { run: 2, step: "photo" }],
  [2, true, true, { run: 2, step: "next" }],
])("goes on where it stopped: %i logged", (logged, prepared, photo, place) => {
  expect(resumeAt(logged, prepared, photo)).toEqual(place);
});

describe("what the microphone hears", () => {
  it("starts the clock where the arc began, and ends it where it went out", () => {
    const arc = heardArc({ phase: "count-in", since: 0 }, true, 2500);
    expect(arc).toEqual({ phase: "arc", since: 2500 });
    expect(heardArc(arc, false, 9500)).toEqual({ phase: "hold", since: 9500, arcS: 7, glowS: null });
  });

  it("does not take the hiss of post-flow for an arc, nor silence for an end", () => {
    const hold = { phase: "hold", since: 0, arcS: 7, glowS: null } as const;
    expect(heardArc(hold, true, 400)).toBe(hold);
    expect(heardArc({ phase: "ready" }, false, 400)).toEqual({ phase: "ready" });
  });
});
