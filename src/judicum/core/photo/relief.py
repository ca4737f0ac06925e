"""Two photos of one bead, the lamp on either side of it: what differs between them is relief, what does not is colour.

Where a surface leans towards one lamp it is brighter in that photo and darker in the other; soot, tint and shine of the metal divide out
of (A − B) / (A + B), which is the slope across the bead but for a factor [src: woodham-1980]. A groove beside a toe goes down like the
bead's flank and up again outside; nothing that is only dark does.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import cv2
import numpy as np
from scipy.ndimage import gaussian_filter1d

from judicum.core.arrays import Flags, Floats, Pixels
from judicum.core.errors import UnreadablePicture
from judicum.core.photo.bead import Bead
from judicum.core.photo.clip import decode_photo
from judicum.core.photo.defects.stretches import runs
from judicum.core.photo.figures import rounded
from judicum.core.photo.film import LUMINANCE, srgb_to_linear
from judicum.core.photo.measure import Measured
from judicum.core.photo.picture import Picture
from judicum.core.photo.report import NOT_TWO_LIGHTS, TWO_LIGHTS, Defect
from judicum.core.photo.scale import Scale, find_card
from judicum.core.photo.unwrap import sample

PX_PER_MM = 16
"""Of the cut-out: a groove's wall is a quarter of a millimetre."""
BESIDE_FACE_MM = 3.0
"""mm beside either toe that are looked at: the groove, and flat plate to compare it with."""
PLATE_FROM_MM = 1.6
"""mm beside a toe from which the plate is flat."""
ALONG_MM = 1.0
"""mm along the bead over which slopes are averaged: a groove is longer, a speck is not."""
MOVED = 0.06
"""Half the difference of both flanks' (A − B) / (A + B) from which the lamp stood on the other side."""
MIN_TEXTURE = 0.12
"""Correlation of what is fine in both photos once they are laid over one another: 0.2 to 0.75 of drawn pairs, under 0.05 where the part
was moved."""
STILL_MM = (0.4, 1.4)
"""mm inside and outside of a toe from which both photos are laid over one another: what lies between is what is asked about."""
REFINED = 4
"""Steps of that: each takes most of what the last one left."""
GROOVE_REACH_MM = (0.15, 1.1)
"""mm outside a toe between which the far wall of a groove rises."""
RISES = 0.35
"""Of the flank's slope, over what is usual along that toe: from there the far wall of a groove is one."""
MIN_GROOVE_MM = 3.0
"""mm. Shorter ones are no undercut, as in one photo."""


@dataclass(frozen=True)
class Relief:
    """Slope across a bead but for a factor, positive where it falls away from the middle: (n, s); `s_mm` along, `beyond_mm` outside of the
    toe by side, (2, n, s)."""

    s_mm: Floats
    slope: Floats
    beyond_mm: Floats
    flank: float


class NotTwoLights(Exception):
    """Both photos do not make a relief; `code` says why, as in NOT_TWO_LIGHTS."""

    def __init__(self, code: str) -> None:
        super().__init__(code)
        self.code = code


def with_other_light(beads: Sequence[Measured], other: bytes) -> list[Measured]:
    """The beads of a measured photo with their undercuts read anew beside a photo of the same part, it and the card in their place, with
    the lamp on the other side. A warning says that this was done, or why it could not be: then the one photo's undercuts stand."""
    second = _second(other)
    return [_in_both(bead, second) for bead in beads]


def _second(other: bytes) -> "tuple[Picture, Scale] | NotTwoLights":
    """The photo in the other light with its scale; or why there is none."""
    try:
        picture = Picture(decode_photo(other))
    except UnreadablePicture:
        return NotTwoLights("unreadable")
    scale = find_card(picture)
    return NotTwoLights("no_card") if scale is None else (picture, scale)


def _in_both(first: Measured, second: tuple[Picture, Scale] | NotTwoLights) -> Measured:
    report = first.report
    try:
        grooves = _grooves(first, second)
    except NotTwoLights as error:
        warning = NOT_TWO_LIGHTS[error.code]
    else:
        warning = TWO_LIGHTS
        others = [one for one in report.defects or [] if one.kind != "undercut"]
        report = report.replace(defects=sorted([*others, *grooves], key=lambda one: one.s_mm))
    if report.quality is not None:
        said = [*report.quality.warnings, warning]
        report = report.replace(quality=report.quality.model_copy(update={"warnings": said}))
    return replace(first, report=report)


def _grooves(first: Measured, second: tuple[Picture, Scale] | NotTwoLights) -> list[Defect]:
    """Raises NotTwoLights."""
    if first.bead is None or first.picture is None:
        raise NotTwoLights("no_bead")
    if isinstance(second, NotTwoLights):
        raise second
    return grooves_of(relief_of(first.bead, Picture(first.picture), *second), first.bead)


