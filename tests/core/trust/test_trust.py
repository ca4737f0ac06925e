"""How true it is here: phones by the printed target, widths by callipers, and a repeat study."""

from collections import Counter
from dataclasses import replace
from functools import cache
from itertools import pairwise

import cv2
import numpy as np
import pytest

from judicum.camera import View
from judicum.camera.target import known, picture, sheet
from judicum.core.errors import UnreadablePicture
from judicum.core.photo.phone import PhoneCheck, check_phone
from judicum.core.photo.printing import card_pdf
from judicum.core.photo.report import BeadFigures, Defect, Profile, Report, Sides, WidthFigures
from judicum.core.photo.target import printed_beads, target_picture
from judicum.core.trust.callipers import CLEAR_MM, Pair, chart_of, factor, held, measured_at, pair_of, places_mm
from judicum.core.trust.repeat import Reading, consistency, study, turns
from tests.drawn import taken


@cache
def shot(**view: object) -> bytes:
    look = View(**{"size": (2400, 1800), "noise": 0.005, "tilt_deg": 3.0, **view})  # type: ignore[arg-type]
    return taken(sheet(look)).jpeg


def small(jpeg: bytes, share: float) -> bytes:
    image = cv2.imdecode(np.frombuffer(jpeg, np.uint8), cv2.IMREAD_COLOR)
    image = cv2.resize(image, None, fx=share, fy=share, interpolation=cv2.INTER_AREA)
    return cv2.imencode(".jpg", image)[1].tobytes()


def test_what_is_printed_is_what_the_camera_draws() -> None:
    assert [vars(bead) for bead in printed_beads()] == [{**one, "spots_mm": tuple(one["spots_mm"])} for one in known()]
    shipped = cv2.imdecode(np.frombuffer(target_picture(), np.uint8), cv2.IMREAD_COLOR)
    again = picture()
    assert shipped.shape == again.shape
    assert np.abs(shipped.astype(int) - again.astype(int)).mean() < 2


def test_the_sheet_is_a_page_with_the_card_and_the_beads() -> None:
    assert len(card_pdf("target", "letter")) > len(target_picture())


def test_a_good_phone_is_true_and_told_fine() -> None:
    found = check_phone(shot())
    assert found.say == ("fine",)
    assert found.beads == 5
    assert abs(found.bias_mm or 1) < 0.06
    assert (found.uncertainty_mm or 1) < 0.08
    assert abs(found.pitch_share or 1) < 0.02
    assert found.smallest_spot_mm in (0.5, 0.8)
    assert found.tilt_deg == pytest.approx(3, abs=1)


@pytest.mark.parametrize(
    ("jpeg", "code"),
    [
        (lambda: shot(tilt_deg=22.0), "straight_above"),
        (lambda: shot(blur_px=3.2), "sharper"),
        (lambda: shot(light=(1.0, 0.8, 0.5)), "whiter_light"),
        (lambda: small(shot(), 0.5), "closer"),
    ],
    ids=["tilted", "blurred", "warm", "small"],
)
def test_each_phone_is_told_what_to_change(jpeg: object, code: str) -> None:
    assert check_phone(jpeg()).say[0] == code  # type: ignore[operator]


def test_a_photo_of_something_else_is_no_check() -> None:
    grey = cv2.imencode(".jpg", np.full((900, 1200, 3), 128, np.uint8))[1].tobytes()
    found = check_phone(grey)
    assert (found.refusal, found.say, found.uncertainty_mm) == ("no_scale", ("whole_card",), None)
    with pytest.raises(UnreadablePicture):
        check_phone(b"no picture")


def test_a_lens_and_an_uneven_lamp_are_told_by_their_limits() -> None:
    fine = PhoneCheck(5, 0.0, 0.02, 0.0, 0.0, 0.5, 3.0, 13.0, 0.05, 1.2, 1.0, ())
    from judicum.core.photo.phone import _say

    for change, code in (
        ({"lens_mm": 0.3}, "higher"),
        ({"uneven": 2.0}, "turn_lamp"),
        ({"bias_mm": -0.3}, "check_print"),
        ({"scatter_mm": 0.2}, "again"),
    ):
        assert _say(replace(fine, **change)) == [code]  # type: ignore[arg-type]
    assert _say(fine) == ["fine"]


def report(width: np.ndarray, u: float = 0.1, faults: tuple[tuple[float, float], ...] = ()) -> Report:
    s = np.arange(len(width), dtype=float)
    mean = float(width.mean())
    sides = Sides(left=0.1, right=0.1)
    return Report(
        bead=BeadFigures(start_mm=[0, 0], end_mm=[s[-1], 0], length_mm=float(s[-1]), width_mm=WidthFigures(mean=mean, sd=0.1, cv=0.02, min=3, max=5, uncertainty=u), straightness_mm=0.1, toe_waviness_mm=sides),
        profile=Profile(s_mm=s.tolist(), width_mm=width.tolist(), centre_mm=[[x, 0.0] for x in s]),
        defects=[Defect(kind="pore", s_mm=at, n_mm=0, x_mm=at, y_mm=0, size_mm=size, confidence=0.9) for at, size in faults],
    )  # fmt: skip


def test_places_are_evenly_spaced_and_clear_of_faults() -> None:
    assert places_mm(report(np.full(81, 4.0))) == [20.0, 40.0, 60.0]
    moved = places_mm(report(np.full(81, 4.0), faults=((40.0, 2.0),)))
    assert all(abs(one - 40.0) > 1 + CLEAR_MM for one in moved)
    assert len(moved) == 3
    assert places_mm(Report()) == []


