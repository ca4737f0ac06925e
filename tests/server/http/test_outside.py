"""Whoever stands outside: let go, in a course that is over, or a stranger. No address changes anything for them, and none tells
a stranger whether what it names is there."""

import json
from collections.abc import Callable
from typing import Any
from uuid import uuid4

import pytest
from django.apps import apps
from django.db import connection
from django.test import Client
from django.utils import timezone

from judicum.logger.draw import LoggedWeld, draw_log
from judicum.server.follow.sessions.models import Booth, Session
from judicum.server.follow.stock.models import Bottle, Item
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course as CourseRow
from judicum.server.people.courses.models import Membership
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.photos.models import PhotoKind, Upload
from tests.drawn import bead_photo
from tests.measured import measured_attempt
from tests.people import RUN, Course
from tests.server.http.test_access import SCHEME, views_by_route

pytestmark = pytest.mark.django_db
BODIES: dict[str, object] = {
    "runs/1": {**RUN, "current_a": 61},
    "preparation": {"prepared": ["degrease"]},
    "bead": {"number": 1},
    "machine": {"booth": 1},
    "answer": {"version": 1, "answer": "weld_again", "why": "x"},
    "findings": {"distortion_mm": 1},
    "notes": {"text": "no gas"},
    "attendance": {"student": 1, "there": False},
    "readings": {"bar": 100},
    "schemes": SCHEME,
    "reports": {"paper": "a4"},
    "angle": {"which": "work", "torch": [[0, 0], [0, 90]], "reference": [[0, 0], [90, 0]]},
    "scale": {"points": [[1, 1], [400, 1]], "length_mm": 50},
    "corrections": {"change": {"step": "no_ripples"}},
}
"""What is sent to addresses that end so; to others nothing."""


@pytest.fixture
def ids(course: Course) -> dict[str, Any]:
    """Something of everything an address can name, all of the course, and an upload under way."""
    attempt = measured_attempt(course)
    photo = attempt.photos.get()
    upload = Upload.objects.create(attempt=attempt, user=course.student, size=len(bead_photo().jpeg), name="b.jpg", kind=PhotoKind.BEAD)  # fmt: skip
    booth = Booth.objects.create(course=course.row, name="1")
    return {
        "course_id": course.row.pk, "assignment_id": course.assignment.pk, "attempt_id": attempt.pk, "photo_id": photo.pk,
        "measurement_id": photo.measurements.get().pk, "upload_id": upload.pk, "student_id": course.student.pk, "booth_id": booth.pk,
        "session_id": Session.objects.create(course=course.row, date="2031-01-01", start="18:00", minutes=60).pk,
        "bottle_id": Bottle.objects.create(course=course.row, name="1", size_l=20, opened_at=timezone.now()).pk,
        "item_id": Item.objects.create(course=course.row, kind="cup", name="8", spec={"cup": 8}).pk,
        "member_id": Membership.objects.get(course=course.row, user=course.student).pk, "number": 1, "cause": "flow_low",
        "sheet": "runs", "kind": "window", "panel": "gas",
    }  # fmt: skip


def calls(ids: dict[str, Any], methods: tuple[str, ...]) -> list[tuple[str, str, Any]]:
    """Every address whose names are all among `ids`, with the view behind it."""
    found = []
    for route, view in views_by_route().items():
        names = [part.split(":")[1] for part in route.replace(">", "<").split("<")[1::2]]
        if not names or not set(names) <= set(ids):
            continue
        url = "/" + route
        for name in names:
            url = url.replace(next(p for p in route.split("/") if f":{name}>" in p).split(".")[0], str(ids[name]))
        found += [
            (method, url, view)
            for method in methods
            if hasattr(view, method.lower()) and not url.endswith(ONLY_COMPUTES)
        ]
    return found


ONLY_COMPUTES = ("/check", "/foretell")
"""Answer a question by POST and keep nothing."""


def send(client: Client, method: str, url: str) -> Any:
    if "/uploads/" in url:
        return client.generic(
            method, url, bead_photo().jpeg, "application/offset+octet-stream", headers={"Upload-Offset": "0"}
        )
    if "/sheets/" in url:
        return client.generic(method, url, "student;coupon;attempt;current_a\nsanne;plate-bead-15;1;61\n", "text/csv")
    if url.endswith("/data-log"):
        return client.generic(method, url, draw_log(LoggedWeld()), "text/csv")
    body = next((value for end, value in BODIES.items() if url.endswith(f"/{end}")), {})
    return client.generic(method, url, json.dumps(body), "application/json", headers={"Upload-Length": "1000"})


