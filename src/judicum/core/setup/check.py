"""What was really set, beside the card: how far off, and what it usually does to the bead."""

from collections.abc import Mapping
from typing import Any

from judicum.core.errors import InvalidValue
from judicum.core.setup import gas, rules
from judicum.core.setup.card import card_of
from judicum.core.setup.coupon import CHOICES, TORCH_RATING_A, Coupon, check_number, read_coupon
from judicum.core.setup.filler import SIZES_MM
from judicum.core.setup.pulse import read_pulse
from judicum.core.setup.warnings import Warned
from judicum.core.units import L_MIN_PER_CFH

NUMBERS: dict[str, tuple[float, float, str]] = {
    "current_a": (1, 1000, "A"), "machine_a": (1, 1000, "A"), "gas_l_min": (0.01, 300, "L/min"), "gas_cfh": (0.01, 600, "CFH"),
    "preflow_s": (0, 60, "s"), "postflow_s": (0, 120, "s"), "downslope_s": (0, 60, "s"), "stickout_mm": (0, 60, "mm"),
    "arc_length_mm": (0, 20, "mm"), "cup": (3, 24, ""), "torch": (9, 26, ""), "electrode_mm": (0.5, 6.4, "mm"),
    "filler_mm": (0.5, 6.4, "mm"), "travel_mm_s": (0.05, 50, "mm/s"), "dab_pitch_mm": (0.2, 20, "mm"), "dabs_per_s": (0.05, 10, "1/s"),
    "work_angle_deg": (0, 180, "°"), "travel_angle_deg": (-45, 90, "°"), "filler_angle_deg": (0, 90, "°"),
}  # fmt: skip
TEXTS: dict[str, tuple[str, ...]] = {
    "polarity": ("DCEN", "DCEP", "AC"),
    "gas_part": CHOICES["gas_part"],
    "technique": CHOICES["technique"],
}
FREE_TEXTS = ("filler_alloy", "electrode_kind", "note")

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
}
"""What lies below and above the range usually does to the bead."""


def check_setup(given: Mapping[str, Any]) -> dict[str, Any]:
    """Compare what was used with the card of a coupon, from and to JSON values (docs/setup-card.md).

    Raises:
        InvalidValue: a field that is unknown, missing or no figure of sense.
    """
    if not isinstance(given, Mapping) or set(given) - {"coupon", "used"}:
        raise InvalidValue(
            "check", sorted(given) if isinstance(given, Mapping) else given, "an object with coupon and used"
        )
    if not isinstance(given.get("used"), Mapping):
        raise InvalidValue("used", given.get("used"), "an object with what was set")
    coupon = read_coupon(given.get("coupon") or {})
    used = read_used(given["used"])
    card = card_of(coupon)
    bands = ranges(coupon, card, used)
    deviations = []
    for key, value in used.items():
        base = "gas_l_min" if key == "gas_cfh" else key
        if base not in bands:
            continue
        share = 1 / L_MIN_PER_CFH if key == "gas_cfh" else 1.0
        low, high = bands[base][0] * share, bands[base][1] * share
        if low <= value <= high:
            continue
        below = value < low
        deviations.append({
            "key": key, "used": value, "low": round(low, 2), "high": round(high, 2),
            "outside": round(low - value if below else value - high, 3), "effect": EFFECTS[base][0 if below else 1],
        })  # fmt: skip
    return {"deviations": deviations, "warnings": [w.as_json() for w in warnings(coupon, card, used)]}


def read_used(given: Mapping[str, Any]) -> dict[str, Any]:
    """Read what was set from JSON values. Raises InvalidValue."""
    used: dict[str, Any] = {}
    for key, value in given.items():
        if key == "pulse":
            used[key] = read_pulse(value)
        elif value is None:
            continue
        elif key in NUMBERS:
            used[key] = check_number(key, value, *NUMBERS[key])
        elif key in TEXTS:
            if value not in TEXTS[key]:
                raise InvalidValue(key, value, "one of " + ", ".join(TEXTS[key]))
            used[key] = value
        elif key in FREE_TEXTS:
            if not isinstance(value, str):
                raise InvalidValue(key, value, "text")
            used[key] = value
        else:
            raise InvalidValue(str(key), value, "one of " + ", ".join([*NUMBERS, *TEXTS, *FREE_TEXTS, "pulse"]))
    if "torch" in used and used["torch"] not in TORCH_RATING_A:
        raise InvalidValue("torch", used["torch"], "one of " + ", ".join(map(str, TORCH_RATING_A)))
    return used


