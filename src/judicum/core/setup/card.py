"""The setup card: every figure with its range, its rule and why it moved."""

from collections.abc import Mapping
from typing import Any

from judicum.core.acceptance import CARD_WIDTH_SHARE
from judicum.core.choices import FINISH_LEVEL
from judicum.core.heat import ARC_EFFICIENCY, arc_volts, heat_per_length_kj_mm
from judicum.core.setup import electrode, gas, hands, rules
from judicum.core.setup.coupon import Coupon, read_coupon
from judicum.core.setup.cover import cover
from judicum.core.setup.current import opinions
from judicum.core.setup.filler import filler
from judicum.core.setup.passes import planned_runs
from judicum.core.setup.pulse import flickers
from judicum.core.setup.record import (
    Band,
    BeadGoal,
    Card,
    Cover,
    Cup,
    CurrentBand,
    Electrode,
    Filler,
    HeatInput,
    Opinion,
    Runs,
    Seams,
)
from judicum.core.setup.schools import START_S
from judicum.core.setup.tacks import tacks
from judicum.core.setup.torch import torch_setup
from judicum.core.setup.warnings import Warned
from judicum.core.tube import plan_runs, run_order, turntable_rpm

RUN_MM = 100.0
"""mm of bead that gas and wire of a card are told for."""
DABS_A_RUN = 17
"""Dabs from one position of the hand round a tube, where no cover limits them: what a propped hand reaches."""
RULES_ONLY = ("titanium", "aluminium", "nickel")
"""Families of which hardly a practised setting is known: the card's figures are rules, and say so."""
THIN_FILLET_MM = 2.5
"""mm. Up to here too much penetration is a fillet's commonest fault, and its back tells."""


def plan_card(given: Mapping[str, Any]) -> Card:
    """The setup card of a coupon from JSON values (docs/setup-card.md).

    Raises:
        InvalidValues: a field of the coupon that is unknown, missing or outside what is allowed.
    """
    return card_of(read_coupon(given))


def card_of(coupon: Coupon) -> Card:
    """The setup card of a coupon that has been read."""
    torch = torch_setup(coupon)
    current, rod, cup, stickout = torch.current, torch.electrode_mm, torch.cup, torch.stickout
    low, middle, high = torch.flow_l_min
    flow = Band(round(low, 1), round(middle, 1), round(high, 1))
    travel, pitch = hands.travel(coupon), hands.dab_pitch(coupon)
    timing = gas.timing(coupon, current.aim, cup.number)
    reach = cover(coupon, cup.number, travel.aim, pitch.aim if pitch else None)
    wire = filler(coupon)
    volts = arc_volts(current.aim)
    width = coupon.target_width_mm or hands.bead_width_mm(coupon.thickness_mm)
    arc_s = RUN_MM / travel.aim
    return Card(
        current_a=current,
        opinions=tuple(Opinion(rule, round(amps, 1)) for rule, amps in opinions(coupon).items()),
        polarity=coupon.metal.polarity,
        cup=cup,
        gas_part=coupon.gas_part,
        gas_l_min=flow,
        reynolds=round(gas.reynolds(middle, cup.number)),
        stickout_mm=stickout,
        arc_length_mm=hands.arc_length(rod),
        preflow_s=timing.preflow_s,
        postflow_s=timing.postflow_s,
        downslope_s=timing.downslope_s,
        start_s=START_S[coupon.start_school],
        electrode=Electrode(
            rod, electrode.taper_mm(rod, coupon.thickness_mm), electrode.KINDS[coupon.electrode_school]
        ),
        filler=wire,
        angles_deg=hands.angles_deg(coupon),
        travel_mm_s=travel,
        dab_pitch_mm=pitch,
        dabs_per_s=round(travel.aim / pitch.aim, 2) if pitch else None,
        heat_kj_mm=HeatInput(
            arc=round(heat_per_length_kj_mm(volts, current.aim, travel.aim), 3),
            net=round(heat_per_length_kj_mm(volts, current.aim, travel.aim, ARC_EFFICIENCY), 3),
        ),
        purge=gas.purge(coupon),
        runs=_runs(coupon, pitch, reach),
        cover=reach,
        tacks=tacks(coupon, current.aim),
        passes=planned_runs(coupon),
        seams=Seams(coupon.seams_planned, coupon.seams) if coupon.seams_planned > 1 else None,
        rules_only=coupon.metal.family if coupon.metal.family in RULES_ONLY else None,
        look_at_back=coupon.kind.fillet and coupon.heated_mm <= THIN_FILLET_MM and coupon.metal.oxidises,
        turntable_rpm=_turntable(coupon, travel),
        pulse_mean_a=round(coupon.pulse.mean_a, 1) if coupon.pulse else None,
        bead=BeadGoal(
            Band.around(width, *CARD_WIDTH_SHARE), FINISH_LEVEL[coupon.finish] if coupon.metal.tints else None
        ),
        gas_l_per_run=round(gas.gas_per_run_l(middle, timing.preflow_s.aim, arc_s, timing.postflow_s.aim), 1),
        warnings=tuple(_warnings(coupon, current, cup, flow, stickout, wire, rod)),
        cautions=tuple(cautions(coupon)),
    )


