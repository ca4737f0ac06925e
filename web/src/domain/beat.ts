/** Where a run stands by the clock; pure, so that it can be tested without a page. */

export type Plan = { settle_s: number; per_second: number; beats: number; hold_s: number };
export type Phase = {
  phase: "settle" | "beat" | "hold" | "done";
  beat: number;
  part: number;
  left_s: number;
};

/** The phase at a time after the start: settle the puddle, count the beats, hold still for post-flow, done. */
export function phaseAt(elapsed_s: number, plan: Plan): Phase {
  if (elapsed_s < plan.settle_s)
    return { phase: "settle", beat: 0, part: elapsed_s / plan.settle_s, left_s: plan.settle_s - elapsed_s };
  const moving = elapsed_s - plan.settle_s;
  const run_s = plan.beats / plan.per_second;
  if (moving < run_s) {
    const beat = Math.floor(moving * plan.per_second);
    return { phase: "beat", beat: beat + 1, part: moving * plan.per_second - beat, left_s: run_s - moving };
  }
  const held = moving - run_s;
  if (held < plan.hold_s)
    return { phase: "hold", beat: plan.beats, part: held / plan.hold_s, left_s: plan.hold_s - held };
  return { phase: "done", beat: plan.beats, part: 1, left_s: 0 };
}

/** Whether the face is lit at a part of a beat (0–1): long enough to be seen, and dark again before the next. */
export const isLit = (part: number): boolean => part < 0.35;

/** Beats of a run: dabs a pitch apart along a length, at least one. */
export const beatsFor = (length_mm: number, pitch_mm: number) =>
  Math.max(1, Math.round(length_mm / pitch_mm));
