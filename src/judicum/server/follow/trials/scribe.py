"""The scribe sheet of a trial: its lines at scale, to be laid on the plate or wrapped round the tube; a PDF file."""

import io
import math
from collections.abc import Callable

from reportlab.lib.pagesizes import A4, LETTER, landscape
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from judicum.core.errors import InvalidValue, one_of
from judicum.core.trial import Trial
from judicum.words.catalogue import t

PAPERS = {"a4": A4, "letter": LETTER}
FONT = "Helvetica"
FONT_BOLD = "Helvetica-Bold"
CHECK_MM = 100.0
"""mm of the line by which the printer is checked."""
MARGIN_MM = 10.0


def scribe_sheet(
    trial: Trial, title: str, fixed: str, value_words: Callable[[float | str], str], paper: str = "a4"
) -> bytes:
    """Draw the lines of a trial at scale 1 : 1.

    Args:
        title: what is tried, and for which coupon. fixed: what stays as the card has it.
        value_words: a line's setting as the person reads it.

    Raises:
        InvalidValue: no such paper.
    """
    if paper not in PAPERS:
        raise InvalidValue("paper", paper, one_of(PAPERS))
    file = io.BytesIO()
    page = landscape(PAPERS[paper])
    canvas = Canvas(file, pagesize=page)
    canvas.setTitle(title)
    wide, tall = page[0] / mm, page[1] / mm
    canvas.setFont(FONT_BOLD, 12)
    canvas.drawString(MARGIN_MM * mm, (tall - MARGIN_MM) * mm, title)
    canvas.setFont(FONT, 9)
    canvas.drawString(MARGIN_MM * mm, (tall - MARGIN_MM - 5) * mm, fixed)
    _check_line(canvas, tall - MARGIN_MM - 12)
    across = min(trial.width_mm if trial.tube_od_mm is None else math.pi * trial.tube_od_mm, tall - 2 * MARGIN_MM - 22)
    left, below = (wide - trial.length_mm) / 2, MARGIN_MM
    canvas.setDash(3, 2)
    canvas.rect(left * mm, below * mm, trial.length_mm * mm, across * mm)
    canvas.setDash()
    bead = across if trial.tube_od_mm is not None else trial.bead_mm
    start = below + (across - bead) / 2
    for line in trial.lines:
        x = left + line.at_mm
        canvas.line(x * mm, start * mm, x * mm, (start + bead) * mm)
        canvas.saveState()
        canvas.translate((x - 1.5) * mm, (start + 1) * mm)
        canvas.rotate(90)
        canvas.setFont(FONT_BOLD, 10)
        canvas.drawString(0, 0, t("print-trial-line", number=line.number, value=value_words(line.value)))
        canvas.restoreState()
        canvas.setFont(FONT, 8)
        canvas.drawCentredString(x * mm, (start + bead + 1.5) * mm, t("print-trial-turn", turn=line.turn))
    canvas.save()
    return file.getvalue()


def _check_line(canvas: Canvas, y_mm: float) -> None:
    x0, x1, y = MARGIN_MM * mm, (MARGIN_MM + CHECK_MM) * mm, y_mm * mm
    canvas.line(x0, y, x1, y)
    for x in (x0, x1):
        canvas.line(x, y - 1.5 * mm, x, y + 1.5 * mm)
    canvas.setFont(FONT, 8)
    canvas.drawString(x1 + 2 * mm, y - 1 * mm, t("print-trial-check", length=f"{CHECK_MM:g}"))
