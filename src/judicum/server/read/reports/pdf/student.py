"""The student report: sequence, each coupon's marks, plots and strips to scale, what to work on, signatures."""

import io
from collections.abc import Sequence
from itertools import pairwise

from reportlab.graphics.shapes import Circle, Drawing, Line, Polygon, PolyLine, String
from reportlab.lib.units import mm
from reportlab.lib.utils import ImageReader
from reportlab.platypus import Flowable, Image, KeepTogether, PageBreak, Spacer, Table

from judicum.server.read.reports.contents import HEADINGS, CouponShown, FigureShown, StripShown, StudentShown
from judicum.server.read.reports.pdf.sheet import (
    CERTIFIES_NOBODY,
    HEADING,
    INK,
    LINE,
    SHADE,
    SMALL,
    TITLE,
    built,
    said,
    table,
)

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
    title = f"Report of {students[0].name}" if len(students) == 1 else "Student reports"
    return built(flow or [said("Nobody has joined yet.")], paper, title)


def _student(one: StudentShown) -> list[Flowable]:
    flow: list[Flowable] = [said(one.name, TITLE), said(f"{one.course} · {one.period}")]
    if one.steps:
        flow += [
            said("Coupon sequence", HEADING),
            said(" · ".join(f"{title}: {words}" for title, words in one.steps), SMALL),
        ]
    if not one.coupons:
        flow.append(said("No bead was photographed in this period."))
    for coupon in one.coupons:
        flow += _coupon(coupon)
    flow.append(said("What to work on", HEADING))
    flow += [said("– " + text) for text in one.work_on] or [said("Nothing was asked to change.")]
    flow.append(KeepTogether([Spacer(1, 10 * mm), _signatures(), Spacer(1, 4 * mm), said(CERTIFIES_NOBODY, SMALL)]))
    return flow


def _coupon(coupon: CouponShown) -> list[Flowable]:
    widths = [20.0, 9.0, 22.0, 17.0, 21.0, 22.0, 23.0, 22.0, 24.0]
    known = [figure for figure in coupon.figures if any(value is not None for value in figure.values)]
    plots = (
        [Table([[plot(figure) for figure in known]], colWidths=[36 * mm] * len(known), hAlign="LEFT")] if known else []
    )
    return [
        KeepTogether([said(coupon.title, HEADING), said(coupon.goal, SMALL), said(coupon.standing), *plots]),
        *(part for strip in coupon.strips for part in _strip(strip)),
        Spacer(1, 2 * mm),
        table([HEADINGS, *coupon.rows], widths),
    ]


def _strip(strip: StripShown) -> list[Flowable]:
    """The strip at its true size; one that is longer than the page is wide is said to be smaller."""
    wide, tall = ImageReader(io.BytesIO(strip.jpeg)).getSize()
    shown = min(strip.wide_mm, MAX_STRIP_MM)
    scale = "true size" if shown == strip.wide_mm else f"{100 * shown / strip.wide_mm:.0f} % of true size"
    image = Image(io.BytesIO(strip.jpeg), shown * mm, shown * mm * tall / wide, hAlign="LEFT")
    return [KeepTogether([said(f"{strip.caption} ({scale}, printed at 100 %)", SMALL), image])]


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
    lines = [said("Instructor, date", SMALL), said("", SMALL), said("Student, date", SMALL)]
    made = Table([lines], colWidths=[80 * mm, 20 * mm, 80 * mm], hAlign="LEFT")
    made.setStyle([("LINEABOVE", (0, 0), (0, 0), 0.6, INK), ("LINEABOVE", (2, 0), (2, 0), 0.6, INK)])
    return made
