"""The blanks of the coming weeks laid on the sheets and bars of the shelf; as a list, SVG and DXF."""

import io
from dataclasses import dataclass
from math import ceil

from ezdxf import filemanagement, units
from ezdxf.addons.drawing import layout, svg
from ezdxf.addons.drawing.frontend import Frontend
from ezdxf.addons.drawing.properties import RenderContext
from ezdxf.document import Drawing
from ezdxf.layouts.layout import Modelspace

from judicum.core.errors import InvalidValue
from judicum.core.stock.cut import CutList, Piece, Sheet, Stock, cut_list
from judicum.server.accounts.models import User
from judicum.server.stock.models import Item
from judicum.server.stock.queries import SAME_MM, OnShelf, store_of

MOST_WEEKS = 26
GAP_MM = 60.0
"""mm between sheets on a drawing, room for their names."""
BLANK, CUT, EDGE, WORDS = LAYERS = ("BLANKS", "CUTS", "SHEET", "WORDS")
COLOURS = {BLANK: 7, CUT: 1, EDGE: 8, WORDS: 7}
"""Layers of a drawing and their colour by the DXF index: black or white, red, grey."""
TEXT_SHARE, MOST_TEXT_MM = 0.2, 14.0
"""Height of a blank's name over its shorter side, and the most, mm."""


@dataclass(frozen=True)
class OfMetal:
    """Blanks of one metal and thickness, wanted and laid."""

    what: str
    wanted: dict[str, int]
    laid: CutList


def cutting(user: User, course_id: int, evenings: int, kerf_mm: float, turns: bool) -> list[OfMetal]:
    """What is to be cut so that blanks last the coming evenings, by metal and thickness.

    Raises:
        InvalidValues: evenings or kerf outside what makes sense. NotFound, NotAllowed: not a course one teaches.
    """
    store = store_of(user, course_id)
    if not 1 <= evenings <= MOST_WEEKS:
        raise InvalidValue("evenings", evenings, f"1 to {MOST_WEEKS}")
    stocks = [one for one in store.shelf if one.item.kind in ("sheet", "bar") and one.level.left >= 1]
    groups: dict[tuple[str, float], list[OnShelf]] = {}
    for one in store.shelf:
        if one.item.kind == "blank" and _short(one, evenings):
            groups.setdefault((one.item.spec["metal"], one.item.spec["thickness_mm"]), []).append(one)
    found = []
    for (metal, thick), blanks in groups.items():
        pieces = [Piece(one.item.name, *_sides(one.item), _short(one, evenings)) for one in blanks]
        mine = [
            one
            for one in stocks
            if one.item.spec["metal"] == metal and abs(one.item.spec["thickness_mm"] - thick) <= SAME_MM
        ]
        laid = cut_list(
            pieces, [Stock(one.item.name, *_sides(one.item), int(one.level.left)) for one in mine], kerf_mm, turns
        )
        found.append(OfMetal(f"{metal}, {thick:g} mm", {piece.name: piece.count for piece in pieces}, laid))
    return found


def _short(one: OnShelf, evenings: int) -> int:
    """Blanks to be cut so that the coming evenings are covered."""
    if one.lasts is None or one.lasts.low >= evenings:
        return 0
    return max(0, ceil(one.lasts.per_evening * evenings + one.lasts.per_evening - max(0.0, one.level.left)))


def _sides(item: Item) -> tuple[float, float]:
    """Length and width as they are laid; of tube the width is its diameter, of a bar without a width its length decides alone."""
    spec = item.spec
    return spec["blank_length_mm"], spec.get("blank_width_mm") or spec.get("tube_od_mm") or spec["thickness_mm"]


def drawing_of(groups: list[OfMetal]) -> Drawing:
    """All sheets one above another, millimetre for millimetre: blanks, cuts with their numbers, what is left."""
    doc = filemanagement.new("R2010", setup=True, units=units.MM)
    for layer in LAYERS:
        doc.layers.add(layer, color=COLOURS[layer])
    space, below = doc.modelspace(), 0.0
    for group in groups:
        for sheet in group.laid.sheets:
            below -= sheet.width_mm + GAP_MM
            _draw(space, sheet, below, group.what)
    if not below:
        space.add_text("Nothing to cut.", height=GAP_MM / 4, dxfattribs={"layer": WORDS})
    return doc


def _draw(space: Modelspace, sheet: Sheet, y0: float, what: str) -> None:
    def box(x: float, y: float, length: float, width: float, layer: str) -> None:
        corners = [(x, y0 + y), (x + length, y0 + y), (x + length, y0 + y + width), (x, y0 + y + width)]
        space.add_lwpolyline(corners, close=True, dxfattribs={"layer": layer})

    def say(text: str, x: float, y: float, height: float) -> None:
        space.add_text(text, height=height, dxfattribs={"layer": WORDS}).set_placement((x, y0 + y))

    box(0, 0, sheet.length_mm, sheet.width_mm, EDGE)
    say(f"{sheet.stock}: {what}, {100 * sheet.used_share:.0f} % used", 0, sheet.width_mm + GAP_MM / 6, GAP_MM / 4)
    for one in sheet.laid:
        box(one.x_mm, one.y_mm, one.length_mm, one.width_mm, BLANK)
        height = min(MOST_TEXT_MM, TEXT_SHARE * one.width_mm)
        say(f"{one.length_mm:g} x {one.width_mm:g}", one.x_mm + height / 2, one.y_mm + height / 2, height)
    for number, cut in enumerate(sheet.cuts, 1):
        ends = [(cut.at_mm, y0 + cut.start_mm), (cut.at_mm, y0 + cut.end_mm)]
        if not cut.across:
            ends = [(cut.start_mm, y0 + cut.at_mm), (cut.end_mm, y0 + cut.at_mm)]
        space.add_line(ends[0], ends[1], dxfattribs={"layer": CUT})
        say(str(number), ends[1][0] + 2, ends[1][1] - y0 + 2, GAP_MM / 8)


def dxf_of(groups: list[OfMetal]) -> str:
    """The drawing as DXF (R2010, millimetres)."""
    file = io.StringIO()
    drawing_of(groups).write(file)
    return file.getvalue()


def svg_of(groups: list[OfMetal]) -> str:
    """The drawing as SVG, one unit of the page a millimetre."""
    doc = drawing_of(groups)
    backend = svg.SVGBackend()
    Frontend(RenderContext(doc), backend).draw_layout(doc.modelspace())
    return backend.get_string(layout.Page(0, 0, layout.Units.mm, layout.Margins.all(10)))
