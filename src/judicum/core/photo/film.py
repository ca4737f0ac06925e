"""Heat tint: the ordinal scale, and its colours as a curve over oxide film thickness.

The colours come from data/tint-scale.json, which fixes one CIELAB colour for each level at
the middle of its thickness range [src: thin-film-interference]; between those the curve is
interpolated without overshoot, so that a colour can be drawn or read at any thickness.
"""

import json
from functools import cache
from importlib import resources
from typing import Any, cast

import cv2
import numpy as np
import numpy.typing as npt

from judicum.core.arrays import Floats, Pixels, Whole
from judicum.core.photo.curve import Curve

UNTINTED_LAB = (75.0, 0.0, 0.0)
"""CIELAB that untinted metal is scaled to before a colour is read."""

THICKEST_NM = 75.0
UNTINTED_NM = 7.0
"""A thinner film counts as no tint: where the scale's silver ends."""
GREY_LEVEL = 7


@cache
def tint_levels() -> list[dict[str, Any]]:
    """The eight levels of the scale, silver to grey, as shipped in data/tint-scale.json."""
    return json.loads(resources.files("judicum.core.photo").joinpath("data/tint-scale.json").read_text())["levels"]


def level_name(level: int) -> str:
    """Name of a tint level, 0 `silver` to 7 `grey`."""
    return str(tint_levels()[level]["name"])


@cache
def _curve() -> Curve:
    films = [level for level in tint_levels() if level["film_nm"]]
    thickness = [0.0] + [sum(level["film_nm"]) / 2 for level in films] + [THICKEST_NM]
    # Past the middle of pale blue the colour goes on towards untinted at the same pace.
    last = np.array(films[-1]["lab"], float)
    colours = [UNTINTED_LAB] + [level["lab"] for level in films] + [tuple(last + np.array([7, 1, 10]))]
    return Curve.through(np.array(thickness), np.array(colours, float))


def film_lab(thickness_nm: npt.ArrayLike) -> Floats:
    """CIELAB of a flat-lit film on metal whose untinted colour is L* 75, a* 0, b* 0.

    Args:
        thickness_nm: film thickness in nm, any shape (...); clipped to 0 to 75.

    Returns:
        Array (..., 3) of L*, a*, b*.
    """
    return _curve().at(np.clip(np.asarray(thickness_nm, float), 0.0, THICKEST_NM))


def level_of_film(thickness_nm: npt.ArrayLike) -> Whole:
    """Tint level 0 to 6 of a film thickness in nm, any shape."""
    edges = [level["film_nm"][1] for level in tint_levels() if level["film_nm"]][:-1]
    return np.digitize(np.asarray(thickness_nm, float), edges)


def lab_to_linear(lab: Floats) -> Floats:
    """CIELAB (..., 3) to linear-light sRGB (..., 3) in the order blue, green, red."""
    flat = np.asarray(lab, np.float32).reshape(-1, 1, 3)
    return cv2.cvtColor(flat, cv2.COLOR_LAB2LBGR).reshape(np.shape(lab)).astype(np.float64)


def linear_to_lab(bgr: Floats) -> Floats:
    """Linear-light sRGB image (rows, columns, 3), 1.0 = white, to CIELAB."""
    return cast(Floats, cv2.cvtColor(np.ascontiguousarray(bgr, np.float32), cv2.COLOR_LBGR2LAB))


@cache
def _srgb_table() -> Floats:
    v = np.arange(256) / 255
    return np.where(v <= 0.04045, v / 12.92, ((v + 0.055) / 1.055) ** 2.4).astype(np.float32)


def srgb_to_linear(picture: Pixels | np.uint8) -> Floats:
    """8-bit sRGB-coded array to linear light, 0 to 1, same shape [src: iec-61966-2-1]."""
    return _srgb_table()[picture]


def linear_to_srgb(light: Floats) -> Floats:
    """What a picture holds for linear light 0 to 1: the sRGB curve, 0 to 1, same shape [src: iec-61966-2-1]."""
    return np.where(light <= 0.0031308, 12.92 * light, 1.055 * light ** (1 / 2.4) - 0.055)


CHROMA_RANGE = ((-2.8, 2.0), (-2.4, 2.0))
"""Log ratios blue/green and red/green that are told apart; what lies outside counts as the nearest edge."""
CHROMA_CELLS = 120
LUMINANCE = np.array([0.0722, 0.7152, 0.2126], np.float32)
SPECULAR = 0.06
"""Share of colourless shine that is added to every film's colour: no metal is without it."""


@cache
def _chroma_table() -> tuple[Floats, Floats]:
    """Film thickness (nm) and the logarithm of its reflectance against bare metal, by cell of log ratios."""
    thickness = np.arange(0.0, THICKEST_NM + 0.1, 0.5)
    light = lab_to_linear(film_lab(thickness)) + SPECULAR * lab_to_linear(film_lab(np.zeros(1)))
    ratio = np.log(np.maximum(light / light[0], 1e-3))
    curve = np.stack([ratio[:, 0] - ratio[:, 1], ratio[:, 2] - ratio[:, 1]], -1)
    away = [
        (np.linspace(*ends, CHROMA_CELLS)[:, None] - part) ** 2
        for ends, part in zip(CHROMA_RANGE, curve.T, strict=True)
    ]
    # Thick pale films come back to the colour of bare metal: there bare metal is the likelier.
    late = 0.03 * (thickness > 58)
    nearest = (away[0][:, None] + away[1] + late).argmin(-1)
    brightness = np.log((light / light[0]) @ LUMINANCE)
    return thickness[nearest].astype(np.float32), brightness[nearest].astype(np.float32)


def film_and_shade(light: Floats, bare: Floats) -> tuple[Floats, Floats]:
    """What film explains each colour, and how brightly the metal under it is lit.

    Thickness comes from the colour's log ratios alone, so that shade and shine do not change it; the
    light is then divided by what that film reflects. Across a contour of the tint both change
    evenly; at a toe the film jumps, or the shade has a dark line.

    Args:
        light: (..., 3) linear light, blue, green, red. bare: (3,) that of untinted metal.

    Returns:
        Thickness in nm and natural logarithm of the shade, each (...).
    """
    relative = np.maximum(light, 2e-4) / np.maximum(bare, 2e-4).astype(np.float32)
    ratio = cv2.log(np.ascontiguousarray(relative, np.float32))
    cells = []
    for channel, (low, high) in zip((0, 2), CHROMA_RANGE, strict=True):
        part = (ratio[..., channel] - (ratio[..., 1] + low)) * ((CHROMA_CELLS - 1) / (high - low))
        cells.append(np.clip(part + 0.5, 0, CHROMA_CELLS - 1).astype(np.int32))
    index = cells[0] * CHROMA_CELLS + cells[1]
    thickness, brightness = (np.take(table, index) for table in _chroma_table())
    luminance = np.maximum(relative @ LUMINANCE, 2e-4)
    return thickness, cv2.log(luminance) - brightness
