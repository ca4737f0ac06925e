"""Trials on the server: planned, tapped through, one photo measured, and the best setting taken."""

import io
from collections.abc import Callable
from typing import Any

import cv2
import numpy as np
import pytest
from django.test import Client
from pypdf import PdfReader

from judicum.core.photo.measure import measure_all
from judicum.server.catalogue.coupons.models import Design
from judicum.server.follow.sessions.models import Booth, WeldedAt
from judicum.server.follow.trials.models import StartValue, Trial
from judicum.server.follow.trials.queries import planned
from judicum.server.record.attempts.actions.assign_coupon import assign_coupon
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.actions.store_measurement import MeasuredBead, store_measurement
from tests.drawn import trial_photo
from tests.people import Course

pytestmark = pytest.mark.django_db
AMPS = {"varied": "current_a", "low": 38, "high": 68, "beads": 5}


def begun(course: Course, api: Callable[..., Any]) -> Trial:
    answer = api(course.student, "POST", f"/api/attempts/{course.attempt.pk}/trials", AMPS)
    assert answer.status_code == 201, answer.json()
    return Trial.objects.get()


def photographed(course: Course, trial: Trial, without: tuple[int, ...] = ()) -> None:
    data = trial_photo(planned(trial), without)
    photo = send_photo(course.student, trial.attempt_id, data, "plate.jpg", kind="trial", run=trial.number)
    found = [MeasuredBead.of(one) for one in measure_all(data, "plate.jpg")]
    assert store_measurement(photo.measurements.get().pk, found)


def test_from_plan_to_the_setting_with_one_photo(course: Course, api: Callable[..., Any]) -> None:
    trial = begun(course, api)
    url, attempt = f"/api/trials/{trial.pk}", f"/api/attempts/{course.attempt.pk}"
    assert api(course.student, "PUT", url, {"welded": [1, 2, 3, 4, 5]}).status_code == 200
    photographed(course, trial)
    shown = api(course.student, "GET", f"{attempt}/trials").json()
    (one,) = shown["trials"]
    assert [line["value"] for line in one["lines"]] == [38, 44, 51, 59, 68]
    assert [bead["line"] for bead in one["beads"]] == [1, 2, 3, 4, 5]
    assert one["count"] == {"missing": [], "extra": [], "sure": True, "by_hand": False}
    assert one["beads"][0]["as_wanted"] is False
    assert 52 < one["found"]["best"] < 68
    assert one["found"]["lines"][0].startswith("Best welding current: ")
    taken = api(course.student, "POST", f"{url}/start", {"value": one["found"]["best"], "whose": "student"})
    assert taken.status_code == 200
    setup = api(course.student, "GET", f"{attempt}/setup").json()
    (start,) = setup["starts"]
    assert start["words"].startswith("Found by your trial")
    assert start["run"] == {"current_a": one["found"]["best"], "machine_a": one["found"]["best"]}
    # A trial is no attempt: it is in no figures, and the coupon is still to be welded.
    seen = api(course.student, "GET", attempt).json()
    assert (seen["state"], seen["measurement"]) == ("assigned", None)


def test_a_bead_that_is_missing_is_named_and_a_person_may_count(course: Course, api: Callable[..., Any]) -> None:
    trial = begun(course, api)
    photographed(course, trial, without=(3,))
    read = f"/api/attempts/{course.attempt.pk}/trials"
    (one,) = api(course.instructor, "GET", read).json()["trials"]
    assert one["count"]["missing"] == [3]
    assert [bead["line"] for bead in one["beads"]] == [1, 2, 4, 5]
    numbers = [bead["seen_number"] for bead in one["beads"]]
    by_hand = [numbers[0], numbers[1], numbers[2], None, numbers[3]]
    (one,) = api(course.instructor, "PUT", f"/api/trials/{trial.pk}", {"counted": by_hand}).json()["trials"]
    assert one["count"] == {"missing": [4], "extra": [], "sure": True, "by_hand": True}
    (one,) = api(course.student, "PUT", f"/api/trials/{trial.pk}", {"by_place": True}).json()["trials"]
    assert one["count"]["missing"] == [3]
    twice = api(course.student, "PUT", f"/api/trials/{trial.pk}", {"counted": [1, 1]})
    assert (twice.status_code, twice.json()["errors"][0]["field"]) == (400, "counted")


