"""What counts as good and as acceptable: each limit once, for marks, trends, tracks and words."""

from dataclasses import dataclass


@dataclass(frozen=True)
class Band:
    """Limits of a figure of which less is better: `good` and `accepted`; `best` and `worst` end the scale of scores.

    All are plain ratios: coefficients of variation, or a share of the mean width.
    """

    best: float
    good: float
    accepted: float
    worst: float

    @property
    def curve(self) -> tuple[tuple[float, float], ...]:
        """Points of straight pieces: figure and score out of ten."""
        return (self.best, 10.0), (self.good, 8.0), (self.accepted, 5.0), (self.worst, 0.0)


BANDS = {
    "width_cv": Band(0.02, 0.06, 0.10, 0.20),
    "pitch_cv": Band(0.05, 0.12, 0.20, 0.40),
    "toe_waviness": Band(0.02, 0.06, 0.12, 0.25),
}
"""Width and pitch by their coefficients of variation; toe waviness (RMS) as a share of the mean width."""
LAPSE_LONG = 1.5
"""Of the median gap: a longer one between two ripple fronts is a lapse."""
LAPSE_SHORT = 0.6
"""A shorter one is one as well."""
OFF_TARGET_SHARE = 0.25
"""Of the width asked for: further off it is told and costs points."""
CARD_WIDTH_SHARE = (0.85, 1.2)
"""Of the width asked for: the range on the card."""
LOPSIDED = 1.6
"""Wider over narrower side of the zone."""
GREY_SHARE = 0.05
"""Of the bead's surface: more grey is a reject."""
STUCK_DAYS = 10
"""Days without welding after which somebody is asked after."""
