"""What somebody is not to see is the same to them whether it is there or not, at every address: two worlds are compared."""

import io
import json
import re
import zipfile
from collections.abc import Callable
from datetime import UTC, datetime
from typing import Any

import pytest
from django.db import transaction
from django.test import Client

from judicum.core.marking import SCHEMES, USUAL_SCHEME
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.causes.actions.judge_cause import judge_cause
from judicum.server.record.marking.actions.ask_second import ask_second
from judicum.server.record.marking.actions.mark_attempt import return_mark, set_mark
from judicum.server.record.marking.actions.mark_second import set_second_mark
from tests.measured import measured_attempt
from tests.people import RUN, Course
from tests.server.record.test_visibility import every_get

pytestmark = pytest.mark.django_db
NOON = datetime(2031, 1, 1, 12, tzinfo=UTC)
KEYS = list(SCHEMES[USUAL_SCHEME].keys)
HEAD = "student;coupon;attempt;" + ";".join(KEYS) + ";comment;returned\n"


OF_ITS_MOMENT = ("/schema", "calendar", ".dxf")
"""Ends of addresses that answer with a moment or a lot drawn: nothing of any mark is in them."""


class Undone(Exception):
    """Ends a world."""


def set_by_assistant(course: Course, score: float, cause: str | None = None, comment: str = "") -> Attempt:
    attempt = Attempt.objects.filter(student=course.student).latest("id")
    scores = dict.fromkeys(KEYS, score)
    set_mark(course.assistant, attempt.pk, attempt.version, scores, comment, "", at=NOON, cause=cause)
    attempt.refresh_from_db()
    return attempt


def second_asked(course: Course, score: float, cause: str | None, comment: str = "") -> Attempt:
    attempt = set_by_assistant(course, score, cause, comment)
    ask_second(course.assistant, attempt.pk, attempt.version, at=NOON)
    attempt.refresh_from_db()
    return attempt


def read(client: Client, url: str) -> object:
    """An answer as whoever asks can know it: its status and all it holds, archives unpacked, without the moment of asking."""
    response = client.get(url)
    data = b"".join(response.streaming_content) if response.streaming else response.content  # type: ignore[attr-defined]
    if response["Content-Type"] == "application/zip":
        with zipfile.ZipFile(io.BytesIO(data)) as file:
            parts = {name: file.read(name).decode("latin-1") for name in file.namelist()}
        parts["manifest.json"] = re.sub(r'"exported_at": "[^"]*"', "", parts["manifest.json"])
        return response.status_code, parts
    if response["Content-Type"] == "application/pdf":
        return response.status_code, len(data) // 200
    return response.status_code, data.decode("latin-1")


def world(
    course: Course, client: Client, make: Callable[[], Attempt], calls: list[Any], more: list[str]
) -> dict[str, object]:
    """All that somebody reads, and what they are answered, after `make`; then it is as it was."""
    found: dict[str, object] = {}
    try:
        with transaction.atomic():
            attempt = make()
            for url in (*every_get(course, attempt), *(one.format(attempt=attempt.pk) for one in more)):
                if not url.endswith(OF_ITS_MOMENT):
                    found[url] = read(client, url)
            for method, url, body, kind in calls:
                response = client.generic(
                    method, url.format(attempt=attempt.pk), body, kind, headers={"Upload-Length": "100"}
                )
                text = response.content.decode()
                found[f"{method} {url} {body}"] = response.status_code, _lasting(text)
            raise Undone
    except Undone:
        return found


def _lasting(text: str) -> str:
    """Without the moment, and the number of what was made just now."""
    return re.sub(r'"(created_at|updated_at|at|id|location)":("[^"]*"|\d+)', "", text)


def differences(one: dict[str, object], other: dict[str, object]) -> list[str]:
    assert one.keys() == other.keys()
    assert len(one) > 40
    return [f"{key}: {_first(repr(one[key]), repr(other[key]))}" for key in one if one[key] != other[key]]


def _first(one: str, other: str) -> str:
    """Where two texts begin to differ, with what stands around."""
    at = next((k for k, (a, b) in enumerate(zip(one, other, strict=False)) if a != b), min(len(one), len(other)))
    return f"{one[max(0, at - 60) : at + 60]} <> {other[max(0, at - 60) : at + 60]}"


