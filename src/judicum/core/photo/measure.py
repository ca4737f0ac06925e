"""One photo in, one measurement out: the whole chain, with its refusals."""

from dataclasses import dataclass, field
from typing import Any

import numpy as np
from scipy.ndimage import gaussian_filter1d

from judicum.core.arrays import Floats, Pixels
from judicum.core.errors import UnreadablePicture
from judicum.core.photo.band import Band
from judicum.core.photo.decode import decode
from judicum.core.photo.defects import Fault, find_defects, unroll
from judicum.core.photo.ends import find_ends
from judicum.core.photo.light import card_gains
from judicum.core.photo.locate import candidates
from judicum.core.photo.plate import Plate, read_plate
from judicum.core.photo.refuse import NotMeasured, refuse
from judicum.core.photo.ripple import Ripple, find_ripples, run_past, unroll_face
from judicum.core.photo.scale import GivenScale, Scale, find_card, plane_scale
from judicum.core.photo.settle import distinctness, settle
from judicum.core.photo.sharpness import blur_mm
from judicum.core.photo.tint import Tint, read_tint
from judicum.core.photo.toes import Toes
from judicum.core.photo.trace import Traced, freely, trace
from judicum.core.photo.unwrap import sample
from judicum.core.photo.width import Outline, outline, rms_from_line, starts_at_end, width_figures

ENGINE_VERSION = "2.0"

LEAST_PX_PER_MM = 8.0
MOST_TILT_DEG = 40.0
MOST_BLUR_MM = 0.22
MOST_CLIPPED = 0.25
LEAST_STRENGTH = 2.9
LEAST_STRENGTH_WITH_RIPPLES = 1.7
SURE_AGREEMENT = 0.25
CERTAIN_AGREEMENT = 0.5
FAINT_STRENGTH = 2.0
CERTAIN_STRENGTH = 8.0
LEAST_STEP, FADES, STEPS, SHARP = 0.6, 0.95, 1.5, 7.0
"""Distinctness (`settle.distinctness`) under which two edges are no bead and are doubted, from which they are believed, and are certain."""
MUCH_MORE = 1.3
LEAST_SHARE = 0.4
GOES_ON = 0.33
LEAST_LENGTH_MM = 12.0
CLEAR_STRENGTH = 5.0
DEFECT_PX_PER_MM = 12.0
HIDES = ("sugaring", "burn_through", "gap")
TRACED = 5
"""Candidate lines are traced until one is clear, at most this many; the strongest trace is the bead."""


@dataclass
class Measured:
    """What one photo gave: the contract's JSON in `report`, and what a page needs to draw it.

    `overlay` holds the toes and ripple fronts in pixels of the upright photo, with its size;
    `picture` and `outline` allow the strip to be cut. All but `report` are None when refused.
    """

    report: dict[str, Any]
    overlay: dict[str, Any] | None = None
    picture: Pixels | None = field(default=None, repr=False)
    scale: Scale | None = field(default=None, repr=False)
    outline: Outline | None = field(default=None, repr=False)

    @property
    def refused(self) -> bool:
        return self.report["refusal"] is not None


