"""A cut list drawn, as DXF and SVG. The drawing library takes a second to import: only who draws does."""

import io

from ezdxf import filemanagement, units
from ezdxf.addons.drawing import layout, svg
from ezdxf.addons.drawing.frontend import Frontend
from ezdxf.addons.drawing.properties import RenderContext
from ezdxf.document import Drawing
from ezdxf.layouts.layout import Modelspace

from judicum.core.stock.cut import Sheet
from judicum.server.follow.stock.cutting import OfMetal
from judicum.words.catalogue import t

GAP_MM = 60.0
"""mm between sheets on a drawing, room for their names."""
BLANK = "BLANKS"
CUT = "CUTS"
EDGE = "SHEET"
WORDS = "WORDS"
LAYERS = (BLANK, CUT, EDGE, WORDS)
COLOURS = {BLANK: 7, CUT: 1, EDGE: 8, WORDS: 7}
"""Layers of a drawing and their colour by the DXF index: black or white, red, grey."""
TEXT_SHARE = 0.2
"""Height of a blank's name over its shorter side."""
MAX_TEXT_MM = 14.0
"""mm: that height is never more."""


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
        space.add_text(t("print-nothing-to-cut"), height=GAP_MM / 4, dxfattribs={"layer": WORDS})
    return doc


def _draw(space: Modelspace, sheet: Sheet, y0: float, what: str) -> None:
    def box(x: float, y: float, length: float, width: float, layer: str) -> None:
        corners = [(x, y0 + y), (x + length, y0 + y), (x + length, y0 + y + width), (x, y0 + y + width)]
        space.add_lwpolyline(corners, close=True, dxfattribs={"layer": layer})

    def say(text: str, x: float, y: float, height: float) -> None:
        space.add_text(text, height=height, dxfattribs={"layer": WORDS}).set_placement((x, y0 + y))

    box(0, 0, sheet.length_mm, sheet.width_mm, EDGE)
    say(
        t("print-cut-sheet", stock=sheet.stock, what=what, share=f"{100 * sheet.used_share:.0f}"),
        0,
        sheet.width_mm + GAP_MM / 6,
        GAP_MM / 4,
    )
    for one in sheet.laid:
        box(one.x_mm, one.y_mm, one.length_mm, one.width_mm, BLANK)
        height = min(MAX_TEXT_MM, TEXT_SHARE * one.width_mm)
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
