/** What the codes of the setup card are called on the page. */

export const cautionWords: Record<string, string> = {
  local_rules: "Your school's own rules, local codes and your supervisor come before this card.",
  arc_eye: "Shade down, gloves on, skin covered, screens round the booth.",
  hot_metal: "Hot coupons look cold: tongs, and the marked place to cool.",
  electric_shock: "Dry gloves; high-frequency start: keep away with an implant.",
  grinder: "Grinding: eye protection, rest close, hold the rod so that it cannot be flung.",
  solvent_vapour: "Let the solvent flash off and cap it; never weld near chlorinated solvent.",
  cylinders: "Cylinders chained.",
  fume_chromium: "Fume holds hexavalent chromium and nickel: extraction on, head out of the plume.",
  carbon_dust: "Own brushes and wheels: carbon-steel dust on stainless rusts.",
  coated_metal: "Never on galvanised, plated or painted metal.",
  argon_closed_space: "Argon displaces air: no purging in closed spaces or pits.",
};
