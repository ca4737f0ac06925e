"""A bounded share of `./judicum bench-fuzz`: odd calls of every address are answered as described."""

import logging
from collections.abc import Iterator
from typing import Any

import pytest
from django.core import signals
from django.db import close_old_connections

from judicum.bench.fuzz import fuzz
from judicum.server.follow.sessions.actions.set_booth import set_booth
from judicum.server.follow.stock.actions.save_item import save_item
from judicum.server.follow.stock.actions.use_bottle import open_bottle
from judicum.server.http.rendering import FastJSON
from judicum.server.people.courses.models import Membership
from tests.measured import measured_attempt
from tests.people import Course

ASKED = [("instructor", 0, 1), ("student", 1, 1), ("stranger", 2, 1), ("nobody", 3, 1)]
"""Who, seed, and calls of every operation.
`./judicum bench-fuzz` makes as many as one likes."""


@pytest.fixture
def _one_connection() -> Iterator[None]:
    """The server's answers come over the test's own connection, which no request closes."""
    both = (signals.request_started, signals.request_finished)
    for signal in both:
        signal.disconnect(close_old_connections)
    yield
    for signal in both:
        signal.connect(close_old_connections)


@pytest.mark.usefixtures("_one_connection")
@pytest.mark.parametrize(("who", "seed", "each"), ASKED)
def test_odd_calls_are_answered_as_described(course: Course, settings: Any, who: str, seed: int, each: int) -> None:
    settings.ALLOWED_HOSTS = ["*"]
    logging.disable(logging.CRITICAL)
    attempt = measured_attempt(course)
    photo = attempt.photos.get()
    gas = save_item(course.instructor, course.row.pk, None, "gas", {"name": "Argon", "bottle_l": 20.0})
    ids = {
        "course_id": course.row.pk,
        "assignment_id": course.assignment.pk,
        "attempt_id": attempt.pk,
        "student_id": course.student.pk,
        "photo_id": photo.pk,
        "measurement_id": photo.measurements.get().pk,
        "number": 1,
        "item_id": gas.pk,
        "bottle_id": open_bottle(course.instructor, course.row.pk, gas.pk, "1").pk,
        "booth_id": set_booth(course.instructor, course.row.pk, None, "1", []).pk,
        "member_id": Membership.objects.get(course=course.row, user=course.assistant).pk,
    }
    try:
        answer = fuzz({who: getattr(course, who, None)}, ids, each, seed)
        assert answer.faults == {}
        assert answer.calls > 75 * each
    finally:
        logging.disable(logging.NOTSET)


@pytest.mark.usefixtures("_one_connection")
def test_an_answer_that_is_not_as_described_is_found(
    course: Course, settings: Any, monkeypatch: pytest.MonkeyPatch
) -> None:
    settings.ALLOWED_HOSTS = ["*"]
    monkeypatch.setattr(FastJSON, "render", lambda *_, **__: b'{"results": [{"id": "one"}]}')
    people = {"instructor": course.instructor}
    answer = fuzz(people, {"course_id": course.row.pk}, 8, 0, "/courses/{course_id}/attempts")
    assert list(answer.faults) == ["instructor: GET /api/courses/{course_id}/attempts"]

    def breaks(*_: object) -> None:
        raise RuntimeError("a fault of ours")

    monkeypatch.undo()
    monkeypatch.setattr("judicum.server.http.routes.attempts.briefs", breaks)
    settings.ALLOWED_HOSTS = ["*"]
    answer = fuzz(people, {"course_id": course.row.pk}, 8, 0, "/courses/{course_id}/attempts")
    assert "500" in answer.faults["instructor: GET /api/courses/{course_id}/attempts"]
