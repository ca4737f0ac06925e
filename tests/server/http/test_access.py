"""Every address refuses whoever has no business there."""

import json
from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client
from django.urls import URLPattern, URLResolver, get_resolver
from django.utils import timezone

from judicum.core.marking import SCHEMES
from judicum.server.follow.sessions.models import Session
from judicum.server.follow.stock.models import Bottle
from tests.people import RUN, Course, logged

pytestmark = pytest.mark.django_db

COUPON = {"metal": "304L", "joint": "tee", "thickness_mm": 2.0}
SCHEME = {"code": "training", "scheme": SCHEMES["training"].as_json()}
OPEN = {
    "api/session POST",
    "api/password-reset POST",
    "api/password-forgotten POST",
    "api/join POST",
    "api/schema GET",
    "api/trust GET",
    "api/calendar/<str:token>.ics GET",
}


def routes() -> list[tuple[str, list[str]]]:
    """Every API address with its methods."""
    kinds = ("get", "post", "put", "patch", "delete")
    return [(route, [m.upper() for m in kinds if hasattr(view, m)]) for route, view in views_by_route().items()]


def views_by_route() -> dict[str, Any]:
    """The view of every API address, from the URL table itself."""
    found: dict[str, Any] = {}

    def walk(patterns: list[URLPattern | URLResolver], prefix: str) -> None:
        for p in patterns:
            if isinstance(p, URLResolver):
                walk(p.url_patterns, prefix + str(p.pattern))
            elif hasattr(p.callback, "view_class"):
                found[prefix + str(p.pattern)] = p.callback.view_class

    walk(get_resolver().url_patterns, "")
    return found


def address(route: str, course: Course) -> str:
    ids = {
        "<int:course_id>": course.row.pk,
        "<int:workshop_course_id>": course.row.pk,
        "<int:person_id>": 999999,
        "<uuid:token_id>": "00000000-0000-4000-8000-000000000000",
        "<int:assignment_id>": course.assignment.pk,
        "<int:attempt_id>": course.attempt.pk,
        "<int:trial_id>": 999999,
        "<int:study_id>": 999999,
        "<int:strip_id>": 999999,
        "<int:reference_id>": 999999,
        "<int:student_id>": course.student.pk,
        "<int:photo_id>": 999999,
        "<int:measurement_id>": 999999,
        "<str:sheet>": "runs",
        "<uuid:upload_id>": "00000000-0000-4000-8000-000000000000",
        "<str:kind>": "window",
        "<str:panel>": "gas",
        "<int:number>": 1,
        "<str:cause>": "flow_low",
        "<int:test_id>": 999999,
        "<int:report_id>": 999999,
        "<int:session_id>": 999999,
        "<int:item_id>": 999999,
        "<int:bottle_id>": 999999,
        "<int:member_id>": 999999,
        "<int:booth_id>": 999999,
        "<int:slot_id>": 999999,
        "<str:token>": "guessed",
        "<int:round_id>": 999999,
    }
    for name, value in ids.items():
        route = route.replace(name, str(value))
    return "/" + route


def test_without_a_session_everything_but_the_doors_is_closed(course: Course) -> None:
    client = Client()
    seen = 0
    for route, methods in routes():
        for method in methods:
            if f"{route} {method}" in OPEN:
                continue
            answer = client.generic(method, address(route, course), "{}", "application/json")
            assert answer.status_code == 401, f"{method} {route}"
            seen += 1
    assert seen >= 22


