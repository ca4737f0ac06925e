"""What a measured bead tells of itself to be learnt from."""

import numpy as np
import pytest

from judicum.core.foretell.measured import measured_of
from judicum.core.photo.report import BeadFigures, Level, Profile, Report, Sides, TintFigures, WidthFigures


def report(along: list[int]) -> Report:
    s = np.arange(4.0, 97.0, 0.5)
    width = WidthFigures(mean=4.5, sd=0.3, cv=0.06, min=4, max=5, uncertainty=0.05)
    bead = BeadFigures(
        start_mm=[0, 0], end_mm=[100, 0], length_mm=100, width_mm=width, straightness_mm=0.1, toe_waviness_mm=Sides(left=0.1, right=0.1)
    )  # fmt: skip
    profile = Profile(s_mm=s.tolist(), width_mm=(4 + s / 100).tolist(), centre_mm=[[x, 0.0] for x in s])
    tint = TintFigures(
        bead=Level(level=2, name="gold"), haz=Level(level=4, name="blue"), width_mm=Sides(left=2.0, right=3.0), along=along, share={}
    )  # fmt: skip
    return Report(bead=bead, profile=profile, tint=tint)


@pytest.mark.parametrize(("along", "grey"), [([2] * 93 + [7] * 7, 7.0), ([7] * 5 + [2] * 95, 0.0), ([7] * 100, 100.0)])
def test_widths_zone_and_grey_end_stand_in_the_report(along: list[int], grey: float) -> None:
    found = measured_of(report(along))
    assert (found["tint_zone"], found["zone_mm"], found["grey_end_mm"]) == (4, 2.5, grey)
    assert found["width_start_mm"] == pytest.approx(4.2, abs=0.01)
    assert found["width_end_mm"] == pytest.approx(4.9, abs=0.01)


def test_what_a_report_does_not_tell_is_not_known() -> None:
    assert set(measured_of(Report()).values()) == {None}
