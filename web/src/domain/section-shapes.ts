/** A joint in section, as plain shapes in a 320 × 200 frame: plates, bead, torch; pure. */

export type Point = [number, number];
export type Sketch = {
  plates: Point[][];
  bead: Point[];
  torch: { tip: Point; cup: Point[]; rod: [Point, Point] };
  centreLine: number | null;
};
export type SketchInput = {
  joint: string;
  thickness_mm: number;
  second_thickness_mm?: number | null | undefined;
  width_mm: number;
  work_deg: number;
  cup: number;
  stickout_mm: number;
  electrode_mm: number;
};

const FRAME: Point = [320, 200];
const FILLETS = ["lap", "tee", "tube_sleeve", "tube_sleeve_bend", "tube_flange", "socket"];
export const PX_PER_MM = 9;

const box = (x: number, y: number, w: number, h: number): Point[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** Half an ellipse over a point, `down` below and `up` above it. */
function lens(x: number, y: number, half: number, up: number, down: number): Point[] {
  const points: Point[] = [];
  for (let k = 0; k <= 24; k++) {
    const angle = (k / 12) * Math.PI;
    const tall = Math.sin(angle) > 0 ? up : down;
    points.push([x + half * Math.cos(angle), y - tall * Math.sin(angle)]);
  }
  return points;
}

export function sectionOf(given: SketchInput): Sketch {
  const h = clamp(given.thickness_mm * PX_PER_MM, 8, 46);
  const second = clamp((given.second_thickness_mm ?? given.thickness_mm) * PX_PER_MM, 8, 46);
  const half = clamp((given.width_mm * PX_PER_MM) / 2, 8, 40);
  const top = 130;
  const middle = FRAME[0] / 2;
  const fillet = FILLETS.includes(given.joint);
  let plates: Point[][];
  let bead: Point[];
  let tip: Point = [middle, top - 4];
  let centreLine: number | null = null;
  const triangle = (x: number, y: number): Point[] => [
    [x, y - half * 1.25],
    [x + half * 1.25, y],
    [x, y],
  ];
  switch (given.joint) {
    case "butt":
    case "tube_butt":
      plates = [box(20, top, middle - 21, h), box(middle + 1, top, middle - 21, second)];
      bead = lens(middle, top, half, 5, Math.min(h, second) + 3);
      if (given.joint === "tube_butt") centreLine = 190;
      break;
    case "lap":
    case "tube_sleeve":
    case "tube_sleeve_bend":
    case "socket": {
      const base = top + 10;
      const lower = given.joint === "tube_sleeve_bend" ? Math.max(6, second * 0.8) : second;
      plates = [box(20, base, 280, lower), box(20, base - h, middle - 20, h)];
      bead = [
        [middle, base - Math.min(h, half * 1.25)],
        [middle + half * 1.25, base],
        [middle, base],
      ];
      tip = [middle + 4, base - 7];
      if (given.joint !== "lap") centreLine = 190;
      break;
    }
    case "tee":
    case "tube_flange":
      plates = [box(20, top + 10, 280, second), box(middle - h, 30, h, top - 20)];
      bead = triangle(middle, top + 10);
      tip = [middle + half * 0.6, top + 10 - half * 0.6];
      break;
    case "outside_corner":
      plates = [box(middle - 110, top, 110, h), box(middle, top + 1, second, 65)];
      bead = lens(middle, top + 1, half * 0.9, 7, 8);
      break;
    case "edge":
      plates = [box(middle - h - 0.5, top, h, 62), box(middle + 0.5, top, second, 62)];
      bead = lens(middle, top, Math.min(half, (h + second) / 2), 6, 5);
      break;
    case "turntable": {
      const ring = (radius: number): Point[] =>
        Array.from({ length: 49 }, (_, k): Point => [
          middle + radius * Math.sin((k / 24) * Math.PI),
          top - 4 - radius * Math.cos((k / 24) * Math.PI),
        ]);
      plates = [[...ring(62), ...ring(62 - h).reverse()]];
      bead = lens(middle, top - 66, half, 5, 6);
      tip = [middle, top - 70];
      break;
    }
    case "bead_on_plate":
    default:
      plates = [box(20, top, 280, h)];
      bead = lens(middle, top, half, 5, Math.min(h * 0.6, 12));
  }
  // The work angle is counted from the plate on the right; in a fillet the torch stands between both.
  const angle = ((fillet ? given.work_deg : 180 - given.work_deg) * Math.PI) / 180;
  return { plates, bead, torch: torchAt(tip, angle, given), centreLine };
}

function torchAt(tip: Point, angle: number, given: SketchInput): Sketch["torch"] {
  const along: Point = [Math.cos(angle), -Math.sin(angle)];
  const across: Point = [along[1], -along[0]];
  const at = (far: number, side: number): Point => [
    tip[0] + along[0] * far + across[0] * side,
    tip[1] + along[1] * far + across[1] * side,
  ];
  const out = clamp(given.stickout_mm * 2.6, 8, 46);
  const wide = clamp(given.cup * 1.6, 8, 30);
  return {
    tip,
    cup: [
      at(4 + out, -wide),
      at(4 + out + 34, -wide * 0.75),
      at(4 + out + 34, wide * 0.75),
      at(4 + out, wide),
    ],
    rod: [at(4, 0), at(4 + out + 6, 0)],
  };
}