def test_a_width_is_read_where_the_callipers_were_held() -> None:
    growing = report(np.linspace(3, 5, 81))
    assert measured_at(growing, 40.0) == pytest.approx(4.0, abs=0.02)
    assert measured_at(growing, 200.0) is None
    pair = pair_of(growing, [(20.0, 3.4), (60.0, 4.4)])
    assert pair is not None
    assert pair.off_mm == pytest.approx(0.1, abs=0.02)
    assert pair_of(growing, [(200.0, 4.0)]) is None


def pairs(bias: float, sd: float, claimed: float, count: int, seed: int = 3) -> list[Pair]:
    rng = np.random.default_rng(seed)
    return [Pair(4 + bias + float(rng.normal(0, sd)), 4 + float(rng.normal(0, 0.03)), claimed) for _ in range(count)]


def test_a_known_bias_is_found_within_its_interval() -> None:
    inside = [held(pairs(0.15, 0.08, 0.1, 30, seed)) for seed in range(40)]
    assert sum(one.bias_low_mm <= 0.15 <= one.bias_high_mm for one in inside if one) >= 36
    one = inside[0]
    assert one is not None
    assert one.lower_mm < one.bias_mm < one.upper_mm
    assert held(pairs(0, 0.1, 0.1, 1)) is None


@pytest.mark.parametrize("count", [2, 4, 25])
def test_the_next_bead_lies_between_the_limits_however_few_are_known(count: int) -> None:
    drawn = [pairs(0.05, 0.08, 0.1, count + 1, seed) for seed in range(400)]
    known = [(held(before), last) for *before, last in drawn]
    inside = [one.lower_mm <= last.off_mm <= one.upper_mm for one, last in known if one]
    assert 0.92 <= np.mean(inside) <= 0.98


def test_what_is_claimed_grows_where_it_does_not_hold_and_shrinks_again() -> None:
    honest = [factor(pairs(0, 0.1, 0.1, 40, seed)) for seed in range(30)]
    assert honest.count(1.0) >= 27
    short = factor(pairs(0.0, 0.3, 0.1, 40))
    assert 1.8 < short < 2.8
    assert factor([*pairs(0.0, 0.3, 0.1, 10), *pairs(0, 0.08, 0.1, 200)]) < 1.3


def test_the_chart_says_drifts_only_when_chance_would_not() -> None:
    rng = np.random.default_rng(5)
    calm = [chart_of(rng.normal(0.02, 0.08, 40).tolist()) for _ in range(60)]
    assert sum(one.drifts for one in calm if one) <= 5
    moved = chart_of([*rng.normal(0.0, 0.08, 20), *rng.normal(0.25, 0.08, 20)])
    assert moved is not None
    assert moved.drifts
    assert chart_of([0.1] * 5) is None


def readings(rng: np.random.Generator, part: float, person: float, phone: float, again: float) -> list[Reading]:
    beads, people, phones = (rng.normal(0, sd, n) for sd, n in ((part, 10), (person, 2), (phone, 2)))
    return [
        Reading(f"b{b}", f"p{p}", f"q{q}", float(4 + beads[b] + people[p] + phones[q] + rng.normal(0, again)))
        for b in range(10)
        for p in range(2)
        for q in range(2)
        for _ in range(2)
    ]


def test_a_repeat_study_recovers_what_differs() -> None:
    rng = np.random.default_rng(9)
    found = [study(readings(rng, 0.5, 0.0, 0.0, 0.08)) for _ in range(60)]
    assert np.mean([one.repeat for one in found if one]) == pytest.approx(0.08, rel=0.05)
    assert np.mean([one.part for one in found if one]) == pytest.approx(0.5, rel=0.12)
    assert np.median([one.classes for one in found if one]) >= 6
    phones = [study(readings(rng, 0.5, 0.0, 0.2, 0.05)) for _ in range(200)]
    assert np.sqrt(np.mean([one.phones**2 for one in phones if one])) == pytest.approx(0.2, rel=0.15)
    assert np.sqrt(np.mean([one.people**2 for one in phones if one])) < 0.03


def test_what_is_not_balanced_is_no_study() -> None:
    rng = np.random.default_rng(1)
    whole = readings(rng, 0.5, 0.1, 0.1, 0.05)
    assert study(whole[:-1]) is None
    assert study([one for one in whole if one.bead == "b0"]) is None
    assert study([]) is None


def test_a_study_takes_every_bead_by_everybody_and_no_bead_twice_in_a_row() -> None:
    order = turns(5, 2, 2, 2, 7)
    assert Counter(order) == dict.fromkeys(set(order), 2)
    assert len(set(order)) == 20
    assert all(before.bead != after.bead for before, after in pairwise(order))
    assert order != turns(5, 2, 2, 2, 8)


def test_kinds_that_agree_by_chance_alone_have_no_kappa_to_speak_of() -> None:
    rng = np.random.default_rng(2)
    by_chance = consistency({str(bead): list(rng.choice(["gold", "blue"], 8)) for bead in range(40)})
    assert by_chance is not None and by_chance.kappa is not None
    assert abs(by_chance.kappa) < 0.1
    assert by_chance.share == pytest.approx(0.5, abs=0.06)
    assert consistency({"1": ["gold", "gold"], "2": ["gold", "gold"]}).kappa is None  # type: ignore[union-attr]
    assert consistency({"1": ["gold", "gold"], "2": ["gold"]}) is None
