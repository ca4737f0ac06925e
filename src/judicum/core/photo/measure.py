"""One photo in, one measurement out: the whole chain, with its refusals."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field

import numpy as np

from judicum.core.arrays import Floats, Pixels
from judicum.core.errors import UnreadablePicture
from judicum.core.photo.axis import AxisReading, read_axis
from judicum.core.photo.band import read_band
from judicum.core.photo.bead import Bead
from judicum.core.photo.clip import decode_photo
from judicum.core.photo.decode import encode_jpeg
from judicum.core.photo.defects import Fault, find_defects
from judicum.core.photo.doubt import Doubt, doubt_of
from judicum.core.photo.fault_kinds import hidden_by
from judicum.core.photo.figures import outline_figures, ripple_figures, rounded, tint_figures
from judicum.core.photo.light import card_gains
from judicum.core.photo.locate import MIN_LENGTH_MM, MIN_WIDTH_MM, Patch, patches
from judicum.core.photo.picture import Picture
from judicum.core.photo.plate import read_plate
from judicum.core.photo.refuse import MAX_BLUR_MM, MAX_CLIPPED, MAX_TILT_DEG, MIN_PX_PER_MM, NotMeasured, refuse
from judicum.core.photo.report import NO_CARD, UNSURE_BEAD, Defect, Quality, Refusal, Report, ScaleRead
from judicum.core.photo.ripple import find_fronts
from judicum.core.photo.scale import GivenScale, Scale, find_card, plane_scale
from judicum.core.photo.segment import Segmentation, segment
from judicum.core.photo.sharpness import blur_mm
from judicum.core.photo.strip import cut_strip
from judicum.core.photo.tint import Tint, read_tint
from judicum.core.photo.toes import Toes
from judicum.core.photo.trace import to_tips, trace_toes
from judicum.core.photo.unwrap import sample
from judicum.core.photo.width import Outline, outline

PATCH_MARGIN_MM = 4.0
"""mm beside a patch that are segmented: the zone next to the toes."""
BEYOND_MM = 6.0
"""mm past its ends: tips that the patch missed."""
MIN_AGREEMENT = 0.45
"""Share of the wider width that the narrower one of both networks has at least: else they do not speak of one bead."""
SOURCES = {"long_strip": "strip"}
"""What a report calls a card of its scale where that is not its kind: a strip is a strip."""
TINT_STEP_MM = 0.5
"""How far apart across sections are at which the tint is read."""


@dataclass
class Measured:
    """What one bead of a photo gave: its `report`, and what a page needs to draw it.

    `bead` is the bead as traced and `picture` the upright photo; both None where it was refused. `refusal` holds the
    figures of a refusal, for its sentence.
    """

    report: Report
    bead: Bead | None = None
    picture: Pixels | None = field(default=None, repr=False)
    refusal: NotMeasured | None = None


def measure_photo(data: bytes, name: str = "", given: GivenScale | None = None) -> Measured:
    """Measure the one bead of a photo: the longest and clearest.

    Args:
        data: the whole picture file.
        name: what the report calls the photo.
        given: scale for a photo without a card; a card in the photo is then not looked for.

    Returns:
        The measurement, with `beads_seen`; a photo that cannot be measured gives a report with `refusal`.
    """
    first: Measured | None = None
    for bead in _beads(data, name, given):
        if bead.refusal is None:
            return bead
        first = first or bead
    assert first is not None
    return first


def measure_all(data: bytes, name: str = "", given: GivenScale | None = None) -> list[Measured]:
    """Measure every bead of a photo: the longest and clearest first, those that cannot be measured last."""
    return sorted(_beads(data, name, given), key=lambda bead: bead.refusal is not None)


def _beads(data: bytes, name: str, given: GivenScale | None) -> Iterator[Measured]:
    """The beads of a photo one by one, the longest and clearest first; one refusal where there is none to measure."""
    read = _read(data, Report(photo=name), given)
    if isinstance(read, Measured):
        yield read
        return
    picture, scale, report = read
    found = [bead for patch in patches(picture, scale) if (bead := _located(picture, scale, patch)) is not None]
    found.sort(key=lambda bead: bead.doubt.unsure)  # a strip of bench may be longer than the bead, but is not as clear
    if not found:
        yield _refused(report, refuse("no_bead"))
        return
    gains = card_gains(picture, scale)
    for bead, number in zip(found, _numbered(found), strict=True):
        yield _figures(picture, scale, gains, bead, report.replace(bead_number=number, beads_seen=len(found)))


def _read(data: bytes, report: Report, given: GivenScale | None) -> tuple[Picture, Scale, Report] | Measured:
    """The photo and its scale, or its refusal."""
    try:
        picture = Picture(decode_photo(data))
    except UnreadablePicture as error:
        return _refused(report, NotMeasured("unreadable", why=error.message))
    scale = plane_scale(given) if given else find_card(picture)
    if scale is None:
        return _refused(report, refuse("no_scale"))
    read = ScaleRead(
        source=SOURCES.get(scale.kind, scale.kind),
        mm_per_px=rounded(scale.mm_per_px, 5),
        residual_mm=rounded(scale.residual_mm, 4),
        tilt_deg=rounded(scale.tilt_deg, 1),
    )
    report = report.replace(scale=read)
    if scale.tilt_deg is not None and scale.tilt_deg > MAX_TILT_DEG:
        return _refused(report, refuse("card_tilted", tilt_deg=scale.tilt_deg))
    blur = blur_mm(picture.pixels, scale)
    sharpness = None if blur is None else rounded(float(np.exp(-((blur / 0.2) ** 2))), 3)
    report = report.replace(quality=Quality(sharpness=sharpness, clipped_share=None, warnings=[]))
    if 1 / scale.mm_per_px < MIN_PX_PER_MM:
        return _refused(report, refuse("too_small", px_per_mm=1 / scale.mm_per_px))
    if blur is not None and blur > MAX_BLUR_MM:
        return _refused(report, refuse("blurred"))
    return picture, scale, report


@dataclass(frozen=True)
class _Located:
    """A bead that was found: the segmentation at it, its toes, how sure they are, and the reading along them."""

    segmented: Segmentation
    toes: Toes
    doubt: Doubt
    along: AxisReading


def _located(picture: Picture, scale: Scale, patch: Patch) -> _Located | None:
    """The bead of a patch; None where a closer look finds none."""
    half = patch.width_mm / 2 + PATCH_MARGIN_MM
    span = patch.start_mm - BEYOND_MM, patch.end_mm + BEYOND_MM
    segmented = segment(picture, scale, patch.line, span, (-half, half))
    rough = trace_toes(segmented, patch)
    if rough is None:
        return None
    along = read_axis(segmented, rough)
    toes = to_tips(segmented, rough, along, patch)
    widths = sorted((patch.width_mm, toes.width_mm))
    if widths[0] < MIN_AGREEMENT * widths[1] or toes.length_mm < MIN_LENGTH_MM or toes.width_mm < MIN_WIDTH_MM:
        return None
    return _Located(segmented, toes, doubt_of(segmented, toes, patch), along)


def _numbered(beads: Sequence[_Located]) -> list[int]:
    """The beads' numbers, 1 for the one nearest to the card's top edge, or to its left edge where they stand upright."""
    upright = float(np.mean([abs(bead.toes.line.along[1]) for bead in beads])) > np.sqrt(0.5)
    places = [
        bead.toes.line.mm(bead.toes.length_mm / 2 + bead.toes.start_mm, 0.0)[0 if upright else 1] for bead in beads
    ]
    return [int(place) + 1 for place in np.argsort(np.argsort(places))]


def _figures(picture: Picture, scale: Scale, gains: Floats, found: _Located, report: Report) -> Measured:
    """All that one bead gives."""
    segmented, toes, doubt = found.segmented, found.toes, found.doubt
    line = outline(toes)
    large, small = scale.px_per_mm_at(line.centre_mm[len(line.centre_mm) // 2])
    if np.sqrt(large * small) < MIN_PX_PER_MM:
        return _refused(report, refuse("too_small", px_per_mm=float(np.sqrt(large * small))))
    clipped = _clipped_share(picture, scale, line)
    warnings = ([] if scale.of_card else [NO_CARD]) + ([UNSURE_BEAD] if doubt.unsure else [])
    assert report.quality is not None
    quality = report.quality.model_copy(update={"clipped_share": rounded(clipped, 4), "warnings": warnings})
    report = report.replace(quality=quality)
    if clipped > MAX_CLIPPED:
        return _refused(report, refuse("overexposed", share=clipped))
    defects = [_as_defect(fault, line, toes) for fault in find_defects(segmented, toes, gains)]
    ripple = find_fronts(found.along, toes)
    if ripple is not None:
        ripple = ripple.without(hidden_by(defects))
    report = report.replace(
        **outline_figures(line, scale, doubt.width_mm),
        ripple=ripple_figures(ripple),
        tint=tint_figures(_tint(picture, scale, gains, segmented, toes)),
        defects=defects,
    )
    return Measured(report, Bead(line, scale, picture.size_px, ripple, doubt.stretches), picture.pixels)


def _tint(picture: Picture, scale: Scale, gains: Floats, segmented: Segmentation, toes: Toes) -> Tint:
    band = read_band(picture, scale, gains, toes.line, (toes.start_mm - BEYOND_MM, toes.end_mm + BEYOND_MM))
    s = np.arange(toes.start_mm, toes.end_mm, TINT_STEP_MM)
    left, right = toes.at(s)
    plate = read_plate(band, left, right, s)
    granular = np.interp(s, segmented.s_mm, segmented.granular_share(*toes.at(segmented.s_mm)))
    return read_tint(band, plate, left, right, s, granular)


def _as_defect(fault: Fault, bead: Outline, toes: Toes) -> Defect:
    """A fault in both frames."""
    x, y = toes.line.mm(fault.s_mm, fault.n_mm)
    nearest = int(np.argmin(np.linalg.norm(bead.centre_mm - np.array([x, y]), axis=1)))
    return Defect(
        kind=fault.kind,
        s_mm=rounded(bead.s_mm[nearest], 2),
        n_mm=rounded(fault.n_mm - float(np.interp(fault.s_mm, toes.s_mm, toes.centre_mm)), 2),
        x_mm=rounded(x, 2),
        y_mm=rounded(y, 2),
        size_mm=rounded(fault.size_mm, 2),
        confidence=rounded(fault.confidence, 2),
        pinhole=fault.pinhole,
    )


def _clipped_share(picture: Picture, scale: Scale, bead: Outline) -> float:
    part = np.linspace(0.1, 0.9, 24)[:, None, None]
    face = sample(picture, scale, bead.left_mm[None] * (1 - part) + bead.right_mm[None] * part)
    return float(((face >= 251).sum(-1) >= 2).mean())


def _refused(report: Report, why: NotMeasured) -> Measured:
    return Measured(report.replace(refusal=Refusal(code=why.code)), refusal=why)


def strip_file(measured: Measured) -> bytes | None:
    """The strip of a measured bead as a JPEG file, None for a refused photo."""
    if measured.bead is None or measured.picture is None:
        return None
    return encode_jpeg(cut_strip(measured.picture, measured.bead))
