"""Sentences about markers, sessions and figures over time."""

from datetime import date, time
from decimal import Decimal

import pytest
from hypothesis import given
from hypothesis import strategies as st

from judicum.core.marking.agreement import Agreement, Interval, Severity
from judicum.words import US
from judicum.words.agreement import agreement_words, difference_words, line_words, severity_words
from judicum.words.catalogue import codes_of
from judicum.words.progress import became_words, figure_words, share_words
from judicum.words.sessions import bring_words, unplaced_words, when_words
from judicum.words.units import fixed


@given(st.floats(-1000, 1000, allow_nan=False), st.integers(0, 3))
def test_a_fixed_number_is_within_half_a_step_and_never_minus_nought(value: float, digits: int) -> None:
    answer = fixed(value, digits)
    assert abs(Decimal(answer) - Decimal(value)) <= Decimal(5).scaleb(-digits - 1)
    assert not (answer.startswith("-") and Decimal(answer) == 0)
    assert len(answer.partition(".")[2]) == digits


@pytest.mark.parametrize(
    ("value", "digits", "answer"),
    [
        (0.5, 0, "1"),
        (1.5, 0, "2"),
        (2.5, 0, "3"),
        (-2.5, 0, "-3"),
        (0.125, 2, "0.13"),
        (1.005, 2, "1.00"),
        (70, 1, "70.0"),
    ],
)
def test_halves_go_away_from_nought_as_in_a_browser(value: float, digits: int, answer: str) -> None:
    assert fixed(value, digits) == answer


@pytest.mark.parametrize(
    ("key", "value", "answer"),
    [
        ("width_cv", 0.0725, "7.2%"),
        ("pitch_cv", 0.12, "12.0%"),
        ("tint_level", 0, "0 silver"),
        ("tint_level", 7, "7 grey"),
        ("total", 69.5, "69.5"),
        ("width_mean_mm", 4.56, "4.6 mm"),
    ],
)
def test_figures_over_time_are_said_as_the_page_tells_them(key: str, value: float, answer: str) -> None:
    assert figure_words(key, value) == answer


def test_lengths_are_said_in_the_person_s_units() -> None:
    assert figure_words("width_mean_mm", 2.54, US) == "100 thou"


LEVEL, ABOVE, BELOW = Interval(0.1, -0.2, 0.4), Interval(0.6, 0.2, 1.0), Interval(-0.6, -1.0, -0.2)


def test_a_difference_is_said_only_where_chance_would_not_make_it() -> None:
    assert difference_words(LEVEL) == "no clear difference between second marks and first marks"
    assert difference_words(ABOVE, "marker") == "marks are 0.60 above the suggested marks"
    assert difference_words(BELOW, "marker", whole=True) == "marks are 0.6 below the suggested marks"
    assert difference_words(None) == ""


@pytest.mark.parametrize(("icc", "much"), [(0.9, "good"), (0.6, "fair"), (0.2, "poor")])
def test_how_well_two_agree_and_that_few_pairs_are_few(icc: float, much: str) -> None:
    found = Agreement(30, LEVEL, None, Interval(icc, icc - 0.1, icc + 0.05))
    assert agreement_words("tint", found).endswith(f"agreement: {much}")
    few = agreement_words("tint", Agreement(1, None, None, None))
    assert few == "only 1 pair, so this is uncertain"


def test_pass_or_fail_is_said_by_kappa_and_lines_by_their_names() -> None:
    found = Agreement(30, ABOVE, Interval(0.8, 0.6, 1.0), None)
    assert agreement_words("passed", found) == "agreement: good"
    assert (line_words("passed"), line_words("total"), line_words("tint")) == (
        "Pass or fail",
        "Total",
        "Heat tint",
    )


def test_a_marker_s_chart_is_said() -> None:
    assert severity_words(1, None) == "1 mark: too few to tell"
    assert severity_words(12, Severity(0.2, (), (), None)).endswith("9 more marks needed to detect drift")
    assert severity_words(40, Severity(3.0, (3.0,), (2.0,), "no")) == "usually 3.0 above the suggested mark; steady"
    assert "drifting: recently stricter" in severity_words(40, Severity(-3.0, (-9.0,), (2.0,), "stricter"))


def test_what_became_of_a_change_is_said_where_it_can_be() -> None:
    assert became_words("", "") == became_words("unknown", "unknown") == ""
    assert became_words("done", "gone").startswith("done; ")


def test_a_week_without_a_month_before_it_is_said_alone() -> None:
    assert share_words(2, 5, 0, 0) == "2 of 5 beads"


def test_sessions_are_said() -> None:
    assert when_words(date(2026, 12, 31), time(23, 30), 45) == "Fri 1 Jan, 00:15"
    assert "tube and plugs" in bring_words("tube_butt")
    assert "blanks" in bring_words("tee")
    assert all(unplaced_words(why, None) for why in codes_of("unplaced"))
    assert unplaced_words("no_booth_has", ["ac", "turntable"]) == "no booth has AC, turntable"
