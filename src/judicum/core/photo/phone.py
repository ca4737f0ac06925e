"""What a phone's photo of the check target says: how true widths are in it, and what to change.

A printed sheet says nothing of glare and of tint.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.decode import decode
from judicum.core.photo.film import srgb_to_linear
from judicum.core.photo.measure import Measured, measure_all
from judicum.core.photo.picture import Picture
from judicum.core.photo.places import match_beads, places_across
from judicum.core.photo.report import Report
from judicum.core.photo.scale import Scale, card_geometry, find_card
from judicum.core.photo.target import printed_beads
from judicum.core.photo.unwrap import sample

MAX_BIAS_MM = 0.12
"""mm. What a toe's shadow leaves open in any photo: a phone that is off by more has a lens or a habit of its own."""
MAX_SCATTER_MM = 0.10
MAX_LENS_MM = 0.12
"""mm between the outer beads and the middle ones: a lens held close bends what lies at the edge."""
MAX_TILT_DEG = 15.0
MIN_PX_PER_MM = 10.0
"""Under this spots of half a millimetre are five pixels."""
MAX_BLUR_MM = 0.12
MAX_UNEVEN = 1.5
"""Brightest over darkest corner of the card's paper: from one lamp close by; tint is then read by side."""
MAX_WARM = 1.35
"""Red over blue of white paper, linear: lamps of warm light leave little blue to tell straw from silver by."""
SAY_OF_REFUSAL = {
    "blurred": "sharper",
    "too_small": "closer",
    "card_tilted": "straight_above",
    "overexposed": "less_light",
}
"""What to change where a photo could not be measured at all; else the whole card is to be shown."""
FEW_BEADS = 4
"""Of five: fewer are no check."""
MIDDLE_MM = 60.0
"""mm along the window: its middle."""


@dataclass(frozen=True)
class PhoneCheck:
    """What one photo of the target says; mm unless it says otherwise, None where it could not be told.

    `bias_mm` is the mean error of the widths, `scatter_mm` their standard deviation about it, `lens_mm` how much wider outer beads
    are read than middle ones, `pitch_share` the mean error of the ripple pitch. `smallest_spot_mm` is the smallest printed spot that
    was seen. `uneven` is the brightest over the darkest corner, `warm` red over blue of white paper. `say` are codes of what to
    change, `fine` where there is nothing; `refusal` says why the photo could not be measured.
    """

    beads: int
    bias_mm: float | None
    scatter_mm: float | None
    lens_mm: float | None
    pitch_share: float | None
    smallest_spot_mm: float | None
    tilt_deg: float | None
    px_per_mm: float | None
    blur_mm: float | None
    uneven: float | None
    warm: float | None
    say: tuple[str, ...]
    refusal: str | None = None

    @property
    def uncertainty_mm(self) -> float | None:
        """What a width of this phone is off by, two in three times: bias and scatter together."""
        if self.bias_mm is None or self.scatter_mm is None:
            return None
        return round(math.hypot(self.bias_mm, self.scatter_mm), 3)


def check_phone(data: bytes) -> PhoneCheck:
    """Measure a photo of the check target. Raises UnreadablePicture: the bytes are no picture."""
    picture = Picture(decode(data))
    measured = measure_all(data, "target")
    reports = [one.report for one in measured if one.report.bead is not None]
    scale = find_card(picture)
    if len(reports) < FEW_BEADS or scale is None:
        return _refused(measured, reports)
    planned = printed_beads()
    places = places_across([one.bead for one in reports if one.bead])
    match = match_beads([bead.at_mm for bead in planned], places)
    pairs = [(planned[line - 1], reports[bead]) for line, bead in sorted(match.beads.items())]
    off = np.array([report.bead.width_mm.mean - bead.width_mm for bead, report in pairs if report.bead])
    at = np.array([bead.at_mm for bead, _ in pairs])
    uneven, warm = _light(picture, scale)
    found = PhoneCheck(
        beads=len(pairs),
        bias_mm=round(float(off.mean()), 3),
        scatter_mm=round(float(off.std(ddof=1)), 3),
        lens_mm=_lens(at, off),
        pitch_share=_pitch(pairs),
        smallest_spot_mm=_smallest_spot(pairs),
        tilt_deg=None if scale.tilt_deg is None else round(scale.tilt_deg, 1),
        px_per_mm=round(1 / scale.mm_per_px, 1),
        blur_mm=_blur(reports[0]),
        uneven=uneven,
        warm=warm,
        say=(),
    )
    return PhoneCheck(**{**vars(found), "say": tuple(_say(found))})


