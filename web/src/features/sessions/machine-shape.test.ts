import { expect, test } from "vitest";
import { machineFields, machineOf, typedMachine } from "./machine-shape";

test("a machine comes back as it was typed, a comma being a decimal point", () => {
  const typed = {
    ...typedMachine({}),
    control: "two_step",
    max_a: "160",
    start_min_a: "7,5",
    machine_torch: "17",
    no_postflow: true,
  };
  const machine = machineOf(typed);
  expect(machine).toMatchObject({
    control: "two_step",
    max_a: 160,
    start_min_a: 7.5,
    machine_torch: 17,
    no_postflow: true,
    no_ac: false,
    min_a: null,
  });
  expect(machineOf(typedMachine(machine))).toEqual(machine);
  expect(Object.keys(machine).sort()).toEqual(machineFields.map((field) => field.key).sort());
});