def relief_of(bead: Bead, first: Picture, second: Picture, second_scale: Scale) -> Relief:
    """The relief along a bead's outline. Raises NotTwoLights."""
    line = bead.outline
    s = np.arange(0, line.s_mm[-1], 1 / PX_PER_MM)
    half = np.interp(s, line.s_mm, line.width_mm / 2)
    reach = float(half.max()) + BESIDE_FACE_MM
    n = np.arange(-reach, reach, 1 / PX_PER_MM)
    centre, across = line.at(s)
    places = centre[None] + n[:, None, None] * across[None]
    beyond = np.stack([-n[:, None] - half, n[:, None] - half])
    plate = beyond.max(0) > PLATE_FROM_MM
    a, b = (
        _in_its_light(sample(picture, scale, places), plate)
        for picture, scale in ((first, bead.scale), (second, second_scale))
    )
    still = (beyond.max(0) < -STILL_MM[0]) | (beyond.max(0) > STILL_MM[1])
    b = _laid_over(a, b, still)
    difference = np.asarray((a - b) / np.maximum(a + b, 1e-3))
    difference -= np.median(difference[plate])
    difference = gaussian_filter1d(difference, ALONG_MM * PX_PER_MM, axis=1)
    inside = beyond.max(0) < -0.3
    flanks = [float(np.median(difference[inside & (n[:, None] * side > 0.25 * half)])) for side in (-1, 1)]
    flank = (flanks[0] - flanks[1]) / 2
    if abs(flank) < MOVED:
        raise NotTwoLights("same_light")
    outwards = np.sign(-n)[:, None] * np.sign(flank)
    return Relief(s, difference * outwards, beyond, abs(flank))


def _in_its_light(pixels: Pixels, plate: Floats) -> Floats:
    """Luminance over the plate's, column by column of a few millimetres, smoothed a little: (n, s)."""
    light = cv2.GaussianBlur((srgb_to_linear(pixels) @ LUMINANCE).astype(np.float32), (0, 0), 0.06 * PX_PER_MM)
    level = np.nanmedian(np.where(plate, light, np.nan), axis=0)
    return np.asarray(light / np.maximum(gaussian_filter1d(level, 4.0 * PX_PER_MM), 1e-3), np.float32)


def _laid_over(a: Floats, b: Floats, still: Flags) -> Floats:
    """The second laid over the first to a hundredth of a millimetre, by what is texture in both: from ln A − ln B = −δ · ∇ ln A over the
    places that are `still`, shifted along, and across by a curve of second degree along the bead. A dark line that lies a little off would look
    like a slope. The card has laid them within some tenths of a millimetre. Raises NotTwoLights."""
    across, along = np.mgrid[: a.shape[0], : a.shape[1]].astype(np.float32)
    part = along / a.shape[1]
    laid: Floats = b
    shift = np.zeros(4)
    for _ in range(REFINED):
        fine = [_fine(light) for light in (a, laid)]
        slope_n, slope_s = np.gradient((fine[0] + fine[1]) / 2)
        weighed = [slope_n, slope_n * part, slope_n * part**2, slope_s]
        columns = np.stack([one[still] for one in weighed], -1)
        shift -= np.linalg.lstsq(columns, (fine[0] - fine[1])[still], rcond=None)[0]
        off_n = shift[0] + shift[1] * part + shift[2] * part**2
        moved = cv2.remap(
            b,
            (along - shift[3]).astype(np.float32),
            (across - off_n).astype(np.float32),
            cv2.INTER_LINEAR,
            borderMode=cv2.BORDER_REPLICATE,
        )
        laid = np.asarray(moved, np.float32)
    if np.corrcoef(_fine(a)[still], _fine(laid)[still])[0, 1] < MIN_TEXTURE:
        raise NotTwoLights("other_place")
    return laid


def _fine(light: Floats) -> Floats:
    """What is finer than half a millimetre, of the logarithm of a light."""
    dark = np.log(np.maximum(light, 0.02))
    return np.asarray(dark - cv2.GaussianBlur(dark, (0, 0), 0.5 * PX_PER_MM), np.float32)


def grooves_of(relief: Relief, bead: Bead) -> list[Defect]:
    """Undercuts by relief, in the order of s."""
    low, high = GROOVE_REACH_MM
    line, found = bead.outline, []
    ends_mm = 0.6 * float(line.width_mm.mean())
    clear = (relief.s_mm > ends_mm) & (relief.s_mm < relief.s_mm[-1] - ends_mm)
    there = (relief.beyond_mm > low) & (relief.beyond_mm < high)
    walls = np.where(there, -relief.slope, -np.inf).max(1) / relief.flank
    medians = np.median(walls[:, clear], axis=1)
    for side, rises, median in zip((-1.0, 1.0), walls, medians, strict=True):
        # A groove all along one toe is none the less one; what rises along both is how the plate is lit.
        usual = max(min(0.0, float(median)), float(medians.min()))
        for first, last in runs((rises - usual > RISES) & clear, 1 / PX_PER_MM, MIN_GROOVE_MM, 1.0):
            middle = (first + last) // 2
            s = float(relief.s_mm[middle])
            n = side * float(np.interp(s, line.s_mm, line.width_mm) / 2 + 0.1)
            centre, across = line.at(np.array([s]))
            x, y = (centre + n * across)[0]
            sure = float(np.clip(0.5 + 0.3 * np.median(rises[first : last + 1] - usual), 0.5, 0.98))
            found.append(
                Defect(
                    kind="undercut",
                    s_mm=rounded(s, 2),
                    n_mm=rounded(n, 2),
                    x_mm=rounded(float(x), 2),
                    y_mm=rounded(float(y), 2),
                    size_mm=rounded((last - first) / PX_PER_MM, 2),
                    confidence=rounded(sure, 2),
                )
            )
    return sorted(found, key=lambda one: one.s_mm)
