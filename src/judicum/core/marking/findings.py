"""Findings by hand: what no photo shows, and which of it a coupon calls for."""

from typing import Any

from judicum.core.acceptance import GREY_SHARE
from judicum.core.choices import CHOICES, FINISH_LEVEL
from judicum.core.fields import Fields
from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.photo.film import GREY_LEVEL
from judicum.core.photo.report import Report
from judicum.core.quantities import QUANTITIES
from judicum.core.setup.coupon import Coupon

FINDINGS = Fields(
    "the findings by hand",
    (
        *(QUANTITIES[key] for key in ("leg_upper_mm", "leg_lower_mm", "throat_mm")),
        CHOICES["face"],
        CHOICES["back"],
        *(QUANTITIES[key] for key in ("distortion_mm", "distortion_deg")),
        CHOICES["bend"],
        QUANTITIES["time_taken_s"],
    ),
)
DISTORTS_UNDER_MM = 3.5
"""Sheet up to this thickness bows visibly (core.setup.current: thin plate); thicker is not asked after."""


def asked_for(coupon: Coupon) -> tuple[str, ...]:
    """Keys of the findings that a coupon calls for, in the order they are taken."""
    kind = coupon.kind
    found = ["leg_upper_mm", "leg_lower_mm", "throat_mm"] if kind.fillet else []
    found.append("face")
    if kind.root_shows or (kind.fit_up and not kind.fillet):
        found.append("back")
    if coupon.thickness_mm <= DISTORTS_UNDER_MM and not kind.tube:
        found.append("distortion_mm")
        if kind.fillet:
            found.append("distortion_deg")
    if kind.fit_up:
        found.append("bend")
    return (*found, "time_taken_s")


def check_findings(given: object) -> dict[str, Any]:
    """Findings by hand from JSON values, with None for what was not found out.

    Raises:
        InvalidValues: every field that is unknown or outside its limits.
    """
    return FINDINGS.check(given)


def back_from(report: Report, finish: str) -> str | None:
    """The option of `back` that a measured photo of the back speaks for: sugared, tinted or bright; None where it was refused.

    Whether it is through or hangs through no photo from above tells.
    """
    if report.tint is None:
        return None
    sugar = any(FAULT_KINDS[fault.kind].rejects for fault in report.defects or [])
    if sugar or report.tint.bead.level >= GREY_LEVEL or report.tint.share.get("grey", 0.0) > GREY_SHARE:
        return "sugared"
    return "tinted" if report.tint.bead.level > FINISH_LEVEL[finish] else "bright"