def test_a_photo_without_a_bead_says_why_and_keeps_the_plan(course: Course, api: Callable[..., Any]) -> None:
    trial = begun(course, api)
    photo = send_photo(course.student, trial.attempt_id, trial_photo(planned(trial)), kind="trial", run=1)
    (one,) = api(course.student, "GET", f"/api/attempts/{course.attempt.pk}/trials").json()["trials"]
    assert (one["measuring"], one["beads"], one["found"]) == (True, [], None)
    empty = cv2.imencode(".jpg", np.full((900, 1200, 3), 120, np.uint8))[1].tobytes()
    assert store_measurement(photo.measurements.get().pk, [MeasuredBead.of(one) for one in measure_all(empty)])
    (one,) = api(course.student, "GET", f"/api/attempts/{course.attempt.pk}/trials").json()["trials"]
    assert one["refusal"]
    assert one["lines"]


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ({"varied": "luck"}, "varied"),
        ({**AMPS, "beads": 40}, "beads"),
        ({**AMPS, "low": 90}, "low"),
        ({**AMPS, "luck": 1}, "luck"),
        ({"varied": "current_a", "values": [1e9, 2]}, "values"),
    ],
)
def test_nonsense_is_refused_and_nothing_is_kept(
    course: Course, api: Callable[..., Any], body: dict, field: str
) -> None:
    answer = api(course.student, "POST", f"/api/attempts/{course.attempt.pk}/trials", body)
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (400, field)
    assert not Trial.objects.exists()


def test_a_value_is_of_the_figure_and_of_somebody(course: Course, api: Callable[..., Any]) -> None:
    url = f"/api/trials/{begun(course, api).pk}/start"
    for body, field in (({"value": 1e6, "whose": "student"}, "value"), ({"value": 50, "whose": "all"}, "whose")):
        refused = api(course.student, "POST", url, body)
        assert (refused.status_code, refused.json()["errors"][0]["field"]) == (400, field)
    assert api(course.instructor, "POST", url, {"value": 50, "whose": "booth"}).status_code == 409
    assert not StartValue.objects.exists()


def test_who_may_what(course: Course, api: Callable[..., Any]) -> None:
    trial = begun(course, api)
    read, one = f"/api/attempts/{course.attempt.pk}/trials", f"/api/trials/{trial.pk}"
    for who in (course.other, course.stranger):
        for method, url, body in (
            ("GET", read, None), ("POST", read, AMPS), ("PUT", one, {"welded": [1]}), ("DELETE", one, None),
            ("GET", f"{one}/scribe.pdf", None), ("POST", f"{one}/start", {"value": 50, "whose": "student"}),
        ):  # fmt: skip
            assert api(who, method, url, body).status_code == 404, (who, method, url)
    for who in (course.instructor, course.assistant):
        assert api(who, "GET", read).json()["may_begin"] is False
        assert api(who, "POST", read, AMPS).status_code == 403
        assert api(who, "PUT", one, {"welded": [1]}).status_code == 403
        assert api(who, "DELETE", one).status_code == 403
        assert api(who, "POST", f"{one}/start", {"value": 50, "whose": "class"}).status_code == 200
    for whose in ("class", "booth"):
        assert api(course.student, "POST", f"{one}/start", {"value": 50, "whose": whose}).status_code == 403
    assert api(course.student, "PUT", one, {"welded": [1]}).status_code == 200
    assert api(course.student, "DELETE", one).status_code == 409
    assert api(course.student, "PUT", one, {"welded": []}).status_code == 200
    assert api(course.student, "DELETE", one).json()["trials"] == []


