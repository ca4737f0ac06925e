"""Preparation, several runs, the live check, what worked here, and the printed card."""

from collections.abc import Callable

import pytest
from django.test import Client

from judicum.server.people.courses.models import Membership
from judicum.server.people.roles import Role
from judicum.server.record.attempts.actions.assign_coupon import assign_coupon
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.actions.open_attempt import open_attempt
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.marking.actions.mark_attempt import return_mark, set_mark
from tests.measured import measured_attempt
from tests.people import RUN, Course, logged
from tests.server.record.test_marking import SCORES

pytestmark = pytest.mark.django_db


@pytest.fixture
def student(course: Course, client_of: Callable[..., Client]) -> Client:
    return client_of(course.student)


def test_what_was_ticked_is_kept_and_what_was_skipped_stays_visible(
    course: Course, student: Client, client_of: Callable[..., Client]
) -> None:
    url = f"/api/attempts/{course.attempt.pk}"
    student.put(f"{url}/preparation", {"prepared": ["blank_wiped", "cup_clean"]}, "application/json")
    seen = client_of(course.instructor).get(url).json()["preparation"]
    assert {s["step"] for s in seen if s["done"]} == {"blank_wiped", "cup_clean"}
    assert len(seen) > 4
    refused = student.put(f"{url}/preparation", {"prepared": ["hat_on"]}, "application/json")
    assert refused.json()["errors"][0]["field"] == "prepared"
    event = course.attempt.events.order_by("-id").first()
    assert event is not None
    assert (event.kind, event.data["prepared"]) == ("prepare", ["blank_wiped", "cup_clean"])


def test_an_attempt_holds_several_runs_in_turn(course: Course, student: Client) -> None:
    url = f"/api/attempts/{course.attempt.pk}/runs"
    for number in (1, 2):
        assert student.put(f"{url}/{number}", {**RUN, "pass_number": number}, "application/json").status_code == 200
    runs = student.put(f"{url}/2", {**RUN, "current_a": 60}, "application/json").json()["runs"]
    assert [(r["number"], r["current_a"]) for r in runs] == [(1, 52), (2, 60)]
    refused = student.put(f"{url}/4", RUN, "application/json")
    assert (refused.status_code, refused.json()["errors"][0]["allowed"]) == (400, "1 to 3")
    assert Run.objects.count() == 2


def test_each_run_is_checked_and_the_mark_follows_the_worst(
    course: Course, student: Client, client_of: Callable[..., Client]
) -> None:
    attempt = logged(course)
    student.put(f"/api/attempts/{attempt.pk}/runs/2", {**RUN, "postflow_s": 2, "gas_l_min": 16}, "application/json")
    checks = student.get(f"/api/attempts/{attempt.pk}/setup").json()["checks"]
    assert [c["number"] for c in checks] == [1, 2]
    assert {d["key"] for d in checks[1]["deviations"]} == {"postflow_s", "gas_l_min"}
    suggested = client_of(course.instructor).get(f"/api/attempts/{attempt.pk}/suggestions").json()
    setup = next(s for s in suggested["lines"] if s["criterion"] == "setup_followed")
    assert setup["score"] == 6
    assert "post-flow" in setup["because"]


def test_a_run_is_checked_before_it_is_saved(course: Course, student: Client) -> None:
    url = f"/api/attempts/{course.attempt.pk}/check"
    found = student.post(url, {**RUN, "gas_l_min": 25}, "application/json").json()
    slip = next(w for w in found["warnings"] if w["code"] == "gas_unit_slip")
    assert slip["meant"] == pytest.approx(11.8, abs=0.1)
    assert not Run.objects.exists()
    assert student.post(url, [1], "application/json").status_code == 400


def test_the_last_good_settings_come_before_the_last(course: Course, student: Client) -> None:
    good = measured_attempt(course)
    set_mark(course.instructor, good.pk, good.version, dict.fromkeys(SCORES, 9.0), "", "")
    good.refresh_from_db()
    return_mark(course.instructor, good.pk, good.version)
    poor = open_attempt(course.assignment, course.student, by=course.student)
    log_run(course.student, poor.pk, {**RUN, "current_a": 99})
    third = open_attempt(course.assignment, course.student, by=course.student)
    last = student.get(f"/api/attempts/{third.pk}/last-runs").json()
    assert (last["passed"], last["runs"][0]["current_a"]) == (True, 52)


def test_what_worked_here_counts_only_what_passed(course: Course, student: Client) -> None:
    attempt = measured_attempt(course)
    setup = f"/api/attempts/{attempt.pk}/setup"
    assert student.get(setup).json()["worked"] == {"attempts": 0, "figures": []}
    set_mark(course.instructor, attempt.pk, attempt.version, dict.fromkeys(SCORES, 9.0), "", "")
    attempt.refresh_from_db()
    return_mark(course.instructor, attempt.pk, attempt.version)
    response = student.get(setup).json()["worked"]
    assert response["attempts"] == 1
    assert {"key": "current_a", "count": 1, "median": 52, "low": 52, "high": 52} in response["figures"]


def test_the_card_is_printed_on_one_a5_page(course: Course, student: Client) -> None:
    answer = student.get(f"/api/attempts/{course.attempt.pk}/card.pdf")
    assert answer["Content-Type"] == "application/pdf"
    assert answer.content.startswith(b"%PDF-")
    assert answer.content.count(b"/Type /Page\n") == 1
    assert b"/MediaBox [ 0 0 419.5276 595.2756 ]" in answer.content
    assert Attempt.objects.get(pk=course.attempt.pk).version == course.attempt.version


def test_runs_of_another_course_are_shown_to_the_student_and_not_to_this_instructor(
    course: Course, student: Client, client_of: Callable[..., Client]
) -> None:
    elsewhere = Membership.objects.get(user=course.stranger).course
    Membership.objects.create(course=elsewhere, user=course.student, role=Role.STUDENT)
    there = assign_coupon(
        course.stranger,
        elsewhere.pk,
        design_id=course.assignment.design_id,
        target_width_mm=4.5,
        finish="warm",
        good_in_a_row=3,
        due_on=course.assignment.due_on,
    )
    log_run(course.student, there.attempts.get(student=course.student).pk, {**RUN, "current_a": 71})
    url = f"/api/attempts/{course.attempt.pk}/last-runs"
    assert [run["current_a"] for run in student.get(url).json()["runs"]] == [71]
    assert client_of(course.instructor).get(url).json()["runs"] == []
