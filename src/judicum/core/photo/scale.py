"""The printed scale card in the photo: where it lies, and millimetres to pixels."""

import json
from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import cache
from importlib import resources
from typing import Any, cast

import cv2
import numpy as np

from judicum.core.arrays import Floats, Pixels
from judicum.core.errors import InvalidValue, said
from judicum.core.photo.picture import Picture


@dataclass(frozen=True)
class ScaleParameters:
    """How markers are looked for and fitted."""

    looked_at_px: tuple[int, ...] = (1000, 1800, 800, 350)
    """px, long sides at which markers are looked for: 16 to 18 mm across, they are found in less than a megapixel, far ones in more,
    blurred ones in fewer."""
    min_markers: int = 2
    """One marker's four corners tell no misfit."""
    max_residual_mm: float = 1.5
    """mm: a misfit with which markers belong to no card."""
    lens_markers: int = 5
    """Fewer do not tell a lens from a tilt: two markers of a strip leave k1 uncertain by 0.003."""
    rounds: int = 8
    """Steps of the fit, which doubles its right digits with each."""
    nudge: float = 1e-5
    """Of an unknown's usual size, how far it is moved for its slope."""
    spread_mm: float = 0.05
    """mm: usual misfit of a marker beside the plane, so that the steps of the fit are alike."""
    lens_k1: float = 0.01
    """Usual size of the lens's first coefficient, for the same."""


SCALE = ScaleParameters()

OUTWARD = np.array([[-1.0, -1.0], [1.0, -1.0], [1.0, 1.0], [-1.0, 1.0]])
"""A marker's corners from its middle, in half sides, in the order in which they are found."""


@cache
def card_geometry() -> dict[str, Any]:
    """The cards' geometry in millimetres, as printed, by their kind (data/scale-card.json, data/long-strip.json)."""
    data = resources.files("judicum.core.photo").joinpath("data")
    files = (json.loads(data.joinpath(name).read_text()) for name in ("scale-card.json", "long-strip.json"))
    return {kind: card for file in files for kind, card in file.items() if isinstance(card, dict)}


@dataclass(frozen=True)
class GivenScale:
    """A scale given by hand for a photo without a card, straight from above, square pixels.

    Args:
        mm_per_px: millimetres covered by one pixel, > 0.
        source: `given` for a plain figure, `points` where it came from two points.
    """

    mm_per_px: float
    source: str = "given"

    @classmethod
    def checked(cls, mm_per_px: float, source: str = "given") -> "GivenScale":
        """A scale of sense: 0.002 to 1 mm per pixel. Raises InvalidValue outside."""
        if not 0.002 <= mm_per_px <= 1.0:
            raise InvalidValue("scale", mm_per_px, said("allowed-0-002-to-1-mm-per"))
        return cls(mm_per_px, source)

    @classmethod
    def from_points(cls, a: tuple[float, float], b: tuple[float, float], length_mm: float) -> "GivenScale":
        """The scale from two pixels and the distance between them in mm. Raises InvalidValue."""
        pixels = float(np.hypot(b[0] - a[0], b[1] - a[1]))
        if not (np.isfinite(pixels) and pixels >= 20):
            raise InvalidValue("points", f"{a} and {b}", said("allowed-two-places-at-least-20-pixels"))
        if not length_mm > 0:
            raise InvalidValue("points", length_mm, said("allowed-a-distance-above-0-mm"))
        return cls.checked(length_mm / pixels, "points")


@dataclass(frozen=True)
class Lens:
    """Radial distortion of a photo of `size_px` (width, height): a point at r half diagonals from the middle is seen at
    r (1 + k1 r²) [src: hartley-zisserman]."""

    k1: float
    size_px: tuple[int, int]

    def bent(self, px: Floats) -> Floats:
        """Where a pixel (..., 2) of a straight photo is seen."""
        size = np.array(self.size_px, float)
        middle = (size - 1) / 2
        away = px - middle
        return middle + away * (1 + self.k1 * (away**2).sum(-1, keepdims=True) / (size**2).sum() * 4)


