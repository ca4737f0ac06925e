"""Marking schemes of a course: versions that stand, what a change would have done, knock-outs and lines that are missing."""

from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client

from judicum.core.marking import SCHEMES
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.schemes.library import load_schemes
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.models import Mark
from judicum.server.record.photos.models import Measurement
from tests.measured import measured_attempt
from tests.people import Course
from tests.server.record.test_marking import SCORES, mark

pytestmark = pytest.mark.django_db
BODY = SCHEMES["training"].as_json()


def saved(client: Client, course: Course, body: Any, code: str | None = "training") -> Any:
    url = f"/api/courses/{course.row.pk}/schemes"
    return client.post(url, {"code": code, "scheme": body}, "application/json")


def returned(client: Client, attempt: Attempt, **changes: Any) -> Any:
    version = mark(client, attempt, **changes).json()["version"]
    return client.post(f"/api/attempts/{attempt.pk}/return", {"version": version}, "application/json")


def with_faults(attempt: Attempt, *kinds: str) -> None:
    made = Measurement.objects.get(photo__attempt=attempt, photo__kind="bead")
    place = {"s_mm": 30.0, "n_mm": 0.0, "x_mm": 1.0, "y_mm": 1.0, "size_mm": 2.0, "confidence": 0.9}
    report = {**(made.report or {}), "defects": [{"kind": kind, **place} for kind in kinds]}
    Measurement.objects.filter(pk=made.pk).update(report=report)


def test_the_shipped_schemes_are_there_once_and_a_changed_one_is_a_new_version(
    course: Course, client_of: Callable[..., Client], monkeypatch: pytest.MonkeyPatch
) -> None:
    found = client_of(course.assistant).get(f"/api/courses/{course.row.pk}/schemes").json()
    assert {row["code"] for row in found} == set(SCHEMES)
    load_schemes()
    assert Scheme.objects.count() == len(SCHEMES)
    monkeypatch.setitem(SCHEMES, "training", SCHEMES["show_colour"])
    load_schemes()
    assert list(Scheme.objects.filter(code="training").values_list("version", flat=True)) == [1, 2]


def test_a_change_is_a_version_of_the_course_s_own_and_marks_keep_theirs(
    course: Course, client_of: Callable[..., Client]
) -> None:
    client = client_of(course.instructor)
    first = measured_attempt(course)
    mark(client, first)
    only_width = {**BODY, "title": "Width only", "lines": BODY["lines"][:1]}
    rows = saved(client, course, only_width)
    assert rows.status_code == 201
    mine = next(row for row in rows.json() if row["code"] == "training")
    assert (mine["own"], mine["version"], mine["body"]["title"], mine["used"]) == (True, 1, "Width only", 0)
    first.refresh_from_db()
    assert mark(client, first).json()["mark"]["scheme"] == "Training, version 1"
    second = measured_attempt(course)
    answer = mark(client, second, scores={"width_evenness": 9.0}).json()["mark"]
    assert (answer["scheme"], answer["total"], answer["lines"]) == (
        "Width only, version 1",
        90,
        {"width_evenness": "Even width"},
    )
    assert mark(client, second, scores=SCORES).status_code == 400
    again = next(row for row in saved(client, course, BODY).json() if row["code"] == "training")
    assert again["version"] == 2


def test_a_new_scheme_gets_a_code_of_its_own_and_nonsense_is_refused(
    course: Course, client_of: Callable[..., Client]
) -> None:
    client = client_of(course.instructor)
    codes = [row["code"] for row in saved(client, course, {**BODY, "title": "Basin rims"}, None).json()]
    assert "basin_rims" in codes
    codes = [row["code"] for row in saved(client, course, {**BODY, "title": "Basin rims"}, None).json()]
    assert "basin_rims_2" in codes
    assert saved(client, course, BODY, "nobody").status_code == 400
    refused = saved(client, course, {**BODY, "lines": [{"criterion": "beauty", "weight": 1}]})
    assert refused.status_code == 400
    assert refused.json()["errors"][0]["field"] == "lines.0.criterion"
    assert Scheme.objects.filter(course=course.row).count() == 2


