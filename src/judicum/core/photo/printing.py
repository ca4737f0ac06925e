"""The scale cards as vector PDF, true to scale, with a line to check the print by."""

import io

import cv2
from reportlab.lib.pagesizes import A4, LETTER, landscape
from reportlab.lib.units import mm
from reportlab.lib.utils import ImageReader
from reportlab.pdfgen.canvas import Canvas

from judicum.core.errors import InvalidValue, one_of, said
from judicum.core.photo.scale import card_geometry
from judicum.core.photo.target import target_picture

PAPERS = {"a4": A4, "letter": LETTER}
TARGET = "target"
KINDS = ("window", "strip", "long_strip", TARGET)
TOP_MARGIN_MM = 25.0
CHECK_MM = 100


def card_pdf(kind: str, paper: str = "a4") -> bytes:
    """Draw a scale card on a sheet, to be printed at 100 %.

    Args:
        kind: `window`, `strip`, `long_strip` (the sheet lies across), or `target`: the window card with printed beads of known size, to check a phone by. paper: `a4` or `letter`.

    Returns:
        A one-page PDF file.

    Raises:
        InvalidValue: an unknown card or paper.
    """
    if kind not in KINDS:
        raise InvalidValue("kind", kind, one_of(KINDS))
    if paper not in PAPERS:
        raise InvalidValue("paper", paper, said("allowed-a4-or-letter"))
    card = card_geometry()["window" if kind == TARGET else kind]
    width, height = card["size"]
    page = PAPERS[paper] if width < PAPERS[paper][0] / mm else landscape(PAPERS[paper])
    file = io.BytesIO()
    canvas = Canvas(file, pagesize=page)
    canvas.setTitle(f"Judicum scale card: {kind}")
    left, top = (page[0] / mm - width) / 2, page[1] / mm - TOP_MARGIN_MM

    def box(x: float, y: float, w: float, h: float, fill: float | None) -> None:
        """A box at card millimetres (y down) with a grey fill, or an outline only."""
        if fill is not None:
            canvas.setFillGray(fill)
        canvas.rect(
            (left + x) * mm, (top - y - h) * mm, w * mm, h * mm, stroke=int(fill is None), fill=int(fill is not None)
        )

    canvas.setLineWidth(0.1 * mm)
    box(0, 0, width, height, None)
    if kind == TARGET:
        (x, y), (w, h) = card["cut_out"]["at"], card["cut_out"]["size"]
        beads = ImageReader(io.BytesIO(target_picture()))
        canvas.drawImage(beads, (left + x) * mm, (top - y - h) * mm, w * mm, h * mm)
    elif "cut_out" in card:
        (x, y), (w, h) = card["cut_out"]["at"], card["cut_out"]["size"]
        box(x, y, w, h, None)
        _words(canvas, (left + x + w / 2) * mm, (top - y - h / 2) * mm, "cut out along this line", 9)
    _markers(card, box)
    patches = card["grey_patches"]
    for (x, y), value in zip(patches["at"], patches["reflectance_srgb"], strict=True):
        box(x, y, patches["size"], patches["size"], value / 255)
    _check_line(canvas, page[0] / mm, top - height - 22)
    canvas.showPage()
    canvas.save()
    return file.getvalue()


def _markers(card, box) -> None:  # type: ignore[no-untyped-def]
    dictionary = cv2.aruco.getPredefinedDictionary(cv2.aruco.DICT_4X4_50)
    side = card["marker_size"]
    cell = side / 6
    for marker in card["markers"]:
        x, y = marker["at"]
        box(x, y, side, side, 0)
        bits = cv2.aruco.generateImageMarker(dictionary, marker["id"], 6)
        for row in range(6):
            for column in range(6):
                if bits[row, column]:
                    box(x + column * cell, y + row * cell, cell, cell, 1)


def _check_line(canvas: Canvas, page_width_mm: float, y: float) -> None:
    left = (page_width_mm - CHECK_MM) / 2
    canvas.setFillGray(0)
    canvas.setLineWidth(0.2 * mm)
    canvas.line(left * mm, y * mm, (left + CHECK_MM) * mm, y * mm)
    for k in range(0, CHECK_MM + 1, 10):
        tall = 4 if k % 50 == 0 else 2
        canvas.line((left + k) * mm, y * mm, (left + k) * mm, (y + tall) * mm)
    words = (
        f"This line is {CHECK_MM} mm long. Measure it with a ruler: if it is not, print again at 100 %, without fitting to the page.",
        "Print on matt white paper, glue it on thin board, cut along the lines, lay it flat on the coupon.",
    )
    for k, line in enumerate(words):
        _words(canvas, page_width_mm / 2 * mm, (y - 8 - 6 * k) * mm, line, 9)


def _words(canvas: Canvas, x: float, y: float, text: str, size: float) -> None:
    canvas.setFillGray(0)
    canvas.setFont("Helvetica", size)
    canvas.drawCentredString(x, y, text)
