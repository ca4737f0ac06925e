"""Faults out of what the network sees and out of the width: each with its size, and no place told twice."""

import numpy as np
import pytest

from judicum.core.photo.defects.fault import Fault
from judicum.core.photo.defects.find import find_defects
from judicum.core.photo.defects.spots import (
    craters_seen,
    holes_seen,
    may_have_craters,
    may_have_spots,
    pores,
    seen_as_crater,
    seen_as_spot,
    specks_seen,
)
from judicum.core.photo.defects.stretches import runs, sugar, uneven_width
from judicum.core.photo.toes import Toes
from tests.core.photo.segmentations import HALF_MM, LENGTH_MM, LINE, box, disc, segmented, toes


@pytest.mark.parametrize("size", [0.5, 0.9, 1.6])
def test_a_pore_is_said_with_its_place_and_size(size: float) -> None:
    (found,) = pores(segmented(pore=0.95 * disc(21.0, 0.6, size)), toes())
    assert (found.s_mm, found.n_mm) == pytest.approx((21.0, 0.6), abs=0.1)
    assert found.size_mm == pytest.approx(size, abs=0.15)
    assert found.confidence == pytest.approx(0.95, abs=0.01)


@pytest.mark.parametrize(
    "seen",
    [0.95 * disc(21.0, 0.0, 0.15), 0.95 * disc(21.0, 4.5, 1.0), 0.55 * disc(21.0, 0.0, 1.0)],
    ids=["grain", "beside the bead", "unsure"],
)
def test_what_is_no_pore(seen: np.ndarray) -> None:
    assert pores(segmented(pore=seen), toes()) == []


def test_sugar_is_said_where_it_covers_most_of_the_face() -> None:
    grey = 0.9 * box((20.0, 29.0), (-2.2, 2.2))
    (found,) = sugar(segmented(granular=grey), toes())
    assert (found.s_mm, found.size_mm) == pytest.approx((24.5, 9.0), abs=0.5)
    assert sugar(segmented(granular=0.95 * disc(21.0, 0.0, 1.5)), toes()) == []
    assert sugar(segmented(granular=0.5 * grey), toes()) == []


def test_what_lies_in_sugar_is_not_said_besides() -> None:
    grey = 0.9 * box((20.0, 29.0), (-2.2, 2.2))
    seen = segmented(granular=grey, pore=0.9 * disc(24.0, 0.0, 0.8) + 0.9 * disc(40.0, 0.0, 0.8))
    assert [f.kind for f in find_defects(seen, toes(), np.ones(3))] == ["sugaring", "pore"]


@pytest.mark.parametrize(("share", "kind"), [(0.3, "gap"), (1.6, "bulge"), (0.8, None), (1.2, None)])
def test_gaps_and_bulges_come_from_the_width(share: float, kind: str | None) -> None:
    s = np.arange(0.0, LENGTH_MM, 0.25)
    half = HALF_MM * np.where(np.abs(s - 25.0) < 3.0, share, 1.0)
    found = uneven_width(Toes(LINE, s, -half, half, 0.0, LENGTH_MM))
    assert [f.kind for f in found] == ([kind] if kind else [])
    if kind:
        assert (found[0].s_mm, found[0].size_mm) == pytest.approx((25.0, 6.0), abs=0.5)


def test_runs_bridge_short_breaks_and_leave_short_ones_out() -> None:
    flags = np.zeros(100, bool)
    flags[[*range(10, 30), *range(33, 50), 70]] = True
    assert runs(flags, 0.1, 1.0, 0.6) == [(10, 49)]
    assert runs(flags, 0.1, 1.9, 0.1) == [(10, 29)]


def test_a_speck_that_the_networks_see_is_said_but_at_a_tip_and_on_a_pore() -> None:
    seen = segmented(
        speck=0.9 * (disc(20.0, 0.5, 0.8) + disc(1.0, 0.0, 0.8) + disc(35.0, 0.0, 0.8)),
        pore=0.95 * disc(35.0, 0.0, 1.0),
    )
    found = sorted(specks_seen(seen, toes()), key=lambda speck: speck.s_mm)
    assert [round(speck.s_mm) for speck in found] == [20, 35]
    assert found[0].size_mm == pytest.approx(0.8, abs=0.15)
    assert [(f.kind, round(f.s_mm)) for f in find_defects(seen, toes(), np.ones(3))] == [
        ("inclusion", 20),
        ("pore", 35),
    ]


@pytest.mark.parametrize("share", [0.2, 0.9])
def test_a_ring_counts_only_where_the_networks_see_a_crater(share: float) -> None:
    ring = Fault("crater", 47.0, 0.0, 3.0, 0.7)
    seen = segmented(crater=share * disc(47.0, 0.0, 3.0))
    assert seen_as_crater(seen, ring) is may_have_craters(seen) is (share > 0.5)


@pytest.mark.parametrize(("share", "size", "answer"), [(0.97, 4.0, 1), (0.97, 1.5, 0), (0.55, 4.0, 0)])
def test_a_hole_the_networks_see_goes_right_through_when_it_is_wide_and_sure(
    share: float, size: float, answer: int
) -> None:
    found = holes_seen(segmented(hole=share * disc(25.0, 0.3, size)), toes())
    assert len(found) == answer
    if found:
        assert (found[0].s_mm, found[0].n_mm) == pytest.approx((25.0, 0.3), abs=0.1)
        assert found[0].size_mm == pytest.approx(size, abs=0.15)


@pytest.mark.parametrize(
    ("s_mm", "size", "share", "answer"),
    [(47.0, 3.0, 0.97, 1), (25.0, 3.0, 0.97, 0), (47.0, 1.5, 0.97, 0), (47.0, 3.0, 0.7, 0)],
    ids=["at an end", "midway", "too small", "unsure"],
)
def test_a_crater_the_networks_are_sure_of_needs_no_ring(s_mm: float, size: float, share: float, answer: int) -> None:
    seen = segmented(crater=share * disc(s_mm, 0.0, size))
    assert len(craters_seen(seen, toes())) == answer
    found = find_defects(seen, toes(), np.ones(3))
    assert [f.kind for f in found] == ["crater"] * answer
    assert all(f.pinhole is False for f in found)


@pytest.mark.parametrize(
    ("pore", "speck", "answer"), [(0.9, 0.0, True), (0.0, 0.9, True), (0.4, 0.4, True), (0.2, 0.1, False)]
)
def test_a_speck_of_the_light_counts_where_the_networks_see_any_spot(pore: float, speck: float, answer: bool) -> None:
    at = disc(20.0, 0.5, 1.0)
    seen = segmented(pore=pore * at, speck=speck * at)
    assert seen_as_spot(seen, Fault("inclusion", 20.0, 0.5, 0.8, 0.6)) is may_have_spots(seen) is answer
