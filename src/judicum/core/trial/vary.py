"""What a trial may vary, and from where to where by the card of its coupon."""

import math
from dataclasses import dataclass

from judicum.core.choices import CHOICES
from judicum.core.quantities import QUANTITIES, Quantity
from judicum.core.setup.record import Band, Card

LOG = "log"
LINEAR = "linear"


@dataclass(frozen=True)
class Varied:
    """One thing that a trial may vary, by the key of the figure that it sets.

    `heat` is 1 where more of it brings more heat, -1 where less, 0 where it moves the cover only. `scale` says whether its
    steps are ratios. `run_key` is the run's field that it sets, where that is another, or None where it sets none.
    """

    key: str
    heat: int
    scale: str = LINEAR
    run_key: str | None = None
    codes: tuple[str, ...] = ()

    @property
    def quantity(self) -> Quantity | None:
        """Its quantity; None of a choice."""
        return QUANTITIES.get(self.key)


_TABLE = (
    Varied("current_a", 1, LOG, "current_a"),
    Varied("travel_mm_s", -1, LOG, "travel_mm_s"),
    Varied("turntable_rpm", -1, LOG, "travel_mm_s"),
    Varied("gas_l_min", 0, LINEAR, "gas_l_min"),
    Varied("stickout_mm", 0, LINEAR, "stickout_mm"),
    Varied("cup", 0, LINEAR, "cup"),
    Varied("gas_part", 0, run_key="gas_part", codes=tuple(str(code) for code in CHOICES["gas_part"].codes)),
    Varied("postflow_s", 0, LINEAR, "postflow_s"),
    Varied("on_share", 1, LINEAR, "on_share"),
    Varied("per_second", 0, LOG, "per_second"),
    Varied("dabs_per_s", 0, LINEAR),
)
VARIED: dict[str, Varied] = {one.key: one for one in _TABLE}

BESIDE_SHARE = 0.25
"""No unit. Of a figure, how far a trial goes to either side where the card gives no range: enough to see, too little to spoil all."""
PULSE_RATES = (0.5, 500.0)
"""1/s. From a rate that drags to one that stiffens the arc; a trial of rates goes through the decades."""
MIN_POSTFLOW_S = 2.0
"""s. Where a trial of post-flow begins: too short on purpose, so that the last grey end is seen."""
POSTFLOW_UP = 1.3
"""No unit. Over the card's post-flow, where it ends."""


@dataclass(frozen=True)
class Proposal:
    """What may be varied at a coupon: SI from `low` to `high`, or `values` of a choice."""

    key: str
    low: float | None = None
    high: float | None = None
    values: tuple[str, ...] = ()


def proposals(card: Card, tube_od_mm: float | None = None, pulsed: bool = False) -> tuple[Proposal, ...]:
    """Everything that may be varied at a coupon, from where to where by its card.

    Args:
        tube_od_mm: outer diameter of a tube, None for sheet.
        pulsed: whether the coupon is welded with pulse, so that its share and rate can be varied.
    """
    found = [
        _of("current_a", card.current_a),
        _of("travel_mm_s", card.travel_mm_s),
        _of("gas_l_min", card.gas_l_min),
        _of("stickout_mm", card.stickout_mm),
        _beside("cup", card.cup.number),
        Proposal("gas_part", values=VARIED["gas_part"].codes),
        Proposal("postflow_s", MIN_POSTFLOW_S, float(math.ceil(card.postflow_s.aim * POSTFLOW_UP))),
    ]
    if card.turntable_rpm is not None and tube_od_mm is not None:
        found.insert(2, _of("turntable_rpm", card.turntable_rpm))
    if card.dabs_per_s is not None:
        found.append(_beside("dabs_per_s", card.dabs_per_s))
    if pulsed:
        found += [Proposal("on_share", 0.2, 0.5), Proposal("per_second", *PULSE_RATES)]
    return tuple(found)


def _of(key: str, band: Band) -> Proposal:
    return Proposal(key, band.low, band.high) if band.low < band.high else _beside(key, band.aim)


def _beside(key: str, value: float) -> Proposal:
    return Proposal(key, value * (1 - BESIDE_SHARE), value * (1 + BESIDE_SHARE))