LISTS = [
    f"/api/courses/{{course}}/attempts?state={state}"
    for state in ("photographed", "measured", "marked", "second_asked", "to_agree", "returned")
]


def test_the_second_marker_cannot_tell_one_first_mark_from_another(
    course: Course, client_of: Callable[..., Client]
) -> None:
    earlier = measured_attempt(course)
    set_mark(course.assistant, earlier.pk, earlier.version, dict.fromkeys(KEYS, 5.0), "", "", at=NOON, cause="flow_low")
    earlier.refresh_from_db()
    return_mark(course.assistant, earlier.pk, earlier.version, at=NOON)
    attempt = measured_attempt(course)
    judge_cause(course.instructor, attempt.pk, "draught", "ruled_out", at=NOON)
    line = f"sanne;plate-bead-15;{attempt.number};" + ";".join(["{score}"] * len(KEYS)) + ";{comment};{returned}\n"
    sheet = f"/api/courses/{course.row.pk}/sheets/marks.csv"
    calls = [
        (method, sheet, HEAD + line.format(score=score, comment=comment, returned=returned), "text/csv")
        for method in ("POST", "PUT")
        for score, comment, returned in ((8, "fine", "no"), (3, "poor", "no"), (8, "fine", "yes"), (6, "", "no"))
    ] + [
        ("PUT", "/api/attempts/{attempt}/causes/cadence_uneven", '{"verdict": "confirmed"}', "application/json"),
        ("POST", "/api/attempts/{attempt}/return", '{"version": 1}', "application/json"),
        ("POST", "/api/attempts/{attempt}/take-back", "", "application/json"),
    ]
    lists = [one.format(course=course.row.pk) for one in LISTS]
    blind = client_of(course.instructor)
    one = world(course, blind, lambda: second_asked(course, 8, "cadence_uneven", "fine"), calls, lists)
    other = world(course, blind, lambda: second_asked(course, 3, "flow_low", "poor"), calls, lists)
    assert differences(one, other) == []
    assert differences(one, world(course, client_of(course.assistant), lambda: second_asked(course, 8, "cadence_uneven", "fine"), calls, lists))  # fmt: skip


def to_agree(course: Course) -> Attempt:
    attempt = second_asked(course, 8, "flow_low")
    set_second_mark(course.instructor, attempt.pk, attempt.version, dict.fromkeys(KEYS, 3.0), at=NOON)
    attempt.refresh_from_db()
    return attempt


HELD: dict[str, Callable[[Course], Attempt]] = {
    "marked": lambda course: set_by_assistant(course, 8, "flow_low"),
    "second_asked": lambda course: second_asked(course, 8, "flow_low"),
    "to_agree": to_agree,
}


@pytest.mark.parametrize("held", HELD)
def test_a_student_cannot_tell_that_a_mark_waits_to_be_returned(
    course: Course, client_of: Callable[..., Client], held: str
) -> None:
    earlier = measured_attempt(course)
    set_mark(course.assistant, earlier.pk, earlier.version, dict.fromkeys(KEYS, 5.0), "", "Raise it.", at=NOON, cause="flow_low")  # fmt: skip
    earlier.refresh_from_db()
    return_mark(course.assistant, earlier.pk, earlier.version, at=NOON)
    attempt = measured_attempt(course)
    measurement = attempt.photos.get().measurements.get().pk
    calls = [
        ("PUT", "/api/attempts/{attempt}/runs/1", json.dumps({**RUN, "current_a": 61}), "application/json"),
        ("PUT", "/api/attempts/{attempt}/preparation", '{"prepared": []}', "application/json"),
        ("PUT", f"/api/measurements/{measurement}/bead", '{"number": 1}', "application/json"),
        ("POST", "/api/attempts/{attempt}/uploads", "", "application/json"),
        ("PUT", "/api/attempts/{attempt}/mark", '{"version": 1, "scores": {}}', "application/json"),
        ("POST", f"/api/assignments/{course.assignment.pk}/attempts", "", "application/json"),
        ("GET", "/api/attempts/{attempt}/events", "", "application/json"),
        ("GET", "/api/attempts/{attempt}", "", "application/json"),
    ]
    lists = [one.format(course=course.row.pk) for one in LISTS]
    student = client_of(course.student)
    before = world(course, student, lambda: attempt, calls, lists)
    assert differences(before, world(course, student, lambda: HELD[held](course), calls, lists)) == []
