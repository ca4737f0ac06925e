"""Toes told from contours of the tint, and a bead from what only looks like one."""

from functools import cache

import numpy as np
import pytest

from judicum.camera import Scene, View, take_photo, weld
from judicum.core.photo.band import Band, edge_strength
from judicum.core.photo.decode import decode
from judicum.core.photo.light import card_gains
from judicum.core.photo.locate import candidates, regions
from judicum.core.photo.measure import measure_photo
from judicum.core.photo.picture import Picture
from judicum.core.photo.presence import is_bead
from judicum.core.photo.ripple import Ripple, run_past
from judicum.core.photo.scale import find_card
from judicum.core.photo.settle import distinctness
from judicum.core.photo.trace import NEAR_MM, _each_toe, freely, trace
from tests.core.photo.bands import bead_band, straight_toes
from tests.drawn import bare_photo, bead_photo

STEP_MM = 1 / 14


def face(rows: int, inside: float) -> np.ndarray:
    """Lightness with straight fronts every 2 mm over the middle `inside` of the width only."""
    s = np.arange(0.0, 60.0, STEP_MM)
    u = np.linspace(-1, 1, rows)[:, None]
    lines = np.exp(-0.5 * (((s % 2.0) - 1.0) / 0.1) ** 2)[None, :] * (np.abs(u) < inside)
    return 55 - 12 * lines + 0.6 * np.random.default_rng(1).standard_normal((rows, len(s)))


def fronts() -> Ripple:
    return Ripple(np.arange(1.0, 60.0, 2.0), 0.0, 0.8)


def test_fronts_that_end_at_the_inner_pair_do_not_run_past_it() -> None:
    assert run_past(face(61, 0.6), STEP_MM, fronts(), 0.6) < 0.15
    assert run_past(face(61, 1.0), STEP_MM, fronts(), 0.6) > 0.8
    assert run_past(face(61, 1.0), STEP_MM, fronts(), 0.95) == 1.0


def test_fronts_are_hidden_under_what_covers_them() -> None:
    less = fronts().without([(20.0, 26.0)])
    assert less is not None
    assert not ((less.positions_mm > 20) & (less.positions_mm < 26)).any()
    told = less.figures()
    assert told["pitch_mm"] == pytest.approx(2.0, abs=0.03)
    assert told["lapses_mm"] == []
    assert fronts().without([(0.0, 60.0)]) is None


# A face with the very film of its zone has no edge but its rolled-off rim, which a drawn band lacks.
@pytest.mark.parametrize("bead_nm", [5.0, 12.0, 20.0])
def test_a_contour_is_a_weaker_edge_than_a_toe(bead_nm: float) -> None:
    band = bead_band(2.0, bead_nm=bead_nm, zone_nm=52, fade_mm=(3.0, 3.0))
    strength = edge_strength(band)[:, 250:450].mean(1)
    toe = strength[np.abs(np.abs(band.n_mm) - 2.0) < 0.2].max()
    contour = strength[(np.abs(band.n_mm) > 2.7) & (np.abs(band.n_mm) < 8)].max()
    assert toe > 1.2 * contour


def test_the_light_steps_at_toes_and_fades_elsewhere() -> None:
    band = bead_band(2.0, bead_nm=12, zone_nm=40)
    assert distinctness(band, straight_toes(2.0)) > 2
    assert distinctness(band, straight_toes(3.6)) < 1.5


@pytest.mark.parametrize(
    ("strength", "distinct", "tips", "agreement", "bead"),
    [
        (1.8, 0.3, 3.0, 0.5, True),  # ripples: nothing else has them
        (2.4, 0.3, 3.0, 0.1, False),  # a tinted stripe
        (2.4, 2.0, 3.0, None, True),  # faint, but it steps
        (1.2, 3.0, 4.5, None, False),  # hardly an edge
        (5.0, 0.4, 4.5, None, False),  # strong, but it only fades
        (9.0, 0.4, 4.5, None, True),  # so strong that it is no tint
        (3.5, 1.0, 4.5, None, True),
        (3.5, 1.0, 3.2, None, False),  # it hardly steps and ends nowhere
    ],
)
def test_what_counts_as_a_bead(
    strength: float, distinct: float, tips: float, agreement: float | None, bead: bool
) -> None:
    ripple = None if agreement is None else Ripple(np.arange(5.0), 0.0, agreement)
    assert is_bead(strength, distinct, tips, ripple) is bead


