"""The setup card as an A5 sheet to hang beside the machine: big figures in both unit systems."""

import io
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from reportlab.lib.pagesizes import A5
from reportlab.lib.units import mm
from reportlab.lib.utils import simpleSplit
from reportlab.pdfgen.canvas import Canvas

from judicum.core.units import cfh_from_l_min, thou_from_mm
from judicum.server.coupons.words import CAUTION_WORDS

MARGIN_MM = 8.0
LINE_MM = 3.7


@dataclass(frozen=True)
class Heading:
    """What stands over the card: the coupon, and whose it is."""

    title: str
    under: str


def card_sheet(card: Mapping[str, Any], steps: Sequence[str], heading: Heading) -> bytes:
    """Draw a setup card on one A5 page.

    Args:
        card: the setup card (`plan_card`). steps: the checklist in words. heading: its two lines.

    Returns:
        A PDF file of one page.
    """
    file = io.BytesIO()
    canvas = Canvas(file, pagesize=A5)
    canvas.setTitle(heading.title)
    width, top = A5[0] / mm - 2 * MARGIN_MM, A5[1] / mm - MARGIN_MM
    y = _text(canvas, top - 4, heading.title, 15, "Helvetica-Bold", width)
    y = _text(canvas, y, heading.under, 8.5, "Helvetica", width) - 1
    cells = figures(card)
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
    for warning in card["warnings"]:
        y = _text(canvas, y, "! " + warning["message"], 7.5, "Helvetica-Bold", width)
    y = _text(canvas, y - 1, "Before the arc", 8.5, "Helvetica-Bold", width)
    for k, step in enumerate(steps):
        x, line = MARGIN_MM + (k % 2) * width / 2, y - (k // 2) * LINE_MM
        canvas.rect(x * mm, (line - 0.2) * mm, 2.2 * mm, 2.2 * mm)
        canvas.setFont("Helvetica", 7.5)
        canvas.drawString((x + 3.4) * mm, line * mm, step)
    y -= -(-len(steps) // 2) * LINE_MM + 1
    y = _text(canvas, y, "Cautions", 8.5, "Helvetica-Bold", width)
    for code in card["cautions"]:
        y = _text(canvas, y, "- " + CAUTION_WORDS[code], 6.6, "Helvetica", width, 2.7)
    canvas.showPage()
    canvas.save()
    return file.getvalue()


def figures(card: Mapping[str, Any]) -> list[tuple[str, str, str]]:
    """Each figure of the card as name, aim in SI, and range with the aim in US units."""

    def ranged(name: str, key: str, unit: str, digits: int = 0, other: str = "") -> tuple[str, str, str]:
        r = card[key]
        return name, f"{r['aim']:.{digits}f} {unit}", f"{r['low']:.{digits}f} to {r['high']:.{digits}f}{other}"

    def thou(value: float) -> str:
        return f"{thou_from_mm(value):.0f} thou"

    flow, wire, rod = card["gas_l_min"], card["filler"], card["electrode"]
    found = [
        ranged("Current", "current_a", "A", 0, f", machine {card['current_a']['machine']:.0f} A"),
        ranged("Gas flow", "gas_l_min", "L/min", 1, f" · {cfh_from_l_min(flow['aim']):.0f} CFH"),
        ("Cup", f"no. {card['cup']['number']:g}", card["gas_part"].replace("_", " ")),
        ("Polarity", card["polarity"], ""),
        ranged("Stick-out", "stickout_mm", "mm", 0, f" · {thou(card['stickout_mm']['aim'])}"),
        (
            "Electrode",
            f"{rod['diameter_mm']:g} mm",
            f"{thou(rod['diameter_mm'])}, taper {rod['taper_mm']:g} mm",
        ),
        (
            "Filler",
            f"{wire['alloy']} {wire['diameter_mm']:g} mm" if wire else "none",
            f"{thou(wire['diameter_mm'])}, {wire['length_mm_per_100mm']:.0f} mm per 100 mm" if wire else "",
        ),
        ranged("Travel", "travel_mm_s", "mm/s", 1, f" · {card['travel_mm_s']['aim'] * 60 / 25.4:.1f} in/min"),
        (
            "Work / travel angle",
            f"{card['angles_deg']['work']:.0f}° / {card['angles_deg']['travel']:.0f}°",
            f"filler {card['angles_deg']['filler']:.0f}°",
        ),
        ranged("Pre-flow", "preflow_s", "s", 1),
        ranged("Down-slope", "downslope_s", "s", 0),
        ranged("Post-flow", "postflow_s", "s", 0),
    ]
    if card["dabs_per_s"]:
        found.append(("Dabs", f"{card['dabs_per_s']:.1f} a second", f"{card['dab_pitch_mm']['aim']:.1f} mm apart"))
    if card["purge"]:
        wait = card["purge"]["wait_s"]
        found.append(("Purge", f"{card['purge']['l_min']['aim']:g} L/min", f"wait {wait:.0f} s" if wait else ""))
    if card["turntable_rpm"]:
        found.append(("Turntable", f"{card['turntable_rpm']['aim']:.2f} rpm", ""))
    return found


def _text(
    canvas: Canvas, y: float, words: str, size: float, font: str, width_mm: float, line_mm: float | None = None
) -> float:
    """Write words from y (mm) downwards, wrapped; returns where the next line begins."""
    canvas.setFont(font, size)
    for line in simpleSplit(words, font, size, width_mm * mm):
        canvas.drawString(MARGIN_MM * mm, y * mm, line)
        y -= line_mm or max(LINE_MM, size * 0.42)
    return y
