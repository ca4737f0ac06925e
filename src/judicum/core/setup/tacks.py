"""Tacks: how many, where, in which order, with what, as far as practice has figures; spacing on long seams is the instructor's."""

from dataclasses import dataclass

from judicum.core.metals import TORCHES
from judicum.core.setup.coupon import Coupon
from judicum.core.setup.gas import wants_purge
from judicum.core.setup.record import Band, Tacks

FUSED_FACTOR = 1.85
"""Of the bead's amps, without rod: a blast that melts and holds before it can burn through (110 A for 60)."""
ROD_FACTOR = 1.2
"""The same with a rod, which cools it."""
MAX_A_OVER_RATING = 1.15
"""Of a torch's rating: a short blast above it is tolerated."""
TIME_S = Band(0.3, 0.5, 1.0)
"""s. One pulse; longer makes a bump in the bead."""
TIP_MM = Band(0.5, 0.8, 1.0)
"""mm from tip to work: very close."""
MAX_GAP_MM = 0.13
"""mm (.005 in). In places, on a fused joint, it does no harm."""


@dataclass(frozen=True)
class Places:
    """Where tacks sit: degrees round a tube, else shares of the seam's length; in the order in which they are made."""

    degrees: tuple[float, ...] = ()
    along: tuple[float, ...] = ()
    behind: bool = False


ENDS = Places(along=(0.0, 1.0))
ENDS_AND_MIDDLE = Places(along=(0.0, 1.0, 0.5))
ROUND = Places(degrees=(0.0, 180.0, 90.0, 270.0))
PLACES = {
    "butt": ENDS_AND_MIDDLE,
    "lap": ENDS,
    "tee": ENDS,
    "outside_corner": ENDS_AND_MIDDLE,
    "edge": ENDS_AND_MIDDLE,
    "tube_butt": ROUND,
    "tube_sleeve": ROUND,
    "tube_sleeve_bend": ROUND,
    "tube_flange": Places(degrees=(0.0, 180.0, 90.0, 270.0), behind=True),
    "socket": ROUND,
    "turntable": ROUND,
}
"""Opposite ones after each other: each tack pulls the next gap shut."""


def tacks(coupon: Coupon, aim_a: float) -> Tacks | None:
    """The tacks of a coupon; None on a bead on plate."""
    places = PLACES.get(coupon.joint)
    if places is None:
        return None
    fused = coupon.technique == "fuse" or coupon.heated_mm <= 1.6
    amps = aim_a * (FUSED_FACTOR if fused else ROD_FACTOR)
    if coupon.torch is not None:
        amps = min(amps, TORCHES[coupon.torch].rating_a * MAX_A_OVER_RATING)
    purged = wants_purge(coupon)
    return Tacks(
        count=len(places.degrees or places.along),
        degrees=places.degrees,
        along=places.along,
        behind=places.behind,
        current_a=round(amps, 1),
        time_s=TIME_S,
        tip_mm=TIP_MM,
        with_rod=not fused,
        max_gap_mm=MAX_GAP_MM if coupon.technique == "fuse" else None,
        purge="none" if not purged else coupon.purge_tacks,
    )