def _refused(measured: Sequence[Measured], reports: Sequence[Report]) -> PhoneCheck:
    codes = [one.report.refusal.code for one in measured if one.report.refusal is not None]
    first = measured[0].report.scale if measured else None
    tilt = first.tilt_deg if first else None
    nothing = dict.fromkeys(
        (
            "bias_mm",
            "scatter_mm",
            "lens_mm",
            "pitch_share",
            "smallest_spot_mm",
            "px_per_mm",
            "blur_mm",
            "uneven",
            "warm",
        )
    )
    code = codes[0] if codes else "no_bead"
    return PhoneCheck(
        beads=len(reports), tilt_deg=tilt, say=(SAY_OF_REFUSAL.get(code, "whole_card"),), refusal=code, **nothing
    )


def _lens(at: Floats, off: Floats) -> float | None:
    """How much wider the outermost beads are read than one in the middle, by a parabola over the window."""
    if len(at) < FEW_BEADS:
        return None
    out = ((at - MIDDLE_MM) / MIDDLE_MM) ** 2
    return round(float(np.polyfit(out, off, 1)[0]), 3)


def _pitch(pairs: Sequence[tuple[object, Report]]) -> float | None:
    shares = [
        report.ripple.pitch_mm / bead.pitch_mm - 1  # type: ignore[attr-defined]
        for bead, report in pairs
        if report.ripple is not None and report.ripple.pitch_mm
    ]
    return round(float(np.mean(shares)), 3) if shares else None


def _smallest_spot(pairs: Sequence[tuple[object, Report]]) -> float | None:
    """Diameter of the smallest printed spot that was told as one, by size: those seen are the largest ones."""
    for bead, report in pairs:
        spots = bead.spots_mm  # type: ignore[attr-defined]
        if spots:
            seen = sum(one.kind in ("pore", "inclusion", "crater") for one in report.defects or ())
            return sorted(spots, reverse=True)[min(seen, len(spots)) - 1] if seen else None
    return None


def _blur(report: Report) -> float | None:
    """Back from the sharpness that a report tells (core.photo.measure)."""
    sharp = report.quality.sharpness if report.quality else None
    return None if sharp is None else round(0.2 * math.sqrt(max(-math.log(max(sharp, 1e-6)), 0.0)), 3)


def _light(picture: Picture, scale: Scale) -> tuple[float | None, float | None]:
    """Brightest over darkest place of the card's white margin, and red over blue there, in linear light."""
    wide, tall = card_geometry()["window"]["size"]
    spots = [
        (26.0, 4.0),
        (wide - 26.0, 4.0),
        (26.0, tall - 4.0),
        (wide - 26.0, tall - 4.0),
        (4.0, tall / 2),
        (wide - 4.0, tall / 2),
    ]
    seen = []
    for x, y in spots:
        grid = np.stack(np.meshgrid(np.linspace(x - 1.5, x + 1.5, 8), np.linspace(y - 1.5, y + 1.5, 8)), -1)
        seen.append(np.median(srgb_to_linear(sample(picture, scale, grid).reshape(-1, 3)), axis=0))
    light = np.array(seen)
    bright = light.mean(1)
    if bright.min() < 1e-3:
        return None, None
    blue, red = light[:, 0].mean(), light[:, 2].mean()
    return round(float(bright.max() / bright.min()), 2), round(float(red / max(blue, 1e-4)), 2)


def _say(found: PhoneCheck) -> list[str]:
    """What to change, the first thing first."""
    limits = (
        ("closer", found.px_per_mm is not None and found.px_per_mm < MIN_PX_PER_MM),
        ("sharper", found.blur_mm is not None and found.blur_mm > MAX_BLUR_MM),
        ("straight_above", found.tilt_deg is not None and found.tilt_deg > MAX_TILT_DEG),
        ("higher", found.lens_mm is not None and abs(found.lens_mm) > MAX_LENS_MM),
        ("turn_lamp", found.uneven is not None and found.uneven > MAX_UNEVEN),
        ("whiter_light", found.warm is not None and found.warm > MAX_WARM),
        ("check_print", found.bias_mm is not None and abs(found.bias_mm) > MAX_BIAS_MM),
        ("again", found.scatter_mm is not None and found.scatter_mm > MAX_SCATTER_MM),
    )
    return [code for code, true in limits if true] or ["fine"]
