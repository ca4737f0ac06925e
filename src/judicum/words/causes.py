"""Symptoms and causes in words: spoken to the student, in the person's units."""

from typing import Any

from judicum.core.causes import SKIPPABLE, Explained, Followed, Ranked, Symptom
from judicum.core.causes.evidence import EvidenceFound
from judicum.core.choices import CHOICES
from judicum.core.quantities import QUANTITIES
from judicum.words.units import METRIC, Units
from judicum.words.units import format_figure as figure_in_words

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
    "hose_puff": "Before the arc, run the purge button briefly with the torch pointed away. Gas that stood in the hose puffed the cover away.",
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


CAUSE_WORDS: dict[str, str] = {
    "postflow_short": "Post-flow too short", "torch_pulled_early": "Torch pulled away early",
    "downslope_short": "Down-slope too short", "preflow_short": "Pre-flow too short", "hose_puff": "Gas puffed from the hose",
    "flow_low": "Too little gas", "flow_high": "Too much gas", "collet_body": "Collet body on stainless",
    "stickout_long": "Stick-out too long", "draught": "Draught", "dirty_cup": "Dirty cup or lens", "dirty_metal": "Dirty blank",
    "filler_dirty": "Dirty rod", "filler_left_gas": "Rod's tip left the gas", "current_high": "Too much current",
    "current_low": "Too little current", "travel_slow": "Moved too slowly", "travel_fast": "Moved too fast",
    "part_hot": "Part still hot", "no_taper": "Pedal not eased off", "filler_big": "Wire too thick",
    "filler_starved": "Too little filler fed", "arc_long": "Arc too long", "torch_leans": "Torch leans to one side",
    "thickness_unequal": "Parts of unequal thickness", "torch_flat": "Torch held too flat", "point_bad": "Electrode point",
    "electrode_dipped": "Electrode dipped", "brush_carbon": "Carbon-steel brush", "cadence_uneven": "Uneven dabbing",
    "pedal_pumping": "Pedal pumped", "not_propped": "Hand not propped", "tie_in_poor": "Poor tie-in at the restart",
    "start_unsettled": "Moved before the puddle settled", "cold_start": "Cold start", "fit_up_gap": "Gap in the fit-up",
    "dwell": "Dwelt in one place", "purge_missing": "No purge", "purge_poor": "Poor purge", "tacks_few": "Too few tacks",
    "pulse_fast_shallow": "Fast pulse, shallow",
}  # fmt: skip
"""What each cause is called on a card."""
STEP_WORDS = {
    "blank_abraded": "abrading the blank", "blank_wiped": "wiping the blank", "rod_wiped": "wiping the rod",
    "own_brush": "the brush for stainless only", "electrode_ground": "grinding the electrode", "cup_clean": "a clean cup",
    "fit_up": "the fit-up", "fit_up_tight": "the tight fit-up", "tacked": "tacks", "purge_waited": "waiting for the purge",
    "practised_on_scrap": "practice on scrap",
}  # fmt: skip
EVIDENCE_WORDS = {
    "puff_at_start": "the gas puffed at the start", "draught": "a draught was noticed", "part_hot": "the part was hot",
    "purge": "the back was purged", "no_purge": "no purge was set", "joint": "parts that are fitted up", "filler": "filler was used",
    "restarts_mm": "there are restarts", "runs": "several runs", "second_thickness_mm": "two thicknesses",
    "settings_in_range": "gas settings lie on the card", "pedal_school": "pedal as the course teaches it",
    "length_mm": "length of the run", "width_periodic": "the width swings with the ripples",
    "no_period": "the gaps have no period", "straight_toes": "toes are straight", "one_side": "on one side only",
    "both_sides": "on both sides", "one_spot": "in one spot only", "together": "seen together", "purge_vent": "no vent",
    "gas_part": "a collet body was fitted", "dabs": "few dabs for the length", "pitch_mm": "ripples far apart",
    "bulge_at_start": "only at the start", "bead_narrow_at_start": "only at the start",
}  # fmt: skip
"""Evidence that is neither a symptom, a figure with its range nor a step of the list."""
TRACKS = {
    "tint": ("grey_all_along", "grey_at_start", "grey_at_end", "grey_in_patches", "tint_dark", "tint_lopsided", "tint_grows_along"),
    "width": ("bead_wide", "bead_narrow", "width_uneven", "width_grows", "toes_wavy"),
    "ripples": ("ripples_random", "ripples_periodic", "ripples_at_restarts"),
    "faults": (
        "undercut", "crater", "pinhole", "pores", "inclusions", "burn_through", "gap", "bulge_at_restart", "bulge",
    ),
}  # fmt: skip
"""Which track under the strip shows a symptom."""
DONE_WORDS = {"done": "done", "partly": "partly done", "not": "not done", "unknown": "cannot be told"}
GONE_WORDS = {
    "gone": "it has gone",
    "less": "it is less",
    "still": "it is still there",
    "unknown": "nothing to see it by yet",
}


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
    format_figure = [
        figure_in_words(value, quantity.kind, units)
        for value in (one.before, one.after)
        if quantity and isinstance(value, int | float)
    ]
    if (
        isinstance(one.before, int | float)
        and isinstance(one.after, int | float)
        and abs(one.before - one.after) > 1e-9
    ):
        return " → ".join(format_figure)
    return f"about {format_figure[-1]}" if format_figure else "as on the card"


