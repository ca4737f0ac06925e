"""What one coupon takes: gas by flow and time, wire by the bead's volume, blanks by the joint; and what of it costs what."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from judicum.core.setup.card import RUN_MM
from judicum.core.setup.coupon import Coupon
from judicum.core.setup.filler import CROWN, added_area_mm2, wire_length_mm
from judicum.core.setup.gas import flow_band_l_min, gas_per_run_l, usual_cup
from judicum.core.setup.record import Card, Run

STUB_SHARE = 0.08
"""Of the wire, what is left as stubs too short to hold: some 80 mm of a rod of a metre."""


@dataclass(frozen=True)
class Consumption:
    """Gas in litres, wire in metres with its alloy and diameter (mm), blanks in pieces."""

    gas_l: float
    wire_m: float
    wire: tuple[str, float] | None
    blanks: int


def run_gas_l(run: Run, card: Card, length_mm: float) -> float:
    """Gas of one logged run, litres: V = q (t_pre + t_arc + t_post) + q_purge (t_wait + t_arc + t_post).

    What was not logged is the card's aim; arc time without a clock is length over travel.

    >>> from judicum.core.setup import plan_card
    >>> card = plan_card({"metal": "304L", "joint": "butt", "thickness_mm": 1.5, "position": "flat"})
    >>> round(run_gas_l(Run(gas_l_min=12.0, preflow_s=0.5, arc_s=48.0, postflow_s=10.0), card, 90), 2)
    11.7
    """
    preflow_s = _or(run.preflow_s, card.preflow_s.aim)
    postflow_s = _or(run.postflow_s, card.postflow_s.aim)
    speed = _or(run.travel_mm_s, card.travel_mm_s.aim)
    arc = _or(run.arc_s, length_mm / speed)
    flow = _or(run.gas_l_min, card.gas_l_min.aim)
    found = gas_per_run_l(flow, preflow_s, arc, postflow_s)
    purge = card.purge
    purging = run.purge_l_min or (purge.l_min.aim if purge else None)
    if purging:
        wait = _or(run.purge_wait_s, (purge.wait_s if purge else None) or 0.0)
        found += gas_per_run_l(purging, wait, arc, postflow_s)
    return found


def wire_of(run: Run, coupon: Coupon, card: Card) -> tuple[str, float] | None:
    """Alloy and diameter (mm) of the wire a run was welded with, the card's where not logged; None for a fused one."""
    planned = card.filler
    alloy = run.filler_alloy or (planned.alloy if planned else None)
    if alloy is None or alloy == "none" or (run.technique or coupon.technique) == "fuse":
        return None
    return alloy, run.filler_mm or (planned.diameter_mm if planned else 1.6)


def consumption(
    runs: Sequence[Run],
    coupon: Coupon,
    card: Card,
    length_mm: float,
    measured_mm: tuple[float, float] | None = None,
) -> Consumption:
    """What the runs of one coupon took together.

    Args:
        runs: as logged; none is the card's own run.
        length_mm: length of the coupon's seam.
        measured_mm: the bead's length and width where its photo was measured: its volume is then the bead's own.
    """
    every = list(runs) or [Run()]
    long = measured_mm[0] if measured_mm else length_mm
    area = added_area_mm2(coupon)
    if measured_mm and not coupon.kind.fillet:
        area = 2 / 3 * measured_mm[1] * CROWN * measured_mm[1] * coupon.kind.crown
    # Runs beside one another share a seam; passes over one another each weld all of it.
    passes = len({run.pass_number or 1 for run in every})
    each = long * passes / len(every)
    wire = next((found for run in every if (found := wire_of(run, coupon, card))), None)
    metres = wire_length_mm(area, long * passes, wire[1]) / 1000 * (1 + STUB_SHARE) if wire else 0.0
    return Consumption(sum(run_gas_l(run, card, each) for run in every), metres, wire, coupon.kind.parts)


@dataclass(frozen=True)
class GasShares:
    """Of a run's gas, litres: all of it; what post-flow takes; what this cup takes more than the usual one; purge."""

    run_l: float
    postflow_l: float
    cup_more_l: float
    purge_l: float


def gas_shares(coupon: Coupon, card: Card, length_mm: float = RUN_MM) -> GasShares:
    """Where the gas of a run goes by its card: what a wide cup, a long post-flow and purge add."""
    whole = run_gas_l(Run(), card, length_mm)
    flow = card.gas_l_min.aim
    plain = replace(card, purge=None)
    without_purge = run_gas_l(Run(), plain, length_mm)
    usual = flow_band_l_min(usual_cup(coupon), "gas_lens")[1]
    return GasShares(
        whole,
        gas_per_run_l(flow, 0, 0, card.postflow_s.aim),
        max(0.0, without_purge - run_gas_l(Run(gas_l_min=usual), plain, length_mm)),
        whole - without_purge,
    )


def _or(given: float | None, usual: float) -> float:
    return usual if given is None else given
