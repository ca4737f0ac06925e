"""The network's second opinion: where it sees a bead, and what follows where it sees it elsewhere."""

from dataclasses import replace

import numpy as np
import pytest

from judicum.camera import Photo
from judicum.core.arrays import Floats
from judicum.core.photo import measure
from judicum.core.photo.correct import correct
from judicum.core.photo.decode import decode
from judicum.core.photo.measure import Measured, measure_photo
from judicum.core.photo.opinion import APART_MM, ASIDE_MM, UNSURE_BEAD, Opinion, second_opinion
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import Scale, find_card
from judicum.core.photo.steps import check_step
from judicum.core.photo.toes import Toes
from judicum.core.photo.unwrap import Line
from tests.drawn import bead_photo

GAINS = np.ones(3)


@pytest.fixture(scope="module")
def photo() -> Photo:
    return bead_photo(tilt_deg=4.0, turn_deg=1.0, size=(2000, 1500))


@pytest.fixture(scope="module")
def seen(photo: Photo) -> tuple[Picture, Scale]:
    picture = Picture(decode(photo.jpeg))
    scale = find_card(picture)
    assert scale is not None
    return picture, scale


def straight(width_mm: float, length_mm: float = 60.0) -> Toes:
    s = np.arange(0.0, length_mm, 0.25)
    half = np.full(len(s), width_mm / 2)
    return Toes(Line(np.zeros(2), np.array([1.0, 0.0])), s, -half, half, np.ones(len(s)), 0.0, length_mm)


def told(left: Floats | float, right: Floats | float) -> Opinion:
    s = np.arange(-10.0, 70.0, 0.2)
    return Opinion(s, np.broadcast_to(left, s.shape), np.broadcast_to(right, s.shape))


def traced(seen: tuple[Picture, Scale]) -> Toes:
    picture, scale = seen
    found = measure._strongest_trace(picture, scale, GAINS)
    assert found is not None
    return found.toes


def test_it_sees_the_bead_where_it_is(photo: Photo, seen: tuple[Picture, Scale]) -> None:
    toes = traced(seen)
    opinion = second_opinion(*seen, toes, toes.start_mm, toes.end_mm)
    assert opinion.doubt_mm(toes, toes.start_mm, toes.end_mm) == 0.0
    there = np.isfinite(opinion.left_mm)
    length = float(np.ptp(opinion.s_mm[there]))
    assert length == pytest.approx(photo.truth["bead"]["length_mm"], abs=4.0)
    width = float(np.median((opinion.right_mm - opinion.left_mm)[there]))
    assert width == pytest.approx(photo.truth["bead"]["width_mm"]["mean"], abs=0.7)


def test_on_a_bare_plate_it_sees_no_bead(seen: tuple[Picture, Scale]) -> None:
    _, scale = seen
    toes = traced(seen)
    bare = Picture(np.full((1500, 2000, 3), 160, np.uint8))
    opinion = second_opinion(bare, scale, toes, toes.start_mm, toes.end_mm)
    assert np.isnan(opinion.left_mm).all()
    assert opinion.aside(toes, toes.s_mm).all()


def test_where_both_agree_nothing_is_added() -> None:
    assert told(-2.1, 2.2).doubt_mm(straight(4.0), 0.0, 60.0) == 0.0


@pytest.mark.parametrize("wide", [1.0, 3.0, 5.0, 6.5])
def test_where_they_differ_twice_the_doubt_reaches_the_other_width(wide: float) -> None:
    doubt = told(-wide / 2, wide / 2).doubt_mm(straight(4.0), 0.0, 60.0)
    assert 2 * doubt == pytest.approx(abs(wide - 4.0))
    assert doubt > APART_MM / 2


def test_a_doubt_is_at_most_half_of_the_width() -> None:
    assert told(-8.0, 8.0).doubt_mm(straight(4.0), 0.0, 60.0) == 2.0


def test_where_it_sees_no_bead_at_all_the_doubt_is_greatest() -> None:
    assert told(np.nan, np.nan).doubt_mm(straight(4.0), 0.0, 60.0) == 2.0


def test_a_stretch_with_a_side_elsewhere_or_unseen_is_unsure_and_no_other() -> None:
    toes = straight(4.0)
    s = np.arange(-10.0, 70.0, 0.2)
    right = np.where((s > 21) & (s < 29), 2.1 + ASIDE_MM, 2.0)
    left = np.where((s > 41) & (s < 49), np.nan, -2.0)
    aside = told(left, right).aside(toes, toes.s_mm)
    assert set(toes.s_mm[aside] // 10) == {2, 4}
    assert aside[(toes.s_mm > 22) & (toes.s_mm < 28)].all()


def test_a_sure_bead_is_told_so(photo: Photo, seen: tuple[Picture, Scale]) -> None:
    report = measure_photo(photo.jpeg).report
    assert report.quality is not None and report.bead is not None
    assert report.quality.warnings == []
    assert report.bead.width_mm.uncertainty < 0.2


def wider(picture: Picture, scale: Scale, toes: Toes, start_mm: float, end_mm: float) -> Opinion:
    opinion = second_opinion(picture, scale, toes, start_mm, end_mm)
    return replace(opinion, right_mm=opinion.right_mm + 2.0)


def test_a_bead_seen_otherwise_is_unsure_with_an_uncertainty_that_covers_both(
    photo: Photo, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(measure, "second_opinion", wider)
    clear = measure_photo(photo.jpeg).report.quality
    assert clear is not None and clear.warnings == [], "clear toes are not asked after"
    monkeypatch.setattr(measure, "CLEAR_STRENGTH", np.inf)
    doubted = measure_photo(photo.jpeg)
    assert doubted.report.quality is not None and doubted.report.bead is not None
    assert doubted.report.quality.warnings == [UNSURE_BEAD]
    assert 2 * doubted.report.bead.width_mm.uncertainty > 1.5
    assert doubted.bead is not None
    assert sum(b - a for a, b in doubted.bead.unsure_mm) > 0.8 * doubted.report.bead.length_mm


@pytest.fixture(scope="module")
def doubted(photo: Photo) -> Measured:
    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(measure, "second_opinion", wider)
        patch.setattr(measure, "CLEAR_STRENGTH", np.inf)
        return measure_photo(photo.jpeg)


def test_a_toe_set_by_hand_settles_the_doubt(doubted: Measured) -> None:
    assert doubted.bead is not None and doubted.report.bead is not None
    step = check_step({"step": "move_toe", "s_mm": 30.0, "side": "left", "n_mm": -2.3})
    report, _ = correct(doubted.report, doubted.bead, [step])
    assert report.quality is not None and report.bead is not None
    assert report.quality.warnings == []
    assert report.bead.width_mm.uncertainty < doubted.report.bead.width_mm.uncertainty


def test_a_fault_added_does_not(doubted: Measured) -> None:
    assert doubted.bead is not None and doubted.report.bead is not None
    step = check_step({"step": "add_fault", "kind": "pore", "s_mm": 30.0, "n_mm": 0.0, "size_mm": 0.8})
    report, _ = correct(doubted.report, doubted.bead, [step])
    assert report.quality is not None and report.bead is not None
    assert report.quality.warnings == [UNSURE_BEAD]
    assert report.bead.width_mm.uncertainty == doubted.report.bead.width_mm.uncertainty
