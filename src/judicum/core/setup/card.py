"""The setup card: every figure with its range, its rule and why it moved."""

from collections.abc import Mapping
from typing import Any

from judicum.core.acceptance import CARD_WIDTH_SHARE
from judicum.core.choices import FINISH_LEVEL
from judicum.core.heat import ARC_EFFICIENCY, arc_volts, heat_per_length_kj_mm
from judicum.core.setup import electrode, gas, hands, rules
from judicum.core.setup.coupon import Coupon, read_coupon
from judicum.core.setup.current import bead_width_mm, current_a, opinions
from judicum.core.setup.filler import filler
from judicum.core.setup.schools import START_S
from judicum.core.setup.warnings import Warned
from judicum.core.tube import plan_runs, run_order, turntable_rpm

RUN_MM = 100.0
DABS_A_RUN = 17

Card = dict[str, Any]
"""The card by the contract's keys; `warnings` are `Warned`, rules and reasons are codes: `judicum.words.setup` puts
them into words."""


def plan_card(given: Mapping[str, Any]) -> Card:
    """The setup card of a coupon from JSON values (docs/setup-card.md).

    Raises:
        InvalidValues: a field of the coupon that is unknown, missing or outside what is allowed.
    """
    return card_of(read_coupon(given))


def card_of(coupon: Coupon) -> Card:
    """The setup card of a coupon that has been read."""
    current = current_a(coupon)
    aim = float(current["aim"])  # type: ignore[arg-type]
    machine = float(current["machine"])  # type: ignore[arg-type]
    rod = coupon.electrode_mm or electrode.diameter_mm(aim)
    cup = gas.cup(coupon)
    stickout = hands.stickout(coupon, rod, cup["number"])
    low, middle, high = gas.flow_band_l_min(cup["number"], coupon.gas_part, coupon.stickout_mm or stickout["aim"])
    flow = {"low": round(low, 1), "aim": round(middle, 1), "high": round(high, 1)}
    travel, pitch = hands.travel(coupon), hands.dab_pitch(coupon)
    timing = gas.timing(coupon, aim, cup["number"])
    wire = filler(coupon)
    volts = arc_volts(aim)
    width = coupon.target_width_mm or bead_width_mm(coupon.thickness_mm)
    card: Card = {
        "current_a": current,
        "opinions": [{"rule": rule, "current_a": round(amps, 1)} for rule, amps in opinions(coupon).items()],
        "polarity": coupon.metal.polarity,
        "cup": cup,
        "gas_part": coupon.gas_part,
        "gas_l_min": flow,
        "reynolds": round(gas.reynolds(middle, cup["number"])),
        "stickout_mm": stickout,
        "arc_length_mm": hands.arc_length(rod),
        **timing,
        "start_s": dict(START_S[coupon.start_school]),
        "electrode": {
            "diameter_mm": rod,
            "taper_mm": electrode.taper_mm(rod, coupon.thickness_mm),
            "kinds": list(electrode.KINDS),
        },
        "filler": wire,
        "angles_deg": hands.angles_deg(coupon),
        "travel_mm_s": travel,
        "dab_pitch_mm": pitch,
        "dabs_per_s": round(travel["aim"] / pitch["aim"], 2) if pitch else None,
        "heat_kj_mm": {
            "arc": round(heat_per_length_kj_mm(volts, aim, travel["aim"]), 3),
            "net": round(heat_per_length_kj_mm(volts, aim, travel["aim"], ARC_EFFICIENCY), 3),
        },
        "purge": gas.purge(coupon),
        "runs": _runs(coupon, pitch),
        "turntable_rpm": _turntable(coupon, travel),
        "pulse_mean_a": round(coupon.pulse.mean_a, 1) if coupon.pulse else None,
        "bead": {
            "width_mm": hands.around(width, *CARD_WIDTH_SHARE),
            "max_tint_level": FINISH_LEVEL[coupon.finish] if coupon.metal.tints else None,
        },
        "gas_l_per_run": round(
            gas.gas_per_run_l(middle, timing["preflow_s"]["aim"], RUN_MM / travel["aim"], timing["postflow_s"]["aim"]),
            1,
        ),
    }
    card["warnings"] = _warnings(coupon, card, rod, machine)
    card["cautions"] = cautions(coupon)
    return card


def _runs(coupon: Coupon, pitch: dict[str, float] | None) -> dict[str, Any] | None:
    if coupon.tube_od_mm is None or pitch is None or coupon.joint == "turntable" or not coupon.on_tube:
        return None
    plan = plan_runs(coupon.tube_od_mm, pitch["aim"], DABS_A_RUN)
    return {
        "count": plan.count, "length_mm": round(plan.length_mm, 1), "dabs": plan.dabs, "net_mm": round(plan.net_mm, 1),
        "starts_deg": [round(a, 1) for a in plan.starts_deg], "order": run_order(plan.count),
        "first": "thin_side" if coupon.joint == "tube_sleeve_bend" else None,
    }  # fmt: skip


def _turntable(coupon: Coupon, travel: dict[str, float]) -> dict[str, float] | None:
    if coupon.joint != "turntable" or coupon.tube_od_mm is None:
        return None
    return {key: round(turntable_rpm(coupon.tube_od_mm, speed), 3) for key, speed in travel.items()}


def _warnings(coupon: Coupon, card: Card, rod: float, machine: float) -> list[Warned]:
    cup = card["cup"]["number"]
    # A ridden pedal stays near the aim; the machine's setting above it is only headroom.
    steady = card["current_a"]["aim"]
    wire = card["filler"]
    found = [*coupon.questions, *rules.of_metal(coupon)]
    found += rules.of_torch(coupon.torch, steady, cup)
    found += rules.of_gas_part(coupon, coupon.gas_part, cup)
    found += rules.of_flow(card["gas_l_min"]["aim"], cup, coupon.gas_part, card["gas_l_min"])
    found += rules.of_stickout(coupon.stickout_mm, card["stickout_mm"]) if coupon.stickout_mm is not None else []
    found += rules.of_filler(coupon, None, coupon.filler_mm, wire["high_mm"]) if wire else []
    found += rules.of_electrode(rod, min(steady, machine))
    found += rules.of_pulse(coupon.pulse, card["current_a"])
    found += rules.of_purge(coupon)
    usual = hands.around(hands.travel_mm_s(coupon.thickness_mm), 0.6, 1.6)
    found += rules.of_speed(coupon.travel_mm_s, usual) if coupon.travel_mm_s is not None else []
    return found


def cautions(coupon: Coupon) -> list[str]:
    """Codes of the cautions that apply; the school's own rules and local codes come first."""
    found = [
        "local_rules",
        "arc_eye",
        "hot_metal",
        "electric_shock",
        "grinder",
        "thoriated",
        "solvent_vapour",
        "cylinders",
    ]
    if coupon.metal.fumes:
        found.append("fume_chromium")
    if coupon.metal.rusts:
        found += ["carbon_dust", "compressed_air"]
    if coupon.metal.coated:
        found.append("coated_metal")
    if gas.wants_purge(coupon):
        found.append("argon_closed_space")
    return found
