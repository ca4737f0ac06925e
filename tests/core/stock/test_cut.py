"""Cut lists, checked by a saw of the tests' own: it makes the cuts one after another and looks at what falls off."""

import numpy as np
import pytest

from judicum.core.errors import InvalidValues
from judicum.core.stock.cut import CutList, Piece, Sheet, Stock, cut_list

NEAR = 0.02


def sawn(sheet: Sheet, kerf: float) -> list[tuple[float, float, float, float]]:
    """What is there after all cuts of a sheet, each from edge to edge of one part; x, y, length, width."""
    parts = [(0.0, 0.0, sheet.length_mm, sheet.width_mm)]
    for cut in sheet.cuts:
        hit = [
            part
            for part in parts
            for at, side in [(0, 1) if cut.across else (1, 0)]
            if part[at] < cut.at_mm < part[at] + part[at + 2]
            and abs(part[side] - cut.start_mm) < NEAR
            and abs(part[side] + part[side + 2] - cut.end_mm) < NEAR
        ]
        assert len(hit) == 1, f"{cut} goes through {len(hit)} parts"
        x, y, length, width = hit[0]
        parts.remove(hit[0])
        if cut.across:
            parts += [(x, y, cut.at_mm - x, width), (cut.at_mm + kerf, y, x + length - cut.at_mm - kerf, width)]
        else:
            parts += [(x, y, length, cut.at_mm - y), (x, cut.at_mm + kerf, length, y + width - cut.at_mm - kerf)]
    return parts


def checked(found: CutList, pieces: list[Piece], kerf: float) -> None:
    """Every blank that is laid falls off by itself in its size, and none is forgotten."""
    laid = 0
    for sheet in found.sheets:
        parts = sawn(sheet, kerf)
        for one in sheet.laid:
            assert one.x_mm >= 0
            assert one.y_mm >= 0
            mine = (one.x_mm, one.y_mm, one.length_mm, one.width_mm)
            assert sum(np.allclose(mine, part, atol=NEAR) for part in parts) == 1, f"{one} does not come off"
        laid += len(sheet.laid)
    assert laid + sum(found.short.values()) == sum(piece.count for piece in pieces)


@pytest.mark.parametrize("seed", range(12))
def test_every_blank_falls_off_in_its_size(seed: int) -> None:
    rng = np.random.default_rng(seed)
    pieces = [
        Piece(f"blank {k}", float(rng.integers(30, 200)), float(rng.integers(20, 120)), int(rng.integers(1, 9)))
        for k in range(rng.integers(1, 5))
    ]
    kerf = float(rng.choice([0, 0.5, 1.5, 3]))
    checked(cut_list(pieces, [Stock("sheet", 600, 400, 4)], kerf), pieces, kerf)


def test_little_is_wasted() -> None:
    pieces = [Piece("100 × 40", 100, 40, 30), Piece("100 × 60", 100, 60, 20), Piece("50 × 50", 50, 50, 24)]
    found = cut_list(pieces, [Stock("half sheet", 1000, 500, 3)], 1.5)
    checked(found, pieces, 1.5)
    assert len(found.sheets) == 1
    left = found.sheets[0].left
    assert left is not None
    assert left[2] * left[3] > 0.25 * 1000 * 500, "what is left is one large piece, not strips"


def test_sheets_without_room_for_kerf_take_one_blank_less() -> None:
    flush = [Piece("quarter", 500, 250, 4)]
    assert not cut_list(flush, [Stock("sheet", 1000, 500, 1)], 0).short
    assert cut_list(flush, [Stock("sheet", 1000, 500, 1)], 1.5).short == {"quarter": 1}, (
        "turned, three stand beside one another"
    )
    assert not cut_list(flush, [Stock("sheet", 1001.5, 501.5, 1)], 1.5).short


def test_bars_are_cut_to_length() -> None:
    tubes = [Piece("tube 150", 150, 48.3, 9), Piece("tube 100", 100, 48.3, 13)]
    found = cut_list(tubes, [Stock("tube", 1000, 48.3, 5)], 2.0, turns=False)
    checked(found, tubes, 2.0)
    assert len(found.sheets) == 3, "2,650 mm of tube and their cuts lie on three of a metre"


def test_grain_that_must_run_along_keeps_blanks_as_they_are() -> None:
    found = cut_list([Piece("tall", 50, 300, 2)], [Stock("strip", 1000, 100, 1)], 1, turns=False)
    assert found.short == {"tall": 2}
    assert not cut_list([Piece("tall", 50, 300, 2)], [Stock("strip", 1000, 100, 1)], 1).short


def test_without_sheets_all_are_short() -> None:
    assert cut_list([Piece("a", 50, 50, 3)], [], 1).short == {"a": 3}


@pytest.mark.parametrize(
    ("piece", "kerf", "field"),
    [
        (Piece("a", 1, 50), 1, "blank_length_mm"),
        (Piece("a", 50, 9999), 1, "blank_width_mm"),
        (Piece("a", 50, 50), -1, "kerf_mm"),
        (Piece("a", 50, 50, 401), 1, "pieces"),
    ],
)
def test_sizes_that_are_not_cut_here_are_refused(piece: Piece, kerf: float, field: str) -> None:
    with pytest.raises(InvalidValues, match=field):
        cut_list([piece], [Stock("sheet", 1000, 500, 1)], kerf)