# who -> (method, address, body) and the answer that is right
MARKING: list[tuple[str, str, object]] = [
    ("GET", "/api/attempts/{attempt}/causes", None),
    ("PUT", "/api/attempts/{attempt}/causes/flow_low", {"verdict": "confirmed"}),
    ("PUT", "/api/attempts/{attempt}/findings", {"face": "flat"}),
    ("POST", "/api/attempts/{attempt}/answer", {"version": 1, "answer": "weld_again", "why": "x"}),
    ("POST", "/api/attempts/{attempt}/take-back", None),
    ("POST", "/api/attempts/{attempt}/second", {"version": 1}),
    ("PUT", "/api/attempts/{attempt}/second", {"version": 1, "scores": {}}),
    ("POST", "/api/attempts/{attempt}/agree", {"version": 1, "scores": {}}),
    ("PUT", "/api/attempts/{attempt}/reference", {"comment": "x"}),
    ("DELETE", "/api/attempts/{attempt}/reference", None),
]
ALIKE: list[tuple[str, str, object]] = [
    ("GET", "/api/courses/{course}/agreement", None),
    ("PUT", "/api/courses/{course}/second-share", {"share": 10}),
    ("GET", "/api/courses/{course}/references", None),
    ("GET", "/api/courses/{course}/engines", None),
    ("GET", "/api/courses/{course}/week", None),
    ("GET", "/api/courses/{course}/class.pdf", None),
    ("GET", "/api/courses/{course}/class.csv", None),
    ("POST", "/api/courses/{course}/reports", {"student": None, "paper": "a4"}),
    ("POST", "/api/courses/{course}/engines", None),
    ("DELETE", "/api/courses/{course}/engines", None),
    ("POST", "/api/courses/{course}/self-tests", None),
    ("GET", "/api/courses/{course}/self-tests/1", None),
    ("PUT", "/api/courses/{course}/self-tests/1/beads/1", {"scores": {}}),
]
SESSION = {"first": "2030-01-01", "start": "18:00", "minutes": 180}
PLACE = {"assignment": 1, "student": 1, "session": 1, "booth": 1, "start": 0}
SESSIONS: list[tuple[str, str, object]] = [
    ("GET", "/api/courses/{course}/sessions", None),
    ("POST", "/api/courses/{course}/sessions", SESSION),
    ("POST", "/api/courses/{course}/booths", {"name": "9", "has": []}),
    ("PUT", "/api/courses/{course}/time-zone", {"time_zone": "UTC"}),
    ("PUT", "/api/courses/{course}/booths/1", {"name": "9", "has": []}),
    ("POST", "/api/courses/{course}/rota", None),
    ("PUT", "/api/courses/{course}/rota", PLACE),
    ("DELETE", "/api/courses/{course}/slots/1", None),
    ("GET", "/api/courses/{course}/calendar", None),
]
PEOPLE: list[tuple[str, str, object]] = [
    ("GET", "/api/courses/{course}/join-code", None),
    ("PUT", "/api/courses/{course}/join-code", {"renew": True}),
    ("PUT", "/api/courses/{course}/members/1", {"role": "student"}),
    ("DELETE", "/api/courses/{course}/members/1", None),
    ("POST", "/api/courses/{course}/members/1/reset", None),
    ("POST", "/api/courses/{course}/members/1/move", {"to": 1}),
    ("GET", "/api/courses/{course}/archive.zip", None),
    ("GET", "/api/courses/{course}/sheets/people.csv", None),
    ("PUT", "/api/courses/{course}/archived", None),
    ("DELETE", "/api/courses/{course}/archived", None),
]
WORKSHOP: list[tuple[str, str, object]] = [
    ("GET", "/api/workshop", None),
    ("PUT", "/api/workshop", {"name": "x", "second_factor": False, "photo_retention_days": None}),
    ("GET", "/api/workshop/courses", None),
    ("GET", "/api/workshop/server", None),
    ("PUT", "/api/workshop/courses/{course}/part", None),
    ("GET", "/api/workshop/people", None),
    ("POST", "/api/workshop/people", {"username": "x", "display_name": "x"}),
    ("PUT", "/api/workshop/people/{student}", {"owns": True, "is_active": True}),
    ("POST", "/api/workshop/people/{student}/reset", None),
    ("DELETE", "/api/workshop/people/{student}/second-factor", None),
    ("DELETE", "/api/workshop/people/{student}", None),
    ("GET", "/api/workshop/mail", None),
]
"""Of the workshop's owners alone, whatever somebody teaches there."""
NOT_ANOTHERS_OWNERS = [call for call in WORKSHOP if "{" in call[1]]
"""What the owner of another workshop would do to this one's courses and people."""
CUP = {"kind": "cup", "given": {"name": "x", "cup": 8}}
STOCK: list[tuple[str, str, object]] = [
    ("GET", "/api/courses/{course}/stock", None),
    ("POST", "/api/courses/{course}/stock", CUP),
    ("PUT", "/api/courses/{course}/stock/1", CUP),
    ("DELETE", "/api/courses/{course}/stock/1", None),
    ("POST", "/api/courses/{course}/stock/1/moves", {"kind": "counted", "amount": 1}),
    ("GET", "/api/courses/{course}/stock/low", None),
    ("POST", "/api/courses/{course}/bottles", {"item": 1, "name": "x"}),
    ("GET", "/api/courses/{course}/stock.csv", None),
    ("GET", "/api/courses/{course}/stock-moves.csv", None),
    ("GET", "/api/courses/{course}/plan.csv", None),
    ("GET", "/api/courses/{course}/cut-list", None),
    ("GET", "/api/courses/{course}/cut-list.svg", None),
    ("GET", "/api/courses/{course}/cut-list.dxf", None),
]
"""Of those who teach; the bottles' names and the reading of their gauges are everybody's."""
STUDENT_MAY_NOT = [
    *PEOPLE,
    *WORKSHOP,
    ("POST", "/api/courses", {"name": "x"}),
    *STOCK,
    ("PUT", "/api/bottles/{bottle}", {"closed": True}),
    *ALIKE,
    *SESSIONS,
    ("GET", "/api/courses/{course}/desk", None),
    ("GET", "/api/courses/{course}/wall", None),
    ("GET", "/api/courses/{course}/next", None),
    ("GET", "/api/courses/{course}/members", None),
    ("GET", "/api/courses/{course}/students/{other}/progress", None),
    (
        "POST",
        "/api/courses/{course}/assignments",
        {"design": 1, "target_width_mm": 4, "finish": "warm", "due_on": "2030-01-01"},
    ),
    ("GET", "/api/attempts/{attempt}/suggestions", None),
    ("PUT", "/api/attempts/{attempt}/mark", {"version": 1, "scores": {}}),
    ("POST", "/api/attempts/{attempt}/return", {"version": 1}),
    *MARKING,
    ("GET", "/api/courses/{course}/waiting", None),
    ("GET", "/api/courses/{course}/standings", None),
    ("GET", "/api/courses/{course}/students/{other}/forecasts", None),
    ("GET", "/api/courses/{course}/schemes", None),
    ("POST", "/api/courses/{course}/schemes", SCHEME),
    ("POST", "/api/courses/{course}/schemes/try", SCHEME),
    ("POST", "/api/courses/{course}/designs", {"title": "Mine", "coupon": COUPON}),
    ("PATCH", "/api/courses/{course}/schools", {"sequence": "carbon"}),
]
NOT_THEIRS = [
    ("GET", "/api/attempts/{attempt}/machine", None),
    ("PUT", "/api/attempts/{attempt}/machine", {"booth": 1}),
    ("GET", "/api/attempts/{attempt}", None),
    ("GET", "/api/attempts/{attempt}/events", None),
    ("GET", "/api/attempts/{attempt}/last-runs", None),
    ("GET", "/api/attempts/{attempt}/setup", None),
    ("GET", "/api/attempts/{attempt}/suggestions", None),
    ("PUT", "/api/attempts/{attempt}/runs/1", RUN),
    ("POST", "/api/attempts/{attempt}/check", RUN),
    ("PUT", "/api/attempts/{attempt}/preparation", {"prepared": []}),
    ("GET", "/api/attempts/{attempt}/card.pdf", None),
    ("POST", "/api/attempts/{attempt}/uploads", None),
    ("PUT", "/api/attempts/{attempt}/mark", {"version": 1, "scores": {}}),
    ("POST", "/api/attempts/{attempt}/return", {"version": 1}),
    *MARKING,
]
STRANGER_SEES_NO = [
    *PEOPLE,
    *NOT_ANOTHERS_OWNERS,
    *STOCK,
    ("GET", "/api/courses/{course}/bottles", None),
    ("PUT", "/api/bottles/{bottle}", {"closed": True}),
    ("POST", "/api/bottles/{bottle}/readings", {"bar": 100}),
    ("POST", "/api/courses/{course}/booths/1/notes", {"text": "x"}),
    ("GET", "/api/attempts/{attempt}/machine", None),
    ("PUT", "/api/attempts/{attempt}/machine", {"booth": 1}),
    *NOT_THEIRS,
    *ALIKE,
    *SESSIONS,
    ("GET", "/api/courses/{course}/my-sessions", None),
    ("GET", "/api/courses/{course}/my-calendar", None),
    ("PUT", "/api/courses/{course}/my-calendar", None),
    ("DELETE", "/api/sessions/{session}", None),
    ("PUT", "/api/sessions/{session}/attendance", {"student": 1, "there": True}),
    ("POST", "/api/sessions/{session}/door", {"code": "1"}),
    ("GET", "/api/courses/{course}", None),
    ("GET", "/api/courses/{course}/desk", None),
    ("GET", "/api/courses/{course}/wall", None),
    ("GET", "/api/courses/{course}/next", None),
    ("GET", "/api/courses/{course}/waiting", None),
    ("GET", "/api/courses/{course}/schemes", None),
    ("POST", "/api/courses/{course}/schemes", SCHEME),
    ("POST", "/api/courses/{course}/schemes/try", SCHEME),
    ("GET", "/api/courses/{course}/members", None),
    ("GET", "/api/courses/{course}/attempts", None),
    ("GET", "/api/courses/{course}/assignments", None),
    ("GET", "/api/courses/{course}/designs", None),
    ("POST", "/api/courses/{course}/plan", {"coupon": COUPON}),
    ("POST", "/api/courses/{course}/designs", {"title": "Mine", "coupon": COUPON}),
    ("PATCH", "/api/courses/{course}/schools", {"sequence": "carbon"}),
    ("GET", "/api/courses/{course}/students/{student}/progress", None),
    ("GET", "/api/courses/{course}/students/{student}/forecasts", None),
    ("GET", "/api/courses/{course}/standings", None),
    ("POST", "/api/assignments/{assignment}/attempts", None),
    ("GET", "/api/courses/{course}/reports", None),
    ("GET", "/api/assignments/{assignment}/job.pdf", None),
]
INSTRUCTOR_ONLY = [
    *PEOPLE,
    ("POST", "/api/courses", {"name": "x"}),
    ("PATCH", "/api/courses/{course}/schools", {"sequence": "carbon"}),
    ("POST", "/api/courses/{course}/schemes", SCHEME),
    ("PUT", "/api/courses/{course}/second-share", {"share": 10}),
    ("PUT", "/api/courses/{course}/calliper-share", {"share": 10}),
    ("POST", "/api/courses/{course}/engines", None),
    ("DELETE", "/api/courses/{course}/engines", None),
    ("POST", "/api/courses/{course}/sessions", SESSION),
    ("PUT", "/api/courses/{course}/time-zone", {"time_zone": "UTC"}),
    ("DELETE", "/api/sessions/{session}", None),
    ("PUT", "/api/attempts/{attempt}/reference", {"comment": "x"}),
    ("DELETE", "/api/attempts/{attempt}/reference", None),
]
STAFF_MAY_NOT = [
    *WORKSHOP,
    ("PUT", "/api/attempts/{attempt}/machine", {"booth": 1}),
    ("PUT", "/api/attempts/{attempt}/preparation", {"prepared": []}),
    ("PUT", "/api/attempts/{attempt}/runs/1", RUN),
    ("POST", "/api/attempts/{attempt}/uploads", None),
    ("POST", "/api/attempts/{attempt}/trials", {"varied": "gas_part"}),
]


