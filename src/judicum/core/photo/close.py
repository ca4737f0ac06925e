"""A close look along a bead by two networks: face and faults on the straightened plate."""

from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.network import odds_of, scores, share_of
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import Scale
from judicum.core.photo.unwrap import Line, read_grid

PX_PER_MM = 10.0
"""What the network was taught at."""
SURFACES = ("other", "tinted", "face", "granular", "hole")
EXTRAS = ("pore", "speck", "crater", "groove")


@dataclass(frozen=True)
class CloseLook:
    """What the network sees on a grid along a line: rows over `n_mm`, columns over `s_mm`.

    `seen` is what it was shown, (rows, columns, 3); `face` the natural logarithm of the odds that a place lies between
    the toes; the others are shares 0 to 1.
    """

    line: Line
    s_mm: Floats
    n_mm: Floats
    seen: Pixels
    face: Floats
    granular: Floats
    hole: Floats
    pore: Floats
    speck: Floats
    crater: Floats
    groove: Floats

    def row(self, n_mm: Floats) -> Floats:
        """Fractional rows of places across the line."""
        return (n_mm - self.n_mm[0]) * PX_PER_MM

    def column(self, s_mm: Floats) -> Floats:
        """Fractional columns of places along the line."""
        return (s_mm - self.s_mm[0]) * PX_PER_MM


def look_closely(
    picture: Picture, scale: Scale, line: Line, s_mm: tuple[float, float], n_mm: tuple[float, float]
) -> CloseLook:
    """Look along a line, from the first to the last of `s_mm` along and of `n_mm` across it, mm."""
    seen = read_grid(picture, scale, line, s_mm, n_mm, PX_PER_MM)
    first, second = scores("close", seen), scores("faults", seen)
    surfaces, extras = second[: len(SURFACES)], share_of(second[len(SURFACES) :])
    face = [odds_of(told[: len(SURFACES)], SURFACES.index("face")) for told in (first, second)]
    shares = np.exp(surfaces - np.logaddexp.reduce(surfaces, axis=0))
    named = dict(zip(EXTRAS, extras, strict=True))
    rows, columns = seen.shape[:2]
    return CloseLook(
        line,
        s_mm[0] + np.arange(columns) / PX_PER_MM,
        n_mm[0] + np.arange(rows) / PX_PER_MM,
        seen,
        (face[0] + face[1]) / 2,
        shares[SURFACES.index("granular")],
        shares[SURFACES.index("hole")],
        **named,
    )