def measure_photo(data: bytes, name: str = "", given: GivenScale | None = None) -> Measured:
    """Measure the bead in a photo.

    Args:
        data: the whole picture file.
        name: what the report calls the photo.
        given: scale for a photo without a card; a card in the photo is then not looked for.

    Returns:
        The measurement; a photo that cannot be measured gives a report with `refusal`.
    """
    report: dict[str, Any] = {
        "photo": name,
        "refusal": None,
        "scale": None,
        "quality": None,
        "bead": None,
        "profile": None,
        "ripple": None,
        "tint": None,
        "defects": None,
    }
    try:
        picture = decode(data)
    except UnreadablePicture as error:
        return Measured(_refused(report, NotMeasured("unreadable", str(error))))
    scale = plane_scale(given) if given else find_card(picture)
    if scale is None:
        return Measured(_refused(report, refuse("no_scale")), picture=picture)
    report["scale"] = {
        "source": scale.kind,
        "mm_per_px": _round(scale.mm_per_px, 5),
        "residual_mm": _round(scale.residual_mm, 4),
        "tilt_deg": _round(scale.tilt_deg, 1),
    }
    if scale.tilt_deg is not None and scale.tilt_deg > MOST_TILT_DEG:
        return Measured(_refused(report, refuse("card_tilted", tilt_deg=scale.tilt_deg)), picture=picture)
    blur = blur_mm(picture, scale)
    report["quality"] = {
        "sharpness": None if blur is None else _round(float(np.exp(-((blur / 0.2) ** 2))), 3),
        "clipped_share": None,
        "warnings": [],
    }
    if 1 / scale.mm_per_px < LEAST_PX_PER_MM:
        return Measured(_refused(report, refuse("too_small", px_per_mm=1 / scale.mm_per_px)), picture=picture)
    if blur is not None and blur > MOST_BLUR_MM:
        return Measured(_refused(report, refuse("blurred")), picture=picture)
    return _measure_bead(picture, scale, report)