def _cause(one: Ranked, units: Units) -> dict[str, Any]:
    return {
        "code": one.code,
        "share": one.share,
        "for": [_evidence_json(format_figure) for format_figure in one.speaks_for],
        "against": [_evidence_json(format_figure) for format_figure in one.against],
        "change": {"key": one.key, "from": one.before, "to": one.after},
        "message": advice(one, units),
    }


def _evidence_json(format_figure: EvidenceFound) -> dict[str, Any]:
    shown: dict[str, Any] = {"what": format_figure.what}
    if format_figure.figures:
        shown["figures"] = format_figure.figures
    if format_figure.value is not None:
        shown["value"] = format_figure.value
    return shown


def _symptom(seen: Symptom) -> dict[str, Any]:
    return {
        "code": seen.code,
        "strength": seen.strength,
        "from_mm": seen.from_mm,
        "to_mm": seen.to_mm,
        "figures": seen.figures,
    }


def symptom_card(seen: Symptom) -> dict[str, Any]:
    """A symptom as the desk shows it: in words, and on which track, from where to where."""
    track = next((name for name, codes in TRACKS.items() if seen.code in codes), None)
    return {**_symptom(seen), "words": SYMPTOMS[seen.code], "track": track}


def cause_card(one: Ranked, found: Explained, units: Units = METRIC) -> dict[str, Any]:
    """A cause as the desk shows it: its name, each piece of evidence in words with its place, and the change to make."""
    return {
        "code": one.code,
        "words": CAUSE_WORDS[one.code],
        "share": one.share,
        "speaks_for": [_evidence(format_figure, found, units) for format_figure in one.speaks_for],
        "against": [_evidence(format_figure, found, units) for format_figure in one.against],
        "advice": advice(one, units),
        "history": _history(one),
    }


def _history(one: Ranked) -> str:
    """How what was confirmed before tilts this cause; empty where nothing was."""
    parts = [
        words
        for count, words in (
            (one.history.own, f"confirmed {one.history.own} × for this student"),
            (one.history.course, f"{one.history.course} × in this course"),
            (one.history.rejected, f"ruled out {one.history.rejected} ×"),
        )
        if count
    ]
    return ", ".join(parts)


def _evidence(format_figure: EvidenceFound, found: Explained, units: Units) -> dict[str, Any]:
    seen = next((s for s in found.symptoms if s.code == format_figure.what), None)
    place = symptom_card(seen) if seen else None
    return {
        "what": format_figure.what,
        "words": evidence_words(format_figure, units),
        "track": place["track"] if place else None,
        "from_mm": place["from_mm"] if place else None,
        "to_mm": place["to_mm"] if place else None,
    }


def evidence_words(format_figure: EvidenceFound, units: Units = METRIC) -> str:
    """A piece of evidence in words: the symptom, the figure with its range, the step, or what was noticed."""
    if format_figure.what in SYMPTOMS:
        return SYMPTOMS[format_figure.what]
    if format_figure.what in SKIPPABLE:
        return f"{STEP_WORDS[format_figure.what]} {'not ticked' if format_figure.value == 'skipped' else 'ticked'}"
    quantity = QUANTITIES.get(format_figure.what)
    if quantity and "used" in format_figure.figures:
        return _figure_words(format_figure, quantity.words, quantity.kind, units)
    choice = CHOICES.get(format_figure.what)
    if choice is not None and format_figure.value is not None and format_figure.value in choice.options:
        return f"{choice.words.lower()}: {choice.options[format_figure.value]}"
    if format_figure.value == "false":
        return "not so: " + EVIDENCE_WORDS[format_figure.what]
    return EVIDENCE_WORDS.get(format_figure.what, format_figure.what.replace("_", " "))


def _figure_words(format_figure: EvidenceFound, words: str, kind: str, units: Units) -> str:
    used = figure_in_words(format_figure.figures["used"], kind, units)
    low, high = format_figure.figures.get("low"), format_figure.figures.get("high")
    ends = [figure_in_words(end, kind, units) for end in (low, high) if end is not None]
    if low is not None and high is not None:
        ends[0] = figure_in_words(low, kind, units, unit=False)
    return f"{words.lower()} {used}, card {' to '.join(ends)}"


def followed_words(found: Followed) -> str:
    """What became of the one change that was asked for."""
    return f"{DONE_WORDS[found.done]}; {GONE_WORDS[found.gone]}"