@dataclass(frozen=True)
class Scale:
    """Millimetres of the card plane to pixels of the upright photo.

    `to_px` is a 3 × 3 homography; pixel (0, 0) is the centre of the top-left pixel.
    `kind` is that of the card (`window`, `strip`, `long_strip`), `given` or `points`; `residual_mm` the root mean square
    misfit of the marker corners; `tilt_deg` the angle between the line of sight and
    straight above, from the foreshortening at the card. `lens` bends what `to_px` gives.
    """

    kind: str
    to_px: Floats
    mm_per_px: float
    residual_mm: float | None
    tilt_deg: float | None
    lens: "Lens | None" = None

    @property
    def of_card(self) -> bool:
        """Whether a card lies in the photo."""
        return self.kind in card_geometry()

    def px(self, points_mm: Floats) -> Floats:
        """Map (..., 2) card millimetres to (..., 2) pixels."""
        flat = np.asarray(points_mm, np.float64).reshape(-1, 1, 2)
        seen = cast(Floats, cv2.perspectiveTransform(flat, self.to_px).reshape(np.shape(points_mm)))
        return seen if self.lens is None else self.lens.bent(seen)

    def px_per_mm_at(self, point_mm: Floats) -> tuple[float, float]:
        """Largest and smallest pixels per millimetre at a point of the card plane."""
        step = np.array([[0.5, 0.0], [-0.5, 0.0], [0.0, 0.5], [0.0, -0.5]])
        east, west, south, north = self.px(np.asarray(point_mm, np.float64) + step)
        large, small = np.linalg.svd(np.stack([east - west, south - north], axis=1))[1]
        return float(large), float(small)


def find_card(picture: Picture) -> Scale | None:
    """Find a card by its markers and fit its plane.

    Method: square fiducial markers (OpenCV ArUco, 4 × 4, 50), corners refined to sub-pixel,
    homography by least squares over all corners of the card that shows more markers, together with
    how far light spreads into the markers' black, and, from LENS_MARKERS on, with the lens's distortion.
    Needs two markers of it.

    Returns:
        The scale, or None where fewer than two markers of a card are seen.
    """
    return card_of(find_markers(picture), picture.size_px)


def find_markers(picture: Picture) -> dict[int, Floats]:
    """Corners (4, 2) in pixels of every square marker in a photo, by its number."""
    seen: dict[int, Floats] = {}
    for k, long_side in enumerate(SCALE.looked_at_px):
        seen = max(seen, _markers_at(picture, max(picture.size_px) / long_side, leniently=k > 0), key=len)
        if len(seen) >= SCALE.min_markers:
            break
    return seen


def _markers_at(picture: Picture, step_px: float, leniently: bool) -> dict[int, Floats]:
    small, level = picture.at_step(step_px)
    parameters = cv2.aruco.DetectorParameters()
    parameters.cornerRefinementMethod = cv2.aruco.CORNER_REFINE_SUBPIX
    if leniently:
        parameters.errorCorrectionRate = 1.0
        parameters.adaptiveThreshWinSizeMin, parameters.adaptiveThreshWinSizeMax = 11, 51
    detector = cv2.aruco.ArucoDetector(cv2.aruco.getPredefinedDictionary(cv2.aruco.DICT_4X4_50), parameters)
    corners, ids, _ = detector.detectMarkers(cv2.cvtColor(small, cv2.COLOR_BGR2GRAY))
    if ids is None:
        return {}
    seen = {int(i): (c[0] + 0.5) * 2.0**level - 0.5 for c, i in zip(corners, ids.ravel(), strict=True)}
    return {i: _refined(picture.pixels, c, 2.0**level) for i, c in seen.items()} if level else seen


def _refined(pixels: Pixels, corners: Floats, shrink: float) -> Floats:
    """Corners (4, 2) found in a smaller copy, to a fraction of a pixel of the whole photo."""
    half = int(np.ceil(2 * shrink))
    low = np.maximum(np.floor(corners.min(0)).astype(int) - 3 * half - 4, 0)
    high = np.ceil(corners.max(0)).astype(int) + 3 * half + 4
    around = cv2.cvtColor(pixels[low[1] : high[1], low[0] : high[0]], cv2.COLOR_BGR2GRAY)
    stop = (cv2.TERM_CRITERIA_EPS + cv2.TERM_CRITERIA_MAX_ITER, 30, 0.01)
    local = (corners - low).astype(np.float32).reshape(-1, 1, 2)
    return cv2.cornerSubPix(around, local, (half, half), (-1, -1), stop).reshape(4, 2) + low