@pytest.mark.parametrize(
    ("who", "calls", "code"),
    [
        ("student", STUDENT_MAY_NOT, 403),
        ("other", NOT_THEIRS, 404),
        ("stranger", STRANGER_SEES_NO, 404),
        ("instructor", STAFF_MAY_NOT, 403),
        ("assistant", [*STAFF_MAY_NOT, *INSTRUCTOR_ONLY], 403),
    ],
)
def test_the_wrong_role_is_refused(
    course: Course, client_of: Callable[..., Client], who: str, calls: list, code: int
) -> None:
    logged(course)
    client = client_of(getattr(course, who))
    ids = {
        "course": course.row.pk, "attempt": course.attempt.pk, "assignment": course.assignment.pk,
        "student": course.student.pk, "other": course.other.pk,
        "session": Session.objects.create(course=course.row, date="2031-01-01", start="18:00", minutes=60).pk,
        "bottle": Bottle.objects.create(course=course.row, name="1", size_l=20, opened_at=timezone.now()).pk,
    }  # fmt: skip
    for method, pattern, body in calls:
        headers = {"Upload-Length": "1000"} if pattern.endswith("uploads") else {}
        answer = client.generic(
            method,
            pattern.format(**ids),
            "" if body is None else json.dumps(body),
            "application/json",
            headers=headers,
        )
        assert answer.status_code == code, f"{who}: {method} {pattern} gave {answer.status_code}"
        assert answer.json()["code"] in ("not_allowed", "not_found")


def test_the_join_code_is_for_those_who_teach(course: Course, client_of: Callable[..., Client]) -> None:
    assert client_of(course.assistant).get(f"/api/courses/{course.row.pk}").json()["join_code"] == "TEST1"
    assert client_of(course.student).get(f"/api/courses/{course.row.pk}").json()["join_code"] is None