def rows() -> dict[str, str]:
    """All rows of ours, by table, in short."""
    ours = [m for m in apps.get_models() if m.__module__.startswith("judicum") and m is not User]
    found = {}
    with connection.cursor() as cursor:
        for model in ours:
            table = model._meta.db_table
            cursor.execute(f"SELECT md5(coalesce(string_agg(t::text, '|' ORDER BY t::text), '')) FROM {table} t")
            found[table] = cursor.fetchone()[0]
    return found


CHANGING = ("POST", "PUT", "PATCH", "DELETE")


def test_whoever_was_let_go_changes_nothing_not_even_by_an_upload_that_was_under_way(
    course: Course, ids: dict[str, Any], client_of: Callable[..., Client]
) -> None:
    client = client_of(course.student)
    assert send(client, "PUT", f"/api/attempts/{ids['attempt_id']}/runs/1").status_code == 200
    Membership.objects.filter(user=course.student).delete()
    before = rows()
    tried = 0
    for method, url, _ in calls(ids, CHANGING):
        response = send(client, method, url)
        assert response.status_code in (400, 403, 404), (method, url, response.status_code)
        tried += 1
    assert tried > 60
    assert rows() == before


@pytest.mark.parametrize("who", ["student", "let_go", "instructor", "assistant"])
def test_nothing_of_an_archived_course_changes_whoever_tries(
    course: Course, ids: dict[str, Any], client_of: Callable[..., Client], who: str
) -> None:
    user = course.student if who == "let_go" else getattr(course, who)
    if who == "let_go":
        Membership.objects.filter(user=user).delete()
    CourseRow.objects.filter(pk=course.row.pk).update(archived_at=timezone.now())
    before = rows()
    for method, url, view in calls(ids, CHANGING):
        if not getattr(view, "of_archived", False):
            response = send(client_of(user), method, url)
            assert response.status_code in (400, 403, 404, 409), (method, url, response.status_code)
    assert rows() == before


def test_an_upload_that_was_whole_before_is_not_finished_after_its_sender_was_let_go(
    course: Course, ids: dict[str, Any], client_of: Callable[..., Client]
) -> None:
    client, url = client_of(course.student), f"/api/uploads/{ids['upload_id']}"
    data = bead_photo().jpeg
    headers = {"Upload-Offset": "0"}
    assert client.patch(url, data[:1000], "application/offset+octet-stream", headers=headers).status_code == 204
    Membership.objects.filter(user=course.student).delete()
    rest = client.patch(url, data[1000:], "application/offset+octet-stream", headers={"Upload-Offset": "1000"})
    assert rest.status_code == 403
    assert Attempt.objects.get(pk=ids["attempt_id"]).photos.count() == 1


def test_a_stranger_is_answered_alike_whether_it_is_there_or_not(
    course: Course, ids: dict[str, Any], client_of: Callable[..., Client]
) -> None:
    client = client_of(course.stranger)
    absent = {
        key: (str(uuid4()) if key == "upload_id" else 987654 if key.endswith("_id") else value)
        for key, value in ids.items()
    }
    there, nowhere = (calls(which, ("GET", *CHANGING)) for which in (ids, absent))
    compared = 0
    for (method, url, _), (_, other, _) in zip(there, nowhere, strict=True):
        one, two = send(client, method, url), send(client, method, other)
        if one.status_code == two.status_code == 200:
            continue  # what belongs to nobody: the scale card, the calculators
        said = [_without(response, names) for response, names in ((one, ids), (two, absent))]
        assert said[0] == said[1], (method, url)
        compared += 1
    assert compared > 100


def _without(response: Any, names: dict[str, Any]) -> tuple[int, str]:
    """An answer without the numbers that were asked for."""
    text = response.content.decode()
    for value in sorted({str(value) for key, value in names.items() if key.endswith("_id")}, key=len, reverse=True):
        text = text.replace(f" {value} ", " N ").replace(f" {value}.", " N.").replace(f"/{value}/", "/N/")
    return response.status_code, text