def card_of(seen: dict[int, Floats], size_px: tuple[int, int]) -> Scale | None:
    """The plane of the card that most of the markers belong to, None for fewer than two of any."""
    fits = [fit for kind in card_geometry() if (fit := _fit(kind, seen, size_px)) is not None]
    return max(fits, key=lambda fit: fit[0])[1] if fits else None


def _fit(kind: str, seen: dict[int, Floats], size_px: tuple[int, int]) -> tuple[int, Scale] | None:
    card = card_geometry()[kind]
    marked = [m for m in card["markers"] if m["id"] in seen]
    if len(marked) < SCALE.min_markers:
        return None
    at = np.array([m["at"] for m in marked], float)[:, None]
    points_mm = (at + card["marker_size"] * (OUTWARD + 1) / 2).reshape(-1, 2)
    points_px = np.concatenate([seen[m["id"]] for m in marked]).astype(float)
    rough, _ = cv2.findHomography(points_mm, points_px)
    if rough is None:
        return None
    to_px, lens, spread_mm = _refined_plane(cast(Floats, rough), points_mm, points_px, len(marked), size_px)
    scale = Scale(kind, to_px, 1.0, None, None, lens)
    large, small = scale.px_per_mm_at(np.array(card["size"]) / 2)
    off = scale.px(points_mm + spread_mm * np.tile(OUTWARD, (len(marked), 1))) - points_px
    mm_per_px = 1 / np.sqrt(large * small)
    residual = float(np.sqrt((off**2).sum(1).mean())) * mm_per_px
    if not residual <= SCALE.max_residual_mm:
        return None
    tilt = float(np.degrees(np.arccos(min(1.0, small / large))))
    return len(points_mm), replace(scale, mm_per_px=mm_per_px, residual_mm=residual, tilt_deg=tilt)


def _refined_plane(
    rough: Floats, points_mm: Floats, points_px: Floats, markers: int, size_px: tuple[int, int]
) -> tuple[Floats, Lens | None, float]:
    """Homography, lens and spread (mm) that put the markers' corners where they are seen, from a rough homography.

    Light spreads from the paper into the black, so that a marker is seen smaller all round by some
    hundredths of a millimetre; taken for perspective, that would tilt the plane.
    """
    outward = np.tile(OUTWARD, (markers, 1))
    bends = markers >= SCALE.lens_markers
    first = np.append((rough / rough[2, 2]).ravel()[:8], [0.0, 0.0][: 1 + bends])
    size = np.append(np.abs(first[:8]) + 1e-9, [SCALE.spread_mm, SCALE.lens_k1][: 1 + bends])

    def plane(p: Floats) -> tuple[Floats, Lens | None, float]:
        return np.append(p[:8], 1.0).reshape(3, 3), Lens(float(p[9]), size_px) if bends else None, float(p[8])

    def misfit(p: Floats) -> Floats:
        to_px, lens, spread = plane(p)
        seen = cast(Floats, cv2.perspectiveTransform((points_mm + spread * outward)[None], to_px)[0])
        return np.asarray((seen if lens is None else lens.bent(seen)) - points_px).ravel()

    return plane(_least_squares(misfit, first, size))


def _least_squares(misfit: Callable[[Floats], Floats], first: Floats, size: Floats) -> Floats:
    """Gauss's and Newton's method from a good first guess; scipy's solver takes longer to import than all of measuring.

    Args:
        size: about how large each unknown is.
    """
    at = first.copy()
    for _ in range(SCALE.rounds):
        now = misfit(at)
        small = SCALE.nudge * size
        slopes = np.stack(
            [(misfit(at + step) - now) / nudge for step, nudge in zip(np.diag(small), small, strict=True)], 1
        )
        at = at - np.linalg.lstsq(slopes * size, now, rcond=None)[0] * size
    return at


def plane_scale(given: GivenScale) -> Scale:
    """The scale of a photo taken straight from above with a known millimetres per pixel."""
    return Scale(given.source, np.diag([1 / given.mm_per_px, 1 / given.mm_per_px, 1.0]), given.mm_per_px, None, None)
