"""Every fault kind on a drawn bead: found at its place, called by its name, and nothing found on a clean one."""

from functools import cache
from typing import Any

import numpy as np
import pytest

from judicum.camera import Fault, Scene, View, weld
from judicum.core.photo.measure import measure_photo
from tests.drawn import taken

LENGTH_MM = 80.0
WIDTH_MM = 5.4
FAULTS = {
    "pore": Fault("pore", 38.0, 0.6, 1.0),
    "crater": Fault("crater", LENGTH_MM - 0.55 * WIDTH_MM, 0.0, 3.2, pinhole=True),
    "undercut": Fault("undercut", 40.0, -1.0, 12.0),
    "burn_through": Fault("burn_through", 30.0, 0.0, 4.2),
    "sugaring": Fault("sugaring", 45.0, 0.0, 9.0),
    "inclusion": Fault("inclusion", 33.0, -0.5, 1.0),
    "gap": Fault("gap", 42.0, 0.0, 5.0),
    "bulge": Fault("bulge", 36.0, 0.0, 6.0),
}


@cache
def measured(kind: str | None) -> dict[str, Any]:
    """What is measured on a bead with one fault, or with none."""
    bead = weld(
        np.random.default_rng(7), length_mm=LENGTH_MM, width_mm=WIDTH_MM, width_cv=0.03, pitch_mm=2.2, pitch_cv=0.08, wander_mm=0.1,
        bead_level=2, zone_level=4, faults=(FAULTS[kind],) if kind else (),
    )  # fmt: skip
    scene = Scene(bead, (44.0, 55.0), 1.0, grain=0.2, view=View(size=(2048, 1536), noise=0.004), seed=4)
    report = measure_photo(taken(scene).jpeg).report.as_json()
    assert report["refusal"] is None
    return report


@pytest.mark.parametrize("kind", FAULTS)
def test_a_fault_is_found_at_its_place_and_nothing_else(kind: str) -> None:
    found = measured(kind)["defects"]
    assert [f["kind"] for f in found] == [kind]
    fault, answer = FAULTS[kind], found[0]
    assert answer["s_mm"] == pytest.approx(fault.s_mm, abs=1.5)
    assert answer["size_mm"] == pytest.approx(fault.size_mm, abs=max(0.4, 0.35 * fault.size_mm))
    assert 0.3 <= answer["confidence"] <= 1


def test_a_clean_bead_has_no_faults() -> None:
    assert measured(None)["defects"] == []


def test_the_side_of_an_undercut_and_the_hole_of_a_crater_are_said() -> None:
    assert measured("undercut")["defects"][0]["n_mm"] == pytest.approx(-WIDTH_MM / 2, abs=0.5)
    assert measured("crater")["defects"][0]["pinhole"] is True


def test_a_fault_stands_in_both_frames() -> None:
    report = measured("pore")
    answer, start = report["defects"][0], np.array(report["bead"]["start_mm"])
    assert np.linalg.norm(np.array([answer["x_mm"], answer["y_mm"]]) - start) == pytest.approx(answer["s_mm"], abs=1.0)


def test_gaps_between_fronts_are_not_counted_over_what_hides_them() -> None:
    hidden, clean = measured("sugaring")["ripple"], measured(None)["ripple"]
    assert hidden["pitch_mm"] == pytest.approx(clean["pitch_mm"], rel=0.03)
    assert not any(41 < s < 49 for s in hidden["positions_mm"])
