"""What all printed sheets share: papers, styles, tables, cautions, page numbers."""

import io
from collections.abc import Sequence
from xml.sax.saxutils import escape

from reportlab.lib.colors import HexColor
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import Flowable, Paragraph, SimpleDocTemplate, Table, TableStyle

from judicum.core.photo.printing import PAPERS
from judicum.words.catalogue import t

MARGIN_MM = 15.0
INK = HexColor("#1d2a30")
LINE = HexColor("#9fb0b5")
SHADE = HexColor("#e6eef0")
PLAIN = ParagraphStyle("plain", fontName="Helvetica", fontSize=9, leading=12, textColor=INK)
SMALL = ParagraphStyle("small", parent=PLAIN, fontSize=7.5, leading=9.5)
TITLE = ParagraphStyle("title", parent=PLAIN, fontName="Helvetica-Bold", fontSize=17, leading=21)
HEADING = ParagraphStyle(
    "heading", parent=PLAIN, fontName="Helvetica-Bold", fontSize=12, leading=15, spaceBefore=8, spaceAfter=2
)


def no_certificate() -> Paragraph:
    """That a sheet qualifies nobody."""
    return paragraph(t("print-no-certificate"), SMALL)


def built(flow: Sequence[Flowable], paper: str, title: str) -> bytes:
    """A PDF file of these parts, with its title and the page's number at the foot of each page."""
    file = io.BytesIO()
    margin = MARGIN_MM * mm
    document = SimpleDocTemplate(
        file,
        pagesize=PAPERS[paper],
        title=title,
        leftMargin=margin,
        rightMargin=margin,
        topMargin=margin,
        bottomMargin=margin,
    )

    def foot(canvas: Canvas, _: SimpleDocTemplate) -> None:
        canvas.setFont("Helvetica", 7.5)
        canvas.drawString(margin, 8 * mm, title)
        canvas.drawRightString(PAPERS[paper][0] - margin, 8 * mm, t("print-page", number=canvas.getPageNumber()))

    document.build(list(flow), onFirstPage=foot, onLaterPages=foot)
    return file.getvalue()


def paragraph(text: str, style: ParagraphStyle = PLAIN) -> Paragraph:
    """Words as they are: nothing in them is markup."""
    return Paragraph(escape(text), style)


def table(rows: Sequence[Sequence[str]], widths_mm: Sequence[float] | None = None) -> Table:
    """A table whose first row is its heading, repeated on every page."""
    cells = [[paragraph(cell, SMALL) for cell in row] for row in rows]
    made = Table(cells, colWidths=[w * mm for w in widths_mm] if widths_mm else None, repeatRows=1, hAlign="LEFT")
    made.setStyle(
        TableStyle(
            [
                ("LINEBELOW", (0, 0), (-1, -1), 0.3, LINE),
                ("BACKGROUND", (0, 0), (-1, 0), SHADE),
                ("VALIGN", (0, 0), (-1, -1), "TOP"),
                ("TOPPADDING", (0, 0), (-1, -1), 1.5),
                ("BOTTOMPADDING", (0, 0), (-1, -1), 1.5),
            ]
        )
    )
    return made
