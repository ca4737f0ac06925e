"""Labels with QR codes for booths and blanks: a sheet to cut, and one code to draw beside other print."""

import io
from collections.abc import Sequence
from dataclasses import dataclass

from reportlab.graphics.barcode.qr import QrCodeWidget
from reportlab.graphics.renderPDF import draw
from reportlab.graphics.shapes import Drawing
from reportlab.lib.pagesizes import A4, LETTER
from reportlab.lib.units import mm
from reportlab.lib.utils import simpleSplit
from reportlab.pdfgen.canvas import Canvas

from judicum.core.errors import InvalidValue, one_of

FONT = "Helvetica"
FONT_BOLD = "Helvetica-Bold"
PAPERS = {"a4": A4, "letter": LETTER}
COLUMNS = 2
LABEL_MM = (90.0, 34.0)
"""Width and height: a code that a phone reads at arm's length, and two lines beside it."""
CODE_MM = 30.0
GAP_MM = 2.0


@dataclass(frozen=True)
class Label:
    """A label: where its code leads, its name in large letters, and a line under it."""

    address: str
    name: str
    under: str


def label_sheet(labels: Sequence[Label], title: str, paper: str = "a4") -> bytes:
    """Draw labels in two columns, as many pages as they need; a PDF file.

    Raises:
        InvalidValue: no such paper.
    """
    if paper not in PAPERS:
        raise InvalidValue("paper", paper, one_of(PAPERS))
    wide, tall = (side / mm for side in PAPERS[paper])
    rows = int((tall - 2 * GAP_MM) // (LABEL_MM[1] + GAP_MM))
    left = (wide - COLUMNS * LABEL_MM[0] - (COLUMNS - 1) * GAP_MM) / 2
    file = io.BytesIO()
    canvas = Canvas(file, pagesize=PAPERS[paper])
    canvas.setTitle(title)
    for k, label in enumerate(labels):
        row, column = divmod(k % (rows * COLUMNS), COLUMNS)
        if k and row == column == 0:
            canvas.showPage()
        x = left + column * (LABEL_MM[0] + GAP_MM)
        y = tall - 4 * GAP_MM - (row + 1) * LABEL_MM[1] - row * GAP_MM
        _label(canvas, x, y, label)
    canvas.save()
    return file.getvalue()


def _label(canvas: Canvas, x: float, y: float, label: Label) -> None:
    canvas.setStrokeGray(0.7)
    canvas.rect(x * mm, y * mm, LABEL_MM[0] * mm, LABEL_MM[1] * mm)
    draw_code(canvas, x + GAP_MM, y + GAP_MM, CODE_MM, label.address)
    at, room = x + CODE_MM + 2 * GAP_MM, (LABEL_MM[0] - CODE_MM - 3 * GAP_MM) * mm
    line = y + LABEL_MM[1] - 9
    for text in simpleSplit(label.name, FONT_BOLD, 13, room)[:2]:
        canvas.setFont(FONT_BOLD, 13)
        canvas.drawString(at * mm, line * mm, text)
        line -= 5.5
    for text in simpleSplit(label.under, FONT, 9, room)[:3]:
        canvas.setFont(FONT, 9)
        canvas.drawString(at * mm, line * mm, text)
        line -= 4


def draw_code(canvas: Canvas, x_mm: float, y_mm: float, side_mm: float, address: str) -> None:
    """Draw an address as a QR code of a given side (mm) with its lower left corner at a place."""
    code = QrCodeWidget(address, barLevel="M")
    x0, y0, x1, y1 = code.getBounds()
    side = side_mm * mm
    drawing = Drawing(side, side, transform=[side / (x1 - x0), 0, 0, side / (y1 - y0), 0, 0])
    drawing.add(code)
    draw(drawing, canvas, x_mm * mm, y_mm * mm)
