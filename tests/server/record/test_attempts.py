from collections.abc import Callable

import pytest
from django.db import DatabaseError, connection, transaction
from django.test import Client

from judicum.core.errors import WrongState
from judicum.server.record.attempts.models import Attempt, Event
from judicum.server.record.attempts.states import STEPS, AttemptState, AttemptStep
from judicum.server.record.attempts.transitions import advance
from tests.people import RUN, Course, logged

pytestmark = pytest.mark.django_db


def test_assigning_to_the_class_opens_an_attempt_for_every_student(course: Course) -> None:
    found = Attempt.objects.filter(assignment=course.assignment)
    assert {a.student.username for a in found} == {"sanne", "odo"}
    assert {a.state for a in found} == {"assigned"}


def test_assigning_to_some(course: Course, client_of: Callable[..., Client]) -> None:
    body = {
        "design": course.assignment.design_id, "target_width_mm": 5, "finish": "bright", "good_in_a_row": 2,
        "due_on": "2030-05-01", "students": [course.other.pk],
    }  # fmt: skip
    answer = client_of(course.assistant).post(f"/api/courses/{course.row.pk}/assignments", body, "application/json")
    assert answer.status_code == 201
    assert answer.json()["students"] == 1


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"design": 4711}, "design"),
        ({"target_width_mm": 0.2}, "target_width_mm"),
        ({"good_in_a_row": 0}, "good_in_a_row"),
        ({"due_on": "someday"}, "due_on"),
        ({"finish": "rainbow"}, "finish"),
        ({"students": []}, "students"),
        ({"students": [1_000_000]}, "students"),
    ],
)
def test_a_refused_assignment_names_the_field_and_opens_nothing(
    course: Course, client_of: Callable[..., Client], change: dict, field: str
) -> None:
    body = {
        "design": course.assignment.design_id,
        "target_width_mm": 5,
        "finish": "warm",
        "due_on": "2030-05-01",
        **change,
    }
    answer = client_of(course.instructor).post(f"/api/courses/{course.row.pk}/assignments", body, "application/json")
    assert answer.status_code == 400
    assert answer.json()["errors"][0]["field"] == field
    assert Attempt.objects.count() == 2


def test_logging_a_run_keeps_what_changed(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.student)
    url = f"/api/attempts/{course.attempt.pk}/runs/1"
    assert client.put(url, RUN, "application/json").json()["state"] == "logged"
    assert client.put(url, {**RUN, "current_a": 58}, "application/json").json()["runs"][0]["current_a"] == 58
    events = client.get(f"/api/attempts/{course.attempt.pk}/events").json()
    assert [e["kind"] for e in events] == ["open", "log", "log"]
    assert events[2]["data"]["changed"] == {"current_a": [52.0, 58]}
    assert events[2]["actor"]["display_name"] == "Sanne"


def test_an_impossible_figure_is_refused_with_field_figure_and_limits(
    course: Course, client_of: Callable[..., Client]
) -> None:
    answer = client_of(course.student).put(
        f"/api/attempts/{course.attempt.pk}/runs/1", {**RUN, "gas_l_min": 400}, "application/json"
    )
    assert answer.status_code == 400
    assert answer.json()["errors"] == [
        {
            "field": "gas_l_min",
            "words": "Gas flow",
            "given": "400 L/min",
            "allowed": "1 to 60 L/min",
            "message": "Gas flow: enter 1 to 60 L/min (you entered 400 L/min).",
        }
    ]
    assert course.attempt.state == "assigned"


@pytest.mark.parametrize("body", ["[]", "null", "7", "{", '"x"'])
def test_a_body_that_is_no_run_is_a_plain_refusal(course: Course, client_of: Callable[..., Client], body: str) -> None:
    answer = client_of(course.student).generic(
        "PUT", f"/api/attempts/{course.attempt.pk}/runs/1", body, "application/json"
    )
    assert answer.status_code == 400


def test_the_last_run_of_the_same_coupon_is_offered(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.student)
    first = logged(course)
    assert client.get(f"/api/attempts/{first.pk}/last-runs").json() == {"passed": False, "runs": []}
    second = client.post(f"/api/assignments/{course.assignment.pk}/attempts")
    assert second.status_code == 201
    assert second.json()["number"] == 2
    assert client.get(f"/api/attempts/{second.json()['id']}/last-runs").json()["runs"][0]["current_a"] == 52


def test_the_next_attempt_waits_until_this_one_is_welded(course: Course, client_of: Callable[..., Client]) -> None:
    answer = client_of(course.student).post(f"/api/assignments/{course.assignment.pk}/attempts")
    assert answer.status_code == 409
    assert answer.json()["code"] == "wrong_state"


