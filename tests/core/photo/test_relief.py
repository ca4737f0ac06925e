"""Two photos of one bead with the lamp on either side: a groove is told from what is only dark."""

from dataclasses import replace
from functools import cache

import pytest

from judicum.core.photo.measure import Measured, measure_photo
from judicum.core.photo.relief import with_other_light
from judicum.core.photo.report import NOT_TWO_LIGHTS, TWO_LIGHTS
from tests.core.photo.two_lights import Pair, judge, pairs, undercuts_of
from tests.drawn import bare_photo, bead_photo, taken


@cache
def pair(shows: str) -> Pair:
    return next(one for one in pairs(41, 4) if one.shows == shows)


@cache
def measured(shows: str) -> Measured:
    return measure_photo(pair(shows).photos[0])


@pytest.mark.parametrize("shows", ["groove", "both", "dark line"])
def test_a_groove_is_found_and_a_dark_line_is_none(shows: str) -> None:
    report = with_other_light([measured(shows)], pair(shows).photos[1])[0].report
    found = undercuts_of(report)
    assert judge(found, pair(shows).undercuts) == (len(pair(shows).undercuts), 0, 0)
    assert report.quality is not None
    assert TWO_LIGHTS in report.quality.warnings
    for one, true in zip(found, pair(shows).undercuts, strict=True):
        assert one.size_mm == pytest.approx(true.size_mm, abs=3.5)
        assert one.s_mm == pytest.approx(true.s_mm, abs=2.0)


def warned(report: Measured) -> list[str]:
    assert report.report.quality is not None
    return report.report.quality.warnings


def test_two_photos_in_the_same_light_leave_what_one_said() -> None:
    first = measured("groove")
    again = replace(pair("groove").scenes[0], view=replace(pair("groove").scenes[0].view, tilt_deg=3.0))
    (beside,) = with_other_light([first], taken(again).jpeg)
    assert warned(beside)[-1] == NOT_TWO_LIGHTS["same_light"]
    assert beside.report.defects == first.report.defects
    assert TWO_LIGHTS not in warned(first)  # the photo itself is told as it was


def test_what_makes_no_pair_says_why_and_changes_nothing() -> None:
    first = measured("groove")
    moved = replace(pair("groove").scenes[1], start_mm=(40.0, 70.0))
    for other, code in (
        (b"no picture", "unreadable"),
        (taken(replace(pair("groove").scenes[1], card="none")).jpeg, "no_card"),
    ):
        (beside,) = with_other_light([first], other)
        assert warned(beside)[-1] == NOT_TWO_LIGHTS[code]
        assert beside.report.defects == first.report.defects
    (beside,) = with_other_light([first], taken(moved).jpeg)
    assert warned(beside)[-1] == NOT_TWO_LIGHTS["other_place"]
    assert beside.report.defects == first.report.defects
    (refused,) = with_other_light([measure_photo(bare_photo().jpeg)], bead_photo().jpeg)
    assert warned(refused)[-1] == NOT_TWO_LIGHTS["no_bead"]
    assert refused.report.refusal is not None
