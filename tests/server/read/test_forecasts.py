"""How records go on, from what is kept: forecasts of one student, who may climb, who is stuck."""

from collections.abc import Callable
from typing import Any

import pytest
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext

from judicum.core.progress import forecast
from judicum.server.read.progress.forecasts import standings
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.causes.models import Verdict
from judicum.server.record.photos.actions.save_summary import save_summary
from judicum.server.record.photos.models import Measurement
from judicum.words.progress import forecast_to_staff, forecast_to_student
from tests.core.progress.test_forecast import asked, attempts
from tests.measured import measured_attempt
from tests.people import Course
from tests.server.record.test_marking import SCORES, mark

pytestmark = pytest.mark.django_db


def returned(client: Client, course: Course, score: float, **more: Any) -> Attempt:
    attempt = measured_attempt(course)
    version = mark(client, attempt, scores=dict.fromkeys(SCORES, score), **more).json()["version"]
    client.post(f"/api/attempts/{attempt.pk}/return", {"version": version}, "application/json")
    return attempt


def test_a_student_reads_how_it_goes_on_in_kinder_words_than_those_who_teach(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff, student = client_of(course.instructor), client_of(course.student)
    url = f"/api/courses/{course.row.pk}/students/{course.student.pk}/forecasts"
    assert student.get(url).json()[0]["attempts"] == 0
    for score in (8.0, 8.5, 9.0):
        returned(staff, course, score)
    mine, theirs = student.get(url).json()[0], staff.get(url).json()[0]
    assert (mine["good_in_a_row"], mine["ready"], mine["to_go"]) == (3, True, None)
    assert mine["words"] == "You have 3 passes in a row: you are ready for the next coupon."
    assert theirs["words"].startswith("Chance of passing next: ")
    assert mine["next_pass"] == theirs["next_pass"] > 0.8
    assert client_of(course.other).get(url).status_code == 403


def test_a_mark_that_is_not_returned_foretells_nothing(course: Course, client_of: Callable[..., Client]) -> None:
    mark(client_of(course.instructor), measured_attempt(course))
    url = f"/api/courses/{course.row.pk}/students/{course.student.pk}/forecasts"
    assert client_of(course.student).get(url).json()[0]["attempts"] == 0


def test_who_may_climb_and_who_is_stuck_with_the_cause_taken_most(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff = client_of(course.instructor)
    for _ in range(3):
        returned(staff, course, 3.0, cause="cadence_uneven")
    assert Verdict.objects.count() == 3
    rows = staff.get(f"/api/courses/{course.row.pk}/standings").json()
    row = rows[0]
    assert (len(rows), row["student"]["display_name"], row["stuck"], row["failed_in_a_row"]) == (1, "Sanne", True, 3)
    assert row["cause"] == "Uneven dabbing"
    for _ in range(3):
        returned(staff, course, 9.0)
    climbs = staff.get(f"/api/courses/{course.row.pk}/standings").json()[0]
    assert (climbs["forecast"]["ready"], climbs["stuck"], climbs["failed_in_a_row"]) == (True, False, 0)
    assert climbs["next_step"]["title"] == "Bead on plate, 2.0 mm"


def test_a_fault_that_comes_back_is_said(course: Course, client_of: Callable[..., Client]) -> None:
    staff = client_of(course.instructor)
    place = {"s_mm": 30.0, "n_mm": 0.0, "x_mm": 1.0, "y_mm": 1.0, "size_mm": 1.0, "confidence": 0.9}
    for _ in range(4):
        attempt = returned(staff, course, 7.0)
        made = Measurement.objects.get(photo__attempt=attempt)
        report = {**(made.report or {}), "defects": [{"kind": "pore", **place}]}
        Measurement.objects.filter(pk=made.pk).update(report=report)
        save_summary(attempt.pk)
    url = f"/api/courses/{course.row.pk}/students/{course.student.pk}/forecasts"
    assert "keeps coming back: pore in 4 of the last 4" in staff.get(url).json()[0]["words"]


def test_standings_take_as_many_queries_for_few_as_for_many(course: Course, client_of: Callable[..., Client]) -> None:
    staff = client_of(course.instructor)
    counts = []
    for _ in range(2):
        returned(staff, course, 8.0)
        with CaptureQueriesContext(connection) as caught:
            standings(course.instructor, course.row.pk)
        counts.append(len(caught))
    assert counts[0] == counts[1]


def test_words_say_what_stands_what_comes_and_what_to_look_after() -> None:
    climbing = forecast(asked(attempts(45, 52, 58, 63, 66, pitch_cv=0.3, faults=["pore"])))
    said = forecast_to_staff(climbing, 3)
    assert "to 3 passes in a row" in said
    assert "getting better" in said
    assert "biggest loss: even ripples" in said
    kind = forecast_to_student(climbing, 3)
    assert "You are getting better" in kind
    assert "Watch for: pore in 4 of the last 4" in kind
    assert "fail" not in kind
    assert "more than 40" in forecast_to_staff(forecast(asked(attempts(10, 11, 10, 9, 10, 11, 10))), 3)
    assert "on a plateau" in forecast_to_staff(forecast(asked(attempts(60, 60, 60, 60, 60))), 3)
