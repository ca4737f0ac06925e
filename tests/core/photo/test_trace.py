"""Toes, ends and width on drawn bands."""

import numpy as np
import pytest

from judicum.core.photo.band import edge_strength
from judicum.core.photo.ends import find_ends
from judicum.core.photo.settle import settle
from judicum.core.photo.toes import Toes
from judicum.core.photo.unwrap import Line
from judicum.core.photo.width import outline, rms_from_line, starts_at_end, width_figures
from tests.core.photo.bands import LINE, bead_band, lit_band, straight_toes


def test_edges_stand_out_at_the_toes_and_not_in_the_fading_tint() -> None:
    band = bead_band(2.0, zone_nm=45)
    strength = edge_strength(band)[:, 250:450].mean(1)
    at = {n: float(strength[np.abs(band.n_mm - n).argmin()]) for n in (-2.0, 2.0, -3.5, 3.5, 0.0, 7.0)}
    assert min(at[-2.0], at[2.0]) > 4 * max(at[-3.5], at[3.5], at[0.0], at[7.0])


def test_grain_along_the_bead_is_weaker_than_a_toe() -> None:
    band = bead_band(2.0)
    grain = 5 * np.random.default_rng(3).standard_normal(len(band.n_mm))[:, None]
    outside = np.abs(band.n_mm)[:, None] > 3
    grained = lit_band(band.s_mm, band.n_mm, band.linear * np.exp(0.03 * grain * outside)[..., None])
    strength = edge_strength(grained)[:, 250:450].mean(1)
    assert strength[np.abs(band.n_mm - 2).argmin()] > 1.5 * strength[np.abs(band.n_mm) > 4].max()


@pytest.mark.parametrize(("zone_nm", "blur"), [(40.0, 0.05), (30.0, 0.1), (50.0, 0.1)])
@pytest.mark.parametrize("off", [-0.15, 0.0, 0.15])
def test_a_toe_settles_on_the_middle_of_its_step(zone_nm: float, blur: float, off: float) -> None:
    band = bead_band(2.0, zone_nm=zone_nm, blur_mm=blur)
    settled = settle(band, straight_toes(2.0 + off))
    assert settled.right_mm[100] == pytest.approx(2.0, abs=0.18)
    assert settled.left_mm[100] == pytest.approx(-2.0, abs=0.18)


@pytest.mark.parametrize(("start", "end"), [(10.0, 50.0), (7.5, 48.0), (12.0, 53.5)])
def test_ends_are_found_from_a_rough_guess(start: float, end: float) -> None:
    band = bead_band(2.0, start=start, end=end)
    found = find_ends(band, straight_toes(2.0, 11.0, 49.0))
    assert found[0] == pytest.approx(start, abs=0.35)
    assert found[1] == pytest.approx(end, abs=0.35)


def test_a_plain_band_gives_a_bead_of_its_length_and_width() -> None:
    bead = outline(straight_toes(2.0), 10.0, 50.0, flip=False)
    assert bead.length_mm == pytest.approx(40.0)
    told = width_figures(bead, 0.05, 0.03)
    assert told["mean"] == pytest.approx(4.0)
    assert told["sd"] == pytest.approx(0.0, abs=1e-9)
    assert 0.05 < told["uncertainty"] < 0.2


def test_width_leaves_out_one_mean_width_at_either_end() -> None:
    bead = outline(straight_toes(2.0), 10.0, 50.0, flip=False)
    s = bead.s_mm[bead.body]
    assert s[0] == pytest.approx(4.0, abs=0.5)
    assert s[-1] == pytest.approx(bead.length_mm - 4.0, abs=0.5)


def test_a_swelling_bead_has_the_cv_it_was_drawn_with() -> None:
    toes = straight_toes(2.0)
    swell = 0.2 * np.sin(toes.s_mm / 2.0)
    swollen = Toes(LINE, toes.s_mm, toes.left_mm - swell, toes.right_mm + swell, toes.evidence, 10.0, 50.0)
    told = width_figures(outline(swollen, 10.0, 50.0, flip=False), 0.05, 0.03)
    assert told["mean"] == pytest.approx(4.0, abs=0.05)
    assert told["cv"] == pytest.approx(0.4 / np.sqrt(2) / 4.0, rel=0.06)


def test_a_slanting_bead_is_as_wide_as_a_level_one() -> None:
    angle = np.radians(12)
    toes = straight_toes()
    slope = np.tan(angle) * (toes.s_mm - 30)
    wide = 2.0 / np.cos(angle)
    slanting = Toes(LINE, toes.s_mm, slope - wide, slope + wide, toes.evidence, 10.0, 50.0)
    bead = outline(slanting, 10.0, 50.0, flip=False)
    middle = bead.width_mm[bead.body]
    assert middle.mean() == pytest.approx(4.0, abs=0.06)
    assert bead.length_mm == pytest.approx(40.0 / np.cos(angle), abs=1.0)


def test_left_and_right_change_places_when_the_bead_is_counted_from_the_other_end() -> None:
    toes = straight_toes()
    lopsided = Toes(LINE, toes.s_mm, toes.left_mm - 0.3 * np.sin(toes.s_mm), toes.right_mm, toes.evidence, 10.0, 50.0)
    there, back = (outline(lopsided, 10.0, 50.0, flip=f) for f in (False, True))
    assert rms_from_line(there.left_mm) == pytest.approx(rms_from_line(back.right_mm), rel=0.05)
    assert rms_from_line(there.left_mm) > 5 * rms_from_line(there.right_mm)
    assert there.centre_mm[0] == pytest.approx(back.centre_mm[-1], abs=0.6)


def test_the_end_nearer_the_cards_left_edge_is_the_start() -> None:
    turned = Line(np.array([50.0, 0.0]), np.array([-1.0, 0.0]))
    toes = straight_toes()
    assert not starts_at_end(toes)
    assert starts_at_end(Toes(turned, toes.s_mm, toes.left_mm, toes.right_mm, toes.evidence, 10.0, 50.0))


def test_distance_from_the_best_line_does_not_mind_how_the_line_lies() -> None:
    rng = np.random.default_rng(1)
    x = np.linspace(0, 50, 200)
    y = 0.1 * rng.standard_normal(200)
    for angle in (0.0, 0.7, 1.5, 2.9):
        turn = np.array([[np.cos(angle), -np.sin(angle)], [np.sin(angle), np.cos(angle)]])
        assert rms_from_line(np.stack([x, y], 1) @ turn.T + 7) == pytest.approx(y.std(), rel=0.02)
    assert rms_from_line(np.zeros((2, 2))) == 0.0


def test_a_short_trace_counts_less() -> None:
    assert straight_toes(start=10, end=50).strength == pytest.approx(9.0)
    assert straight_toes(start=20, end=30).strength == pytest.approx(9.0 * 10 / 25, rel=0.1)
    assert straight_toes(start=20, end=20.5).strength == 0.0
