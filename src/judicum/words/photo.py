"""Refusals and what the precheck of a photo finds, in words."""

from typing import TYPE_CHECKING, Any

from judicum.core.photo.picture_file import PhotoProblem
from judicum.core.photo.refuse import NotMeasured
from judicum.core.photo.report import NO_CARD, UNSURE_BEAD

if TYPE_CHECKING:  # the measuring code is slow to import
    from judicum.core.photo.measure import Measured
    from judicum.core.photo.report import Report

REFUSALS = {
    "unreadable": "This file cannot be read as a picture. Take the photo again or send the original file.",
    "too_small": "The bead is shown too small ({px_per_mm:.1f} pixels per mm; at least {least:.0f} are needed). Go closer.",
    "no_scale": "No scale card was found. Lay the card on the coupon so that all its black squares are in the picture.",
    "card_tilted": "The photo was taken {tilt_deg:.0f}° from straight above; at most {most:.0f}° can be measured. Hold the camera above the bead.",
    "blurred": "The photo is blurred. Hold still, let the camera focus on the bead, and take it again.",
    "overexposed": "{share:.0%} of the bead is burnt out to white; at most {most:.0%} may be. Turn off the flash or shade the bead.",
    "no_bead": "No bead was found beside the card. Lay the card so that the whole bead is in its window or along the strip.",
}
WARNINGS = {
    NO_CARD: "No card: the scale was given by hand, and colours are not corrected for the light.",
    UNSURE_BEAD: "Unsure: the toes are hard to tell in this photo. Check them and correct them by hand.",
}
"""What a measurement warns of; its report keeps the shorter wording."""
PRECHECKS = {
    "no_card": "No scale card is to be seen. Lay it flat on the coupon, all of its black squares in the picture.",
    "card_cut_off": "The scale card is cut off. Step back a little until all of its black squares are in the picture.",
    "too_dark": "The photo is too dark. Put a lamp over the bench or move the coupon under one; no flash.",
    "too_bright": "The photo is washed out. Turn the coupon away from the lamp, or shade it with a sheet of paper.",
}


def refusal(why: NotMeasured) -> str:
    """The sentence of a refusal; a picture that cannot be decoded says itself what is wrong."""
    return why.why or REFUSALS[why.code].format(**why.figures)


def precheck_message(problem: PhotoProblem) -> str:
    """The sentence of a problem that the precheck found."""
    return (PRECHECKS | REFUSALS)[problem.code].format(**problem.figures)


def with_refusal_in_words(measured: "Measured") -> "Report":
    """The report of a measurement with the sentence of its refusal put in."""
    report = measured.report
    if measured.refusal is None or report.refusal is None:
        return report
    return report.replace(refusal=report.refusal.model_copy(update={"message": refusal(measured.refusal)}))


def report_in_words(measured: "Measured") -> dict[str, Any]:
    """The contract's JSON of a measurement."""
    return with_refusal_in_words(measured).as_json()
