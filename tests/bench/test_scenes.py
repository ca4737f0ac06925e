"""The benchmark's scenes: fixed, of the kinds they say, and fair."""

from itertools import islice

import pytest

from judicum.bench.scenes import APART_MM, MIN_PX_PER_MM, cases
from judicum.camera.draw import px_per_mm_on_bead


def test_the_set_is_the_same_every_time_and_another_draw_is_another_set() -> None:
    first, again, other = (list(islice(cases(0.2, seed), 12)) for seed in (0, 0, 3))
    assert [repr(c) for c in first] == [repr(c) for c in again]
    assert [c.name for c in first] == [c.name for c in other]
    assert all(repr(a) != repr(b) for a, b in zip(first, other, strict=True))


@pytest.mark.parametrize("seed", [0, 1])
def test_no_drawn_fault_covers_another(seed: int) -> None:
    seen = 0
    for case in cases(1.0, seed):
        faults = case.scene.bead.faults if case.scene.bead else ()
        if len(faults) == 2 and "crater" not in {f.kind for f in faults}:
            seen += 1
            assert abs(faults[0].s_mm - faults[1].s_mm) >= APART_MM - 1e-9
            assert all(0 < f.s_mm < case.scene.bead.length_mm for f in faults if case.scene.bead)
    assert seen


def test_every_photo_that_must_be_measured_is_large_enough_for_it() -> None:
    for case in cases(0.3):
        if case.refusal is None:
            assert px_per_mm_on_bead(case.scene) > MIN_PX_PER_MM
        if case.refusal == "too_small":
            assert px_per_mm_on_bead(case.scene) < 8