@cache
def striped(film_nm: float) -> bytes:
    return take_photo(
        Scene(None, (30.0, 55.0), 3.0, stripe_nm=film_nm, grain=0.3, view=View(size=(1800, 1350)), seed=6)
    ).jpeg


@pytest.mark.parametrize("film_nm", [20.0, 35.0])
def test_a_tinted_stripe_without_a_bead_is_refused(film_nm: float) -> None:
    refusal = measure_photo(striped(film_nm)).report.refusal
    assert refusal is not None
    assert refusal.code == "no_bead"


def test_a_bead_within_dark_tint_keeps_its_own_width() -> None:
    bead = weld(
        np.random.default_rng(5), length_mm=80, width_mm=5.0, width_cv=0.03, pitch_mm=2.2, pitch_cv=0.08, wander_mm=0.1, bead_level=5, zone_level=6
    )  # fmt: skip
    photo = take_photo(Scene(bead, (45.0, 54.0), 1.0, grain=0.2, view=View(size=(2048, 1536)), seed=11))
    report = measure_photo(photo.jpeg).report.as_json()
    assert report["refusal"] is None
    assert photo.truth is not None
    assert report["bead"]["width_mm"]["mean"] == pytest.approx(photo.truth["bead"]["width_mm"]["mean"], abs=0.3)


def test_a_path_follows_the_best_row_and_pays_for_moving() -> None:
    gain = np.zeros((2, 30, 40))
    gain[0, 10, :20] = gain[0, 14, 20:] = 1.0
    gain[1, 5, :] = 1.0
    slow, quick = _each_toe(gain, 1), _each_toe(gain, 5)
    assert slow[0, 0] == quick[0, 0] == 10
    assert slow[0, -1] == quick[0, -1] == 14
    assert (np.abs(np.diff(slow, axis=1)) <= 1).all()
    assert (quick[0] == np.where(np.arange(40) < 20, 10, 14)).all()
    assert (slow[1] == 5).all()


def test_a_width_traced_freely_follows_a_bulge_and_else_stays() -> None:
    swollen = bead_band(lambda s: 2.0 + 1.2 * (np.abs(s - 30) < 2.5), bead_nm=10, zone_nm=40)
    free = freely(swollen, edge_strength(swollen.within(NEAR_MM)), straight_toes(2.0), 10.0, 50.0)
    s, width = free.s_mm, free.right_mm - free.left_mm
    assert width[np.abs(s - 30) < 1.5].mean() == pytest.approx(6.4, abs=0.5)
    assert np.median(width[np.abs(s - 30) > 6]) == pytest.approx(4.0, abs=0.25)
    followed = straight_toes(2.0).following(free, [(30.0, 5.0)])
    moved = np.abs(followed.right_mm - 2.0) > 0.3
    assert moved[np.abs(followed.s_mm - 30) < 1.5].all() and not moved[np.abs(followed.s_mm - 30) > 6].any()


def test_each_searched_region_has_its_strongest_line_first() -> None:
    picture = Picture(decode(bead_photo().jpeg))
    scale = find_card(picture)
    assert scale is not None
    found = candidates(picture, scale, card_gains(picture, scale), 4)
    assert len(regions(picture, scale)) == 1
    assert [c.strength for c in found] == sorted((c.strength for c in found), reverse=True)
    traced = trace(picture, scale, card_gains(picture, scale), found[0])
    assert traced is not None
    assert isinstance(traced.band, Band)
    assert traced.toes.strength > 5
    inner = next(traced.within(), None)
    assert inner is None or float(np.median(inner.right_mm - inner.left_mm)) < 1.2 * float(
        np.median(traced.toes.right_mm - traced.toes.left_mm)
    )


def test_a_bare_plate_has_no_bead() -> None:
    refusal = measure_photo(bare_photo().jpeg).report.refusal
    assert refusal is not None
    assert refusal.code == "no_bead"
