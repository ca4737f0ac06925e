from collections.abc import Callable
from datetime import timedelta
from typing import Any

import pytest
from django.test import Client
from django.utils import timezone

from judicum.core.acceptance import STUCK_DAYS
from judicum.core.marking import SCHEMES, USUAL_SCHEME
from judicum.server.people.courses.models import Membership
from judicum.server.record.attempts.models import Attempt
from tests.measured import measured_attempt
from tests.people import Course

pytestmark = pytest.mark.django_db

SCORES: dict[str, Any] = dict.fromkeys(SCHEMES[USUAL_SCHEME].keys, 8.0)


def mark(client: Client, attempt: Attempt, version: int | None = None, **changes: Any) -> Any:
    body = {
        "version": version or attempt.version,
        "scores": SCORES,
        "comment": "calm",
        "next_change": "faster",
        **changes,
    }
    return client.put(f"/api/attempts/{attempt.pk}/mark", body, "application/json")


def test_suggestions_come_with_the_figures_they_rest_on(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = measured_attempt(course)
    found = client_of(course.assistant).get(f"/api/attempts/{attempt.pk}/suggestions").json()
    lines = {line["criterion"]: line for line in found["lines"]}
    assert list(lines) == list(SCORES)
    assert lines["width_evenness"]["score"] >= 7
    assert "target 4.5 mm" in lines["width_on_target"]["because"]
    assert lines["width_evenness"]["curve"][0][1] == 10
    assert lines["setup_followed"]["reason"] == "as_the_card"
    assert (found["scheme"], found["pass_mark"], found["knocked"]) == ("Training, version 1", 70, [])
    assert [one["key"] for one in found["findings"]] == ["face", "distortion_mm"]
    assert found["placeholders"]["name"] == "Sanne"


def test_the_student_sees_the_mark_only_when_it_is_returned(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = measured_attempt(course)
    staff, student = client_of(course.instructor), client_of(course.student)
    url = f"/api/attempts/{attempt.pk}"
    marked = mark(staff, attempt)
    assert marked.json()["mark"]["total"] == 80
    assert student.get(url).json()["mark"] is None
    assert student.get(f"/api/courses/{course.row.pk}/attempts").json()["results"][0]["mark_total"] is None
    returned = staff.post(f"{url}/return", {"version": marked.json()["version"]}, "application/json")
    assert returned.json()["state"] == "returned"
    assert student.get(url).json()["mark"]["next_change"] == "faster"


def test_two_people_marking_never_overwrite_each_other_silently(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = measured_attempt(course)
    seen_by_both = attempt.version
    first, second = client_of(course.instructor), client_of(course.assistant)
    assert mark(first, attempt, seen_by_both).status_code == 200
    late = mark(second, attempt, seen_by_both, comment="hasty")
    assert late.status_code == 409
    assert late.json()["code"] == "edit_conflict"
    assert late.json()["detail"].startswith("Ilka changed this attempt")
    assert first.get(f"/api/attempts/{attempt.pk}").json()["mark"]["comment"] == "calm"
    attempt.refresh_from_db()
    assert mark(second, attempt, comment="seen").status_code == 200


@pytest.mark.parametrize(
    "change",
    [
        {"scores": {**SCORES, "tint": 11}},
        {"scores": {}},
        {"scores": "good"},
        {"comment": "x" * 4001},
        {"next_change": "x" * 301},
        {"version": "one"},
    ],
)
def test_a_mark_of_no_sense_is_refused_and_nothing_is_written(
    course: Course, client_of: Callable[..., Client], change: dict[str, Any]
) -> None:
    attempt = measured_attempt(course)
    assert mark(client_of(course.instructor), attempt, **change).status_code == 400
    attempt.refresh_from_db()
    assert attempt.state == "measured"
    assert not hasattr(Attempt.objects.get(pk=attempt.pk), "mark")


def test_nothing_is_marked_before_there_is_a_photo(course: Course, client_of: Callable[..., Client]) -> None:
    assert mark(client_of(course.instructor), course.attempt).json()["code"] == "wrong_state"


def test_a_returned_attempt_takes_no_new_photo_and_no_new_log(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = measured_attempt(course)
    staff = client_of(course.instructor)
    version = mark(staff, attempt).json()["version"]
    assert staff.post(f"/api/attempts/{attempt.pk}/return", {"version": version}, "application/json").status_code == 200
    student = client_of(course.student)
    assert (
        student.put(
            f"/api/attempts/{attempt.pk}/runs/1", {"current_a": 60, "gas_l_min": 10}, "application/json"
        ).status_code
        == 409
    )
    assert student.post(f"/api/attempts/{attempt.pk}/uploads", headers={"Upload-Length": "100"}).status_code == 409


def test_progress_has_figures_bands_and_the_row_of_good_ones(course: Course, client_of: Callable[..., Client]) -> None:
    staff = client_of(course.instructor)
    for score in (5.0, 8.0, 9.0):
        attempt = measured_attempt(course)
        marked = mark(staff, attempt, scores=dict.fromkeys(SCORES, score)).json()
        staff.post(f"/api/attempts/{attempt.pk}/return", {"version": marked["version"]}, "application/json")
    found = client_of(course.student).get(f"/api/courses/{course.row.pk}/students/{course.student.pk}/progress").json()
    series = found["series"][0]
    assert [a["number"] for a in series["attempts"]] == [1, 2, 3]
    assert series["good_in_a_row"] == 2
    assert series["width_cv_trend"] == 0
    assert series["attempts"][0]["measurement"]["width_cv"] < 0.06


def test_the_desk_counts_what_waits(course: Course, client_of: Callable[..., Client]) -> None:
    measured_attempt(course)
    desk = client_of(course.assistant).get(f"/api/courses/{course.row.pk}/desk").json()
    assert (desk["to_mark"], desk["to_return"], desk["welding"], desk["measuring"]) == (1, 0, 1, 0)
    assert not any(s["stuck"] for s in desk["students"]), "who joined today has not been away"
    Membership.objects.update(joined_at=timezone.now() - timedelta(days=STUCK_DAYS + 1))
    desk = client_of(course.assistant).get(f"/api/courses/{course.row.pk}/desk").json()
    assert [s["student"]["display_name"] for s in desk["students"] if s["stuck"]] == ["Odo"]
