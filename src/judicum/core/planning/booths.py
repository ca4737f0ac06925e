"""What a booth may have, what a coupon wants of one, and how long a sitting at it takes."""

from collections.abc import Sequence

from judicum.core.setup.coupon import Coupon
from judicum.core.setup.record import Card

FEATURES = ("ac", "pulse", "purge", "turntable", "large_head", "small_head")
"""What is told of a booth."""
OVER = "over_"
"""Before the amps that a coupon wants more of."""
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


def over_code(limit_a: float) -> str:
    """What a booth has whose machine gives more than so many amps, as the rota knows it.

    >>> over_code(105.0)
    'over_105'
    """
    return f"{OVER}{limit_a:g}"


def stronger_than(gives_a: float | None, limits_a: Sequence[float]) -> list[str]:
    """The limits (A) of other booths that a machine goes beyond; one that nobody has told of goes beyond all.

    >>> stronger_than(150.0, [105.0, 150.0, 200.0]), stronger_than(None, [105.0])
    (['over_105'], ['over_105'])
    """
    return [over_code(limit) for limit in limits_a if gives_a is None or gives_a > limit]
