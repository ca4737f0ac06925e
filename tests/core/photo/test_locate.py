"""Where beads lie: pieces put together, several beads numbered, and none where none is."""

from dataclasses import replace

import numpy as np
import pytest

from judicum.bench.scenes import cases
from judicum.core.photo.decode import decode
from judicum.core.photo.doubt import Doubt
from judicum.core.photo.locate import PX_PER_MM, _in_photo, _joined, patches
from judicum.core.photo.measure import measure_all, measure_photo
from judicum.core.photo.picture import Picture
from judicum.core.photo.regions import regions
from judicum.core.photo.report import UNSURE_BEAD
from judicum.core.photo.scale import Scale, find_card
from tests.drawn import bare_photo, bead_photo, beads_photo, taken


def cells(s_mm: tuple[float, float], n_mm: tuple[float, float]) -> np.ndarray:
    x, y = (np.arange(round(a * PX_PER_MM), round(b * PX_PER_MM)) for a, b in (s_mm, n_mm))
    return np.stack(np.meshgrid(x, y), -1).reshape(-1, 2)


def test_pieces_in_one_line_are_one_bead_and_others_are_not() -> None:
    long, near, far, aside = (
        cells((0, 30), (0, 4)),
        cells((34, 50), (0, 4)),
        cells((75, 95), (0, 4)),
        cells((0, 30), (9, 13)),
    )
    beads = _joined([long, near, far, aside])
    assert sorted(len(bead) for bead in beads) == sorted([len(long) + len(near), len(far), len(aside)])


@pytest.mark.parametrize("angle", [-2.0, 12.0, -25.0, 85.0])
def test_a_patch_lies_on_the_bead_and_runs_from_its_start(angle: float) -> None:
    photo = bead_photo(angle_deg=angle, length_mm=36.0 if angle > 45 else 60.0, tilt_deg=4.0)
    picture = Picture(decode(photo.jpeg))
    scale = find_card(picture)
    assert scale is not None and photo.truth is not None
    found = patches(picture, scale)
    start, end = (np.array(photo.truth["bead"][k]) for k in ("start_mm", "end_mm"))
    best = found[0]
    assert best.line.mm(best.start_mm, 0.0) == pytest.approx(start, abs=2.5)
    assert best.line.mm(best.end_mm, 0.0) == pytest.approx(end, abs=2.5)
    assert best.width_mm == pytest.approx(photo.truth["bead"]["width_mm"]["mean"], abs=0.8)


def test_a_bare_plate_has_no_patch() -> None:
    picture = Picture(decode(bare_photo().jpeg))
    scale = find_card(picture)
    assert scale is not None
    assert patches(picture, scale) == []


def test_every_bead_of_a_photo_is_measured_and_counted_from_the_cards_top() -> None:
    photo, truths = beads_photo()
    found = measure_all(photo, "three.jpg")
    assert len(found) == 3
    by_number = {one.report.bead_number: one.report for one in found}
    assert sorted(by_number) == [1, 2, 3]
    assert {one.report.beads_seen for one in found} == {3}
    for number, truth in enumerate(truths, 1):
        answer = by_number[number].bead
        assert answer is not None
        assert answer.start_mm == pytest.approx(truth["bead"]["start_mm"], abs=1.2)
        assert answer.width_mm.mean == pytest.approx(truth["bead"]["width_mm"]["mean"], abs=0.35)


def test_without_asking_for_all_the_longest_is_taken() -> None:
    photo, truths = beads_photo()
    report = measure_photo(photo).report
    longest = max(range(3), key=lambda k: truths[k]["bead"]["length_mm"])
    assert (report.bead_number, report.beads_seen) == (longest + 1, 3)


def test_a_bead_that_is_clear_comes_before_a_longer_one_that_is_not(monkeypatch: pytest.MonkeyPatch) -> None:
    photo, truths = beads_photo()
    longest = max(range(3), key=lambda k: truths[k]["bead"]["length_mm"])
    seen: list[bool] = []

    def doubt(*given: object) -> Doubt:
        seen.append(not seen)  # the longest is looked at first
        return Doubt(0.3, seen[-1], ())

    monkeypatch.setattr("judicum.core.photo.measure.doubt_of", doubt)
    first, *_, last = measure_all(photo)
    assert len(seen) == 3
    assert last.report.bead_number == longest + 1
    assert last.report.quality is not None and last.report.quality.warnings == [UNSURE_BEAD]
    assert first.report.quality is not None and first.report.quality.warnings == []


@pytest.fixture(scope="module")
def beside_a_strip() -> tuple[Picture, Scale]:
    """A lap beside a strip card: a third of what is searched lies outside of the photo."""
    scene = next(case for case in cases(0.02) if case.kind == "lap").scene
    scene = replace(scene, view=replace(scene.view, tilt_deg=3.0, turn_deg=2.0))
    picture = Picture(decode(taken(scene).jpeg))
    scale = find_card(picture)
    assert scale is not None and scale.kind == "strip"
    return picture, scale


def test_only_what_the_photo_shows_is_searched(beside_a_strip: tuple[Picture, Scale]) -> None:
    picture, scale = beside_a_strip
    boxes = regions(picture, scale)
    low, high = np.min([box.low for box in boxes], 0), np.max([box.high for box in boxes], 0)
    first, last = _in_photo(picture, scale, low, high)
    assert (first >= low).all() and (last <= high).all()
    assert np.prod((last - first) / (high - low)) < 0.9
    places = np.stack(np.meshgrid(*(np.linspace(low[k], high[k], 60) for k in (0, 1))), -1)
    px = scale.px(places)
    shown = ((px >= 0) & (px < picture.size_px)).all(-1)
    kept = ((places >= first) & (places <= last)).all(-1)
    assert shown.any() and kept[shown].all()


def test_a_grid_that_is_cut_to_the_photo_shows_the_same_beads(
    beside_a_strip: tuple[Picture, Scale], monkeypatch: pytest.MonkeyPatch
) -> None:
    (cut,) = patches(*beside_a_strip)
    monkeypatch.setattr("judicum.core.photo.locate._in_photo", lambda picture, scale, low, high: (low, high))
    (whole,) = patches(*beside_a_strip)
    assert [cut.start_mm, cut.end_mm, cut.width_mm] == pytest.approx(
        [whole.start_mm, whole.end_mm, whole.width_mm], abs=0.1
    )
