"""The setup card, the log beside it, preparation and cautions in words."""

from collections.abc import Sequence
from dataclasses import replace

from judicum.core.choices import CHOICES
from judicum.core.setup import Card, Checked, Warned
from judicum.core.setup.record import Moved
from judicum.words import card as printed
from judicum.words.units import METRIC, Units, filled

WARNINGS: dict[str, str] = {
    "gauge_mismatch": "{gauge} gauge is {by_gauge:.2} in the table {table}, but {used:.2} was given; the card is made for {used:.2}.",
    "thickness_unit_slip": "{used} looks like {unit} typed as mm; the card is made for {meant:.2}.",
    "gas_unit_slip": "{used} looks like {slip}: {meant} would fit cup {cup}.",
    "gas_low": "{used} is little for cup {cup}; {low:bare} to {high} cover it.",
    "gas_high": "{used} is much for cup {cup}; {low:bare} to {high} cover it.",
    "gas_turbulent": "Reynolds number {reynolds} at the cup: the jet {how} and drags air in. Less gas or a wider cup.",
    "torch_overload": "Torch {torch} is rated {rating}; {used} burns it. Short tack pulses only.",
    "torch_part_mismatch": "{what}",
    "collet_body_on_stainless": "A collet body blows a narrow jet; on {metal} a gas lens is the first thing to change.",
    "cup_needs_second_mesh": "Cup {cup} is wider than the lens behind it: it needs a second mesh.",
    "stickout_long": "{used} of stick-out leaves the gas; up to {high} here.",
    "filler_wrong_alloy": "{used} does not suit {metal}; take {suited}.",
    "filler_oversize": "Wire of {used} needs more heat than the joint and spoils the colour; up to {high}.",
    "free_machining_steel": "303 is free-machining steel: its sulphur gives grainy toes and cracks. Show it, never grade it against 304.",
    "fused_aluminium": "Aluminium is hot-short: fused without filler it cracks. Add 4043 or 5356.",
    "polarity_wrong": "{used} was set; {metal} is welded on {right}.",
    "postflow_short": "Post-flow of {used} is short; at least {low}. {effect}.",
    "preflow_short": "Pre-flow of {used} is short; at least {low}. {effect}.",
    "pulse_on_share_high": "{used} on: above {most} the pulse has no benefit left.",
    "pulse_mean_off": "The pulse's mean is {used:.1}; the joint wants {low:bare} to {high}.",
    "no_purge_on_bright_tube": "A bright finish on tube means a clean root: purge it.",
    "electrode_small": "An electrode of {diameter} carries about {most}; {used} melts its point.",
    "angle_flat": "Pushing at {used} blows the cover off and melts the rod back; {most} at most.",
    "speed_out_of_range": "{used:.2} is {how}; {low:bare} to {high} here.",
}
CODE_WORDS: dict[str, dict[str, str]] = {
    "slip": {
        "cfh_as_l_min": "cubic feet per hour typed as L/min", "l_min_as_cfh": "L/min typed as cubic feet per hour",
        "cfm_as_l_min": "cubic feet per minute typed as L/min", "cfm_as_cfh": "cubic feet per minute typed for per hour",
        "cfh_as_cfm": "cubic feet per minute where per hour was meant",
    },
    "unit": {"thou": "thousandths of an inch", "inch": "inches"},
    "how": {
        "turbulent": "is turbulent", "close": "is about to turn turbulent",
        "slow": "slow: hot, dark, wide", "fast": "fast: thin, roped, sunken",
    },
    "table": dict(CHOICES["gauge_table"].options),  # type: ignore[arg-type]
    "what": {
        "heads": "Torch {torch} and torch {planned} do not share collets, cups or gas parts.",
        "cup": "Cup {cup} is made for the large heads (17, 18, 26), not for torch {torch}.",
    },
}  # fmt: skip
EFFECTS: dict[str, tuple[str, str]] = {
    "current_a": ("cold: narrow, ropey, humped, poor wetting", "hot: wide, dark, undercut, burn-through on thin edges"),
    "gas_l_min": ("too little cover: grey, pores", "the jet turns turbulent, drags air in and pushes the puddle about"),
    "preflow_s": ("air is still in the cup: grey start", "only gas is lost"),
    "postflow_s": ("the end oxidises while hot: grey end, dull point", "only gas is lost"),
    "downslope_s": ("crater or pinhole at the end", "a long thin tail"),
    "stickout_mm": ("hard to see and reach; spatter in the cup", "out of the gas: grey, pores"),
    "arc_length_mm": ("dips the electrode", "wide, undercut, rod melts back in a ball"),
    "cup": ("short cover: the trailing bead oxidises", "more gas than needed; hard to reach"),
    "electrode_mm": ("the point melts and drops specks", "the arc wanders at low current"),
    "filler_mm": ("many dabs for the fill, starved toes", "needs more heat: dark, ropey"),
    "travel_mm_s": ("more heat per length: dark, wide, sagging", "thin, humped, sunken centre line"),
    "work_angle_deg": ("one toe is cut, the zone lopsided", "one toe is cut, the zone lopsided"),
    "travel_angle_deg": ("pulls: the zone ahead is bare of gas", "cover is pushed off, the rod melts back"),
    "dab_pitch_mm": ("bulky, slow, hot", "coarse ripples, starved toes"),
    "dabs_per_s": ("coarse ripples", "more filler than the puddle takes"),
    "purge_l_min": ("air stays in the bore: sugar on the back", "pressure pushes the root out"),
}
"""What lies below and above the range usually does to the bead."""
RULES = {
    "amp_per_thou": "one amp per thousandth of an inch, carbon steel", "amps_per_mm": "40 A per mm, the metal's share",
    "heat_balance": "heat balance",
    "balanced_sheet": "the metal's share of 40 A per mm with heat balance, sheet",
    "balanced_thick": "the metal's share of 40 A per mm with heat balance, thick plate",
    "practice_sheet": "the metal's share of 40 A per mm, sheet", "practice_thick": "the metal's share of 40 A per mm, thick plate",
}  # fmt: skip
CAUTIONS = {
    "local_rules": "Your school's own rules, local codes and your supervisor come before this card.",
    "arc_eye": "Shade down, gloves on, skin covered, booth screens closed.",
    "hot_metal": "Hot coupons look cold: tongs, and the marked place to cool.",
    "electric_shock": "Dry gloves; high-frequency start: keep away with an implant.",
    "grinder": "Grinding: wear eye protection, set the rest close, grip the tungsten firmly. Never use a grooved or chipped wheel.",
    "thoriated": "Thoriated tungsten: the dust is radioactive. Use another kind; grind only with extraction.",
    "solvent_vapour": "Close the solvent container and let the solvent evaporate before striking an arc. Never weld near chlorinated solvent or its vapour.",
    "cylinders": "Chain every cylinder upright.",
    "fume_chromium": "Fume holds hexavalent chromium and nickel: extraction on, head out of the plume.",
    "carbon_dust": "Own brushes and wheels: carbon-steel dust on stainless rusts.",
    "compressed_air": "Cooling with compressed air: eyes protected, never on skin.",
    "coated_metal": "Never on galvanised, plated or painted metal.",
    "argon_closed_space": "Argon displaces air: no purging in closed spaces or pits; watch for leaks.",
}
STEPS = {
    "blank_abraded": "Mill surface abraded, edges deburred",
    "blank_wiped": "Blank wiped with {solvent}",
    "rod_wiped": "Rod wiped with {solvent}",
    "own_brush": "Stainless-only brush and pads",
    "electrode_ground": "Electrode ground lengthwise, fine, sharp",
    "cup_clean": "Cup and gas parts clean",
    "fit_up": "Fitted up without a gap to speak of",
    "fit_up_tight": "Fitted up with next to no gap (under {gap})",
    "tacked": "Tacked small, at both ends",
    "purge_waited": "Purge on, volumes waited out",
    "practised_on_scrap": "Tried on scrap",
}
TIGHT_GAP_MM = 0.1


