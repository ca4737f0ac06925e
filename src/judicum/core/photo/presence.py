"""Whether two toes bound a bead at all, and whether they are the bead's or a contour of the tint around it."""

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.band import Band
from judicum.core.photo.ripple import Ripple, find_ripples, run_past, unroll_face
from judicum.core.photo.settle import distinctness
from judicum.core.photo.toes import Toes
from judicum.core.photo.trace import Traced

LEAST_STRENGTH = 2.9
LEAST_STRENGTH_WITH_RIPPLES = 1.7
SURE_AGREEMENT = 0.2
CERTAIN_AGREEMENT = 0.5
FAINT_STRENGTH = 2.0
CERTAIN_STRENGTH, FAINT_STEP = 8.0, 0.4
"""Edges as strong as this need not step as much."""
LEAST_STEP, FADES, STEPS, SHARP = 0.8, 0.95, 1.5, 7.0
"""Distinctness (`settle.distinctness`) under which two edges are no bead and are doubted, from which they are believed, and are certain."""
CLEAR_TIPS = 3.8
"""`Ends.clear` from which edges that hardly step are believed."""
STEP_WEIGHT, CLEAR_STEP = 0.15, 3.0
LEAST_SHARE, LEAST_EVIDENCE = 0.4, 0.45
"""Of the outer pair's width and strength, what an inner one has to have."""
GOES_ON = 0.33


def along(band: Band, toes: Toes, start: float, end: float, flip: bool) -> tuple[Floats, Floats, Floats]:
    """Places along the line every sample from tip to tip, with both toes there, in bead order."""
    s = np.arange(start, end, 1 / band.px_per_mm)
    inner = np.clip(s, start + 1.0, end - 1.0)
    left, right = np.interp(inner, toes.s_mm, toes.left_mm), np.interp(inner, toes.s_mm, toes.right_mm)
    return (s[::-1], right[::-1], left[::-1]) if flip else (s, left, right)


def ripples_between(band: Band, toes: Toes, start: float, end: float, flip: bool) -> Ripple | None:
    """The ripple fronts between two toes, in bead order."""
    s, left, right = along(band, toes, start, end, flip)
    return find_ripples(
        unroll_face(band, left, right, s), 1 / band.px_per_mm, float(np.median(np.abs(right - left))) / 2
    )


def is_bead(strength: float, distinct: float, tips: float, ripple: Ripple | None) -> bool:
    """Whether two toes bound a bead: ripples run between them, or the light steps at both.

    Nothing but a bead has ripples; a tinted stripe without a bead fades at its edges and has no clear tips (`Ends.clear`).
    """
    if ripple is not None and ripple.agreement >= SURE_AGREEMENT:
        return True
    least = LEAST_STRENGTH if distinct < STEPS else FAINT_STRENGTH
    step = FAINT_STEP if strength >= CERTAIN_STRENGTH else LEAST_STEP if tips >= CLEAR_TIPS else STEPS
    return strength >= least and distinct >= step


def within_contours(traced: Traced) -> Toes:
    """The toes, or a pair inside of them where the outer pair is tint around the bead.

    It is where the light fades across the outer pair rather than steps: then the pair that steps most
    and has the clearest ripples between it is the bead's. Or where ripples run only between the inner one.
    """
    toes = traced.toes
    fading = distinctness(traced.band, toes)
    if toes.strength < LEAST_STRENGTH or fading > SHARP:
        return toes
    if fading < FADES:
        least, clear = LEAST_SHARE * toes.width_mm, LEAST_EVIDENCE * toes.strength
        pairs = [toes, *(p for p in traced.within() if p.width_mm > least and p.strength > clear)]
        return max(pairs, key=lambda pair: _toelike(traced.band, pair))
    inner = next(traced.within(), None)
    if inner is None:
        return toes
    at = toes.s_mm[toes.inside]
    first, last = float(at[0]), float(at[-1])
    ripple = ripples_between(traced.band, inner, first, last, False)
    if ripple is None or ripple.agreement < max(CERTAIN_AGREEMENT, _agreement(traced.band, toes)):
        return toes
    s, left, right = along(traced.band, toes, first, last, False)
    share = float(np.median(inner.right_mm - inner.left_mm) / np.median(right - left))
    face = unroll_face(traced.band, left, right, s)
    tint = share > LEAST_SHARE and run_past(face, 1 / traced.band.px_per_mm, ripple, share) < GOES_ON
    return inner if tint else toes


def _toelike(band: Band, pair: Toes) -> float:
    return _agreement(band, pair) + STEP_WEIGHT * min(distinctness(band, pair), CLEAR_STEP)


def _agreement(band: Band, pair: Toes) -> float:
    """How well ripples line up between two edges, 0 where there are none."""
    at = pair.s_mm[pair.inside]
    ripple = ripples_between(band, pair, float(at[0]), float(at[-1]), False)
    return 0.0 if ripple is None else ripple.agreement
