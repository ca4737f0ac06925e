/** What can be noticed, as small drawings in a 96 × 60 frame: metal, what is seen, and its mark; pure. */

type Shape = { metal?: string; seen?: string; mark?: string };

const ROD = "M6 24H60L90 30L60 36H6Z";
const PLATE = "M6 46H90V54H6Z";
const TORCH = "M40 4h16l-3 16h-10Z M48 20v6";

/** By field and code: tungsten, rod end and arc afterwards; by field alone: what is ticked. */
export const shapes: Record<string, Shape | undefined> = {
  "electrode_after-shiny": { metal: ROD, mark: "M66 16l3 -8 M76 18l6 -6" },
  "electrode_after-tinted": { metal: ROD, seen: "M58 24v12 M64 25v10 M70 26v8" },
  "electrode_after-dull": { metal: ROD, seen: "M50 26l6 8 M58 26l6 8 M66 27l6 6 M42 26l6 8 M34 26l6 8" },
  "electrode_after-dipped": { metal: ROD, seen: "M80 24q12 6 0 12q-8 -6 0 -12Z", mark: "M84 40v12" },
  "rod_end-clean": { metal: "M6 27H86V33H6Z" },
  "rod_end-oxidised": { metal: "M6 27H86V33H6Z", seen: "M66 28l4 4 M72 28l4 4 M78 28l4 4" },
  "rod_end-balled": { metal: "M6 27H76V33H6Z", seen: "M76 30a8 8 0 1 0 16 0a8 8 0 1 0 -16 0" },
  "arc-steady": { metal: `${PLATE} ${TORCH}`, seen: "M48 26L40 46 M48 26L56 46" },
  "arc-wandering": {
    metal: `${PLATE} ${TORCH}`,
    seen: "M48 26L30 46 M48 26L66 46",
    mark: "M28 40h-8 M68 40h8",
  },
  "arc-spiralling": { metal: `${PLATE} ${TORCH}`, seen: "M48 26q10 4 0 7t0 7t0 6" },
  puff_at_start: { metal: `${PLATE} ${TORCH}`, mark: "M34 30q-14 -2 -10 8 M62 30q14 -2 10 8" },
  draught: { metal: `${PLATE} ${TORCH}`, mark: "M4 24h26q6 -6 0 -8 M4 32h30 M4 40h22" },
  part_hot: {
    metal: PLATE,
    mark: "M24 40q-5 -7 0 -14t0 -14 M48 40q-5 -7 0 -14t0 -14 M72 40q-5 -7 0 -14t0 -14",
  },
};