@pytest.mark.parametrize("step", [s for s in AttemptStep if s != AttemptStep.OPEN])
@pytest.mark.parametrize("state", list(AttemptState))
def test_a_step_is_possible_exactly_where_the_table_says(
    course: Course, step: AttemptStep, state: AttemptState
) -> None:
    attempt = course.attempt
    attempt.state = attempt.shown_state = state
    before = attempt.version
    if state in STEPS[step]:
        advance(attempt, step, course.student)
        assert (attempt.state, attempt.version) == (STEPS[step][state], before + 1)
    else:
        with pytest.raises(WrongState, match=f"(?i)state=.*{state}"):
            advance(attempt, step, course.student)
        assert attempt.version == before


@pytest.mark.parametrize("sql", ["UPDATE attempts_event SET kind = 'mark'", "DELETE FROM attempts_event"])
def test_the_log_is_only_added_to(course: Course, sql: str) -> None:
    with pytest.raises(DatabaseError, match="only added to"), transaction.atomic(), connection.cursor() as cursor:
        cursor.execute(sql)
    assert Event.objects.count() == 2


def test_lists_are_paged_and_capped(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.instructor)
    url = f"/api/courses/{course.row.pk}/attempts"
    page = client.get(url, {"page_size": 1}).json()
    assert len(page["results"]) == 1
    rest = client.get(page["next"]).json()
    assert (len(rest["results"]), rest["next"]) == (1, None)
    assert rest["results"][0]["id"] != page["results"][0]["id"]
    for query in ({"page_size": 10**20}, {"page_size": "x"}, {"page_size": -4}):
        assert client.get(url, query).status_code == 200
    assert client.get(url, {"cursor": "10**20"}).status_code == 404
    assert client.get(f"/api/courses/{course.row.pk}/designs", {"page": 10**20}).status_code == 404
    for query in ({"state": "asleep"}, {"student": "1e3"}, {"assignment": "9" * 40}):
        assert client.get(url, query).status_code == 400


def test_a_student_sees_only_their_own(course: Course, client_of: Callable[..., Client]) -> None:
    found = client_of(course.student).get(f"/api/courses/{course.row.pk}/attempts").json()["results"]
    assert {a["student"]["display_name"] for a in found} == {"Sanne"}


@pytest.mark.parametrize(
    "path",
    [
        "attempts?page_size=100",
        "desk",
        "assignments",
        "members",
        "students/{student}/progress",
        "week",
        "standings",
        "agreement",
    ],
)
def test_no_page_asks_once_per_row(
    course: Course, client_of: Callable[..., Client], path: str, django_assert_max_num_queries
) -> None:  # type: ignore[no-untyped-def]
    from tests.measured import measured_attempt

    for _ in range(4):
        measured_attempt(course)
    client = client_of(course.instructor)
    url = f"/api/courses/{course.row.pk}/" + path.format(student=course.student.pk)
    with django_assert_max_num_queries(18) as few:
        assert client.get(url).status_code == 200
    for _ in range(6):
        measured_attempt(course)
    with django_assert_max_num_queries(len(few)):
        assert client.get(url).status_code == 200


def test_a_refused_figure_is_said_in_the_persons_units(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.student)
    client.patch("/api/session/preferences", {"length_unit": "thou", "flow_unit": "cfh"}, "application/json")
    url = f"/api/attempts/{course.attempt.pk}/runs/1"
    answer = client.put(url, {**RUN, "gas_l_min": 400, "stickout_mm": 90}, "application/json").json()
    assert {e["field"]: (e["given"], e["allowed"]) for e in answer["errors"]} == {
        "gas_l_min": ("848 CFH", "2 to 127 CFH"),
        "stickout_mm": ("3543 thou", "0 to 2362 thou"),
    }
    assert "848 CFH" in answer["detail"]


def test_the_card_stands_beside_the_log(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.student)
    url = f"/api/attempts/{course.attempt.pk}/setup"
    before = client.get(url).json()
    assert before["checks"] == []
    assert before["card"]["current_a"]["low"] < before["card"]["current_a"]["aim"] < before["card"]["current_a"]["high"]
    assert "fume_chromium" in before["card"]["cautions"]
    run = {**RUN, "current_a": 95, "filler_alloy": "ER70S", "filler_mm": 1.2, "technique": "dab"}
    client.put(f"/api/attempts/{course.attempt.pk}/runs/1", run, "application/json")
    check = client.get(url).json()["checks"][0]
    assert [d["key"] for d in check["deviations"]] == ["current_a"]
    assert "filler_wrong_alloy" in {w["code"] for w in check["warnings"]}


def test_an_unknown_address_is_a_problem_not_the_page(client_of: Callable[..., Client], course: Course) -> None:
    answer = client_of(course.student).get("/api/nothing/here")
    assert (answer.status_code, answer.json()["code"]) == (404, "not_found")
