"""One photo in, one measurement out: the whole chain, with its refusals."""

from dataclasses import dataclass, field

import numpy as np
from scipy.ndimage import gaussian_filter1d

from judicum.core.arrays import Floats, Pixels
from judicum.core.errors import UnreadablePicture
from judicum.core.photo.band import Band
from judicum.core.photo.bead import Bead, Stretch
from judicum.core.photo.decode import decode
from judicum.core.photo.defects import Fault, find_defects, unroll
from judicum.core.photo.defects.stretches import runs
from judicum.core.photo.ends import find_ends
from judicum.core.photo.fault_kinds import FAULT_KINDS, hidden_by
from judicum.core.photo.figures import outline_figures, ripple_figures, rounded, tint_figures
from judicum.core.photo.light import card_gains
from judicum.core.photo.locate import candidates
from judicum.core.photo.opinion import UNSURE_BEAD, Opinion, second_opinion
from judicum.core.photo.picture import Picture
from judicum.core.photo.plate import Plate, read_plate
from judicum.core.photo.presence import LEAST_STRENGTH_WITH_RIPPLES, along, is_bead, ripples_between, within_contours
from judicum.core.photo.refuse import LEAST_PX_PER_MM, MOST_BLUR_MM, MOST_CLIPPED, MOST_TILT_DEG, NotMeasured, refuse
from judicum.core.photo.report import Defect, Quality, Refusal, Report, ScaleRead
from judicum.core.photo.ripple import Ripple
from judicum.core.photo.scale import GivenScale, Scale, find_card, plane_scale
from judicum.core.photo.settle import distinctness, settle
from judicum.core.photo.sharpness import blur_mm
from judicum.core.photo.tint import Tint, read_tint
from judicum.core.photo.toes import Toes
from judicum.core.photo.trace import Traced, freely, trace
from judicum.core.photo.unwrap import Line, sample
from judicum.core.photo.width import Outline, outline, starts_at_end

ENGINE_VERSION = "2.3"

LEAST_LENGTH_MM = 12.0
LEAST_WIDTH_MM = 1.0
"""Both toes closer together are the two sides of one line: a scratch, a joint."""
CLEAR_STRENGTH = 5.0
"""Toes as strong as this need no other candidate beside them and no second opinion."""
GOOD_STRENGTH, GOOD_LENGTH_MM = 2.0, 30.0
DEFECT_PX_PER_MM = 12.0
UNSURE, UNSURE_MM = 0.55, 1.5
NO_CARD = "no_card: scale given by hand; colours are not corrected for the light"
TRACED = 5
"""Candidate lines are traced until one is clear, at most this many; the strongest trace is the bead."""


@dataclass
class Measured:
    """What one photo gave: its `report`, and what a page needs to draw it.

    `bead` is the bead as traced and `picture` the upright photo; both None where it was refused. `refusal` holds the
    figures of a refusal, for its sentence.
    """

    report: Report
    bead: Bead | None = None
    picture: Pixels | None = field(default=None, repr=False)
    refusal: NotMeasured | None = None


def measure_photo(data: bytes, name: str = "", given: GivenScale | None = None) -> Measured:
    """Measure the bead in a photo.

    Args:
        data: the whole picture file.
        name: what the report calls the photo.
        given: scale for a photo without a card; a card in the photo is then not looked for.

    Returns:
        The measurement; a photo that cannot be measured gives a report with `refusal`.
    """
    report = Report(photo=name)
    try:
        picture = Picture(decode(data))
    except UnreadablePicture as error:
        return _refused(report, NotMeasured("unreadable", why=str(error)))
    scale = plane_scale(given) if given else find_card(picture)
    if scale is None:
        return _refused(report, refuse("no_scale"))
    read = ScaleRead(
        source=scale.kind,
        mm_per_px=rounded(scale.mm_per_px, 5),
        residual_mm=rounded(scale.residual_mm, 4),
        tilt_deg=rounded(scale.tilt_deg, 1),
    )
    report = report.but(scale=read)
    if scale.tilt_deg is not None and scale.tilt_deg > MOST_TILT_DEG:
        return _refused(report, refuse("card_tilted", tilt_deg=scale.tilt_deg))
    blur = blur_mm(picture.pixels, scale)
    sharpness = None if blur is None else rounded(float(np.exp(-((blur / 0.2) ** 2))), 3)
    report = report.but(quality=Quality(sharpness=sharpness, clipped_share=None, warnings=[]))
    if 1 / scale.mm_per_px < LEAST_PX_PER_MM:
        return _refused(report, refuse("too_small", px_per_mm=1 / scale.mm_per_px))
    if blur is not None and blur > MOST_BLUR_MM:
        return _refused(report, refuse("blurred"))
    return _measure_bead(picture, scale, report)


