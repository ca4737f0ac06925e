/** The steps at the booth, one on the screen at a time; pure. */

export const STEPS = ["prepare", "set", "tack", "go", "noticed", "photo", "next"] as const;
export type Step = (typeof STEPS)[number];

/** The steps of a run: what is done once stands before the first. */
export function stepsOf(run: number, hasTacks: boolean): Step[] {
  return STEPS.filter((step) => {
    if (step === "prepare") return run === 1;
    return step === "tack" ? run === 1 && hasTacks : true;
  });
}

/** Where somebody goes on who opens the page: what is not done yet of the run that is not logged yet. */
export function resumeAt(logged: number, prepared: boolean, hasPhoto: boolean): { run: number; step: Step } {
  if (logged === 0) return { run: 1, step: prepared ? "set" : "prepare" };
  return { run: logged, step: hasPhoto ? "next" : "photo" };
}

/** The step before or after, null at either end. */
export function beside(steps: readonly Step[], step: Step, by: 1 | -1): Step | null {
  return steps[steps.indexOf(step) + by] ?? null;
}