def warning(warned: Warned, units: Units = METRIC) -> str:
    """A warning as a sentence."""
    codes = {name: CODE_WORDS.get(name, {}).get(code, code) for name, code in warned.codes.items()}
    if warned.code == "polarity_wrong":
        codes |= {name: warned.codes[name] for name in ("used", "right")}
    if warned.key in EFFECTS and "effect" in WARNINGS[warned.code]:
        codes["effect"] = EFFECTS[warned.key][0].capitalize()
    figures = dict(warned.figures)
    if warned.code == "torch_part_mismatch":
        return filled(codes["what"], figures, units)
    return filled(WARNINGS[warned.code], figures, units, **codes)


def step(code: str, solvent: str, units: Units = METRIC) -> str:
    """A step of the preparation list as a sentence; `solvent` is the course's school."""
    return filled(
        STEPS[code], {"gap": (TIGHT_GAP_MM, "length")}, units, solvent=str(CHOICES["solvent"].options[solvent]).lower()
    )


def moved(one: Moved) -> str:
    """A reason why the current moved."""
    names = {"metal": one.code, "pass": "over a warm pass"}
    name = names.get(one.choice) or str(CHOICES[one.choice].options[one.code])
    if one.choice == "pedal_school":
        return f"machine {100 * one.share:.0f} % above, pedal ridden"
    return name if one.choice == "metal" else f"{name} {100 * one.share:+.0f} %"


