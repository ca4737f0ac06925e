"""Ripple fronts out of what the network sees: found where they are, counted, and not invented."""

from dataclasses import replace

import numpy as np
import pytest

from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.axis import PX_PER_MM, ROWS, AxisReading, read_axis
from judicum.core.photo.ripple import Ripple, find_fronts
from tests.core.photo.segmentations import HALF_MM, LENGTH_MM, crescents, segmented, toes


def even(pitch: float, cv: float = 0.0, seed: int = 1) -> Floats:
    gaps = pitch * (1 + cv * np.random.default_rng(seed).standard_normal(80))
    fronts = np.cumsum(gaps)
    return fronts[(fronts > HALF_MM) & (fronts < LENGTH_MM - HALF_MM)]


def answer(fronts_mm: Floats, heat: float = 0.9, face: Pixels | None = None) -> AxisReading:
    """What the network would say of fronts at some places (mm from the start), each as likely as `heat`."""
    s = np.arange(-4.0, LENGTH_MM + 4.0, 1 / PX_PER_MM)
    peaks = [heat * np.exp(-0.5 * ((s - f) / 0.11) ** 2) for f in fronts_mm]
    blank = np.full((ROWS, len(s), 3), 120, np.uint8)
    inside = np.where((s > 0) & (s < LENGTH_MM), 6.0, -6.0)
    return AxisReading(s, blank if face is None else face, np.max([np.zeros(len(s)), *peaks], axis=0), inside)


@pytest.mark.parametrize("pitch", [0.8, 1.4, 3.1])
@pytest.mark.parametrize("cv", [0.0, 0.12])
def test_every_peak_is_a_front(pitch: float, cv: float) -> None:
    fronts = even(pitch, cv)
    found = find_fronts(answer(fronts), toes())
    assert found is not None
    figures = found.figures()
    gaps = np.diff(fronts)
    assert figures["count"] == len(fronts)
    assert figures["pitch_mm"] == pytest.approx(gaps.mean(), rel=0.005)
    assert figures["cv"] == pytest.approx(gaps.std(ddof=1) / gaps.mean(), abs=0.01)
    assert np.abs(found.positions_mm - fronts).max() < 0.03


@pytest.mark.parametrize(
    ("fronts", "heat"),
    [([], 0.9), ([10.0, 20.0, 30.0], 0.9), (np.arange(5, 40, 2.0), 0.2), (np.arange(5, 40, 2.0), 0.35)],
    ids=["none", "too few", "unlikely", "doubtful"],
)
def test_what_is_not_distinct_is_no_ripple(fronts: Floats, heat: float) -> None:
    assert find_fronts(answer(np.array(fronts), heat), toes()) is None


def test_the_rounded_ends_are_no_fronts() -> None:
    found = find_fronts(answer(np.array([0.4, *np.arange(5.0, 45.0, 2.0), LENGTH_MM - 0.4])), toes())
    assert found is not None
    assert found.positions_mm[[0, -1]] == pytest.approx([5.0, 43.0], abs=0.05)


@pytest.mark.parametrize("curve", [-1.5, 0.0, 1.8])
def test_the_curvature_of_the_fronts_is_found(curve: float) -> None:
    face = read_axis(segmented(seen=crescents(even(2.1), curve)), toes()).face
    found = find_fronts(answer(even(2.1), face=face), toes())
    assert found is not None
    assert found.curve_mm == pytest.approx(curve, abs=0.35)
    assert found.agreement > 0.5


@pytest.mark.parametrize("pitch", [1.3, 2.0, 3.1])
@pytest.mark.parametrize("curve", [0.8, 1.8])
def test_the_network_sees_drawn_crescents(pitch: float, curve: float) -> None:
    fronts = even(pitch, 0.08)
    found = find_fronts(read_axis(segmented(seen=crescents(fronts, curve)), toes()), toes())
    assert found is not None
    assert found.figures()["pitch_mm"] == pytest.approx(np.diff(fronts).mean(), rel=0.03)
    assert np.median(np.abs(found.positions_mm[:, None] - fronts).min(1)) < 0.15


def test_the_network_sees_none_on_a_smooth_face() -> None:
    plain = segmented(seen=crescents(np.array([-99.0]), noise=3.0))
    assert find_fronts(read_axis(plain, toes()), toes()) is None


@pytest.mark.parametrize(("heat", "filled"), [(0.2, True), (0.07, False)])
def test_a_faint_peak_fills_a_gap_and_the_faintest_leaves_it_a_lapse(heat: float, filled: bool) -> None:
    regular = np.arange(5.0, 45.0, 2.0)
    clear, faint = answer(np.delete(regular, 8)), answer(regular[8:9], heat)
    found = find_fronts(replace(clear, front=np.maximum(clear.front, faint.front)), toes())
    assert found is not None
    assert found.figures()["count"] == len(regular) - (not filled)
    assert found.figures()["lapses_mm"] == ([] if filled else [pytest.approx(21.0, abs=0.05)])


def test_a_weaker_peak_within_half_a_pitch_of_a_clear_one_is_none() -> None:
    regular = np.arange(5.0, 45.0, 2.0)
    clear, echo = answer(regular), answer(regular[4:5] + 1.0, 0.5)
    found = find_fronts(replace(clear, front=np.maximum(clear.front, echo.front)), toes())
    assert found is not None
    assert found.figures()["count"] == len(regular)


def test_fronts_are_read_from_either_tip(monkeypatch: pytest.MonkeyPatch) -> None:
    rising, inside = np.linspace(-2.0, 6.0, 40), np.arange(40.0)
    answers = iter([np.stack([rising, inside]), np.stack([rising, -inside])])
    asked: list[Pixels] = []
    monkeypatch.setattr("judicum.core.photo.axis.run", lambda name, seen: asked.append(seen) or next(answers))
    seen = segmented(seen=crescents(even(2.1), 1.0))
    monkeypatch.setattr("judicum.core.photo.axis.REACH_MM", (4.0 - LENGTH_MM) / 2)
    read = read_axis(seen, toes())
    assert (asked[0] == asked[1][:, ::-1]).all()
    assert read.front == pytest.approx(np.full(40, 1 / (1 + np.exp(-2.0))))
    assert read.inside == pytest.approx(inside)


def test_a_missed_dab_is_a_lapse_and_a_blind_stretch_is_not() -> None:
    regular = np.arange(5.0, 65.0, 2.0)
    missed = np.delete(regular, 12)
    answer = Ripple(missed, 0.0, 1.0).figures()
    assert answer["lapses_mm"] == [pytest.approx(29.0)]
    assert answer["pitch_mm"] == pytest.approx((28 * 2 - 1 * 2 + 2 + 2) / 28, rel=0.05)
    blind = np.delete(regular, [10, 11, 12, 13, 14])
    answer = Ripple(blind, 0.0, 1.0).figures()
    assert answer["pitch_mm"] == pytest.approx(2.0)
    assert answer["cv"] == pytest.approx(0.0, abs=1e-9)


def test_a_double_dab_is_a_lapse_too() -> None:
    answer = Ripple(np.sort(np.append(np.arange(0.0, 30.0, 2.0), 15.0)), 0.0, 1.0).figures()
    assert len(answer["lapses_mm"]) == 2  # type: ignore[arg-type]