def _measure_bead(picture: Pixels, scale: Scale, report: dict[str, Any]) -> Measured:
    gains = card_gains(picture, scale)
    traced = _strongest_trace(picture, scale, gains)
    if traced is None or traced.toes.strength < LEAST_STRENGTH_WITH_RIPPLES:
        return Measured(_refused(report, refuse("no_bead")), picture=picture)
    band = traced.band
    toes = settle(band, _within_contours(traced))
    plate = _plate(band, toes)
    start, end = find_ends(band, toes)
    if end - start < LEAST_LENGTH_MM:
        return Measured(_refused(report, refuse("no_bead")), picture=picture)
    flip = starts_at_end(toes)
    ripple = _ripple(band, toes, start, end, flip)
    if not _is_bead(toes.strength, distinctness(band, toes), ripple):
        return Measured(_refused(report, refuse("no_bead")), picture=picture)
    bead = outline(toes, start, end, flip)
    middle = bead.centre_mm[len(bead.centre_mm) // 2]
    large, small = scale.px_per_mm_at(middle)
    if np.sqrt(large * small) < LEAST_PX_PER_MM:
        return Measured(_refused(report, refuse("too_small", px_per_mm=float(np.sqrt(large * small)))), picture=picture)
    clipped = _clipped_share(picture, scale, bead)
    report["quality"]["clipped_share"] = _round(clipped, 4)
    if clipped > MOST_CLIPPED:
        return Measured(_refused(report, refuse("overexposed", share=clipped)), picture=picture)
    if scale.kind not in ("window", "strip"):
        report["quality"]["warnings"].append("no_card: scale given by hand; colours are not corrected for the light")
    tint = _tint(band, plate, toes, start, end, flip)
    faults = _faults(band, toes, start, end)
    told = [_told(fault, bead, toes, flip) for fault in faults]
    if ripple is not None:
        ripple = ripple.without(
            [(d["s_mm"] - d["size_mm"] / 2, d["s_mm"] + d["size_mm"] / 2) for d in told if d["kind"] in HIDES]
        )
    _fill(report, bead, scale, ripple, tint)
    report["defects"] = told
    return Measured(report, _overlay(picture, scale, bead, ripple), picture, scale, bead)


def _strongest_trace(picture: Pixels, scale: Scale, gains: Floats) -> Traced | None:
    best: Traced | None = None
    for candidate in candidates(picture, scale, gains, TRACED):
        traced = trace(picture, scale, gains, candidate)
        if traced is not None and (best is None or traced.toes.strength > best.toes.strength):
            best = traced
        if best is not None and best.toes.strength >= CLEAR_STRENGTH:
            break
    return best


def _is_bead(strength: float, distinct: float, ripple: Ripple | None) -> bool:
    """Whether two toes bound a bead: ripples run between them, or the light steps at both.

    Nothing but a bead has ripples; a tinted stripe without a bead fades at its edges.
    """
    if ripple is not None and ripple.agreement >= SURE_AGREEMENT:
        return True
    least = LEAST_STRENGTH if distinct < STEPS else FAINT_STRENGTH
    return strength >= least and (distinct >= LEAST_STEP or strength >= CERTAIN_STRENGTH)


def _within_contours(traced: Traced) -> Toes:
    """The toes, or the pair inside of them where the outer pair is tint around the bead.

    It is where the light fades across the outer pair rather than steps, or where ripples run only
    between the inner one.
    """
    toes = traced.toes
    fading = distinctness(traced.band, toes)
    if toes.strength < LEAST_STRENGTH or fading > SHARP or (inner := traced.within()) is None:
        return toes
    if fading < FADES and distinctness(traced.band, inner) > MUCH_MORE * fading:
        return inner
    at = toes.s_mm[toes.inside]
    ripple = _ripple(traced.band, inner, float(at[0]), float(at[-1]), False)
    if ripple is None or ripple.agreement < CERTAIN_AGREEMENT:
        return toes
    s, left, right = _along(traced.band, toes, float(at[0]), float(at[-1]), False)
    share = float(np.median(inner.right_mm - inner.left_mm) / np.median(right - left))
    face = unroll_face(traced.band, left, right, s)
    tint = share > LEAST_SHARE and run_past(face, 1 / traced.band.px_per_mm, ripple, share) < GOES_ON
    return inner if tint else toes


def _fill(report: dict[str, Any], bead: Outline, scale: Scale, ripple: Ripple | None, tint: Tint) -> None:
    body = bead.body
    report["bead"] = {
        "start_mm": _points(bead.centre_mm[:1])[0],
        "end_mm": _points(bead.centre_mm[-1:])[0],
        "length_mm": _round(bead.length_mm, 2),
        "width_mm": {k: _round(v, 4) for k, v in width_figures(bead, scale.mm_per_px, scale.residual_mm).items()},
        "straightness_mm": _round(rms_from_line(bead.centre_mm[body]), 3),
        "toe_waviness_mm": {
            "left": _round(rms_from_line(bead.left_mm[body]), 3),
            "right": _round(rms_from_line(bead.right_mm[body]), 3),
        },
    }
    report["profile"] = {
        "s_mm": [_round(s, 2) for s in bead.s_mm[body]],
        "width_mm": [_round(w, 3) for w in bead.width_mm[body]],
        "centre_mm": _points(bead.centre_mm[body]),
    }
    if ripple is not None:
        figures = ripple.figures()
        report["ripple"] = {
            k: [_round(p, 3) for p in v] if isinstance(v, list) else _round(v, 4) for k, v in figures.items()
        }
    tint_figures = tint.figures()
    tint_figures["width_mm"] = {"left": _round(tint.left_mm, 2), "right": _round(tint.right_mm, 2)}
    tint_figures["share"] = {k: _round(v, 3) for k, v in tint.share.items()}
    report["tint"] = tint_figures


def _plate(band: Band, toes: Toes) -> Plate:
    inside = toes.inside
    thin = slice(None, None, 2)
    return read_plate(band, toes.left_mm[inside][thin], toes.right_mm[inside][thin], toes.s_mm[inside][thin])


def _along(band: Band, toes: Toes, start: float, end: float, flip: bool) -> tuple[Floats, Floats, Floats]:
    """Places along the line every 1/14 mm from tip to tip, with both toes there, in bead order."""
    s = np.arange(start, end, 1 / band.px_per_mm)
    inner = np.clip(s, start + 1.0, end - 1.0)
    left, right = np.interp(inner, toes.s_mm, toes.left_mm), np.interp(inner, toes.s_mm, toes.right_mm)
    return (s[::-1], right[::-1], left[::-1]) if flip else (s, left, right)


def _ripple(band: Band, toes: Toes, start: float, end: float, flip: bool) -> Ripple | None:
    s, left, right = _along(band, toes, start, end, flip)
    return find_ripples(
        unroll_face(band, left, right, s), 1 / band.px_per_mm, float(np.median(np.abs(right - left))) / 2
    )


def _tint(band: Band, plate: Plate, toes: Toes, start: float, end: float, flip: bool) -> Tint:
    s, left, right = _along(band, toes, start, end, False)
    thin = slice(None, None, max(1, round(0.4 * band.px_per_mm)))
    tint = read_tint(band, plate, left[thin], right[thin], s[thin])
    if not flip:
        return tint
    return Tint(tint.bead, tint.zone, tint.right_mm, tint.left_mm, tint.along[::-1], tint.share)


def _faults(band: Band, toes: Toes, start: float, end: float) -> list[Fault]:
    density = min(band.px_per_mm, DEFECT_PX_PER_MM)
    s = np.arange(start, end, 1 / density)
    inner = np.clip(s, start + 1.0, end - 1.0)
    left, right = (
        gaussian_filter1d(np.interp(inner, toes.s_mm, toe), 0.5 * density) for toe in (toes.left_mm, toes.right_mm)
    )
    return find_defects(unroll(band, s, left, right), *freely(band, toes, start, end))


def _told(fault: Fault, bead: Outline, toes: Toes, flip: bool) -> dict[str, Any]:
    """A fault in both frames, as the contract prints it."""
    at = float(np.interp(fault.s_mm, toes.s_mm, toes.centre_mm)) + fault.n_mm
    x, y = toes.line.mm(fault.s_mm, at)
    nearest = int(np.argmin(np.linalg.norm(bead.centre_mm - np.array([x, y]), axis=1)))
    told = {
        "kind": fault.kind, "s_mm": _round(bead.s_mm[nearest], 2), "n_mm": _round(-fault.n_mm if flip else fault.n_mm, 2),
        "x_mm": _round(x, 2), "y_mm": _round(y, 2), "size_mm": _round(fault.size_mm, 2), "confidence": _round(fault.confidence, 2),
    }  # fmt: skip
    return told if fault.pinhole is None else {**told, "pinhole": fault.pinhole}


def _clipped_share(picture: Pixels, scale: Scale, bead: Outline) -> float:
    part = np.linspace(0.1, 0.9, 24)[:, None, None]
    face = sample(picture, scale, bead.left_mm[None] * (1 - part) + bead.right_mm[None] * part)
    return float(((face >= 251).sum(-1) >= 2).mean())


def _overlay(picture: Pixels, scale: Scale, bead: Outline, ripple: Ripple | None) -> dict[str, Any]:
    fronts = []
    if ripple is not None:
        heading = np.gradient(bead.centre_mm, axis=0)
        heading /= np.linalg.norm(heading, axis=1, keepdims=True)
        u = np.linspace(-0.85, 0.85, 9)
        for position in ripple.positions_mm:
            at = np.clip(position - ripple.curve_mm * u**2, 0, bead.length_mm)
            centre, half = (
                np.stack([np.interp(at, bead.s_mm, v[:, k]) for k in (0, 1)], -1)
                for v in (bead.centre_mm, (bead.right_mm - bead.left_mm) / 2)
            )
            fronts.append(_px(scale, centre + u[:, None] * half))
    return {
        "size": [int(picture.shape[1]), int(picture.shape[0])],
        "left": _px(scale, bead.left_mm),
        "right": _px(scale, bead.right_mm),
        "centre": _px(scale, bead.centre_mm),
        "fronts": fronts,
    }


def _px(scale: Scale, points_mm: Floats) -> list[list[float]]:
    return [[round(float(x), 1), round(float(y), 1)] for x, y in scale.px(points_mm)]


def _points(points: Floats) -> list[list[float]]:
    return [[round(float(x), 3), round(float(y), 3)] for x, y in points]


def _round(value: Any, digits: int) -> Any:
    if value is None or isinstance(value, int):
        return value
    return round(float(value), digits)


def _refused(report: dict[str, Any], why: NotMeasured) -> dict[str, Any]:
    report["refusal"] = {"code": why.code, "message": why.message}
    return report
