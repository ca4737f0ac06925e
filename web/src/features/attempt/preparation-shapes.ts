/** The drawings of the preparation in a 96 × 60 frame: what is welded, what is held, and where it is done; pure. */

type Drawing = { metal?: string; tool?: string; touch?: string };

const PLATES = "M6 40H46V52H6Z M50 40H90V52H50Z";
const TIGHT = "M6 40H48V52H6Z M48 40H90V52H48Z";
const TUBE = "M8 24H88V44H8Z";

export const drawings: Record<string, Drawing | undefined> = {
  blank_abraded: { metal: PLATES, tool: "M30 12h30v10H30Z M45 22v8", touch: "M34 36h9 M53 36h9" },
  blank_wiped: { metal: PLATES, tool: "M22 26q8 -10 18 -2t18 0v8H22Z", touch: "M20 36h44l-6 -4 M64 36l-6 4" },
  rod_wiped: {
    metal: "M4 30H92V33H4Z",
    tool: "M34 20q12 -8 24 0v22q-12 8 -24 0Z",
    touch: "M66 24h18l-5 -4 M84 24l-5 4",
  },
  own_brush: {
    metal: TIGHT,
    tool: "M16 14h34v8H16Z M50 18h24",
    touch: "M20 22v12 M26 22v12 M32 22v12 M38 22v12 M44 22v12",
  },
  electrode_ground: {
    metal: "M6 24H52L90 30L52 36H6Z",
    tool: "M52 18v24",
    touch: "M56 27l26 3 M56 30h30 M56 33l26 -3",
  },
  cup_clean: {
    metal: "M28 8H68V30L60 52H36L28 30Z",
    tool: "M36 16h24 M36 20h24 M36 24h24",
    touch: "M48 56V36l-4 5 M48 36l4 5",
  },
  fit_up: { metal: TIGHT, tool: "M20 30v8 M76 30v8 M12 30h16 M68 30h16", touch: "M48 34v22" },
  fit_up_tight: { metal: TIGHT, tool: "M10 56h76 M20 30v8 M76 30v8 M12 30h16 M68 30h16", touch: "M48 34v22" },
  tacked: {
    metal: "M6 18H90V30H6Z M6 30H90V42H6Z",
    tool: "M14 6l3 18 M82 6l-3 18",
    touch: "M14 30h8 M74 30h8",
  },
  purge_waited: { metal: TUBE, tool: "M2 34h22l-6 -5 M24 34l-6 5", touch: "M88 28h6 M88 34h6 M88 40h6" },
  settings_checked: {
    metal: "M12 10H52V50H12Z",
    tool: "M32 40a10 10 0 1 1 0.1 0Z M32 30l6 -6 M18 16h8 M38 16h8",
    touch: "M66 52V12h10v40Z M66 34h10",
  },
  practised_on_scrap: {
    metal: "M6 12H90V52H6Z",
    touch: "M14 22q6 -5 12 0t12 0t12 0t12 0t12 0 M14 40q6 -5 12 0t12 0t12 0",
  },
};
