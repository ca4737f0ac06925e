"""The coupon builder, the schools of a course, and the workbench."""

from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client

from judicum.core.workbench import PANELS
from judicum.server.catalogue.coupons.models import Design
from judicum.server.catalogue.coupons.setup import card_for, coupon_of
from tests.people import Course

pytestmark = pytest.mark.django_db

TEE = {"metal": "304L", "joint": "tee", "thickness_mm": 2.5, "cup": 12, "finish": "bright"}


@pytest.fixture
def teacher(course: Course, client_of: Callable[..., Client]) -> Client:
    return client_of(course.instructor)


def save(client: Client, course: Course, **more: Any) -> Any:
    body = {"title": "Basin corner", "coupon": TEE, **more}
    return client.post(f"/api/courses/{course.row.pk}/designs", body, "application/json")


def test_a_coupon_is_planned_while_it_is_typed_and_nothing_is_kept(course: Course, teacher: Client) -> None:
    url = f"/api/courses/{course.row.pk}/plan"
    before = Design.objects.count()
    thin = teacher.post(url, {"coupon": {**TEE, "thickness_mm": 1.0}}, "application/json").json()
    thick = teacher.post(url, {"coupon": TEE}, "application/json").json()
    assert thin["current_a"]["aim"] < thick["current_a"]["aim"]
    assert Design.objects.count() == before
    refused = teacher.post(url, {"coupon": {**TEE, "thickness_mm": "two"}}, "application/json")
    assert refused.status_code == 400
    assert refused.json()["errors"][0]["field"] == "thickness_mm"


def test_a_kept_coupon_is_the_courses_own_and_can_be_given(course: Course, teacher: Client) -> None:
    made = save(teacher, course).json()
    assert (made["version"], made["course"], made["more"]) == (1, course.row.pk, {"cup": 12})
    assert made["target_width_mm"] > 3
    url = f"/api/courses/{course.row.pk}/assignments"
    body = {"design": made["id"], "target_width_mm": 5, "finish": "warm", "due_on": "2030-01-01"}
    assert teacher.post(url, body, "application/json").status_code == 201
    titles = [d["title"] for d in teacher.get(f"/api/courses/{course.row.pk}/designs?page_size=100").json()["results"]]
    assert "Basin corner" in titles


def test_a_design_that_was_given_never_changes(course: Course, teacher: Client) -> None:
    first = save(teacher, course).json()
    second = save(teacher, course, coupon={**TEE, "thickness_mm": 3.0}, base=first["id"]).json()
    assert (second["code"], second["version"]) == (first["code"], 2)
    assert Design.objects.get(pk=first["id"]).thickness_mm == 2.5
    shown = teacher.get(f"/api/courses/{course.row.pk}/designs?page_size=100").json()["results"]
    assert [d["version"] for d in shown if d["code"] == first["code"]] == [2]


def test_a_design_of_the_library_is_copied_not_changed(course: Course, teacher: Client) -> None:
    base = Design.objects.get(code="butt-15")
    copy = save(teacher, course, base=base.pk).json()
    assert copy["code"] != base.code
    assert Design.objects.filter(code="butt-15").count() == 1
    twin = save(teacher, course).json()
    assert twin["code"] != copy["code"]


def test_another_course_sees_nothing_of_it(course: Course, teacher: Client, client_of: Callable[..., Client]) -> None:
    made = save(teacher, course).json()
    elsewhere = course.stranger.memberships.get().course_id
    client = client_of(course.stranger)
    codes = [d["code"] for d in client.get(f"/api/courses/{elsewhere}/designs?page_size=100").json()["results"]]
    assert made["code"] not in codes
    body = {"design": made["id"], "target_width_mm": 5, "finish": "warm", "due_on": "2030-01-01"}
    assert client.post(f"/api/courses/{elsewhere}/assignments", body, "application/json").status_code == 400
    again = client.post(
        f"/api/courses/{elsewhere}/designs", {"title": "x", "coupon": TEE, "base": made["id"]}, "application/json"
    )
    assert again.json()["errors"][0]["field"] == "base"


