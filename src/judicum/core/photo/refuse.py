"""The codes with which a photo is refused, and the sentence each one says."""

from dataclasses import dataclass

LEAST_PX_PER_MM = 8.0
MOST_TILT_DEG = 40.0
MOST_BLUR_MM = 0.22
MOST_CLIPPED = 0.25

MESSAGES = {
    "unreadable": "This file cannot be read as a picture. Take the photo again or send the original file.",
    "too_small": "The bead is shown too small ({px_per_mm:.1f} pixels per mm; at least 8 are needed). Go closer.",
    "no_scale": "No scale card was found. Lay the card on the coupon so that all its black squares are in the picture.",
    "card_tilted": "The photo was taken {tilt_deg:.0f}° from straight above; at most 40° can be measured. Hold the camera above the bead.",
    "blurred": "The photo is blurred. Hold still, let the camera focus on the bead, and take it again.",
    "overexposed": "{share:.0%} of the bead is burnt out to white; at most 25 % may be. Turn off the flash or shade the bead.",
    "no_bead": "No bead was found beside the card. Lay the card so that the whole bead is in its window or along the strip.",
}


@dataclass(frozen=True)
class NotMeasured:
    """A photo that cannot be measured: a result, not an exception."""

    code: str
    message: str


def refuse(code: str, **figures: float) -> NotMeasured:
    """The refusal `code` with its figures put into the sentence."""
    return NotMeasured(code, MESSAGES[code].format(**figures))
