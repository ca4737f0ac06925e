"""The student report: sequence, each coupon's marks, plots and strips to scale, what to work on, signatures."""

import io
from collections.abc import Sequence
from itertools import pairwise

from reportlab.graphics.shapes import Circle, Drawing, Line, Polygon, PolyLine, String
from reportlab.lib.units import mm
from reportlab.lib.utils import ImageReader
from reportlab.platypus import Flowable, Image, KeepTogether, PageBreak, Spacer, Table

from judicum.server.read.reports.contents import CouponShown, FigureShown, StripShown, StudentShown, headings
from judicum.server.read.reports.pdf.sheet import (
    HEADING,
    INK,
    LINE,
    SHADE,
    SMALL,
    TITLE,
    built,
    no_certificate,
    paragraph,
    table,
)
from judicum.words.catalogue import t

WIDTH_MM = 180.0
"""That A4 and Letter both hold beside their margins."""
PLOT_MM = (34.0, 17.0)
MAX_STRIP_MM = WIDTH_MM


def student_report(students: Sequence[StudentShown], paper: str) -> bytes:
    """All students' reports as one PDF file, each beginning on a page of its own. `paper` as `PAPERS`."""
    flow: list[Flowable] = []
    for number, one in enumerate(students):
        flow += [PageBreak()] if number else []
        flow += _student(one)
    title = t("print-report-of", name=students[0].name) if len(students) == 1 else t("print-reports")
    return built(flow or [paragraph(t("print-nobody"))], paper, title)


def _student(one: StudentShown) -> list[Flowable]:
    flow: list[Flowable] = [paragraph(one.name, TITLE), paragraph(f"{one.course} · {one.period}")]
    if one.steps:
        flow += [
            paragraph(t("print-sequence"), HEADING),
            paragraph(" · ".join(f"{title}: {words}" for title, words in one.steps), SMALL),
        ]
    if not one.coupons:
        flow.append(paragraph(t("print-no-beads")))
    for coupon in one.coupons:
        flow += _coupon(coupon)
    flow.append(paragraph(t("print-work-on"), HEADING))
    flow += [paragraph("– " + text) for text in one.work_on] or [paragraph(t("print-nothing-asked"))]
    flow.append(KeepTogether([Spacer(1, 10 * mm), _signatures(), Spacer(1, 4 * mm), no_certificate()]))
    return flow


def _coupon(coupon: CouponShown) -> list[Flowable]:
    widths = [20.0, 9.0, 22.0, 17.0, 21.0, 22.0, 23.0, 22.0, 24.0]
    known = [figure for figure in coupon.figures if any(value is not None for value in figure.values)]
    plots = (
        [Table([[plot(figure) for figure in known]], colWidths=[36 * mm] * len(known), hAlign="LEFT")] if known else []
    )
    return [
        KeepTogether(
            [paragraph(coupon.title, HEADING), paragraph(coupon.goal, SMALL), paragraph(coupon.standing), *plots]
        ),
        *(part for one in coupon.strips for part in strip(one)),
        Spacer(1, 2 * mm),
        table([headings(), *coupon.rows], widths),
    ]


def strip(one: StripShown) -> list[Flowable]:
    """The strip at its true size; one that is longer than the page is wide is said to be smaller."""
    wide, tall = ImageReader(io.BytesIO(one.jpeg)).getSize()
    shown = min(one.wide_mm, MAX_STRIP_MM)
    if shown == one.wide_mm:
        caption = t("print-true-size", caption=one.caption)
    else:
        caption = t("print-scaled", caption=one.caption, share=f"{100 * shown / one.wide_mm:.0f}")
    image = Image(io.BytesIO(one.jpeg), shown * mm, shown * mm * tall / wide, hAlign="LEFT")
    return [KeepTogether([paragraph(caption, SMALL), image])]


def plot(figure: FigureShown) -> Drawing:
    """A small line of a figure over the attempts: what is good as a band, where it goes as a cone. Vector, with words under it."""
    wide, tall = (side * mm for side in PLOT_MM)
    drawing = Drawing(wide, tall + 6 * mm)
    known = [(k, v) for k, v in enumerate(figure.values) if v is not None]
    drawing.add(
        String(0, tall + 3.2 * mm, f"{figure.words}: {figure.now}", fontName="Helvetica", fontSize=7, fillColor=INK)
    )
    drawing.add(PolyLine([0, 0, wide, 0, wide, tall, 0, tall, 0, 0], strokeColor=LINE, strokeWidth=0.4))
    if not known:
        return drawing
    steps = len(figure.values) + len(figure.cone)
    top = max([v for _, v in known] + [one.high for one in figure.cone] + [figure.good or 0.0]) or 1.0

    def at(k: float, value: float) -> tuple[float, float]:
        return (k + 0.5) / steps * wide, min(1.0, value / top) * (tall - 2 * mm) + 1 * mm

    if figure.good is not None:
        good = at(0, figure.good)[1]
        drawing.add(Polygon([0, 0, wide, 0, wide, good, 0, good], fillColor=SHADE, strokeColor=None))
    last = known[-1]
    ahead = list(enumerate(figure.cone, len(figure.values)))
    if ahead:
        upper = [at(*last)] + [at(k, one.high) for k, one in ahead]
        lower = [at(k, one.low) for k, one in reversed(ahead)]
        points = [side for point in upper + lower for side in point]
        drawing.add(Polygon(points, fillColor=LINE, strokeColor=None))
    for before, after in pairwise(known):
        drawing.add(Line(*at(*before), *at(*after), strokeColor=INK, strokeWidth=1))
    for k, value in known:
        drawing.add(Circle(*at(k, value), 1.3, fillColor=INK, strokeColor=None))
    return drawing


def _signatures() -> Table:
    lines = [
        paragraph(t("print-instructor-date"), SMALL),
        paragraph("", SMALL),
        paragraph(t("print-student-date"), SMALL),
    ]
    made = Table([lines], colWidths=[80 * mm, 20 * mm, 80 * mm], hAlign="LEFT")
    made.setStyle([("LINEABOVE", (0, 0), (0, 0), 0.6, INK), ("LINEABOVE", (2, 0), (2, 0), 0.6, INK)])
    return made
