"""Several beads in one photo: all are kept, one counts, and who may say which."""

from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client
from django.utils import timezone

from judicum.core.photo.measure import measure_all
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.actions.mark_attempt import return_mark, set_mark
from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.actions.store_measurement import MeasuredBead, store_measurement
from judicum.server.record.photos.models import Measurement, MeasurementSummary, SeenBead
from tests.drawn import beads_photo
from tests.measured import measured_attempt
from tests.people import RUN, Course
from tests.server.record.test_marking import SCORES

pytestmark = pytest.mark.django_db


@pytest.fixture
def attempt(course: Course) -> Attempt:
    """An attempt whose photo shows three beads, measured."""
    log_run(course.student, course.attempt.pk, RUN)
    photo = send_photo(course.student, course.attempt.pk, beads_photo()[0], "three.jpg", measure=False)
    made = Measurement.objects.create(photo=photo, requested_at=timezone.now())
    assert store_measurement(made.pk, [MeasuredBead.of(one) for one in measure_all(beads_photo()[0], "three.jpg")])
    course.attempt.refresh_from_db()
    return course.attempt


@pytest.fixture
def shown(course: Course, client_of: Callable[..., Client]) -> Callable[[], dict]:
    """The measurement as the student sees it."""

    def beads() -> dict:
        attempt = client_of(course.student).get(f"/api/attempts/{course.attempt.pk}").json()
        return attempt["photos"][0]["measurements"][0]

    return beads


@pytest.fixture
def choose(client_of: Callable[..., Client]) -> Callable[..., Any]:
    """Somebody lets a bead count."""

    def post(who: User, number: object) -> Any:
        url = f"/api/measurements/{Measurement.objects.get().pk}/bead"
        return client_of(who).post(url, {"number": number}, "application/json")

    return post


def test_every_bead_is_kept_and_the_servers_choice_counts(
    course: Course, attempt: Attempt, shown: Callable[[], dict]
) -> None:
    response = shown()
    assert [bead["number"] for bead in response["beads"]] == [1, 2, 3]
    assert [bead["number"] for bead in response["beads"] if bead["counts"]] == [2]
    assert [bead["number"] for bead in response["beads"] if bead["suggested"]] == [2]
    assert response["report"]["bead_number"] == 2
    assert SeenBead.objects.count() == 3


def test_the_student_takes_another_and_its_figures_count(
    course: Course,
    attempt: Attempt,
    shown: Callable[[], dict],
    choose: Callable[..., Any],
    client_of: Callable[..., Client],
) -> None:
    before = shown()
    answer = choose(course.student, 3)
    assert answer.status_code == 200
    after = shown()
    assert after["report"]["bead_number"] == 3
    lengths = [response["report"]["bead"]["length_mm"] for response in (before, after)]
    assert lengths[0] != lengths[1]
    assert MeasurementSummary.objects.get(attempt=attempt).length_mm == lengths[1]
    assert after["overlay"] != before["overlay"]
    assert [bead["number"] for bead in after["beads"] if bead["counts"]] == [3]
    assert [bead["number"] for bead in after["beads"] if bead["suggested"]] == [2]
    strips = [client_of(course.student).get(response["strip"]["url"]) for response in (before, after)]
    assert [strip.status_code for strip in strips] == [200, 200]
    assert b"".join(strips[0]) != b"".join(strips[1])
    assert choose(course.student, 2).status_code == 200
    assert shown()["report"] == before["report"]


def test_corrections_of_the_bead_before_are_taken_back_and_stay_on_record(
    course: Course,
    attempt: Attempt,
    shown: Callable[[], dict],
    choose: Callable[..., Any],
    client_of: Callable[..., Client],
) -> None:
    measurement = Measurement.objects.get()
    step = {"step": "add_fault", "kind": "pore", "s_mm": 20.0, "n_mm": 0.0, "size_mm": 0.8}
    url = f"/api/measurements/{measurement.pk}/corrections"
    assert client_of(course.instructor).post(url, step, "application/json").status_code == 200
    assert choose(course.instructor, 1).status_code == 200
    assert shown()["corrections"] == []
    assert measurement.corrections.count() == 1
    assert client_of(course.instructor).post(url, step, "application/json").status_code == 200
    assert shown()["report"]["bead_number"] == 1
    assert any(fault["kind"] == "pore" for fault in shown()["report"]["defects"])


@pytest.mark.parametrize("number", [0, 4, "two", None])
def test_a_bead_that_is_not_there_is_refused_in_words(
    course: Course, attempt: Attempt, number: object, shown: Callable[[], dict], choose: Callable[..., Any]
) -> None:
    answer = choose(course.student, number)
    assert answer.status_code == 400
    assert "number" in str(answer.json())
    assert shown()["report"]["bead_number"] == 2


def test_only_those_who_see_the_attempt_choose_and_only_before_the_return(
    course: Course,
    attempt: Attempt,
    shown: Callable[[], dict],
    choose: Callable[..., Any],
    client_of: Callable[..., Client],
) -> None:
    assert choose(course.other, 1).status_code == 404
    assert choose(course.assistant, 1).status_code == 200
    assert "choose_bead" in client_of(course.student).get(f"/api/attempts/{attempt.pk}").json()["may"]
    attempt.refresh_from_db()
    set_mark(course.instructor, attempt.pk, attempt.version, dict.fromkeys(SCORES, 8.0), "", "")
    assert choose(course.student, 1).status_code == 200, "to be refused would tell of the mark"
    attempt.refresh_from_db()
    return_mark(course.instructor, attempt.pk, attempt.version)
    assert choose(course.student, 3).status_code == 409
    assert shown()["report"]["bead_number"] == 1


def test_a_photo_with_one_bead_has_nothing_to_choose(
    course: Course, shown: Callable[[], dict], choose: Callable[..., Any]
) -> None:
    measured_attempt(course)
    assert shown()["beads"] == []
    assert choose(course.student, 1).status_code == 400


def test_an_unknown_bead_has_no_strip(course: Course, attempt: Attempt, client_of: Callable[..., Client]) -> None:
    url = f"/api/measurements/{Measurement.objects.get().pk}/strip"
    for asked in ("9", "x", "²"):
        assert client_of(course.student).get(url, {"bead": asked}).status_code == 404