@pytest.mark.parametrize(
    ("change", "field"),
    [({"title": "   "}, "title"), ({"length_mm": 4}, "length_mm"), ({"coupon": {"metal": "tin"}}, "joint"), ({"coupon": []}, "coupon")],
)  # fmt: skip
def test_what_cannot_be_kept_names_its_field(course: Course, teacher: Client, change: Any, field: str) -> None:
    before = Design.objects.count()
    answer = save(teacher, course, **change)
    assert answer.status_code == 400
    assert answer.json()["errors"][0]["field"].startswith(field) or field in answer.json()["detail"]
    assert Design.objects.count() == before


def test_a_gauge_is_kept_as_millimetres(course: Course, teacher: Client) -> None:
    made = save(teacher, course, coupon={"metal": "304L", "joint": "lap", "gauge": 16}).json()
    assert made["thickness_mm"] == pytest.approx(1.5875, abs=0.001)
    assert "gauge" not in made["more"]


def test_the_schools_of_a_course_move_its_cards(course: Course, teacher: Client) -> None:
    url = f"/api/courses/{course.row.pk}/schools"
    assert (
        teacher.patch(url, {"pedal_school": "ride", "solvent": "alcohol"}, "application/json").json()["pedal_school"]
        == "ride"
    )
    course.row.refresh_from_db()
    course.assignment.refresh_from_db()
    card = card_for(course.assignment)
    assert card.current_a.machine > 1.3 * card.current_a.aim
    steps = teacher.get(f"/api/attempts/{course.attempt.pk}").json()["preparation"]
    assert any("denatured alcohol" in s["words"] for s in steps)
    refused = teacher.patch(url, {"pedal_school": "stamp"}, "application/json")
    assert refused.json()["errors"][0]["allowed"] == "one of target, ride"


def test_the_purge_school_decides_what_a_design_leaves_open(course: Course) -> None:
    course.assignment.design = Design.objects.filter(joint="tube_butt").first()
    assert "purge" not in {k: v for k, v in coupon_of(course.assignment).items() if v is not None}
    course.row.purge_school = "root"
    course.assignment.course = course.row
    assert coupon_of(course.assignment)["purge"] is False


def test_newcomers_see_the_units_of_the_course(course: Course, teacher: Client) -> None:
    teacher.patch(f"/api/courses/{course.row.pk}/schools", {"unit_system": "us"}, "application/json")
    body = {"code": "TEST1", "username": "newt", "display_name": "Newt", "password": "blue-fountain-7"}
    session = Client().post("/api/join", body, "application/json").json()
    assert (session["length_unit"], session["flow_unit"]) == ("thou", "cfh")


def test_the_workbench_answers_from_its_address(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.student)
    panels = {p["key"]: p for p in client.get("/api/workbench").json()}
    assert {panel.key for panel in PANELS} == set(panels)
    answer = client.get("/api/workbench/pulse?peak_a=110&background_a=25&on_share=0.3").json()
    assert answer["results"][0] == {
        "key": "mean_a",
        "words": "Mean current",
        "value": 50.5,
        "quantity": "current",
        "unit": "A",
        "digits": 1,
    }
    refused = client.get("/api/workbench/pulse?peak_a=nan&odd=1")
    assert refused.status_code == 400
    assert {e["field"] for e in refused.json()["errors"]} == {"odd", "peak_a"}


def test_what_can_be_designed_can_be_given(course: Course, teacher: Client) -> None:
    made = save(teacher, course, coupon={**TEE, "target_width_mm": 22}).json()
    body = {"design": made["id"], "target_width_mm": 22, "finish": "warm", "due_on": "2030-01-01"}
    assert teacher.post(f"/api/courses/{course.row.pk}/assignments", body, "application/json").status_code == 201
    refused = teacher.post(
        f"/api/courses/{course.row.pk}/assignments", {**body, "target_width_mm": 26}, "application/json"
    )
    assert refused.json()["errors"] == [
        {
            "field": "target_width_mm",
            "words": "Bead width",
            "given": "26 mm",
            "allowed": "1 to 25 mm",
            "message": "Bead width: enter 1 to 25 mm (you entered 26 mm).",
        }
    ]
