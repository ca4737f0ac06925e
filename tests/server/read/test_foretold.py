"""What would come of other settings, for those who may see the attempt."""

from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client

from judicum.server.follow.sessions.models import Booth, WeldedAt
from judicum.server.follow.trials.models import StartValue
from judicum.server.read import foretold as foretold_reader
from judicum.server.record.attempts.actions.open_attempt import open_attempt
from judicum.server.record.attempts.models import Run
from judicum.server.record.photos.models import MeasurementSummary
from tests.measured import measured_attempt
from tests.people import Course

pytestmark = pytest.mark.django_db


def ask(client: Client, attempt_id: int, **settings: float) -> Any:
    return client.post(f"/api/attempts/{attempt_id}/foretell", settings, "application/json")


def test_more_amps_give_a_wider_darker_bead_and_the_difference_is_said(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = measured_attempt(course)
    student = client_of(course.student)
    cool, hot = (ask(student, attempt.pk, current_a=amps).json()["bead"] for amps in (45, 70))
    assert hot["width_mm"]["value"] > cool["width_mm"]["value"]
    assert hot["tint_bead"]["level"] >= cool["tint_bead"]["level"]
    assert hot["difference_mm"]["value"] > cool["difference_mm"]["value"]
    assert {one["code"] for one in hot["hazards"]} == {"burn_through", "no_fusion", "undercut", "grey"}
    assert all(one["words"] for one in hot["hazards"])


def test_what_was_foretold_of_a_bead_stands_beside_what_was_measured(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = measured_attempt(course)
    Run.objects.filter(attempt=attempt).update(arc_s=30.0)
    student = client_of(course.student)
    found = ask(student, attempt.pk).json()
    summary = MeasurementSummary.objects.get(attempt=attempt)
    assert found["settings"]["travel_mm_s"] == pytest.approx(summary.length_mm / 30, abs=0.01)  # not the typed one
    width = next(one for one in found["beside"] if one["words"] == "Width")
    assert width["measured"] == summary.width_mean_mm
    assert width["foretold"]["value"] == found["bead"]["width_mm"]["value"]
    assert width["inside"] == (width["foretold"]["low"] <= width["measured"] <= width["foretold"]["high"])
    assert {one["words"]: one["measured"] for one in found["tints_beside"]} == {
        "Tint of the bead": summary.tint_level,
        "Tint beside it": summary.tint_zone,
    }
    changed = ask(student, attempt.pk, current_a=70).json()  # of other settings no bead came
    assert (changed["beside"], changed["tints_beside"]) == ([], [])
    assert ask(student, measured_attempt(course).pk, travel_mm_s=3).json()["beside"] == []


def test_without_a_weld_it_starts_from_the_card_and_learns_from_the_class(
    course: Course, client_of: Callable[..., Client]
) -> None:
    student = client_of(course.student)
    first = ask(student, course.attempt.pk).json()
    assert (first["learned"], first["bead"]["difference_mm"]) == (0, None)
    assert (first["beside"], first["tints_beside"]) == ([], [])
    assert first["said"][0].startswith("From physics")
    for _ in range(9):
        measured_attempt(course)
    later = ask(client_of(course.instructor), measured_attempt(course).pk).json()
    assert later["learned"] >= 9
    assert "not measured" in later["said"][1]


def test_the_map_has_the_card_the_machine_and_an_offer_where_one_is_likely(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = measured_attempt(course)
    booth = Booth.objects.create(course=course.row, name="1", machine={"max_a": 60, "min_a": 20})
    WeldedAt.objects.create(attempt=attempt, booth=booth)
    found = client_of(course.student).get(f"/api/attempts/{attempt.pk}/settings-map").json()
    assert len(found["probability"]) == len(found["current_a"]) == 12
    assert len(found["probability"][0]) == len(found["travel_mm_s"])
    assert (found["most_a"], found["least_a"]) == (60, 20)
    assert found["card_current_a"][0] < found["card_current_a"][1]


def test_who_may_ask_and_what_is_refused(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = measured_attempt(course)
    for who, code in ((course.other, 404), (course.stranger, 404), (course.assistant, 200), (course.student, 200)):
        assert ask(client_of(who), attempt.pk).status_code == code
        assert client_of(who).get(f"/api/attempts/{attempt.pk}/settings-map").status_code == code
    refused = ask(client_of(course.student), attempt.pk, current_a=1e7)
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (400, "current_a")


def test_a_larger_class_is_read_by_no_more_queries(course: Course, client_of: Callable[..., Client], django_assert_max_num_queries: Any) -> None:  # fmt: skip
    attempts = [measured_attempt(course) for _ in range(6)]
    student = client_of(course.student)
    with django_assert_max_num_queries(14):
        ask(student, attempts[-1].pk, current_a=50)


def test_a_foretold_cell_becomes_what_the_coupon_is_started_with(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = measured_attempt(course)
    address = f"/api/attempts/{attempt.pk}/starts"
    cell = {"current_a": 61.0, "travel_mm_s": 2.1, "whose": "student"}
    taken = client_of(course.student).post(address, cell, "application/json")
    assert taken.status_code == 200, taken.content
    starts = client_of(course.student).get(f"/api/attempts/{attempt.pk}/setup").json()["starts"]
    assert {one["key"]: one["value"] for one in starts} == {"current_a": 61.0, "travel_mm_s": 2.1}
    assert all(one["words"].startswith("Foretold, not measured") for one in starts)
    assert client_of(course.student).post(address, {**cell, "whose": "class"}, "application/json").status_code == 403
    assert client_of(course.instructor).post(address, {**cell, "whose": "class"}, "application/json").status_code == 200
    assert client_of(course.other).post(address, cell, "application/json").status_code in (403, 404)
    wrong = client_of(course.student).post(address, {**cell, "current_a": 9000.0}, "application/json")
    assert wrong.status_code == 400
    assert not StartValue.objects.filter(value=9000.0).exists()


def test_zone_and_grey_end_of_the_class_teach(course: Course) -> None:
    attempt = measured_attempt(course)
    summary = MeasurementSummary.objects.get(attempt=attempt)
    assert summary.zone_mm is not None and summary.tint_zone is not None
    (record,) = foretold_reader._records(open_attempt(course.assignment, course.student, course.student))
    assert record["measured"]["zone_mm"] == summary.zone_mm
    assert record["measured"]["grey_end_mm"] == 0.0
