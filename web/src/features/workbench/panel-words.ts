/** What the calculators and their figures are called. */

export const panelWords: Record<string, string> = {
  pulse: "Pulse", gas: "Cup and flow", heat: "Heat per length", runs: "Runs round a tube", turntable: "Turntable bands", consumption: "Gas per run", purge: "Purge wait", filler: "Filler in a fillet", gauge: "Gauge",
};

export const figureWords: Record<string, string> = {
  peak_a: "Peak", background_a: "Background", on_percent: "Time on", per_second: "Pulses a second", travel_mm_s: "Travel", mean_a: "Mean current", on_s: "On for", off_s: "Off for", advance_mm: "Advance a pulse",
  cup: "Cup number", gas_l_min: "Gas flow", stickout_mm: "Stick-out", gas_part: "Behind the cup", reynolds: "Reynolds number", low_l_min: "Flow, low", aim_l_min: "Flow, aim", high_l_min: "Flow, high", inside_mm: "Cup inside", exit_m_s: "Speed at the exit",
  volts: "Voltage", current_a: "Current", arc_kj_mm: "Arc heat", net_kj_mm: "Heat in the work (0.6)", power_w: "Arc power",
  tube_od_mm: "Tube outside diameter", pitch_mm: "Dab pitch", dabs: "Dabs a run", tie_in_mm: "Tie-in", net_mm: "Net advance", count: "Runs", length_mm: "Length",
  low_mm_s: "Slowest band", high_mm_s: "Fastest band", bands: "Bands", chosen: "Best band", other_od_mm: "Other diameter", rpm: "Turns a minute", other_rpm: "On the other tube",
  preflow_s: "Pre-flow", arc_s: "Arc time", postflow_s: "Post-flow", bottle_l: "Bottle", run_l: "Gas a run", runs: "Runs a bottle",
  bore_mm: "Bore", bore_length_mm: "Bore length", volumes: "Volume changes", purge_l_min: "Purge flow", volume_l: "Volume", wait_s: "Wait", used_l: "Gas used",
  leg_mm: "Leg", crown_percent: "Crown", filler_mm: "Wire", area_mm2: "Section", volume_mm3: "Metal added", wire_mm: "Wire used",
  gauge: "Gauge number", measured_mm: "Measured", stainless_sheet_mm: "Stainless sheet", carbon_sheet_mm: "Carbon sheet", tube_wall_mm: "Tube wall",
};