def ranges(coupon: Coupon, card: dict[str, Any], used: Mapping[str, Any]) -> dict[str, tuple[float, float]]:
    """Low and high of every figure that can be compared; gas for the cup and part really used."""
    found = {
        key: (card[key]["low"], card[key]["high"])
        for key in (
            "current_a",
            "stickout_mm",
            "arc_length_mm",
            "preflow_s",
            "postflow_s",
            "downslope_s",
            "travel_mm_s",
        )
    }
    low, _, high = gas.flow_band_l_min(
        used.get("cup") or card["cup"]["number"],
        used.get("gas_part") or coupon.gas_part,
        used.get("stickout_mm") or card["stickout_mm"]["aim"],
    )
    found["gas_l_min"] = (round(low, 1), round(high, 1))
    found["cup"] = (card["cup"]["low"], card["cup"]["high"])
    rod = card["electrode"]["diameter_mm"]
    found["electrode_mm"] = (
        rod,
        SIZES_MM[min(len(SIZES_MM) - 1, max(k for k, s in enumerate(SIZES_MM) if s <= rod) + 2)]
        if rod >= SIZES_MM[0]
        else rod,
    )
    if card["filler"]:
        found["filler_mm"] = (card["filler"]["low_mm"], card["filler"]["high_mm"])
    if card["dab_pitch_mm"]:
        found["dab_pitch_mm"] = (card["dab_pitch_mm"]["low"], card["dab_pitch_mm"]["high"])
        found["dabs_per_s"] = (round(0.7 * card["dabs_per_s"], 2), round(1.4 * card["dabs_per_s"], 2))
    work = card["angles_deg"]["work"]
    found["work_angle_deg"] = (work - 15, work + 15)
    found["travel_angle_deg"] = (0, 20 if coupon.position != "vertical_up" else 25)
    return found


def warnings(coupon: Coupon, card: dict[str, Any], used: Mapping[str, Any]) -> list[Warned]:
    """What the used settings are warned of; what was not logged is not judged."""
    bands = ranges(coupon, card, used)
    cup = used.get("cup") or card["cup"]["number"]
    part = used.get("gas_part") or coupon.gas_part
    current = used.get("current_a") or card["current_a"]["aim"]
    found = [Warned(code, words) for code, words in coupon.questions] + rules.of_metal(coupon)
    if "torch" in used:
        found += rules.of_torch(used["torch"], current, cup, coupon.torch)
    elif coupon.torch is not None and "current_a" in used:
        found += rules.of_torch(coupon.torch, current, cup)
    found += rules.of_gas_part(coupon, part, cup)
    flow = used.get("gas_l_min") or (used["gas_cfh"] * L_MIN_PER_CFH if "gas_cfh" in used else None)
    if flow is not None:
        found += rules.of_flow(flow, cup, part, {"low": bands["gas_l_min"][0], "high": bands["gas_l_min"][1]})
    if "stickout_mm" in used:
        found += rules.of_stickout(used["stickout_mm"], card["stickout_mm"])
    found += rules.of_filler(
        coupon, used.get("filler_alloy"), used.get("filler_mm"), bands["filler_mm"][1] if "filler_mm" in bands else None
    )
    if "electrode_mm" in used or "current_a" in used:
        found += rules.of_electrode(used.get("electrode_mm") or card["electrode"]["diameter_mm"], current)
    if used.get("polarity") not in (None, coupon.metal.polarity):
        found.append(
            Warned(
                "polarity_wrong",
                f"{used['polarity']} was set; {coupon.metal_name} is welded on {coupon.metal.polarity}.",
            )
        )
    for key, code, words in (("postflow_s", "postflow_short", "Post-flow"), ("preflow_s", "preflow_short", "Pre-flow")):
        if key in used and used[key] < bands[key][0]:
            found.append(
                Warned(
                    code,
                    f"{words} of {used[key]:g} s is short; at least {bands[key][0]:g} s. {EFFECTS[key][0].capitalize()}.",
                )
            )
    found += rules.of_pulse(used.get("pulse") or coupon.pulse, card["current_a"])
    found += rules.of_purge(coupon)
    if "travel_angle_deg" in used:
        found += rules.of_angle(used["travel_angle_deg"])
    if "travel_mm_s" in used:
        found += rules.of_speed(used["travel_mm_s"], card["travel_mm_s"])
    return found