def _measure_bead(picture: Picture, scale: Scale, report: Report) -> Measured:
    gains = card_gains(picture, scale)
    found = _bead_in(_strongest_trace(picture, scale, gains))
    if found is None:
        return _refused(report, refuse("no_bead"))
    band, toes, ripple = found.band, found.toes, found.ripple
    start, end, flip = found.start_mm, found.end_mm, found.flip
    clear = toes.strength >= CLEAR_STRENGTH
    opinion = None if clear else second_opinion(picture, scale, toes, start, end)
    doubt = 0.0 if opinion is None else opinion.doubt_mm(toes, start, end)
    plate = _plate(band, toes)
    free = freely(band, found.edges, toes, start, end)
    faults = _faults(band, toes, free, start, end)
    toes = toes.following(free, [(f.s_mm, f.size_mm) for f in faults if FAULT_KINDS[f.kind].follows_toes])
    line = outline(toes, start, end, flip)
    middle = line.centre_mm[len(line.centre_mm) // 2]
    large, small = scale.px_per_mm_at(middle)
    if np.sqrt(large * small) < LEAST_PX_PER_MM:
        return _refused(report, refuse("too_small", px_per_mm=float(np.sqrt(large * small))))
    clipped = _clipped_share(picture, scale, line)
    warnings = ([] if scale.kind in ("window", "strip") else [NO_CARD]) + ([UNSURE_BEAD] if doubt else [])
    assert report.quality is not None
    quality = report.quality.model_copy(update={"clipped_share": rounded(clipped, 4), "warnings": warnings})
    report = report.but(quality=quality)
    if clipped > MOST_CLIPPED:
        return _refused(report, refuse("overexposed", share=clipped))
    tint = _tint(band, plate, toes, start, end, flip)
    told = [_told(fault, line, toes, flip) for fault in faults]
    if ripple is not None:
        ripple = ripple.without(hidden_by(told))
    report = report.but(
        **outline_figures(line, scale, doubt), ripple=ripple_figures(ripple), tint=tint_figures(tint), defects=told
    )
    bead = Bead(line, scale, picture.size_px, ripple, _unsure(toes, opinion, start, end, flip))
    return Measured(report, bead, picture.pixels)


@dataclass(frozen=True)
class Located:
    """A bead that was found: its toes over a band with its `edges` (`Traced`), its tips along the line (mm), whether
    it was welded against the line (`flip`), and its ripples in bead order."""

    band: Band
    edges: Floats
    toes: Toes
    start_mm: float
    end_mm: float
    flip: bool
    ripple: Ripple | None


def _bead_in(traced: Traced | None) -> Located | None:
    """The bead between two traced toes; None where they bound none."""
    if traced is None or traced.toes.strength < LEAST_STRENGTH_WITH_RIPPLES:
        return None
    band = traced.band
    toes = settle(band, within_contours(traced))
    start, end, clear = find_ends(band, toes)
    if end - start < LEAST_LENGTH_MM or float(np.median(toes.right_mm - toes.left_mm)) < LEAST_WIDTH_MM:
        return None
    flip = starts_at_end(toes)
    ripple = ripples_between(band, toes, start, end, flip)
    if not is_bead(toes.strength, distinctness(band, toes), clear, ripple):
        return None
    return Located(band, traced.edges, toes, start, end, flip, ripple)


def _strongest_trace(picture: Picture, scale: Scale, gains: Floats) -> Traced | None:
    """The most convincing trace: strong, with clear tips, and long, because part of a bead can stand out more than the whole."""
    best: Traced | None = None
    for candidate in candidates(picture, scale, gains, TRACED):
        if best is not None and _runs_along(candidate.line, best.toes):
            continue
        traced = trace(picture, scale, gains, candidate)
        if traced is not None and (best is None or _convincing(traced) > _convincing(best)):
            best = traced
        if best is not None and best.toes.strength >= CLEAR_STRENGTH:
            break
    return best


def _convincing(traced: Traced) -> float:
    toes = traced.toes
    return traced.clear**2 * float(np.sqrt(toes.strength * (toes.end_mm - toes.start_mm)))


def _runs_along(line: Line, toes: Toes) -> bool:
    """Whether a line runs along a bead that was traced well already, so that tracing it would find the same."""
    if toes.strength < GOOD_STRENGTH or toes.end_mm - toes.start_mm < GOOD_LENGTH_MM:
        return False
    middle = toes.line.mm((toes.start_mm + toes.end_mm) / 2, 0.0)
    turned = abs(float(line.along @ toes.line.across))
    return turned < 0.12 and abs(float((middle - line.origin) @ line.across)) < 0.6 * toes.width_mm


def _plate(band: Band, toes: Toes) -> Plate:
    inside = toes.inside
    thin = slice(None, None, 2)
    return read_plate(band, toes.left_mm[inside][thin], toes.right_mm[inside][thin], toes.s_mm[inside][thin])


def _tint(band: Band, plate: Plate, toes: Toes, start: float, end: float, flip: bool) -> Tint:
    s, left, right = along(band, toes, start, end, False)
    thin = slice(None, None, max(1, round(0.4 * band.px_per_mm)))
    tint = read_tint(band, plate, left[thin], right[thin], s[thin])
    if not flip:
        return tint
    return Tint(tint.bead, tint.zone, tint.right_mm, tint.left_mm, tint.along[::-1], tint.share)


def _faults(band: Band, toes: Toes, free: Toes, start: float, end: float) -> list[Fault]:
    density = min(band.px_per_mm, DEFECT_PX_PER_MM)
    s = np.arange(start, end, 1 / density)
    inner = np.clip(s, start + 1.0, end - 1.0)
    left, right = (
        gaussian_filter1d(np.interp(inner, toes.s_mm, toe), 0.5 * density) for toe in (toes.left_mm, toes.right_mm)
    )
    return find_defects(unroll(band, s, left, right), free.s_mm, free.right_mm - free.left_mm)


def _told(fault: Fault, bead: Outline, toes: Toes, flip: bool) -> Defect:
    """A fault in both frames."""
    at = float(np.interp(fault.s_mm, toes.s_mm, toes.centre_mm)) + fault.n_mm
    x, y = toes.line.mm(fault.s_mm, at)
    nearest = int(np.argmin(np.linalg.norm(bead.centre_mm - np.array([x, y]), axis=1)))
    return Defect(
        kind=fault.kind,
        s_mm=rounded(bead.s_mm[nearest], 2),
        n_mm=rounded(-fault.n_mm if flip else fault.n_mm, 2),
        x_mm=rounded(x, 2),
        y_mm=rounded(y, 2),
        size_mm=rounded(fault.size_mm, 2),
        confidence=rounded(fault.confidence, 2),
        pinhole=fault.pinhole,
    )


def _unsure(toes: Toes, opinion: Opinion | None, start: float, end: float, flip: bool) -> tuple[Stretch, ...]:
    """Stretches of s along which the weaker toe stands out less than UNSURE of what it usually does, or the second
    opinion has a toe elsewhere."""
    inside = (toes.s_mm >= start) & (toes.s_mm <= end)
    s, evidence = toes.s_mm[inside], gaussian_filter1d(np.log1p(toes.evidence[inside]), 4.0)
    step = float(s[1] - s[0])
    weak = evidence < UNSURE * float(np.median(evidence))
    if opinion is not None:
        weak |= opinion.aside(toes, s)
    found = runs(weak, step, UNSURE_MM, 1.0)
    stretches = [(float(s[a] - start), float(s[b] - start)) for a, b in found]
    if flip:
        stretches = [(end - start - b, end - start - a) for a, b in reversed(stretches)]
    return tuple((round(a, 2), round(b, 2)) for a, b in stretches)


def _clipped_share(picture: Picture, scale: Scale, bead: Outline) -> float:
    part = np.linspace(0.1, 0.9, 24)[:, None, None]
    face = sample(picture, scale, bead.left_mm[None] * (1 - part) + bead.right_mm[None] * part)
    return float(((face >= 251).sum(-1) >= 2).mean())


def _refused(report: Report, why: NotMeasured) -> Measured:
    return Measured(report.but(refusal=Refusal(code=why.code)), refusal=why)
