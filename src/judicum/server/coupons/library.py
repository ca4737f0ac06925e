"""The coupon designs that ship with the product."""

from typing import Any

from judicum.server.coupons.models import Design

LIBRARY: tuple[dict[str, Any], ...] = (
    {
        "code": "plate-bead-15",
        "title": "Bead on plate, 1.5 mm",
        "joint": "bead_on_plate",
        "thickness_mm": 1.5,
        "target_width_mm": 4.0,
        "purpose": "Puddle, travel and dab cadence with nothing else to think about.",
    },
    {
        "code": "plate-bead-20",
        "title": "Bead on plate, 2.0 mm",
        "joint": "bead_on_plate",
        "thickness_mm": 2.0,
        "target_width_mm": 4.6,
        "purpose": "The same with more heat to steer: even ripples, straight toes, colour no darker than copper.",
    },
    {
        "code": "butt-15",
        "title": "Square butt, 1.5 mm",
        "joint": "butt",
        "thickness_mm": 1.5,
        "target_width_mm": 4.2,
        "purpose": "Follow a joint: fit-up with no gap, small tacks, both toes caught alike.",
    },
    {
        "code": "butt-20",
        "title": "Square butt, 2.0 mm",
        "joint": "butt",
        "thickness_mm": 2.0,
        "target_width_mm": 4.8,
        "purpose": "A butt as the basins need it: even, straight, clean enough to leave unpolished.",
    },
)


def load_library() -> None:
    """Add the designs of the library that are not there yet; none is ever changed."""
    for design in LIBRARY:
        Design.objects.get_or_create(code=design["code"], version=1, defaults=design)
