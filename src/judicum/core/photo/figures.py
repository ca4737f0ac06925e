"""The report's parts from what was found: rounding and nothing else."""

from typing import Any

from judicum.core.arrays import Floats
from judicum.core.photo.film import level_name
from judicum.core.photo.report import BeadFigures, Level, Profile, RippleFigures, Sides, TintFigures, WidthFigures
from judicum.core.photo.ripple import Ripple
from judicum.core.photo.scale import Scale
from judicum.core.photo.tint import Tint
from judicum.core.photo.width import Outline, rms_from_line, width_figures


def outline_figures(outline: Outline, scale: Scale, doubt_mm: float = 0.0) -> dict[str, BeadFigures | Profile]:
    """The report's `bead` and `profile`; `doubt_mm` is a further standard uncertainty of the mean width."""
    body = outline.body
    width = width_figures(outline, scale.mm_per_px, scale.residual_mm, doubt_mm)
    bead = BeadFigures(
        start_mm=points(outline.centre_mm[:1])[0],
        end_mm=points(outline.centre_mm[-1:])[0],
        length_mm=rounded(outline.length_mm, 2),
        width_mm=WidthFigures(**{k: rounded(v, 4) for k, v in width.items()}),
        straightness_mm=rounded(rms_from_line(outline.centre_mm[body]), 3),
        toe_waviness_mm=Sides(
            left=rounded(rms_from_line(outline.left_mm[body]), 3),
            right=rounded(rms_from_line(outline.right_mm[body]), 3),
        ),
    )
    profile = Profile(
        s_mm=[rounded(s, 2) for s in outline.s_mm[body]],
        width_mm=[rounded(w, 3) for w in outline.width_mm[body]],
        centre_mm=points(outline.centre_mm[body]),
    )
    return {"bead": bead, "profile": profile}


def ripple_figures(ripple: Ripple | None) -> RippleFigures | None:
    """The report's `ripple`."""
    if ripple is None:
        return None
    found = {
        k: [rounded(p, 3) for p in v] if isinstance(v, list) else rounded(v, 4) for k, v in ripple.figures().items()
    }
    return RippleFigures(**found)


def tint_figures(tint: Tint) -> TintFigures:
    """The report's `tint`."""
    return TintFigures(
        bead=Level(level=tint.bead, name=level_name(tint.bead)),
        haz=Level(level=tint.zone, name=level_name(tint.zone)),
        width_mm=Sides(left=rounded(tint.left_mm, 2), right=rounded(tint.right_mm, 2)),
        along=tint.along,
        share={k: rounded(v, 3) for k, v in tint.share.items()},
    )


def points(values: Floats) -> list[list[float]]:
    """Points [x, y] to 1 µm."""
    return [[round(float(x), 3), round(float(y), 3)] for x, y in values]


def rounded(value: Any, digits: int) -> Any:
    """A figure with so many decimals; whole numbers and None as they are."""
    if value is None or isinstance(value, int):
        return value
    return round(float(value), digits)
