"""What a booth may have, what a coupon wants of one, and how long a sitting at it takes."""

from judicum.core.setup.coupon import Coupon
from judicum.core.setup.record import Card

FEATURES = ("ac", "pulse", "purge", "turntable", "large_head", "small_head")
"""What is told of a booth."""
SITTING_MINUTES = 45
"""A plate coupon with setting up, tacking, the bead, cleaning and the photo."""
TUBE_MINUTES = 60
"""A tube takes fitting up and purging besides."""


def wants_of(coupon: Coupon, card: Card) -> list[str]:
    """What a coupon wants of its booth, by itself and its setup card: AC, pulse, purge gas, a turntable."""
    wants = {
        "ac": card.polarity == "AC",
        "pulse": coupon.pulse is not None,
        "purge": bool(card.purge),
        "turntable": coupon.joint == "turntable",
    }
    return [key for key, wanted in wants.items() if wanted]


def minutes_for(coupon: Coupon) -> int:
    """Minutes that one sitting at a coupon usually takes."""
    return TUBE_MINUTES if coupon.on_tube else SITTING_MINUTES
