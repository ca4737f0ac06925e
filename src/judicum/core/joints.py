"""The joints of practice coupons: one record each, with all that depends on the joint.

A new joint needs its record here and its drawing in web/src/domain/section-shapes.ts (docs/extending.md).
"""

from dataclasses import dataclass


@dataclass(frozen=True)
class Joint:
    """One joint.

    `current` is its current over a flat butt's; `work_deg` the usual work angle, degrees; `crown` the filler it
    takes over a flat butt's. `fillet` joints are filled by their leg. On `tube` the wall counts and the bore
    can be purged; `root_shows` where the root is the tube's inside, so that it is purged unless a course says
    otherwise; `sugars` where the bore oxidises behind the seam, through or not. `long_preflow` where air lingers in a corner or bore. `always_purged` whatever the course's school. `parts`
    blanks make one coupon.
    """

    key: str
    current: float
    work_deg: int
    fillet: bool = False
    tube: bool = False
    root_shows: bool = False
    sugars: bool = False
    long_preflow: bool = False
    crown: float = 1.0
    fit_up: bool = True
    always_purged: bool = False
    parts: int = 2


_TABLE = (
    Joint("bead_on_plate", 1.0, 90, fit_up=False, parts=1),
    Joint("butt", 1.0, 90),
    Joint("lap", 1.10, 60, fillet=True),
    Joint("tee", 1.21, 45, fillet=True),
    Joint("outside_corner", 0.92, 90, long_preflow=True, crown=1.6),
    Joint("edge", 0.80, 90),
    Joint("tube_butt", 0.93, 90, tube=True, root_shows=True, sugars=True, long_preflow=True),
    Joint("tube_sleeve", 1.05, 45, fillet=True, tube=True, sugars=True),
    Joint("tube_sleeve_bend", 0.975, 45, fillet=True, tube=True, sugars=True),
    Joint("tube_flange", 1.08, 45, fillet=True, tube=True),
    Joint("socket", 1.15, 45, fillet=True, tube=True),
    Joint("turntable", 0.95, 90, tube=True, root_shows=True, sugars=True, long_preflow=True, always_purged=True),
)
JOINTS: dict[str, Joint] = {joint.key: joint for joint in _TABLE}