def _warnings(found: Sequence[Warned], units: Units) -> list[printed.CardWarning]:
    return [
        printed.CardWarning(code=w.code, severity=w.severity, message=warning(w, units), meant=w.meant) for w in found
    ]


def card_in_words(card: Card, units: Units = METRIC) -> printed.Card:
    """The setup card as the contract prints it, with sentences in the person's units."""
    current, rod, runs = card.current_a, card.electrode, card.runs
    kinds = CHOICES["electrode_kind"].options
    same = {name: getattr(card, name) for name in printed.Card.model_fields if name not in SAID}
    return printed.Card(
        **same,
        current_a=printed.CardCurrent(
            low=current.low,
            aim=current.aim,
            high=current.high,
            machine=current.machine,
            rule=RULES[current.rule],
            because=[moved(one) for one in current.because],
        ),
        opinions=tuple(replace(one, rule=RULES[one.rule]) for one in card.opinions),
        electrode=replace(rod, kinds=tuple(kinds[kind] for kind in rod.kinds)),
        runs=runs and replace(runs, first="thin side, while cold, a few amps lower" if runs.first else None),
        warnings=_warnings(card.warnings, units),
    )


SAID = ("current_a", "opinions", "electrode", "runs", "warnings")
"""Parts of a card that hold codes."""


def check_in_words(found: Checked, units: Units = METRIC) -> printed.Check:
    """What lies off the card as the contract prints it."""
    return printed.Check(
        deviations=[
            printed.Deviation(
                key=d.key,
                used=d.used,
                low=d.low,
                high=d.high,
                outside=d.outside,
                effect=EFFECTS["gas_l_min" if d.key == "gas_cfh" else d.key][0 if d.below else 1],
            )
            for d in found.deviations
        ],
        warnings=_warnings(found.warnings, units),
    )


def besides(found: Checked) -> list[str]:
    """Codes of the warnings that say more than the deviations do."""
    off = {d.key for d in found.deviations}
    return [w.code for w in found.warnings if w.key not in off]


def cautions(codes: Sequence[str]) -> list[dict[str, str]]:
    """Cautions with their words."""
    return [{"code": code, "words": CAUTIONS[code]} for code in codes]
