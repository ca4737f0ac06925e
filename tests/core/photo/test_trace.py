"""Following a bead through what the network sees: toes where the face ends, tips where the bead does."""

import numpy as np
import pytest

from judicum.core.photo.axis import AxisReading
from judicum.core.photo.trace import best_paths, best_run, between, to_tips, trace_toes
from tests.core.photo.segmentations import ACROSS, HALF_MM, LENGTH_MM, S, box, disc, patch, segmented


@pytest.mark.parametrize("half", [0.8, 1.9, 3.7])
@pytest.mark.parametrize("soft", [0.02, 0.15])
def test_toes_and_tips_lie_where_the_face_ends(half: float, soft: float) -> None:
    seen = segmented(half, soft_mm=soft)
    found = trace_toes(seen, patch(2 * half))
    assert found is not None
    assert found.width_mm == pytest.approx(2 * half, abs=0.21)
    assert between(seen, found.start_mm, found.end_mm).width_mm == pytest.approx(2 * half, abs=0.06)
    assert found.start_mm == pytest.approx(0.0, abs=0.3)
    assert found.end_mm == pytest.approx(LENGTH_MM, abs=0.3)


def test_a_bead_that_wanders_is_followed() -> None:
    centre = 0.8 * np.sin(S / 9.0)
    found = trace_toes(segmented(centre_mm=centre), patch())
    assert found is not None
    inside = found.inside
    wanted = np.interp(found.s_mm[inside], S, centre)
    assert np.abs(found.centre_mm[inside] - wanted).max() < 0.1


def test_shine_in_the_face_and_a_stain_beside_it_move_no_toe() -> None:
    plain = segmented()
    odd = plain.face.copy()
    odd[disc(20.0, 0.5, 2.5) > 0] = -5.0
    odd[disc(35.0, 4.6, 1.5) > 0] = 5.0
    found = trace_toes(segmented(face=odd), patch())
    assert found is not None
    assert np.abs(found.left_mm[found.inside] + HALF_MM).max() < 0.15
    assert np.abs(found.right_mm[found.inside] - HALF_MM).max() < 0.15


@pytest.mark.parametrize(("share", "wide"), [(0.35, 0.35), (1.7, 1.7)])
def test_a_narrow_and_a_wide_stretch_are_followed(share: float, wide: float) -> None:
    there = np.clip((3.0 - np.abs(S - 25.0)) / 0.8 + 0.5, 0, 1)
    found = trace_toes(segmented(HALF_MM * (1 + (share - 1) * there)), patch())
    assert found is not None
    middle = np.abs(found.s_mm - 25.0) < 1.5
    assert (found.right_mm - found.left_mm)[middle].mean() == pytest.approx(2 * HALF_MM * wide, rel=0.08)
    assert found.length_mm == pytest.approx(LENGTH_MM, abs=0.6)


def test_a_bead_with_a_piece_missing_is_one_bead() -> None:
    gone = segmented().face.copy()
    gone[box((22.0, 27.0), (-9, 9)) > 0] = -6.0
    found = trace_toes(segmented(face=gone), patch())
    assert found is not None
    assert found.length_mm == pytest.approx(LENGTH_MM, abs=0.6)
    missing = np.abs(found.s_mm - 24.5) < 1.5
    assert (found.right_mm - found.left_mm)[missing].max() < 0.4


@pytest.mark.parametrize(("start", "end"), [(1.3, LENGTH_MM - 0.7), (-1.5, LENGTH_MM + 2.0)])
def test_the_reading_along_it_tells_the_tips(start: float, end: float) -> None:
    seen = segmented()
    rough = trace_toes(seen, patch())
    assert rough is not None
    s = np.arange(-4.0, LENGTH_MM + 4.0, 0.1)
    odds = np.where((s > start) & (s < end), 5.0, -5.0)
    odds[200:206] = -2.0  # a pore is no tip
    along = AxisReading(s, np.zeros((32, len(s), 3), np.uint8), np.zeros(len(s)), odds)
    found = to_tips(seen, rough, along, patch())
    assert (found.start_mm, found.end_mm) == pytest.approx((start, end), abs=0.11)
    nowhere = AxisReading(s, along.face, along.front, np.full(len(s), -5.0))
    assert to_tips(seen, rough, nowhere, patch()) is rough


def test_face_far_past_the_patch_is_not_the_bead() -> None:
    seen = segmented().face.copy()
    seen[box((LENGTH_MM - 1, LENGTH_MM + 9), (-2, 2)) > 0] = 6.0
    found = trace_toes(segmented(face=seen), patch(long_mm=LENGTH_MM - 1.5))
    assert found is not None
    assert found.end_mm < LENGTH_MM + 1.8


def test_where_no_face_is_seen_there_is_no_bead() -> None:
    assert trace_toes(segmented(face=np.full(ACROSS.shape, -3.0)), patch()) is None


def test_thebest_run_is_the_one_with_the_greatest_sum() -> None:
    assert best_run(np.array([-1.0, 2.0, -1.0, 3.0, -5.0, 2.0])) == (1, 3)
    assert best_run(np.array([-3.0, -1.0, -2.0])) == (1, 1)
    assert best_run(np.ones(4)) == (0, 3)


def test_a_path_pays_for_its_moves() -> None:
    gain = np.zeros((1, 5, 6))
    gain[0, 2], gain[0, 4, 3] = 1.0, 1.4
    assert best_paths(gain, 2, 0.3)[0].tolist() == [2] * 6
    assert best_paths(gain, 2, 0.01)[0].tolist() == [2, 2, 2, 4, 2, 2]
    assert best_paths(gain, 1, 0.01)[0].tolist() == [2] * 6
