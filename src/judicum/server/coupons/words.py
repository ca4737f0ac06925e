"""What the codes of cautions and of the checklist are called, on the page and in print."""

CAUTION_WORDS = {
    "local_rules": "Your school's own rules, local codes and your supervisor come before this card.",
    "arc_eye": "Shade down, gloves on, skin covered, screens round the booth.",
    "hot_metal": "Hot coupons look cold: tongs, and the marked place to cool.",
    "electric_shock": "Dry gloves; high-frequency start: keep away with an implant.",
    "grinder": "Grinding: eye protection, rest close, hold the rod so that it cannot be flung; no grooved or chipped wheel.",
    "thoriated": "Thoriated electrodes: the dust is radioactive. Take another kind; grind with extraction.",
    "solvent_vapour": "Let the solvent flash off and cap it; never weld near chlorinated solvent or its vapour.",
    "cylinders": "Cylinders chained.",
    "fume_chromium": "Fume holds hexavalent chromium and nickel: extraction on, head out of the plume.",
    "carbon_dust": "Own brushes and wheels: carbon-steel dust on stainless rusts.",
    "compressed_air": "Cooling with compressed air: eyes protected, never on skin.",
    "coated_metal": "Never on galvanised, plated or painted metal.",
    "argon_closed_space": "Argon displaces air: no purging in closed spaces or pits; watch for leaks.",
}

STEP_WORDS = {
    "blank_abraded": "Mill surface abraded, edges deburred",
    "blank_wiped": "Blank wiped with {solvent}",
    "rod_wiped": "Rod wiped with {solvent}",
    "own_brush": "Stainless-only brush and pads",
    "electrode_ground": "Electrode ground lengthwise, fine, sharp",
    "cup_clean": "Cup and mesh clean, no spatter",
    "fit_up": "Fitted up straight",
    "fit_up_tight": "Fitted up: next to no gap",
    "tacked": "Tacked small at both ends (tube: 4 at 90°)",
    "purge_waited": "Purge on, wait over, vent open",
    "practised_on_scrap": "Puddle and speed tried on scrap",
}
SOLVENT_WORDS = {"acetone": "acetone", "alcohol": "denatured alcohol"}


def step_words(step: str, solvent: str) -> str:
    """One step of the checklist in words, with the course's solvent."""
    return STEP_WORDS[step].format(solvent=SOLVENT_WORDS[solvent])
