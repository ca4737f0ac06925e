"""A student sees no trace of a mark before it is returned, at no address; and what may be done comes from the server."""

import json
from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client

from judicum.core.marking import SCHEMES, USUAL_SCHEME
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.states import HELD_BACK
from judicum.server.record.attempts.visibility import VisibilityPolicy
from judicum.server.record.marking.actions.mark_attempt import return_mark, set_mark
from tests.measured import measured_attempt
from tests.people import Course
from tests.server.http.test_access import routes

SCORES: dict[str, float | None] = dict.fromkeys(SCHEMES[USUAL_SCHEME].keys, 6.5)
COMMENT, NEXT = "zebra-comment", "zebra-next"
TELLING = ("scores", "total", "mark_total", "comment", "next_change", "marked_by", "marked_at")


def set_by_assistant(course: Course, attempt: Attempt) -> Attempt:
    attempt.refresh_from_db()
    set_mark(course.assistant, attempt.pk, attempt.version, SCORES, COMMENT, NEXT)
    attempt.refresh_from_db()
    return attempt


def every_get(course: Course, attempt: Attempt) -> list[str]:
    """Every address with a GET, filled in for this attempt."""
    photo = attempt.photos.get()
    ids = {
        "<int:course_id>": course.row.pk, "<int:assignment_id>": course.assignment.pk, "<int:attempt_id>": attempt.pk,
        "<int:student_id>": course.student.pk, "<int:photo_id>": photo.pk, "<int:measurement_id>": photo.measurements.get().pk,
        "<uuid:upload_id>": "00000000-0000-4000-8000-000000000000", "<str:kind>": "window", "<str:sheet>": "marks", "<str:panel>": "gas", "<int:number>": 1,
        "<str:cause>": "flow_low", "<int:test_id>": 999999, "<int:reference_id>": 999999, "<int:report_id>": 999999, "<str:token>": "guessed",
    }  # fmt: skip
    found = []
    for route, methods in routes():
        if "GET" in methods:
            for name, value in ids.items():
                route = route.replace(name, str(value))
            found.append("/" + route)
    return found


def leaks(value: Any, course: Course) -> list[str]:
    """Fields of an answer that tell of the mark."""
    if isinstance(value, dict):
        here = [f"{k}={v}" for k, v in value.items() if k in TELLING and v is not None]
        return here + [leak for v in value.values() for leak in leaks(v, course)]
    if isinstance(value, list):
        return [leak for v in value for leak in leaks(v, course)]
    return [str(value)] if value in (COMMENT, NEXT, course.assistant.display_name, "marked") else []


def test_no_address_tells_a_student_of_a_mark_that_is_not_returned(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = set_by_assistant(course, measured_attempt(course))
    student, teacher = client_of(course.student), client_of(course.instructor)
    read = 0
    for url in every_get(course, attempt):
        answer = student.get(url)
        if answer.status_code == 200 and "json" in answer["Content-Type"] and not url.startswith("/api/schema"):
            assert leaks(answer.json(), course) == [], url
            read += 1
    assert read >= 9
    assert leaks(teacher.get(f"/api/attempts/{attempt.pk}").json(), course)
    assert leaks(teacher.get(f"/api/attempts/{attempt.pk}/events").json(), course)


def test_with_its_return_the_student_reads_the_last_mark_and_none_before_it(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = set_by_assistant(course, measured_attempt(course))
    set_mark(course.instructor, attempt.pk, attempt.version, {**SCORES, "tint": 9.0}, "fine", "")
    attempt.refresh_from_db()
    return_mark(course.instructor, attempt.pk, attempt.version)
    student = client_of(course.student)
    events = student.get(f"/api/attempts/{attempt.pk}/events").json()
    marks = [e for e in events if e["kind"] == "mark"]
    assert [m["data"]["scores"]["tint"] for m in marks] == [9.0]
    assert events[-1]["kind"] == "return"
    set_by_assistant(course, attempt)  # marked anew: what is in the making is hidden again
    again = student.get(f"/api/attempts/{attempt.pk}/events").json()
    assert [e["data"]["scores"]["tint"] for e in again if e["kind"] == "mark"] == [9.0]
    assert COMMENT not in json.dumps(student.get(f"/api/attempts/{attempt.pk}").json())


OPEN = ["read_angle", "choose_bead"]
AS_MEASURED = ["prepare", "log", "add_photo", "add_view", "try", *OPEN]


def shown_of(state: str) -> str:
    return "measured" if state in HELD_BACK else state


@pytest.mark.parametrize(
    ("state", "student", "teacher"),
    [
        ("assigned", ["prepare", "log", "add_view", "try"], []),
        ("logged", ["prepare", "log", "add_photo", "add_view", "try", "read_angle"], ["read_angle"]),
        (
            "measured",
            AS_MEASURED,
            [*OPEN, "correct", "find", "judge_cause", "mark", "ask_photo", "send_back"],
        ),
        ("marked", AS_MEASURED, [*OPEN, "correct", "find", "judge_cause", "mark", "return", "ask_second"]),
        ("second_asked", AS_MEASURED, [*OPEN, "correct", "find", "mark_second"]),
        ("to_agree", AS_MEASURED, [*OPEN, "correct", "find", "judge_cause", "agree"]),
        ("returned", [], ["correct", "judge_cause", "mark"]),
        (
            "photo_asked",
            ["prepare", "log", "add_photo", "add_view", "try", "read_angle"],
            ["read_angle", "correct"],
        ),
        ("weld_again", [], ["correct"]),
    ],
)
def test_what_may_be_done_now_comes_from_the_server(
    course: Course, client_of: Callable[..., Client], state: str, student: list[str], teacher: list[str]
) -> None:
    Attempt.objects.filter(pk=course.attempt.pk).update(state=state, shown_state=shown_of(state))
    url = f"/api/attempts/{course.attempt.pk}"
    assert client_of(course.student).get(url).json()["may"] == student
    assert client_of(course.instructor).get(url).json()["may"] == teacher
    assert VisibilityPolicy(course.other, False).may(state, course.student.pk) == []
