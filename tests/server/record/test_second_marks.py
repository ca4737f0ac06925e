"""Blind second marks: asked for by lot or by hand, given without sight of the first, one agreed, only that one returned."""

from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client

from judicum.server.people.courses.models import Course as CourseRow
from judicum.server.people.courses.models import Membership
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.actions.ask_second import drawn_for_second
from judicum.server.record.marking.models import Mark, SecondMark
from tests.measured import measured_attempt
from tests.people import Course
from tests.server.record.test_marking import SCORES, mark
from tests.server.record.test_visibility import every_get

pytestmark = pytest.mark.django_db

SECRET = "zebra-comment"
FIRST = {**dict.fromkeys(SCORES, 6.5), "tint": 9.0}
FIRST_TOTAL = 68.8


def by_lot(course: Course, share: int = 100) -> None:
    CourseRow.objects.filter(pk=course.row.pk).update(second_share=share)


def marked_first(course: Course, client: Client, **more: Any) -> Attempt:
    """An attempt that the assistant marked first and the lot sent to a second marker."""
    by_lot(course)
    attempt = measured_attempt(course)
    answer = mark(client, attempt, scores=FIRST, comment=SECRET, **more)
    assert answer.status_code == 200
    attempt.refresh_from_db()
    return attempt


def second(client: Client, attempt: Attempt, score: float = 8.0) -> Any:
    body = {"version": attempt.version, "scores": dict.fromkeys(SCORES, score), "comment": "second"}
    return client.put(f"/api/attempts/{attempt.pk}/second", body, "application/json")


def holds(value: Any, hidden: set[Any]) -> list[str]:
    """Where an answer holds any of the hidden values."""
    if isinstance(value, dict):
        return [f"{k}.{leak}" for k, v in value.items() for leak in holds(v, hidden)]
    if isinstance(value, list):
        return [leak for v in value for leak in holds(v, hidden)]
    return [str(value)] if value in hidden and not isinstance(value, bool) else []


