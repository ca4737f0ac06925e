/** What the codes of the API are called on the page. */

export const tintNames = [
  "silver",
  "straw",
  "gold",
  "copper",
  "purple",
  "blue",
  "pale blue",
  "grey",
] as const;
export const tintColours = [
  "#b5b3b0",
  "#aa9f89",
  "#987c49",
  "#814d20",
  "#551047",
  "#004a84",
  "#5c8b9c",
  "#5e5e5e",
] as const;

export const stateWords: Record<string, string> = {
  assigned: "to weld",
  logged: "logged",
  photographed: "photo sent",
  measured: "waits for a mark",
  marked: "marked, not returned",
  returned: "returned",
};

export const finishWords: Record<string, string> = {
  bright: "bright: silver or straw",
  warm: "warm: up to copper",
  show_colour: "show colour: up to blue, never grey",
};

export const jointWords: Record<string, string> = {
  bead_on_plate: "bead on plate",
  butt: "square butt",
  lap: "lap",
  tee: "tee fillet",
  outside_corner: "outside corner",
  edge: "edge",
  tube_butt: "tube butt",
  tube_sleeve: "tube sleeve",
  tube_sleeve_bend: "sleeve on a bend",
  tube_flange: "tube to flange",
  socket: "socket",
  turntable: "turntable tube",
};

export const positionWords: Record<string, string> = {
  flat: "flat",
  horizontal: "horizontal",
  vertical_up: "vertical up",
  overhead: "overhead",
};

export const runWords: Record<string, string> = {
  current_a: "Current at the arc",
  machine_a: "Set on the machine",
  polarity: "Polarity",
  cup: "Cup number",
  gas_part: "Behind the cup",
  gas_l_min: "Gas flow",
  stickout_mm: "Stick-out",
  electrode_kind: "Electrode",
  electrode_mm: "Electrode diameter",
  filler_alloy: "Filler alloy",
  filler_mm: "Filler diameter",
  preflow_s: "Pre-flow",
  downslope_s: "Down-slope",
  postflow_s: "Post-flow",
  work_angle_deg: "Work angle",
  travel_angle_deg: "Travel angle (push)",
  travel_mm_s: "Travel speed",
  technique: "Technique",
  pass_number: "Pass",
  note: "Note",
};

export const choiceWords: Record<string, string> = {
  DCEN: "DC, electrode negative",
  DCEP: "DC, electrode positive",
  AC: "AC",
  collet_body: "collet body",
  gas_lens: "gas lens",
  double_mesh: "double-mesh cup",
  ceriated_2: "ceriated 2 %",
  lanthanated_2: "lanthanated 2 %",
  lanthanated_1_5: "lanthanated 1.5 %",
  thoriated_2: "thoriated 2 %",
  pure: "pure tungsten",
  rare_earth_mix: "rare earth mix",
  none: "no filler",
  titanium: "titanium",
  nickel: "nickel alloy",
  dab: "dab",
  lay_wire: "laid wire",
  walk_cup: "walked cup",
  fuse: "fused",
};

export const defectWords: Record<string, string> = {
  pore: "pore",
  crater: "crater",
  undercut: "undercut",
  burn_through: "burn-through",
  sugaring: "sugaring",
  inclusion: "inclusion",
  gap: "gap",
  bulge: "bulge",
};

export const viewWords = {
  bead: "Bead",
  back: "Back side",
  setup: "Setup at the machine",
  torch: "Torch in place",
} as const;

export const criterionWords: Record<string, string> = {
  width_evenness: "Even width",
  ripple_evenness: "Even ripples",
  straight_toes: "Straight toes",
  tint: "Heat tint",
  setup_followed: "Setup",
  overall: "Overall look",
};

export function dateWords(iso: string): string {
  return new Date(iso).toLocaleDateString("en-GB", { day: "numeric", month: "short" });
}

export function percent(value: number | null | undefined): string {
  return value === null || value === undefined ? "–" : `${(value * 100).toFixed(1)} %`;
}
