"""What people corrected as truth: which found faults were right, which were missed, and the limit that this speaks for."""

import numpy as np
import pytest

from judicum.core.photo.report import BeadFigures, Defect, Report, RippleFigures, Sides, WidthFigures
from judicum.core.trust.corrections import Verdict, kinds_of, limit_of, review, with_limits


def fault(kind: str, x_mm: float, confidence: float = 0.8) -> Defect:
    return Defect(kind=kind, s_mm=x_mm, n_mm=0, x_mm=x_mm, y_mm=5, size_mm=1, confidence=confidence)


def report(*faults: Defect, mean: float = 4.0, fronts: int = 30) -> Report:
    width = WidthFigures(mean=mean, sd=0.1, cv=0.02, min=3.8, max=4.2, uncertainty=0.05)
    bead = BeadFigures(
        start_mm=[0, 0], end_mm=[80, 0], length_mm=80, width_mm=width, straightness_mm=0.1, toe_waviness_mm=Sides(left=0.1, right=0.1)
    )  # fmt: skip
    ripple = RippleFigures(
        count=fronts, pitch_mm=2, cv=0.1, positions_mm=[2.0 * k for k in range(fronts)], lapses_mm=[]
    )
    return Report(bead=bead, defects=list(faults), ripple=ripple)


def test_what_was_left_alone_is_right_and_what_was_added_was_missed() -> None:
    computed = report(fault("pore", 10), fault("pore", 40), fault("undercut", 60))
    result = report(fault("pore", 10.9), fault("undercut", 60), fault("bulge", 70), mean=4.2)
    steps = [{"step": "remove_fault"}, {"step": "add_fault"}, {"step": "remove_front"}, {"step": "add_front"}]
    seen = review(computed, result, steps)
    assert [(one.kind, one.stands) for one in seen.faults] == [("pore", True), ("pore", False), ("undercut", True)]
    assert (seen.added, seen.width_changed_mm) == (("bulge",), pytest.approx(0.2))
    assert (seen.fronts, seen.fronts_removed, seen.fronts_added) == (30, 1, 1)
    assert review(computed, result, [{"step": "no_ripples"}]).fronts_removed == 30
    bulge, pore, undercut = kinds_of([seen])
    assert (bulge.found, bulge.missed, pore.found, pore.right, undercut.right) == (0, 1, 2, 1, 1)
    assert (bulge.low, bulge.high) == (0.0, 1.0)
    assert 0 < pore.low < 0.5 < pore.high < 1


def test_a_fault_kept_back_by_a_limit_still_counts_and_is_right_where_it_is_added_by_hand() -> None:
    below = [fault("pore", 10, 0.4), fault("pore", 30, 0.4)]
    seen = review(report(), report(fault("pore", 10.2, 1.0)), [{"step": "add_fault"}], below)
    assert [one.stands for one in seen.faults] == [True, False]
    assert seen.added == ()


@pytest.mark.parametrize("seed", range(6))
def test_a_limit_lies_where_wrong_ones_end(seed: int) -> None:
    """Found faults of which those under 0.6 are wrong in nine of ten, those above right in nine of ten."""
    rng = np.random.default_rng(seed)
    confidence = rng.uniform(0.4, 0.95, 120).round(2)
    stands = rng.random(120) < np.where(confidence < 0.6, 0.1, 0.9)
    limit = limit_of([Verdict("pore", float(c), bool(s)) for c, s in zip(confidence, stands, strict=True)])
    assert limit is not None
    assert limit.confidence == pytest.approx(0.62, abs=0.06)
    assert limit.wrong >= 0.75 * limit.below


@pytest.mark.parametrize(
    "faults",
    [
        [Verdict("pore", 0.4, False)] * 12 + [Verdict("pore", 0.9, True)] * 7,  # too few
        [Verdict("pore", 0.4, False)] * 7 + [Verdict("pore", 0.9, True)] * 20,  # too few below
        [Verdict("pore", 0.4 + k / 100, k % 2 == 0) for k in range(40)],  # wrong at every confidence alike
    ],
)
def test_no_limit_where_corrections_do_not_speak_for_one(faults: list[Verdict]) -> None:
    assert limit_of(faults) is None


def test_a_limit_keeps_faults_back_without_losing_them() -> None:
    whole = report(fault("pore", 10, 0.4), fault("pore", 20, 0.7), fault("undercut", 30, 0.4)).as_json()
    limited = with_limits(whole, {"pore": 0.6})
    assert [(one["kind"], one["confidence"]) for one in limited["defects"]] == [("pore", 0.7), ("undercut", 0.4)]
    assert [one["confidence"] for one in limited["below_limit"]] == [0.4]
    assert with_limits(whole, {}) == whole
    assert with_limits(Report().as_json(), {"pore": 0.6}) == Report().as_json()