def test_a_second_marker_sees_neither_the_first_mark_nor_who_gave_it_at_any_address(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = marked_first(course, client_of(course.assistant), cause="cadence_uneven")
    assert attempt.state == "second_asked"
    blind, student = client_of(course.instructor), client_of(course.student)
    hidden = {SECRET, "faster", FIRST_TOTAL, course.assistant.display_name}
    read = 0
    for url in every_get(course, attempt):
        if url.endswith(("/members", "/assignments")) or "/schema" in url or url == "/api/session":
            continue
        for client in (blind, student):
            answer = client.get(url)
            if answer.status_code == 200 and "json" in answer["Content-Type"]:
                assert holds(answer.json(), hidden) == [], url
                read += 1
    assert read >= 20
    response = blind.get(f"/api/attempts/{attempt.pk}").json()
    assert (response["state"], response["mark"], response["second"]["first"], response["second"]["by_lot"]) == (
        "second_asked",
        None,
        None,
        True,
    )
    assert "mark_second" in response["may"]
    assert not {"mark", "return", "agree", "judge_cause"} & set(response["may"])
    causes = blind.get(f"/api/attempts/{attempt.pk}/causes").json()["causes"]
    assert all(one["verdict"] is None for one in causes)
    mine = client_of(course.assistant).get(f"/api/attempts/{attempt.pk}").json()
    assert (mine["mark"]["total"], mine["second"]["first"]["total"]) == (FIRST_TOTAL, FIRST_TOTAL)
    assert "mark_second" not in mine["may"]
    stale = blind.put(f"/api/attempts/{attempt.pk}/mark", {"version": 1, "scores": SCORES}, "application/json")
    assert stale.status_code == 409
    assert course.assistant.display_name not in stale.content.decode()


def test_both_are_shown_one_is_agreed_and_the_student_reads_that_one_only(
    course: Course, client_of: Callable[..., Client]
) -> None:
    first, blind, student = (client_of(one) for one in (course.assistant, course.instructor, course.student))
    attempt = marked_first(course, first)
    url = f"/api/attempts/{attempt.pk}"
    assert first.post(f"{url}/return", {"version": attempt.version}, "application/json").status_code == 409
    assert second(first, attempt).status_code == 403
    given = second(blind, attempt)
    assert given.status_code == 200
    both = given.json()
    assert (both["state"], both["second"]["first"]["total"], both["second"]["second"]["total"]) == (
        "to_agree",
        FIRST_TOTAL,
        80.0,
    )
    assert both["second"]["first"]["marked_by"]["display_name"] == "Asmus"
    assert second(blind, attempt).status_code == 409
    assert student.get(url).json()["state"] == "measured"
    body = {
        "version": both["version"],
        "scores": dict.fromkeys(SCORES, 7.0),
        "comment": "agreed",
        "next_change": "slower",
    }
    agreed = first.post(f"{url}/agree", body, "application/json").json()
    assert (agreed["state"], agreed["mark"]["total"], agreed["second"]["agreed"]) == ("marked", 70.0, True)
    assert student.get(url).json()["mark"] is None
    first.post(f"{url}/return", {"version": agreed["version"]}, "application/json")
    read = student.get(url).json()
    assert (read["mark"]["total"], read["mark"]["comment"], read["second"]) == (70.0, "agreed", None)
    log = student.get(f"{url}/events").json()
    assert [one["kind"] for one in log][-2:] == ["agree", "return"]
    assert holds(log, {FIRST_TOTAL, 80.0}) == []
    assert [one["kind"] for one in first.get(f"{url}/events").json()][-5:] == [
        "mark", "ask_second", "mark_second", "agree", "return",
    ]  # fmt: skip
    kept = SecondMark.objects.get(attempt=attempt)
    assert (kept.first["total"], kept.total, Mark.objects.get(attempt=attempt).total) == (FIRST_TOTAL, 80.0, 70.0)


def test_the_lot_falls_as_often_as_the_share_says_and_never_without_a_second_marker(course: Course) -> None:
    attempt = measured_attempt(course)
    for share, fewest, most in ((0, 0, 0), (30, 60, 120), (100, 300, 300)):
        by_lot(course, share)
        attempt = Attempt.objects.get(pk=attempt.pk)
        drawn = sum(drawn_for_second(course.instructor, attempt) for _ in range(300))
        assert fewest <= drawn <= most
    Membership.objects.filter(user=course.assistant).delete()
    assert not drawn_for_second(course.instructor, attempt)


def test_a_second_mark_is_asked_for_by_hand_once_and_beside_a_first_one(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff, attempt = client_of(course.instructor), measured_attempt(course)
    url = f"/api/attempts/{attempt.pk}/second"
    early = staff.post(url, {"version": attempt.version}, "application/json")
    assert (early.status_code, early.json()["code"]) == (409, "wrong_state")
    version = mark(staff, attempt).json()["version"]
    assert staff.post(url, {"version": version - 1}, "application/json").status_code == 409
    asked = staff.post(url, {"version": version}, "application/json").json()
    assert (asked["state"], asked["second"]["by_lot"]) == ("second_asked", False)
    again = staff.post(url, {"version": asked["version"]}, "application/json")
    assert again.status_code == 409
    waiting = {
        who: client_of(who).get(f"/api/courses/{course.row.pk}/waiting").json()["count"]
        for who in (course.instructor, course.assistant)
    }
    assert waiting == {course.instructor: 0, course.assistant: 1}


def test_only_the_instructor_sets_the_share(course: Course, client_of: Callable[..., Client]) -> None:
    url = f"/api/courses/{course.row.pk}/second-share"
    staff = client_of(course.instructor)
    assert staff.put(url, {"share": 25}, "application/json").json() == {"share": 25}
    wrong = staff.put(url, {"share": 101}, "application/json")
    assert (wrong.status_code, wrong.json()["errors"][0]["field"]) == (400, "share")
    assert staff.get(f"/api/courses/{course.row.pk}/agreement").json()["share"] == 25
