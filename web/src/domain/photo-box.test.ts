import { expect, it } from "vitest";
import { boxAround } from "./photo-box";

it("frames the bead with a margin on every side", () => {
  expect(
    boxAround(
      [
        [
          [100, 200],
          [200, 210],
        ],
        [
          [100, 220],
          [200, 230],
        ],
      ],
      [1000, 800],
    ),
  ).toEqual([91, 191, 118, 48]);
});
it("stays inside the photo", () => {
  const [x, y, w, h] = boxAround(
    [
      [
        [0, 0],
        [1000, 800],
      ],
    ],
    [1000, 800],
  );
  expect([x, y, w, h]).toEqual([0, 0, 1000, 800]);
});