def test_a_change_shows_what_it_would_have_done_and_keeps_nothing(
    course: Course, client_of: Callable[..., Client]
) -> None:
    client = client_of(course.instructor)
    attempt = measured_attempt(course)
    returned(client, attempt)
    url = f"/api/courses/{course.row.pk}/schemes/try"
    harder = {**BODY, "pass_mark": 99}
    found = client.post(url, {"code": "training", "scheme": harder}, "application/json").json()
    assert (found["pass_anew"], found["fail_anew"]) == (0, 1)
    row = found["marks"][0]
    assert (row["attempt"], row["passed"], row["new_passed"], row["total"]) == (attempt.pk, True, False, 80)
    same = client.post(url, {"code": "training", "scheme": BODY}, "application/json").json()
    assert (same["pass_anew"], same["fail_anew"]) == (0, 0)
    assert client.post(url, {"code": "timed_test", "scheme": BODY}, "application/json").json()["marks"] == []
    assert not Scheme.objects.filter(course=course.row).exists()


def test_what_knocks_out_fails_the_coupon_unless_it_is_waived(course: Course, client_of: Callable[..., Client]) -> None:
    client, attempt = client_of(course.instructor), measured_attempt(course)
    with_faults(attempt, "burn_through", "pore")
    proposed = client.get(f"/api/attempts/{attempt.pk}/suggestions").json()
    assert proposed["knocked"] == [{"key": "burn_through", "words": "burn-through"}]
    answer = mark(client, attempt).json()["mark"]
    assert (answer["total"], answer["passed"], answer["knocked"]) == (80, False, ["burn-through"])
    attempt.refresh_from_db()
    waived = mark(client, attempt, waived=["burn_through"]).json()["mark"]
    assert (waived["passed"], waived["knocked"]) == (True, [])
    attempt.refresh_from_db()
    assert mark(client, attempt, waived=["grey"]).status_code == 400


def test_the_coupon_s_own_pass_mark_counts_before_the_scheme_s(
    course: Course, client_of: Callable[..., Client]
) -> None:
    Assignment.objects.update(pass_mark=85)
    attempt = measured_attempt(course)
    assert mark(client_of(course.instructor), attempt).json()["mark"]["passed"] is False
    assert Mark.objects.get().readings["width_evenness"] < 0.06


def test_nothing_is_returned_on_few_lines(course: Course, client_of: Callable[..., Client]) -> None:
    client, attempt = client_of(course.instructor), measured_attempt(course)
    # No list was kept, so preparation does not apply; every other line is open.
    few = {**dict.fromkeys(SCORES), "setup_followed": 8.0}
    refused = returned(client, attempt, scores=few)
    assert refused.status_code == 400
    assert {p["field"] for p in refused.json()["errors"]} == {
        f"scores.{key}" for key in SCORES if key not in ("setup_followed", "preparation")
    }
    attempt.refresh_from_db()
    assert attempt.state == "marked"
    said = returned(client, attempt, scores=few, not_applying=[key for key in SCORES if key != "setup_followed"])
    assert said.status_code == 200
    attempt.refresh_from_db()
    assert mark(client, attempt, scores=SCORES, not_applying=["tint"]).status_code == 400


def test_a_coupon_is_given_with_its_scheme_and_pass_mark(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.instructor)
    design = course.assignment.design_id
    body = {
        "design": design,
        "target_width_mm": 4,
        "finish": "warm",
        "due_on": "2030-01-01",
        "scheme": "timed_test",
        "pass_mark": 80,
    }
    url = f"/api/courses/{course.row.pk}/assignments"
    made = client.post(url, body, "application/json").json()
    assert (made["scheme"], made["pass_mark"]) == ("timed_test", 80)
    assert client.post(url, {**body, "scheme": "nobody"}, "application/json").status_code == 400
    assert client.post(url, {**body, "pass_mark": 101}, "application/json").status_code == 400
