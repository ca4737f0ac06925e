"""The blanks of the coming weeks laid on the sheets and bars of the shelf."""

from dataclasses import dataclass
from math import ceil

from judicum.core.errors import InvalidValue, said
from judicum.core.stock.cut import CutList, Piece, Stock, cut_list
from judicum.server.follow.stock.models import Item
from judicum.server.follow.stock.queries import SAME_MM, OnShelf, store_of
from judicum.server.people.accounts.models import User
from judicum.words.catalogue import t
from judicum.words.names import option_name
from judicum.words.units import METRIC, format_figure

MAX_WEEKS = 26


@dataclass(frozen=True)
class OfMetal:
    """Blanks of one metal and thickness, wanted and laid."""

    what: str
    wanted: dict[str, int]
    laid: CutList


def cutting(user: User, course_id: int, sessions: int, kerf_mm: float, turns: bool) -> list[OfMetal]:
    """What is to be cut so that blanks last the coming sessions, by metal and thickness.

    Raises:
        InvalidValues: sessions or kerf outside what makes sense. NotFound, NotAllowed: not a course one teaches.
    """
    store = store_of(user, course_id)
    if not 1 <= sessions <= MAX_WEEKS:
        raise InvalidValue("sessions", sessions, said("allowed-1-to", most=MAX_WEEKS))
    stocks = [one for one in store.shelf if one.item.kind in ("sheet", "bar") and one.level.left >= 1]
    groups: dict[tuple[str, float], list[OnShelf]] = {}
    for one in store.shelf:
        if one.item.kind == "blank" and _short(one, sessions):
            groups.setdefault((one.item.spec["metal"], one.item.spec["thickness_mm"]), []).append(one)
    found = []
    for (metal, thick), blanks in groups.items():
        pieces = [Piece(one.item.name, *_sides(one.item), _short(one, sessions)) for one in blanks]
        mine = [
            one
            for one in stocks
            if one.item.spec["metal"] == metal and abs(one.item.spec["thickness_mm"] - thick) <= SAME_MM
        ]
        laid = cut_list(
            pieces, [Stock(one.item.name, *_sides(one.item), int(one.level.left)) for one in mine], kerf_mm, turns
        )
        found.append(
            OfMetal(
                t("print-metal-thick", metal=option_name("metal", metal), thick=format_figure(thick, "size", METRIC)),
                {piece.name: piece.count for piece in pieces},
                laid,
            )
        )
    return found


def _short(one: OnShelf, sessions: int) -> int:
    """Blanks to be cut so that the coming sessions are covered."""
    if one.lasts is None or one.lasts.low >= sessions:
        return 0
    return max(0, ceil(one.lasts.per_session * sessions + one.lasts.per_session - max(0.0, one.level.left)))


def _sides(item: Item) -> tuple[float, float]:
    """Length and width as they are laid; of tube the width is its diameter, of a bar without a width its length decides alone."""
    spec = item.spec
    return spec["blank_length_mm"], spec.get("blank_width_mm") or spec.get("tube_od_mm") or spec["thickness_mm"]
