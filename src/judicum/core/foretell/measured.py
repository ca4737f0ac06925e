"""What a measured bead tells of itself to be learnt from, by the definitions of what is foretold."""

from judicum.core.photo.film import GREY_LEVEL
from judicum.core.photo.report import Report

FIFTH = 0.2
"""Of the run: where its width near the start is read; near the end as far from there."""
HALF_MM = 2.5
"""mm to either side over which a width is meant: a couple of ripples."""


def measured_of(report: Report) -> dict[str, float | int | None]:
    """Figures of a report; None where it does not tell: width_start_mm, width_end_mm, tint_zone (level), zone_mm (mean of both sides),
    grey_end_mm (how much of the end is dull grey)."""
    bead, profile, tint = report.bead, report.profile, report.tint
    found: dict[str, float | int | None] = dict.fromkeys(
        ("width_start_mm", "width_end_mm", "tint_zone", "zone_mm", "grey_end_mm")
    )
    if bead is not None and profile is not None and profile.s_mm:
        for key, at in (("width_start_mm", FIFTH), ("width_end_mm", 1 - FIFTH / 2)):
            near = [
                w
                for s, w in zip(profile.s_mm, profile.width_mm, strict=True)
                if abs(s - at * bead.length_mm) <= HALF_MM
            ]
            if near:
                found[key] = round(sum(near) / len(near), 3)
    if tint is not None:
        found["tint_zone"] = tint.haz.level
        found["zone_mm"] = round((tint.width_mm.left + tint.width_mm.right) / 2, 2)
        found["grey_end_mm"] = float(
            next((k for k, level in enumerate(reversed(tint.along)) if level != GREY_LEVEL), len(tint.along))
        )
    return found
