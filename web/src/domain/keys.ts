import type { QueryKey } from "@tanstack/react-query";

type Family = Record<string, QueryKey | ((...given: never[]) => QueryKey)>;

/** A family's keys begin with its name: to read the family again is to read everything under it again. */
const family = <F extends Family>(keys: F): F => keys;

/** Who is signed in, and the courses they are in. */
export const sessionKeys = family({ signedIn: ["session"] });

export const accountKeys = family({
  tokens: ["account", "tokens"],
  mail: ["account", "mail"],
});

export const workshopKeys = family({
  about: ["workshop", "about"],
  courses: ["workshop", "courses"],
  people: ["workshop", "people"],
  mail: ["workshop", "mail"],
  server: ["workshop", "server"],
});

export const courseKeys = family({
  all: ["course"],
  about: (course: number) => ["course", course],
  joinCode: (course: number) => ["join-code", course],
});

export const guideKeys = family({ of: (course: number) => ["guide", course] });

export const peopleKeys = family({ members: (course: number) => ["people", course] });

export const couponKeys = family({
  designs: (course: number) => ["coupons", "designs", course],
  allDesigns: ["coupons", "designs"],
  assignments: (course: number) => ["coupons", "assignments", course],
  allAssignments: ["coupons", "assignments"],
  plan: (course: number, coupon: string) => ["coupons", "plan", course, coupon],
});

export const schemeKeys = family({
  all: (course: number) => ["schemes", course],
  tried: (course: number, code: string, scheme: object) => ["schemes", course, "tried", code, scheme],
});

/** One attempt and what belongs to it alone. */
export const attemptKeys = family({
  one: (attempt: number) => ["attempt", attempt],
  setup: (attempt: number, version: number) => ["setup", attempt, version],
  setups: (attempt: number) => ["setup", attempt],
  lastRuns: (attempt: number) => ["last-runs", attempt],
  runCheck: (attempt: number, run: string | null) => ["run-check", attempt, run],
  machine: (attempt: number) => ["machine", attempt],
  foretold: (attempt: number, version: number, changed: string) => ["foretold", attempt, version, changed],
  settingsMap: (attempt: number, version: number) => ["settings-map", attempt, version],
  callipers: (attempt: number, version: number) => ["callipers", attempt, version],
  trials: (attempt: number, version: number) => ["trials", attempt, version],
  dataLog: (attempt: number, run: number) => ["data-log", attempt, run],
});

/** Everything that is reckoned from attempts: read again whenever one of them changes. */
export const recordKeys = family({
  all: ["record"],
  allLists: ["record", "list"],
  list: (course: number, filter: object) => ["record", "list", course, filter],
  desk: (course: number) => ["record", "desk", course],
  allDesks: ["record", "desk"],
  waiting: (course: number, order: string, assignment: number | null) => [
    "record",
    "waiting",
    course,
    order,
    assignment,
  ],
  wall: (course: number) => ["record", "wall", course],
  standings: (course: number) => ["record", "standings", course],
  week: (course: number) => ["record", "week", course],
  progress: (course: number, student: number) => ["record", "progress", course, student],
  forecasts: (course: number, student: number) => ["record", "forecasts", course, student],
  agreement: (course: number) => ["record", "agreement", course],
  evidence: (of: "suggestions" | "causes", attempt: number, ...state: unknown[]) => [
    "record",
    of,
    attempt,
    ...state,
  ],
});

export const markingKeys = family({
  judging: ["judging"],
  phrases: ["phrases"],
  allReferences: ["references"],
  references: (course: number) => ["references", course],
  selfTest: (test: number) => ["self-test", test],
});

export const sessionPlanKeys = family({
  plan: (course: number) => ["sessions", course],
  mine: (course: number) => ["my-sessions", course],
  calendar: (course: number) => ["calendar", course],
});

export const stockKeys = family({
  all: (course: number) => ["stock", course],
  low: (course: number) => ["stock", course, "low"],
  cutList: (course: number, asked: object) => ["stock", course, "cut-list", asked],
  bottles: (course: number) => ["stock", course, "bottles"],
});

export const reportKeys = family({
  all: (course: number) => ["reports", course],
  engines: (course: number) => ["engines", course],
});

export const workbenchKeys = family({
  panels: ["workbench"],
  answer: (panel: string, figures: string) => ["workbench", panel, figures],
});

export const apiGuideKeys = family({ description: ["api-guide"] });

export const measuringKeys = family({
  phones: ["measuring", "phones"],
  course: (course: number) => ["measuring", course],
  studies: (course: number) => ["measuring", course, "studies"],
  tints: (course: number) => ["measuring", course, "tints"],
});

export const trustKeys = { authority: ["trust"] as const };

export const eyeKeys = family({
  page: (course: number) => ["eye", course],
  round: (round: number) => ["eye-round", round],
});