def _runs(coupon: Coupon, pitch: Band | None, reach: Cover | None) -> Runs | None:
    if coupon.tube_od_mm is None or pitch is None or coupon.joint == "turntable" or not coupon.on_tube:
        return None
    plan = plan_runs(coupon.tube_od_mm, pitch.aim, (reach.dabs if reach else None) or DABS_A_RUN)
    return Runs(
        count=plan.count,
        length_mm=round(plan.length_mm, 1),
        dabs=plan.dabs,
        net_mm=round(plan.net_mm, 1),
        starts_deg=tuple(round(a, 1) for a in plan.starts_deg),
        order=tuple(run_order(plan.count) if coupon.run_order == "every_second" else range(1, plan.count + 1)),
        first="thin_side" if coupon.joint == "tube_sleeve_bend" else None,
    )


def _turntable(coupon: Coupon, travel: Band) -> Band | None:
    if coupon.joint != "turntable" or coupon.tube_od_mm is None:
        return None
    od_mm = coupon.tube_od_mm
    return Band(*(round(turntable_rpm(od_mm, speed), 3) for speed in (travel.low, travel.aim, travel.high)))


def _warnings(
    coupon: Coupon, current: CurrentBand, cup: Cup, flow: Band, stickout: Band, wire: Filler | None, rod_mm: float
) -> list[Warned]:
    # A ridden pedal stays near the aim; the machine's setting above it is only headroom.
    steady = current.aim
    found = [*coupon.questions, *rules.of_metal(coupon)]
    found += rules.of_torch(coupon.torch, steady, cup.number)
    found += rules.of_gas_part(coupon, coupon.gas_part, cup.number)
    found += rules.of_flow(flow.aim, cup.number, coupon.gas_part, flow)
    found += rules.of_stickout(coupon.stickout_mm, stickout) if coupon.stickout_mm is not None else []
    found += rules.of_filler(coupon, None, coupon.filler_mm, wire.high_mm) if wire else []
    found += rules.of_electrode(rod_mm, min(steady, current.machine))
    found += rules.of_pulse(coupon.pulse, current)
    found += rules.of_purge(coupon)
    usual = Band.around(hands.travel_mm_s(coupon.thickness_mm), 0.6, 1.6)
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
        found += ["carbon_dust", "compressed_air", "no_water"]
    if coupon.metal.coated:
        found.append("coated_metal")
    if gas.wants_purge(coupon):
        found.append("argon_closed_space")
    if coupon.position == "overhead":
        found.append("overhead_drops")
    if coupon.pulse is not None and flickers(coupon.pulse.per_second):
        found.append("pulse_flicker")
    if coupon.technique != "walk_cup":
        found.append("propping")
    found += ["torch_hot", "cups_brittle", "mains"]
    return found
