"""The codes with which a photo is refused, and the limits behind them; the sentences stand in `judicum.words.photo`."""

from dataclasses import dataclass, field

from judicum.core.errors import Said

MIN_PX_PER_MM = 8.0
MAX_TILT_DEG = 40.0
MAX_BLUR_MM = 0.22
MAX_CLIPPED = 0.25

LIMITS = {
    "too_small": {"least": MIN_PX_PER_MM},
    "card_tilted": {"most": MAX_TILT_DEG},
    "overexposed": {"most": MAX_CLIPPED},
}
CODES = ("unreadable", "too_small", "no_scale", "card_tilted", "blurred", "overexposed", "no_bead")


@dataclass(frozen=True)
class NotMeasured:
    """A photo that cannot be measured: a result, not an exception. `why` is what the decoder said."""

    code: str
    figures: dict[str, float] = field(default_factory=dict)
    why: Said | None = None


def refuse(code: str, **figures: float) -> NotMeasured:
    """The refusal `code` with its figures and the limit they passed."""
    return NotMeasured(code, {**LIMITS.get(code, {}), **figures})
