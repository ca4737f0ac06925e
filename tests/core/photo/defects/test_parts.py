"""Faults out of what the network sees: each by its name and size, and no place told twice."""

import numpy as np
import pytest

from judicum.core.photo.defects.find import find_defects
from judicum.core.photo.defects.stretches import runs
from judicum.core.photo.toes import Toes
from tests.core.photo.looks import HALF_MM, LENGTH_MM, LINE, box, disc, look, toes


@pytest.mark.parametrize(
    ("part", "kind", "size"), [("pore", "pore", 0.9), ("speck", "inclusion", 0.8), ("hole", "burn_through", 3.4)]
)
def test_a_spot_is_told_with_its_place_and_size(part: str, kind: str, size: float) -> None:
    (found,) = find_defects(look(**{part: 0.95 * disc(21.0, 0.6, size)}), toes())
    assert found.kind == kind
    assert (found.s_mm, found.n_mm) == pytest.approx((21.0, 0.6), abs=0.1)
    assert found.size_mm == pytest.approx(size, abs=0.15)
    assert found.confidence == pytest.approx(0.95, abs=0.01)


@pytest.mark.parametrize(
    "part",
    [
        {"pore": 0.95 * disc(21.0, 0.0, 0.15)},
        {"pore": 0.95 * disc(21.0, 4.5, 1.0)},
        {"speck": 0.55 * disc(21.0, 0.0, 1.0)},
        {"hole": 0.95 * disc(21.0, 0.0, 1.6)},
        {"crater": 0.95 * disc(LENGTH_MM / 2, 0.0, 2.0)},
        {"granular": 0.95 * disc(21.0, 0.0, 1.5)},
        {"groove": 0.95 * box((20.0, 21.0), (2.4, 2.9))},
    ],
    ids=["grain", "beside the bead", "unsure", "a small hole", "no end", "a grey speck", "a short shade"],
)
def test_what_is_no_fault(part: dict) -> None:
    assert find_defects(look(**part), toes()) == []


@pytest.mark.parametrize("pinhole", [True, False])
def test_a_pore_in_a_crater_is_its_pinhole(pinhole: bool) -> None:
    seen = look(crater=0.9 * disc(46.5, 0.0, 2.8), pore=pinhole * 0.9 * disc(46.6, 0.2, 0.5))
    (found,) = find_defects(seen, toes())
    assert (found.kind, found.pinhole) == ("crater", pinhole)


@pytest.mark.parametrize("side", [-1.0, 1.0])
def test_an_undercut_lies_along_its_toe(side: float) -> None:
    groove = 0.9 * box((12.0, 22.0), (min(side * 2.3, side * 2.9), max(side * 2.3, side * 2.9)))
    (found,) = find_defects(look(groove=groove), toes())
    assert found.kind == "undercut"
    assert np.sign(found.n_mm) == side
    assert (found.s_mm, found.size_mm) == pytest.approx((17.0, 10.0), abs=0.8)


def test_sugar_is_told_once_and_hides_what_lies_in_it() -> None:
    grey = 0.9 * box((20.0, 29.0), (-2.0, 2.0))
    found = find_defects(look(granular=grey, pore=0.9 * disc(24.0, 0.0, 0.8), speck=0.9 * disc(40.0, 0.0, 0.8)), toes())
    assert [f.kind for f in found] == ["sugaring", "inclusion"]
    assert (found[0].s_mm, found[0].size_mm) == pytest.approx((24.5, 9.0), abs=0.5)


@pytest.mark.parametrize(("share", "kind"), [(0.3, "gap"), (1.6, "bulge"), (0.8, None), (1.2, None)])
def test_gaps_and_bulges_come_from_the_width(share: float, kind: str | None) -> None:
    s = np.arange(0.0, LENGTH_MM, 0.25)
    half = HALF_MM * np.where(np.abs(s - 25.0) < 3.0, share, 1.0)
    found = find_defects(look(), Toes(LINE, s, -half, half, 0.0, LENGTH_MM))
    assert [f.kind for f in found] == ([kind] if kind else [])
    if kind:
        assert (found[0].s_mm, found[0].size_mm) == pytest.approx((25.0, 6.0), abs=0.5)


def test_runs_bridge_short_breaks_and_leave_short_ones_out() -> None:
    flags = np.zeros(100, bool)
    flags[[*range(10, 30), *range(33, 50), 70]] = True
    assert runs(flags, 0.1, 1.0, 0.6) == [(10, 49)]
    assert runs(flags, 0.1, 1.9, 0.1) == [(10, 29)]
