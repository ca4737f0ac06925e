/** Where the runs of a section lie in its drawing: rows from the root outward, each row across the joint; pure. */

export type PlacedRun = { number: number; row: number; column: number; columns: number };
export type Place = { number: number; x: number; y: number; rx: number; ry: number; turn: number };

const SIZE = 120;
const ROOT = 16;
const WALL = 10;
const ROW = 20;
const HALF = 9;

/** In a corner the rows stand square to its bisector, which leans 45°; in a groove they lie level. */
export function placesOf(runs: readonly PlacedRun[], corner: boolean) {
  const rows = Math.max(...runs.map((run) => run.row), 1);
  const step = Math.min(ROW, (SIZE - 2 * ROOT) / (rows + 0.5));
  const places = runs.map((run): Place => {
    const out = (run.row - 0.45) * step;
    // A row is as wide as the corner is there; its runs share it.
    const wide = 2 * out + HALF;
    const across = ((run.column - 0.5) / run.columns - 0.5) * wide;
    const rx = Math.max(wide / run.columns / 2, HALF);
    if (corner) {
      const [dx, dy] = [Math.SQRT1_2, -Math.SQRT1_2];
      return {
        number: run.number,
        x: ROOT + (out + WALL) * dx - across * dy,
        y: SIZE - ROOT + (out + WALL) * dy + across * dx,
        rx,
        ry: step / 1.7,
        turn: 45,
      };
    }
    return { number: run.number, x: SIZE / 2 + across, y: SIZE - ROOT - out, rx, ry: step / 1.7, turn: 0 };
  });
  const floor = SIZE - ROOT;
  const [edge, under, middle] = [SIZE - WALL, floor + WALL, SIZE / 2];
  const walls = corner
    ? outline(ROOT - WALL, WALL, ROOT, WALL, ROOT, floor, edge, floor, edge, under, ROOT - WALL, under)
    : outline(WALL, WALL, middle - 4, floor, middle + 4, floor, edge, WALL, edge, under, WALL, under);
  return { places, size: SIZE, walls };
}

/** A closed outline through points given as x, y, x, y, … */
const outline = (...at: number[]) => `M${at.join(" ")}Z`;
