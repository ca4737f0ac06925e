"""Answers beside a mark, taking them back, findings by hand, what waits in which order, phrases."""

from collections.abc import Callable
from datetime import timedelta
from typing import Any

import pytest
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from judicum.core.errors import WrongState
from judicum.server.read.waiting import NEEDS, waiting_in
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.actions.take_back import take_back
from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.actions.store_measurement import store_measurement
from tests.drawn import bead_photo
from tests.measured import bead_measured, measured_attempt
from tests.people import Course
from tests.server.record.test_marking import SCORES, mark

pytestmark = pytest.mark.django_db


def answer(client: Client, attempt: Attempt, given: str, why: str = "The card is cut off.", version: int = 0) -> Any:
    body = {"version": version or attempt.version, "answer": given, "why": why}
    return client.post(f"/api/attempts/{attempt.pk}/answer", body, "application/json")


def test_another_photo_is_asked_for_and_its_coming_answers_that(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff, student = client_of(course.assistant), client_of(course.student)
    attempt = measured_attempt(course)
    assert answer(staff, attempt, "another_photo").json()["state"] == "photo_asked"
    response = student.get(f"/api/attempts/{attempt.pk}").json()
    assert (response["answer"], "add_photo" in response["may"]) == ("The card is cut off.", True)
    desk = staff.get(f"/api/courses/{course.row.pk}/desk").json()
    assert (desk["to_mark"], desk["welding"]) == (0, 2)
    send_photo(course.student, attempt.pk, bead_photo().jpeg, "again.jpg", measure=False)
    attempt.refresh_from_db()
    assert (attempt.state, attempt.answer) == ("photographed", "")


def test_weld_it_again_closes_the_attempt_and_says_why(course: Course, client_of: Callable[..., Client]) -> None:
    staff, student = client_of(course.instructor), client_of(course.student)
    attempt = measured_attempt(course)
    assert answer(staff, attempt, "weld_again", "Wrong side of the sheet.").status_code == 200
    response = student.get(f"/api/attempts/{attempt.pk}").json()
    assert (response["state"], response["answer"], response["may"]) == ("weld_again", "Wrong side of the sheet.", [])
    assert student.post(f"/api/assignments/{course.assignment.pk}/attempts").status_code == 201


@pytest.mark.parametrize(("given", "why"), [("praise", "x"), ("weld_again", ""), ("weld_again", "x" * 301)])
def test_an_answer_of_no_sense_is_refused(
    course: Course, client_of: Callable[..., Client], given: str, why: str
) -> None:
    attempt = measured_attempt(course)
    assert answer(client_of(course.instructor), attempt, given, why).status_code == 400
    attempt.refresh_from_db()
    assert attempt.state == "measured"


def test_an_answer_to_what_has_changed_meanwhile_is_a_conflict(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = measured_attempt(course)
    assert answer(client_of(course.instructor), attempt, "weld_again", version=1).status_code == 409


def test_a_return_is_taken_back_within_seconds_and_leaves_no_trace_for_the_student(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff, student = client_of(course.instructor), client_of(course.student)
    attempt = measured_attempt(course)
    version = mark(staff, attempt).json()["version"]
    staff.post(f"/api/attempts/{attempt.pk}/return", {"version": version}, "application/json")
    back = staff.post(f"/api/attempts/{attempt.pk}/take-back")
    assert (back.status_code, back.json()["state"], back.json()["mark"]["returned_at"]) == (200, "marked", None)
    assert student.get(f"/api/attempts/{attempt.pk}").json()["mark"] is None
    kinds = [e["kind"] for e in student.get(f"/api/attempts/{attempt.pk}/events").json()]
    assert not {"mark", "return", "take_back"} & set(kinds)
    assert "take_back" in [e["kind"] for e in staff.get(f"/api/attempts/{attempt.pk}/events").json()]
    assert staff.post(f"/api/attempts/{attempt.pk}/take-back").status_code == 409


def test_an_answer_is_taken_back_by_the_one_who_gave_it_and_in_time(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff = client_of(course.instructor)
    attempt = measured_attempt(course)
    answer(staff, attempt, "another_photo")
    assert client_of(course.assistant).post(f"/api/attempts/{attempt.pk}/take-back").status_code == 409
    with pytest.raises(WrongState, match="undo_s=10"):
        take_back(course.instructor, attempt.pk, at=timezone.now() + timedelta(seconds=16))
    assert staff.post(f"/api/attempts/{attempt.pk}/take-back").json()["state"] == "measured"
    attempt.refresh_from_db()
    assert attempt.answer == ""


def test_findings_by_hand_are_those_the_coupon_calls_for(course: Course, client_of: Callable[..., Client]) -> None:
    staff, attempt = client_of(course.instructor), measured_attempt(course)
    url = f"/api/attempts/{attempt.pk}/findings"
    found = staff.put(url, {"face": "flat", "distortion_mm": 1.5}, "application/json")
    assert found.status_code == 200
    response = staff.get(f"/api/attempts/{attempt.pk}/suggestions").json()
    assert response["found"] == {"face": "flat", "distortion_mm": 1.5}
    refused = staff.put(url, {"leg_upper_mm": 3, "face": "pretty"}, "application/json")
    assert refused.status_code == 400
    assert staff.put(url, {"leg_upper_mm": 3}, "application/json").json()["errors"][0]["field"] == "leg_upper_mm"
    assert staff.put(url, ["face"], "application/json").status_code == 400
    attempt.refresh_from_db()
    assert attempt.by_hand == {"face": "flat", "distortion_mm": 1.5}


def test_what_waits_is_sorted_by_waiting_need_or_coupon(course: Course, client_of: Callable[..., Client]) -> None:
    staff = client_of(course.instructor)
    for _ in range(3):
        attempt = measured_attempt(course)
        version = mark(staff, attempt, scores=dict.fromkeys(SCORES, 3.0)).json()["version"]
        staff.post(f"/api/attempts/{attempt.pk}/return", {"version": version}, "application/json")
    stuck, after = measured_attempt(course), measured_attempt(course)
    url = f"/api/courses/{course.row.pk}"
    needs = {row["id"]: row["need"] for row in staff.get(f"{url}/waiting?order=need").json()["attempts"]}
    assert needs == {stuck.pk: "stuck", after.pk: "stuck"}
    assert staff.get(f"{url}/waiting?order=beauty").status_code == 400
    assert staff.get(f"{url}/waiting?assignment={course.assignment.pk + 1}").json() == {"count": 0, "attempts": []}
    assert staff.get(f"{url}/next?order=coupon&but={stuck.pk}").json() == {"attempt": after.pk}
    first = Attempt.objects.get(assignment=course.assignment, student=course.other, number=1)
    Attempt.objects.filter(pk=first.pk).update(state="measured")
    by_need = [NEEDS[row.need] for row in waiting_in(course.instructor, course.row.pk, "need")]
    assert by_need == ["stuck", "stuck", "first"]


def test_phrases_are_one_s_own_and_know_their_placeholders(course: Course, client_of: Callable[..., Client]) -> None:
    mine, theirs = client_of(course.instructor), client_of(course.assistant)
    kept = mine.put(
        "/api/phrases", {"phrases": {"2": "Well done, {name}.", "1": "Width {width}", "3": " "}}, "application/json"
    )
    assert [(p["key"], p["text"]) for p in kept.json()] == [(1, "Width {width}"), (2, "Well done, {name}.")]
    assert theirs.get("/api/phrases").json() == []
    for wrong in ({"0": "x"}, {"10": "x"}, {"1": "{colour}"}, {"1": "{"}, {"1": "x" * 301}):
        assert mine.put("/api/phrases", {"phrases": wrong}, "application/json").status_code == 400
    assert len(mine.get("/api/phrases").json()) == 2


def test_the_back_is_measured_when_asked_for_and_leaves_the_bead_alone(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff, attempt = client_of(course.instructor), measured_attempt(course)
    before = staff.get(f"/api/attempts/{attempt.pk}").json()
    back = send_photo(course.student, attempt.pk, bead_photo().jpeg, "back.jpg", kind="back")
    assert not back.measurements.exists()
    assert staff.post(f"/api/photos/{back.pk}/measure-again").status_code == 202
    assert store_measurement(back.measurements.get().pk, [bead_measured()])
    after = staff.get(f"/api/attempts/{attempt.pk}").json()
    assert (after["state"], after["measurement"]) == ("measured", before["measurement"])
    assert back.measurements.get().report["side"] == "back"  # type: ignore[index]
    assert staff.get(f"/api/attempts/{attempt.pk}/suggestions").json()["back_seen"] == "bright"
    torch = send_photo(course.student, attempt.pk, bead_photo().jpeg, "torch.jpg", kind="torch")
    assert staff.post(f"/api/photos/{torch.pk}/measure-again").status_code == 409


def test_what_waits_is_read_with_as_many_queries_for_few_as_for_many(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff, url = client_of(course.instructor), f"/api/courses/{course.row.pk}/waiting?order=need"
    counts = []
    for _ in range(2):
        measured_attempt(course)
        with CaptureQueriesContext(connection) as caught:
            assert staff.get(url).status_code == 200
        counts.append(len(caught))
    assert counts[0] == counts[1]
