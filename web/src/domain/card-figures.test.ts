import { expect, it } from "vitest";
import { rodForBead } from "./card-figures";

it("gives lengths of rod as a rule is read", () => {
  expect(rodForBead(165, { length: "mm", flow: "l_min" })).toEqual({ rod: "165 mm", bead: "100 mm" });
  expect(rodForBead(165, { length: "thou", flow: "cfh" })).toEqual({ rod: "6 5/8 in", bead: "4 in" });
});
