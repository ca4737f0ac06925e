import { expect, test } from "vitest";
import { placesOf } from "./run-places";

const run = (number: number, row: number, column: number, columns: number) => ({
  number,
  row,
  column,
  columns,
});

test("the runs of a corner lie one outside the other, those of a row side by side, all in the frame", () => {
  const { places, size } = placesOf(
    [run(1, 1, 1, 1), run(2, 2, 1, 2), run(3, 2, 2, 2), run(4, 3, 1, 1)],
    true,
  );
  const [root, low, high, last] = places;
  if (!root || !low || !high || !last) throw new Error("four runs have four places");
  expect(root.x).toBeLessThan(low.x);
  expect(low.y).not.toBeCloseTo(high.y);
  const reach = (place: typeof root) => place.x - place.y;
  expect(reach(last)).toBeGreaterThan(reach(low));
  expect(reach(low)).toBeCloseTo(reach(high));
  for (const { x, y } of places) expect(Math.min(x, y, size - x, size - y)).toBeGreaterThan(0);
});

test("the runs of a groove lie level, over one another", () => {
  const { places } = placesOf([run(1, 1, 1, 1), run(2, 2, 1, 1)], false);
  expect(places[0]?.x).toBe(places[1]?.x);
  expect(places[0]?.y).toBeGreaterThan(places[1]?.y ?? Infinity);
});
