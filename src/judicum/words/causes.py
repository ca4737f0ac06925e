"""Symptoms and causes in words: spoken to the student, in the person's units."""

from typing import Any

from judicum.core.causes import Explained, Ranked, Seen
from judicum.core.causes.evidence import Told
from judicum.core.quantities import QUANTITIES
from judicum.words.units import METRIC, Units
from judicum.words.units import told as figure_told

SYMPTOMS: dict[str, str] = {
    "grey_all_along": "grey all along", "grey_at_start": "grey at the start", "grey_at_end": "grey at the end",
    "grey_in_patches": "grey in patches", "tint_dark": "tint darker than the finish accepts",
    "tint_lopsided": "tint wider on one side", "tint_grows_along": "tint growing along the bead",
    "bead_wide": "bead too wide", "bead_narrow": "bead too narrow", "width_uneven": "width uneven",
    "width_grows": "width growing along the bead", "ripples_random": "ripples uneven without a pattern",
    "ripples_periodic": "ripples uneven in a steady swing", "ripples_at_restarts": "ripples uneven at the restarts",
    "toes_wavy": "wavy toes", "undercut": "undercut", "crater": "crater", "pinhole": "pinhole", "pores": "pores",
    "inclusions": "specks in the bead", "burn_through": "burn-through", "gap": "a gap in the bead",
    "bulge_at_restart": "a bulge at a restart", "bulge": "a bulge", "sunken_face": "sunken face", "ropey_face": "ropey face",
    "legs_unequal": "unequal legs", "back_sugared": "sugar on the back", "back_not_through": "not through at the back",
    "back_hangs": "hanging through at the back", "distorted": "distorted", "electrode_dull": "dull electrode",
    "rod_balled": "rod melted back in a ball", "arc_wanders": "wandering arc", "puddle_dances": "dancing puddle",
}  # fmt: skip
ADVICE: dict[str, str] = {
    "postflow_short": "Hold the torch over the end until the gas has run longer: post-flow {change}. The end oxidised while it was hot.",
    "torch_pulled_early": "Keep the torch still over the end until the gas stops. The post-flow was long enough, but the cover left with the torch.",
    "downslope_short": "Let the current fade longer at the end: down-slope {change}. The crater froze before it was filled.",
    "preflow_short": "Let the gas run before the arc: pre-flow {change}. Air was still in the cup.",
    "hose_puff": "Blow the hose out with a short press beside the coupon before the arc. Gas that stood in it puffed the cover away.",
    "flow_low": "Set more gas: {change}. The cup was not covered.",
    "flow_high": "Set less gas: {change}. The jet turned turbulent and drew air in.",
    "collet_body": "Fit a gas lens instead of the collet body. Its narrow jet does not cover stainless.",
    "stickout_long": "Draw the electrode in: stick-out {change}. The puddle lay outside the gas.",
    "draught": "Screen the booth or close the door. Moving air carried the cover off though the settings were right.",
    "dirty_cup": "Clean or change the cup and look into the lens. Spatter in it breaks the gas up.",
    "dirty_metal": "Abrade and wipe the blank before you weld. What lies on it boils into the bead.",
    "filler_dirty": "Wipe the rod with a clean cloth. What lies on it boils into the bead.",
    "filler_left_gas": "Keep the rod's tip inside the gas between dabs. Its end oxidised outside and carried that into the bead.",
    "current_high": "Less current: {change}. The bead took more heat than the sheet can.",
    "current_low": "More current: {change}. The puddle never wetted out.",
    "travel_slow": "Move on faster: {change}. Each place stayed hot too long.",
    "travel_fast": "Move slower: {change}. The puddle could not keep up.",
    "part_hot": "Let the coupon cool until you can hold it before the next run. It was still hot when you began.",
    "no_taper": "Ease off the pedal along the run. Heat builds up in the sheet and the bead widens.",
    "filler_big": "Take thinner wire: {change}. It needed more heat than the joint.",
    "filler_starved": "Feed more wire, with closer dabs. The puddle lacked metal.",
    "arc_long": "Hold the arc shorter: {change}. A long arc spreads the heat.",
    "torch_leans": "Hold the torch straight over the joint: work angle {change}. One side took more heat.",
    "thickness_unequal": "Point the arc at the thicker part. The thinner one took too much of the heat.",
    "torch_flat": "Stand the torch up: travel angle {change}. Pushed flat it blows the cover ahead and melts the rod.",
    "point_bad": "Grind the electrode anew, lengthwise to its point. The arc had no steady place to stand.",
    "electrode_dipped": "Stop and grind when you touch the puddle. Tungsten stayed in the bead.",
    "brush_carbon": "Use a brush that touches nothing but stainless. Carbon steel rubbed in and shows as specks.",
    "cadence_uneven": "Count the dabs aloud and keep the gaps even.",
    "pedal_pumping": "Keep the pedal still. The ripples swing with your foot.",
    "not_propped": "Prop your hand or arm so that it slides. The torch was free in the air.",
    "tie_in_poor": "Start again a little behind the end of the last run and wait for the puddle to open before you dab.",
    "start_unsettled": "Let the puddle settle before the first dab and move on then.",
    "cold_start": "Start hotter and wait for a round puddle before you move.",
    "fit_up_gap": "Fit the parts without a gap and tack them closer.",
    "dwell": "Keep moving. The arc stood in one place too long.",
    "purge_missing": "Purge the back before and while you weld. Air reached the hot root.",
    "purge_poor": "Purge longer, with a vent, at the flow on the card. Air was left behind the seam.",
    "tacks_few": "Set more tacks, and clamp. The sheet was free to move.",
    "pulse_fast_shallow": "Pulse slower or weld with straight current, and look at the back. A fast pulse looks fused and is not.",
}  # fmt: skip


