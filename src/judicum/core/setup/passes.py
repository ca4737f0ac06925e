"""Runs over one another: root, second, weave, stacked; each with its own cup, gas, amps and rod."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

from judicum.core.setup.coupon import Coupon
from judicum.core.setup.filler import used_size_mm
from judicum.core.setup.record import PlannedRun
from judicum.core.setup.torch import torch_setup

SECOND_CUP = 8
"""Cup number of a walked second run: wider than the root's, narrow enough to stand between the walls."""


@dataclass(frozen=True)
class Place:
    """Where a run lies in the section: its row from the root outward, its place in the row, and how many lie in it."""

    kind: str
    row: int
    column: int
    columns: int


def places(count: int, layers: str) -> list[Place]:
    """The places of so many runs: woven, each over the whole width; stacked, a root, one over it, then rows of two, three and more.

    >>> [(p.kind, p.row, p.columns) for p in places(3, "weave")]
    [('root', 1, 1), ('second', 2, 1), ('weave', 3, 1)]
    >>> [(p.row, p.column) for p in places(6, "stacked")]
    [(1, 1), (2, 1), (2, 2), (3, 1), (3, 2), (3, 3)]
    """
    found = [Place("root", 1, 1, 1)]
    row = 2
    while len(found) < count:
        if layers == "weave":
            found.append(Place("second" if row == 2 and count > 2 else "weave", row, 1, 1))
        else:
            width = min(row, count - len(found))
            found += [Place("stacked", row, column, width) for column in range(1, width + 1)]
        row += 1
    return found[:count]


def planned_runs(coupon: Coupon) -> tuple[PlannedRun, ...]:
    """Every run of a coupon that has more than one, in order; none for a single run."""
    if coupon.runs_planned < 2:
        return ()
    return tuple(_runs(coupon))


def _runs(coupon: Coupon) -> Iterator[PlannedRun]:
    for number, place in enumerate(places(coupon.runs_planned, coupon.layers), 1):
        own = _coupon_of(coupon, number, place)
        torch = torch_setup(own)
        yield PlannedRun(
            number=number,
            kind=place.kind,
            row=place.row,
            column=place.column,
            columns=place.columns,
            technique=own.technique,
            current_a=torch.current.aim,
            low_a=torch.current.low,
            high_a=torch.current.high,
            cup=torch.cup.number,
            stickout_mm=own.stickout_mm or torch.stickout.aim,
            gas_l_min=round(torch.flow_l_min[1], 1),
            filler_mm=used_size_mm(own),
            brushed=number > 1,
            cooled=number > 1,
        )


def _coupon_of(coupon: Coupon, number: int, place: Place) -> Coupon:
    """The coupon as it stands before its run of this number."""
    if number == 1:
        return replace(coupon, run_pass=1)
    # Another cup: what was given for the first one's stick-out and flow does not hold.
    own = replace(coupon, run_pass=number, cup=None, stickout_mm=None, cup_flow_l_min=None)
    if coupon.technique == "walk_cup":
        return replace(own, cup=SECOND_CUP if place.row == 2 else None)
    woven = place.kind == "weave" and coupon.technique == "dab"
    return replace(own, technique="lay_wire" if woven else own.technique, filler_mm=None)
