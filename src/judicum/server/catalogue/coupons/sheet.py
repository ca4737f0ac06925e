"""The setup card as an A5 sheet to hang beside the machine: big figures in the person's units."""

import io
from collections.abc import Sequence
from dataclasses import dataclass

from reportlab.lib.pagesizes import A5
from reportlab.lib.units import mm
from reportlab.lib.utils import simpleSplit
from reportlab.pdfgen.canvas import Canvas

from judicum.core.setup import Card as SetupCard
from judicum.core.setup.record import Band
from judicum.server.catalogue.coupons.labels import draw_code
from judicum.words import METRIC, Units
from judicum.words import setup as words
from judicum.words.card import Card
from judicum.words.catalogue import t
from judicum.words.names import field_name, named, option_name
from judicum.words.units import cup_words, format_figure

MARGIN_MM = 8.0
CODE_MM = 17.0
"""Side of the code in the corner: read from a hand's breadth."""
LINE_MM = 3.7


@dataclass(frozen=True)
class Heading:
    """What stands over the card: the coupon, whose it is, and the address that its code leads to (empty: none)."""

    title: str
    under: str
    address: str = ""


def card_sheet(plan: SetupCard, steps: Sequence[str], heading: Heading, units: Units = METRIC) -> bytes:
    """Draw a setup card on one A5 page.

    Args:
        plan: the setup card (`plan_card`). steps: the checklist in words. heading: its two lines.
        units: what figures are printed in.

    Returns:
        A PDF file of one page.
    """
    card = words.card_in_words(plan, units)
    file = io.BytesIO()
    canvas = Canvas(file, pagesize=A5)
    canvas.setTitle(heading.title)
    width, top = A5[0] / mm - 2 * MARGIN_MM, A5[1] / mm - MARGIN_MM
    room = CODE_MM if heading.address else 0.0
    y = _text(canvas, top - 4, heading.title, 15, "Helvetica-Bold", width - room)
    y = _text(canvas, y, heading.under, 8.5, "Helvetica", width - room) - 1
    if heading.address:
        draw_code(canvas, A5[0] / mm - CODE_MM - 3, A5[1] / mm - CODE_MM - 3, CODE_MM, heading.address)
    cells = figures(card, units)
    columns, tall = 3, 15.5
    for k, (name, big, small) in enumerate(cells):
        x = MARGIN_MM + (k % columns) * width / columns
        line = y - (k // columns) * tall
        canvas.setLineWidth(0.2)
        canvas.line(x * mm, line * mm, (x + width / columns - 2) * mm, line * mm)
        canvas.setFont("Helvetica", 7.5)
        canvas.drawString(x * mm, (line - 3.2) * mm, name)
        canvas.setFont("Helvetica-Bold", 15)
        canvas.drawString(x * mm, (line - 8.8) * mm, big)
        canvas.setFont("Helvetica", 7)
        canvas.drawString(x * mm, (line - 12.4) * mm, small)
    y -= -(-len(cells) // columns) * tall + 1.5
    for warning in card.warnings:
        y = _text(canvas, y, "! " + warning.message, 7.5, "Helvetica-Bold", width)
    y = _text(canvas, y - 1, t("print-before-the-arc"), 8.5, "Helvetica-Bold", width)
    for k, step in enumerate(steps):
        x, line = MARGIN_MM + (k % 2) * width / 2, y - (k // 2) * LINE_MM
        canvas.rect(x * mm, (line - 0.2) * mm, 2.2 * mm, 2.2 * mm)
        canvas.setFont("Helvetica", 7.5)
        canvas.drawString((x + 3.4) * mm, line * mm, step)
    y -= -(-len(steps) // 2) * LINE_MM + 1
    y = _text(canvas, y, t("print-cautions"), 8.5, "Helvetica-Bold", width)
    for code in card.cautions:
        y = _text(canvas, y, "- " + named("caution", code), 6.6, "Helvetica", width, 2.7)
    canvas.showPage()
    canvas.save()
    return file.getvalue()


def figures(card: Card, units: Units) -> list[tuple[str, str, str]]:
    """Each figure of the card as name, aim, and range."""

    def ranged(name: str, key: str, kind: str, other: str = "") -> tuple[str, str, str]:
        band: Band = getattr(card, key)
        low, high = format_figure(band.low, kind, units, unit=False), format_figure(band.high, kind, units)
        return field_name(name), format_figure(band.aim, kind, units), t("range", low=low, high=high) + other

    def mm(value: float) -> str:
        return format_figure(value, "length", units)

    def size(value: float) -> str:
        return format_figure(value, "size", units)

    wire, rod = card.filler, card.electrode
    found = [
        ranged("current_a", "current_a", "current", t("print-machine", amps=f"{card.current_a.machine:.0f}")),
        ranged("gas_l_min", "gas_l_min", "flow"),
        (field_name("cup"), cup_words(card.cup.number, units), option_name("gas_part", card.gas_part)),
        (field_name("polarity"), card.polarity, ""),
        ranged("stickout_mm", "stickout_mm", "length"),
        (field_name("electrode_kind"), size(rod.diameter_mm), t("print-taper", length=mm(rod.taper_mm))),
        (
            field_name("filler_alloy"),
            f"{wire.alloy} {size(wire.diameter_mm)}" if wire else t("print-none"),
            t("print-wire-for", wire=size(wire.length_mm_per_100mm), bead=size(100)) if wire else "",
        ),
        ranged("travel_mm_s", "travel_mm_s", "speed"),
        (
            t("print-angles"),
            f"{card.angles_deg.work:.0f}° / {card.angles_deg.travel:.0f}°",
            t("print-filler-angle", degrees=f"{card.angles_deg.filler:.0f}"),
        ),
        ranged("preflow_s", "preflow_s", "time"),
        ranged("downslope_s", "downslope_s", "time"),
        ranged("postflow_s", "postflow_s", "time"),
    ]
    if card.dabs_per_s and card.dab_pitch_mm:
        found.append(
            (
                field_name("dabs"),
                t("print-per-second", figure=f"{card.dabs_per_s:.1f}"),
                t("print-apart", length=mm(card.dab_pitch_mm.aim)),
            )
        )
    if card.purge:
        wait = card.purge.wait_s
        flow = format_figure(card.purge.l_min.aim, "flow", units)
        found.append((field_name("purge"), flow, t("print-wait", seconds=f"{wait:.0f}") if wait else ""))
    if card.turntable_rpm:
        found.append((t("feature-turntable"), t("print-rpm", figure=f"{card.turntable_rpm.aim:.2f}"), ""))
    return found


def _text(
    canvas: Canvas, y: float, said: str, size: float, font: str, width_mm: float, line_mm: float | None = None
) -> float:
    """Write what is said from y (mm) downwards, wrapped; returns where the next line begins."""
    canvas.setFont(font, size)
    for line in simpleSplit(said, font, size, width_mm * mm):
        canvas.drawString(MARGIN_MM * mm, y * mm, line)
        y -= line_mm or max(LINE_MM, size * 0.42)
    return y
