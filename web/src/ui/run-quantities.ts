import type { Quantity } from "./units";

/** How each logged figure is shown; the API names its SI unit in the key. */
export const runQuantities: Record<string, Quantity> = {
  current_a: "current",
  machine_a: "current",
  cup: "count",
  gas_l_min: "flow",
  stickout_mm: "length",
  electrode_mm: "length",
  filler_mm: "length",
  preflow_s: "time",
  downslope_s: "time",
  postflow_s: "time",
  work_angle_deg: "angle",
  travel_angle_deg: "angle",
  travel_mm_s: "speed",
  pass_number: "count",
};