def explained(found: Explained, units: Units = METRIC) -> dict[str, Any]:
    """The contract's JSON values (docs/causes.md), with sentences in the person's units; figures stay SI."""
    causes = [_cause(one, units) for one in found.causes]
    first = causes[0] if causes else None
    return {
        "symptoms": [_symptom(seen) for seen in found.symptoms],
        "causes": causes,
        "change_next": {"cause": first["code"], "message": first["message"]} if first else None,
        "sound": found.sound,
    }


def advice(one: Ranked, units: Units = METRIC) -> str:
    """What to change, from what to what, and why."""
    return ADVICE[one.code].format(change=_change(one, units))


def _change(one: Ranked, units: Units) -> str:
    quantity = QUANTITIES.get(one.key)
    told = [
        figure_told(value, quantity.kind, units)
        for value in (one.before, one.after)
        if quantity and isinstance(value, int | float)
    ]
    if (
        isinstance(one.before, int | float)
        and isinstance(one.after, int | float)
        and abs(one.before - one.after) > 1e-9
    ):
        return " → ".join(told)
    return f"about {told[-1]}" if told else "as on the card"


def _cause(one: Ranked, units: Units) -> dict[str, Any]:
    return {
        "code": one.code,
        "share": one.share,
        "for": [_told(told) for told in one.speaks_for],
        "against": [_told(told) for told in one.against],
        "change": {"key": one.key, "from": one.before, "to": one.after},
        "message": advice(one, units),
    }


def _told(told: Told) -> dict[str, Any]:
    shown: dict[str, Any] = {"what": told.what}
    if told.figures:
        shown["figures"] = told.figures
    if told.value is not None:
        shown["value"] = told.value
    return shown


def _symptom(seen: Seen) -> dict[str, Any]:
    return {
        "code": seen.code,
        "strength": seen.strength,
        "from_mm": seen.from_mm,
        "to_mm": seen.to_mm,
        "figures": seen.figures,
    }