def test_own_before_booth_before_class_and_carried_over_last(course: Course, api: Callable[..., Any]) -> None:
    trial = begun(course, api)
    booth = Booth.objects.create(course=course.row, name="3")
    WeldedAt.objects.create(attempt=course.attempt, booth=booth)
    start = f"/api/trials/{trial.pk}/start"
    setup = f"/api/attempts/{course.attempt.pk}/setup"
    seen = []
    for who, whose, value in (
        (course.instructor, "class", 50),
        (course.instructor, "booth", 54),
        (course.student, "student", 57),
    ):
        assert api(who, "POST", start, {"value": value, "whose": whose}).status_code == 200
        (one,) = api(course.student, "GET", setup).json()["starts"]
        seen.append((one["whose"], one["value"]))
    assert seen == [("class", 50), ("booth", 54), ("student", 57)]
    thick = Design.objects.get(code="plate-bead-20")
    goal = assign_coupon(course.instructor, course.row.pk, design_id=thick.pk, target_width_mm=4.5, finish="warm", good_in_a_row=3, due_on=course.assignment.due_on)  # fmt: skip
    other = Attempt.objects.get(assignment=goal, student=course.student)
    (one,) = api(course.student, "GET", f"/api/attempts/{other.pk}/setup").json()["starts"]
    assert one["value"] > 57
    assert "Carried over from" in one["words"]


def test_whoever_teaches_shows_it_on_a_coupon_of_their_own(course: Course, api: Callable[..., Any]) -> None:
    opened = api(course.instructor, "POST", f"/api/assignments/{course.assignment.pk}/attempts")
    assert opened.status_code == 201
    mine = opened.json()["id"]
    assert api(course.instructor, "POST", f"/api/attempts/{mine}/trials", AMPS).status_code == 201
    trial = Trial.objects.get()
    assert (
        api(course.instructor, "POST", f"/api/trials/{trial.pk}/start", {"value": 52, "whose": "class"}).status_code
        == 200
    )
    (start,) = api(course.student, "GET", f"/api/attempts/{course.attempt.pk}/setup").json()["starts"]
    assert start["whose"] == "class"
    # It is shown, not handed in: no desk, wall or class list counts it.
    wall = api(course.instructor, "GET", f"/api/courses/{course.row.pk}/wall").json()
    assert all(row["student"]["id"] != course.instructor.pk for row in wall)


@pytest.mark.parametrize("paper", ["a4", "letter"])
def test_the_scribe_sheet_is_at_scale(course: Course, api: Callable[..., Any], paper: str) -> None:
    trial = begun(course, api)
    answer = api(course.student, "GET", f"/api/trials/{trial.pk}/scribe.pdf?paper={paper}")
    page = PdfReader(io.BytesIO(answer.content)).pages[0]
    text = page.extract_text()
    assert "Trial of welding current" in text
    for line in planned(trial).lines:
        assert f"{line.number}: {line.value:.0f} A" in text
    assert "100 mm: if it is not" in text
    strokes = page.get_contents().get_data().decode().split("\n")  # type: ignore[union-attr]
    lengths = []
    for one in strokes:
        words = [*one.split(), ""]
        if words[0] == "n" and words[6:8] == ["l", "S"]:
            x0, y0, x1, y1 = (float(words[k]) for k in (1, 2, 4, 5))
            lengths.append(round(((x1 - x0) ** 2 + (y1 - y0) ** 2) ** 0.5 * 25.4 / 72, 1))
    assert 100.0 in lengths
    assert lengths.count(planned(trial).bead_mm) == 5
    assert api(course.student, "GET", f"/api/trials/{trial.pk}/scribe.pdf?paper=a0").status_code == 400


def test_the_number_of_queries_does_not_grow(
    course: Course, api: Callable[..., Any], client_of: Callable[..., Client], django_assert_max_num_queries: Any
) -> None:
    trial = begun(course, api)
    photographed(course, trial)
    student = client_of(course.student)
    for _ in range(3):
        student.post(f"/api/attempts/{course.attempt.pk}/trials", AMPS, "application/json")
    with django_assert_max_num_queries(14):
        assert len(student.get(f"/api/attempts/{course.attempt.pk}/trials").json()["trials"]) == 4
