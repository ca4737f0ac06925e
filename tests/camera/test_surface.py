"""The bead as it is laid: crown, ripples, and where its film gives way to the zone's."""

from dataclasses import replace

import numpy as np
import pytest

from judicum.camera import Bead, weld
from judicum.camera.surface import Laid, lay

HALF_MM, DENSITY = 3.0, 20.0
S, N = np.meshgrid(np.arange(10.0, 30.0, 1 / DENSITY), np.arange(-5.0, 5.0, 1 / DENSITY))


def bead(**changes: object) -> Bead:
    laid = weld(
        np.random.default_rng(2), length_mm=40.0, width_mm=2 * HALF_MM, width_cv=0.0, pitch_mm=2.0, pitch_cv=0.0,
        wander_mm=0.0, bead_level=0, zone_level=4,
    )  # fmt: skip
    return replace(laid, **changes)  # type: ignore[arg-type]


def laid(**changes: object) -> Laid:
    return lay(np.random.default_rng(1), bead(**changes), S.astype(np.float32), N.astype(np.float32), DENSITY)


def test_a_flank_that_runs_out_is_lower_near_the_toe_and_as_high_in_the_middle() -> None:
    steep, running = (laid(flank=flank, ripple_mm=0.0).height for flank in (1.0, 2.0))
    near = np.abs(np.abs(N) - HALF_MM + 0.4) < 0.1
    middle = np.abs(N) < 0.1
    assert running[near].mean() < 0.5 * steep[near].mean()
    assert running[middle].mean() == pytest.approx(steep[middle].mean(), rel=0.01)


@pytest.mark.parametrize(("rise", "fall", "crest"), [(0.4, 4.0, (0.5, 0.75)), (1.5, 40.0, (0.85, 1.0))])
def test_a_ripple_is_highest_where_rise_and_fall_say(rise: float, fall: float, crest: tuple[float, float]) -> None:
    shaped = laid(rise=rise, fall=fall, crown_mm=0.0, curve_mm=0.0)
    fronts = bead().fronts_mm
    line = shaped.height[np.abs(N[:, 0]) < 1.0].mean(0)
    part = np.interp(S[0], fronts, np.arange(len(fronts))) % 1
    mean = [line[(part >= low) & (part < low + 0.05)].mean() for low in np.arange(0, 1, 0.05)]
    assert crest[0] <= 0.05 * int(np.argmax(mean)) <= crest[1]


def test_the_film_ends_where_it_is_said_to_and_the_outline_stays() -> None:
    at_toe, inside = laid(), laid(film_ends_mm=-0.3)
    between = (np.abs(N) > HALF_MM - 0.2) & (np.abs(N) < HALF_MM - 0.1)
    zone = (np.abs(N) > HALF_MM + 0.2) & (np.abs(N) < HALF_MM + 0.3)
    assert inside.film[between].mean() > 0.8 * at_toe.film[zone].mean() > 2 * at_toe.film[between].mean()
    assert np.array_equal(at_toe.inside, inside.inside)
