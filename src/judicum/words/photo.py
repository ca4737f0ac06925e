"""Refusals and what the precheck of a photo finds, in words."""

from collections.abc import Mapping
from typing import TYPE_CHECKING, Any

from judicum.core.photo.picture_file import PhotoProblem
from judicum.core.photo.refuse import NotMeasured
from judicum.words.catalogue import knows, t

if TYPE_CHECKING:  # the measuring code is slow to import
    from judicum.core.photo.measure import Measured
    from judicum.core.photo.report import Report

DIGITS = {"px_per_mm": 1}
"""After the point of a figure of a refusal; the others are whole."""
SHARES = {("overexposed", "share"), ("overexposed", "most")}
"""Figures that are shown in percent."""


def refusal(why: NotMeasured) -> str:
    """The sentence of a refusal; a picture that cannot be decoded says itself what is wrong."""
    return (
        t(why.why.name, **why.why.variables) if why.why else _photo_message(f"photo-{why.code}", why.code, why.figures)
    )


def precheck_message(problem: PhotoProblem) -> str:
    """The sentence of a problem that the precheck found."""
    name = f"precheck-{problem.code}"
    return _photo_message(name if knows(name) else f"photo-{problem.code}", problem.code, problem.figures)


def _photo_message(name: str, code: str, figures: Mapping[str, float]) -> str:
    shown = {
        key: f"{100 * value:.0f}" if (code, key) in SHARES else f"{value:.{DIGITS.get(key, 0)}f}"
        for key, value in figures.items()
    }
    return t(name, **shown)


def with_refusal_in_words(measured: "Measured") -> "Report":
    """The report of a measurement with the sentence of its refusal put in."""
    report = measured.report
    if measured.refusal is None or report.refusal is None:
        return report
    return report.replace(refusal=report.refusal.model_copy(update={"message": refusal(measured.refusal)}))


def report_in_words(measured: "Measured") -> dict[str, Any]:
    """The contract's JSON of a measurement."""
    return with_refusal_in_words(measured).as_json()
