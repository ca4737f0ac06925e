"""How sure the toes are, and what a report says of it."""

import numpy as np
import pytest

from judicum.core.photo.correct import correct
from judicum.core.photo.doubt import doubt_of
from judicum.core.photo.measure import Measured, measure_photo
from judicum.core.photo.report import UNSURE_BEAD
from judicum.core.photo.steps import check_step
from tests.core.photo.segmentations import HALF_MM, S, patch, segmented, toes
from tests.drawn import bead_photo


def test_a_clear_bead_seen_alike_by_both_networks_leaves_no_doubt() -> None:
    doubt = doubt_of(segmented(soft_mm=0.02), toes(), patch(2 * HALF_MM + 0.3))
    assert doubt.width_mm < 0.05
    assert not doubt.unsure
    assert doubt.stretches == ()


def test_the_more_gradually_the_face_ends_the_greater_the_doubt() -> None:
    doubts = [doubt_of(segmented(soft_mm=soft), toes(), patch()).width_mm for soft in (0.05, 0.2, 0.4)]
    assert doubts == sorted(doubts)
    assert doubts[-1] > 0.2


def test_toes_that_run_out_into_the_plate_leave_the_bead_unsure() -> None:
    sure, unsure = (doubt_of(segmented(soft_mm=soft), toes(), patch()) for soft in (0.1, 0.3))
    assert not sure.unsure
    assert unsure.unsure
    assert unsure.width_mm > 2 * sure.width_mm


@pytest.mark.parametrize("distance", [-1.4, 0.8])
def test_two_opinions_of_the_width_cover_both(distance: float) -> None:
    doubt = doubt_of(segmented(), toes(), patch(2 * HALF_MM + distance))
    assert doubt.unsure
    assert 2 * doubt.width_mm >= abs(distance) - 1e-9


@pytest.mark.parametrize("half", [1.5, 3.3])
def test_two_networks_of_the_close_look_that_differ_leave_the_bead_unsure(half: float) -> None:
    doubt = doubt_of(segmented(second=segmented(half).face), toes(), patch())
    assert doubt.unsure
    assert 2 * doubt.width_mm >= abs(2 * HALF_MM - 2 * half) - 0.11
    assert not doubt_of(segmented(second=segmented(HALF_MM + 0.1).face), toes(), patch()).unsure


def test_the_stretch_that_wavers_is_said() -> None:
    clear, soft = segmented(soft_mm=0.02).face, segmented(soft_mm=0.6).face
    face = np.where((S > 20) & (S < 28), soft, clear)
    ((first, last),) = doubt_of(segmented(face=face), toes(), patch()).stretches
    assert first == pytest.approx(20, abs=1.5)
    assert last == pytest.approx(28, abs=1.5)


@pytest.fixture(scope="module")
def doubtful() -> Measured:
    """A measured photo whose report says that the toes are unsure."""
    measured = measure_photo(bead_photo().jpeg)
    report = measured.report
    assert report.bead is not None and report.quality is not None
    width = report.bead.width_mm.model_copy(update={"uncertainty": 0.9})
    bead = report.bead.model_copy(update={"width_mm": width})
    quality = report.quality.model_copy(update={"warnings": [UNSURE_BEAD, "unsure: as an engine before worded it"]})
    return Measured(report.replace(bead=bead, quality=quality), measured.bead)


@pytest.mark.parametrize(
    ("step", "settled"),
    [
        ({"step": "move_toe", "side": "left", "s_mm": 30.0, "n_mm": -2.5}, True),
        ({"step": "add_fault", "kind": "pore", "s_mm": 30.0, "n_mm": 0.0, "size_mm": 0.8}, False),
    ],
)
def test_only_a_person_who_set_the_toes_settles_the_doubt(doubtful: Measured, step: dict, settled: bool) -> None:
    assert doubtful.bead is not None
    report, _ = correct(doubtful.report, doubtful.bead, [check_step(step)])
    assert report.quality is not None and report.bead is not None
    assert (report.quality.warnings == []) is settled
    assert (report.bead.width_mm.uncertainty < 0.5) is settled
