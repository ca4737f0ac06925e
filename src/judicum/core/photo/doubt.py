"""How sure the toes are: by how sharply the networks tell face from plate, and by whether all of them agree."""

from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Floats, Whole
from judicum.core.photo.bead import Stretch
from judicum.core.photo.defects.stretches import runs
from judicum.core.photo.locate import Patch
from judicum.core.photo.network import share_of
from judicum.core.photo.segment import PX_PER_MM, Segmentation
from judicum.core.photo.smooth import smoothed
from judicum.core.photo.toes import Toes


@dataclass(frozen=True)
class DoubtParameters:
    """From where on a toe is in doubt."""

    coarse_apart_mm: float = 0.7
    """mm between the width of the segmentation and that of the search for beads that make two opinions: the search takes dark film
    beside a bead for some half a millimetre of it."""
    fine_apart_mm: float = 0.4
    """mm between the widths that the segmentation's networks saw each for itself."""
    around_mm: float = 1.5
    """mm from a toe that the network may waver for that toe's sake."""
    sharp_mm: float = 0.12
    """mm over which the network changes its mind at a clear toe."""
    tells: float = 0.5
    """Standard uncertainty of a toe as a share of the width over which the network changes its mind there."""
    vague_mm: float = 0.45
    """mm: where it changes its mind over more than that along a usual toe, the bead's toes are guessed. Of eight such beads of six
    sets of pictures five were over 0.2 mm off, of 200 others nine."""
    vague_tells: float = 1.0
    """And the share of it that is the uncertainty then."""
    unsure_mm: float = 0.5
    """mm: a stretch over which it wavers by more is shown as unsure."""
    min_mm: float = 1.5
    """mm along the bead from which such a stretch is shown."""
    smooth_mm: float = 1.0
    """mm along the bead over which the wavering is taken together."""


DOUBT = DoubtParameters()


@dataclass(frozen=True)
class Doubt:
    """Standard uncertainty of the mean width (mm), whether its toes are in doubt as a whole, stretches of s that waver."""

    width_mm: float
    unsure: bool
    stretches: tuple[Stretch, ...]


def doubt_of(segmented: Segmentation, toes: Toes, patch: Patch) -> Doubt:
    """How sure the toes are that were followed in a segmentation at a patch."""
    blur = np.maximum(*_blur_mm(segmented, toes))
    usual = float(np.mean(blur[toes.inside])) if toes.inside.any() else float(np.mean(blur))
    coarse, fine = abs(patch.width_mm - toes.width_mm), float(np.ptp(_widths_mm(segmented, toes)))
    distance = max(coarse, fine) if coarse > DOUBT.coarse_apart_mm or fine > DOUBT.fine_apart_mm else 0.0
    vague = usual > DOUBT.vague_mm
    width = float(
        np.hypot((DOUBT.vague_tells if vague else DOUBT.tells) * max(usual - DOUBT.sharp_mm, 0.0), distance / 2)
    )
    step = float(toes.s_mm[1] - toes.s_mm[0])
    wavers = smoothed(blur, DOUBT.smooth_mm / step) > DOUBT.unsure_mm
    stretches = [
        (round(float(toes.s_mm[a]) - toes.start_mm, 2), round(float(toes.s_mm[b]) - toes.start_mm, 2))
        for a, b in runs(wavers, step, DOUBT.min_mm, 1.0)
    ]
    return Doubt(width, vague or distance > 0, tuple(stretches))


def _widths_mm(segmented: Segmentation, toes: Toes) -> list[float]:
    """The bead's usual width as each network of the segmentation sees it near the toes, mm."""
    columns, n = _columns(segmented, toes.s_mm[toes.inside]), segmented.n_mm[:, None]
    near = (n > toes.left_mm[toes.inside] - DOUBT.around_mm) & (n < toes.right_mm[toes.inside] + DOUBT.around_mm)
    return [float(np.median(((one[:, columns] > 0) & near).sum(0))) / PX_PER_MM for one in segmented.each]


def _columns(segmented: Segmentation, s_mm: Floats) -> Whole:
    """The segmentation's columns nearest to places along its line."""
    return np.clip(np.round(segmented.column(s_mm)).astype(int), 0, len(segmented.s_mm) - 1)


def _blur_mm(segmented: Segmentation, toes: Toes) -> tuple[Floats, Floats]:
    """Width over which the network changes from face to plate at the left and the right toe, at every place of the toes."""
    share = share_of(segmented.face[:, _columns(segmented, toes.s_mm)])
    wavers = 4 * share * (1 - share) / PX_PER_MM
    n = segmented.n_mm[:, None]
    left, right = ((wavers * (np.abs(n - toe) < DOUBT.around_mm)).sum(0) for toe in (toes.left_mm, toes.right_mm))
    return left, right
