"""A segmentation along a bead by two networks: face and faults on the straightened plate.

Both tell the same; they were taught apart, so that where they differ tells how sure the segmentation is.
"""

from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.network import odds_of, scores, share_of, shares_of
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import Scale
from judicum.core.photo.unwrap import Line, read_at, read_grid

PX_PER_MM = 10.0
"""What the networks were taught at."""
NETWORKS = ("segment-1", "segment-2")
SURFACES = ("other", "tinted", "face", "granular", "hole")
EXTRAS = ("pore", "speck", "crater", "groove")
GRANULAR = 0.35
"""Share of the face across the bead from which it is grey and granular there: sugar, or a bead grey from end to end."""


@dataclass(frozen=True)
class Segmentation:
    """What the networks see on a grid along a line: rows over `n_mm`, columns over `s_mm`.

    `seen` is what they were shown, (rows, columns, 3); `each` (2, rows, columns) the natural logarithm of the odds that a
    place lies between the toes as each network tells it, and `face` their mean; the others are shares 0 to 1.
    """

    line: Line
    s_mm: Floats
    n_mm: Floats
    seen: Pixels
    each: Floats
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

    def granular_share(self, left_mm: Floats, right_mm: Floats) -> Floats:
        """Of the face between toes (columns,), less what lies at them, the share that is grey and granular: (columns,)."""
        part = np.linspace(0.15, 0.85, 15)[:, None]
        rows = self.row(left_mm * (1 - part) + right_mm * part)
        columns = np.broadcast_to(np.arange(rows.shape[1]), rows.shape)
        return np.asarray(read_at(self.granular.astype(np.float32), rows, columns).mean(0))


def segment(
    picture: Picture, scale: Scale, line: Line, s_mm: tuple[float, float], n_mm: tuple[float, float]
) -> Segmentation:
    """Look along a line, from the first to the last of `s_mm` along and of `n_mm` across it, mm."""
    seen = read_grid(picture, scale, line, s_mm, n_mm, PX_PER_MM)
    # One of them sees it in a mirror: what either takes for the upper toe by habit does not add up.
    straight, mirrored = NETWORKS
    both_ways = np.stack([scores(straight, seen), scores(mirrored, np.ascontiguousarray(seen[::-1]))[:, ::-1]])
    surfaces = [shares_of(one[: len(SURFACES)]) for one in both_ways]
    each = np.stack([odds_of(one, SURFACES.index("face")) for one in surfaces])
    shares = np.mean(surfaces, axis=0)
    named = dict(zip(EXTRAS, share_of(both_ways[:, len(SURFACES) :].mean(0)), strict=True))
    rows, columns = seen.shape[:2]
    return Segmentation(
        line,
        s_mm[0] + np.arange(columns) / PX_PER_MM,
        n_mm[0] + np.arange(rows) / PX_PER_MM,
        seen,
        each,
        each.mean(0),
        shares[SURFACES.index("granular")],
        shares[SURFACES.index("hole")],
        **named,
    )
