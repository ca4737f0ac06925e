"""Symptoms by their place: what a fault does to the outline is told as that fault, and a start is told apart from the rest."""

from typing import Any

import numpy as np
import pytest

from judicum.core.causes import explain
from judicum.core.causes.symptoms import start_of
from tests.core.causes.cases import bead, case, fault, grey

S = np.linspace(0, 80, 81)


def codes(measurement: dict[str, Any], **more: Any) -> set[str]:
    return {one.code for one in explain(case(measurement, **more)).symptoms}


def outline(at: float, size: float, share: float) -> np.ndarray:
    """Widths of a bead of 4 mm with one stretch that is `share` times as wide."""
    return np.where(np.abs(S - at) < size / 2, 4.0 * share, 4.0)


@pytest.mark.parametrize(
    ("first", "answer"), [(1.6, "wide"), (1.3, "wide"), (1.1, None), (1.0, None), (0.9, None), (0.7, "narrow")]
)
def test_a_start_is_wide_or_narrow_beside_the_rest(first: float, answer: str | None) -> None:
    assert start_of(S, np.where(S < 10, 4.0 * first, 4.0)) == answer


def test_an_uneven_bead_has_no_start_of_its_own() -> None:
    wild = 4.0 * (1 + 0.2 * np.sin(S / 2))
    assert start_of(S, wild) is None
    assert start_of(S[:8], wild[:8]) is None


def test_a_swollen_start_is_a_bulge_once_and_no_uneven_hand() -> None:
    swollen = bead(width=np.where(S < 6, 6.4, 4.0))
    assert codes(swollen) == {"bulge"}
    assert codes({**swollen, "defects": [fault("bulge", 4, size_mm=4)]}) == {"bulge"}


def test_a_narrow_start_does_not_make_the_width_grow() -> None:
    assert codes(bead(width=np.where(S < 10, 2.6, 4.0))) == {"bead_narrow"}


def test_a_gap_takes_the_blame_for_its_own_outline_and_toes() -> None:
    broken = bead(width=outline(40, 6, 0.25), wavy=(0.5, 0.5), defects=[fault("gap", 40, size_mm=6)])
    assert codes(broken) == {"gap"}
    assert {"width_uneven", "toes_wavy"} <= codes({**broken, "defects": []})


def test_what_hides_ripples_makes_no_gap_between_them() -> None:
    gaps = np.full(36, 2.1)
    gaps[15] = 9.0
    hidden = bead(gaps=gaps, defects=[fault("burn_through", 2.1 * 15 + 4.5, size_mm=7)])
    assert codes(hidden) == {"burn_through"}
    assert "ripples_random" in codes({**hidden, "defects": []})


def test_the_dark_of_a_hole_is_no_grey_metal() -> None:
    holed = bead(along=grey((38, 43)), defects=[fault("burn_through", 40.5, size_mm=4)])
    assert codes(holed) == {"burn_through"}
    assert codes(bead(along=grey((38, 43)))) == {"grey_in_patches"}
