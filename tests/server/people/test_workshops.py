"""Several workshops on one server: owners, their people and courses, a course that ends, a student who changes course."""

from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client

from judicum.core.errors import InvalidValue
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.follow.stock.models import Use
from judicum.server.people.accounts.models import User, Workshop
from judicum.server.people.courses.models import Course as CourseRow
from judicum.server.people.courses.models import Membership
from judicum.server.people.roles import Role
from judicum.server.people.workshops.actions.set_workshop import make_workshop
from judicum.server.record.attempts.models import Attempt
from tests.people import PASSWORD, RUN, Course, logged, make_person
from tests.server.http.test_access import routes, views_by_route

pytestmark = pytest.mark.django_db
JSON = "application/json"


@pytest.fixture
def owner(course: Course) -> User:
    """Somebody who owns the workshop of the test course and takes part in none of its courses."""
    made = make_person("berit", course.row.workshop)
    User.objects.filter(pk=made.pk).update(owns=True)
    return User.objects.get(pk=made.pk)


def person(of: User, **given: Any) -> tuple[str, dict[str, Any], str]:
    return f"/api/workshop/people/{of.pk}", {"owns": of.owns, "is_active": of.is_active, **given}, JSON


def test_an_owner_sees_all_of_the_workshop_and_nothing_of_another(
    course: Course, owner: User, client_of: Callable[..., Client], django_assert_max_num_queries: Any
) -> None:
    client = client_of(owner)
    with django_assert_max_num_queries(9):
        names = [one["display_name"] for one in client.get("/api/workshop/people").json()["results"]]
    assert names == ["Asmus", "Berit", "Ilka", "Odo", "Sanne"]
    assert [one["name"] for one in client.get("/api/workshop/courses").json()] == ["Test course"]
    elsewhere = CourseRow.objects.get(name="Elsewhere")
    assert client.put(f"/api/workshop/courses/{elsewhere.pk}/part").status_code == 404
    assert client.put(*person(course.stranger, owns=True)).status_code == 404
    assert client.get(f"/api/courses/{course.row.pk}/desk").status_code == 404, "not in the course yet"
    answer = client.put(f"/api/workshop/courses/{course.row.pk}/part").json()
    assert [(one["name"], one["role"]) for one in answer["courses"]] == [("Test course", "instructor")]
    assert client.get(f"/api/courses/{course.row.pk}/desk").status_code == 200


def test_nobody_joins_a_course_of_another_workshop(course: Course, client_of: Callable[..., Client]) -> None:
    refused = client_of(course.student).post("/api/join", {"code": "ELSE1"}, JSON)
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (400, "code")
    body = {"code": "ELSE1", "username": "neu", "display_name": "Neu", "password": PASSWORD}
    assert Client().post("/api/join", body, JSON).status_code == 200
    assert User.objects.get(username="neu").workshop == course.stranger.workshop


def test_an_owner_without_a_course_makes_the_first(client_of: Callable[..., Client], db: None) -> None:
    owner, password = make_workshop("  Weir   works ", "Hedda")
    assert (owner.workshop.name, owner.owns, owner.check_password(password)) == ("Weir works", True, True)
    with pytest.raises(InvalidValue, match="owner"):
        make_workshop("Another", "hedda")  # looks like one that is taken
    assert not Workshop.objects.filter(name="Another").exists()
    answer = client_of(owner).post("/api/courses", {"name": "Spring"}, JSON).json()
    assert [(one["name"], one["role"]) for one in answer["courses"]] == [("Spring", "instructor")]


def test_a_person_is_made_set_and_kept_out(course: Course, owner: User, client_of: Callable[..., Client]) -> None:
    client = client_of(owner)
    answer = client.post("/api/workshop/people", {"username": "runa", "display_name": "Runa Holt"}, JSON)
    assert answer.status_code == 201
    token = answer.json()["address"].rpartition("/")[2]
    made = User.objects.get(username="runa")
    body = {"person": made.pk, "token": token, "password": PASSWORD}
    assert Client().post("/api/password-reset", body, JSON).status_code == 204
    again = client.post("/api/workshop/people", {"username": "RUNA", "display_name": "x"}, JSON)
    assert again.json()["errors"][0]["field"] == "username"
    made.refresh_from_db()
    theirs = client_of(made)
    made_token = theirs.post("/api/tokens", {"name": "sheet", "scope": "read", "days": 3}, JSON).json()["secret"]
    bearer = {"Authorization": f"Bearer {made_token}"}
    assert Client().get("/api/session", headers=bearer).status_code == 200
    assert client.put(*person(made, is_active=False)).json()["is_active"] is False
    assert theirs.get("/api/session").status_code == 401, "signed out at once"
    assert Client().get("/api/session", headers=bearer).status_code == 401, "and so is every program of theirs"
    assert Client().post("/api/session", {"username": "runa", "password": PASSWORD}, JSON).status_code == 401
    assert client.put(*person(made, is_active=True)).status_code == 200
    assert Client().post("/api/session", {"username": "runa", "password": PASSWORD}, JSON).status_code == 200


def test_one_owner_who_can_sign_in_stays(course: Course, owner: User, client_of: Callable[..., Client]) -> None:
    client = client_of(owner)
    for given in ({"owns": False}, {"is_active": False}):
        assert client.put(*person(owner, **given)).json()["code"] == "wrong_state"
    assert client.put(*person(course.instructor, owns=True)).json()["owns"] is True
    assert client.post(f"/api/workshop/people/{course.instructor.pk}/reset").status_code == 403, "an owner's own"
    client.put(*person(owner, owns=False))
    assert client.get("/api/workshop").status_code == 403


def test_a_workshop_is_renamed_and_odd_figures_are_refused(
    course: Course, owner: User, client_of: Callable[..., Client]
) -> None:
    client = client_of(owner)
    body = {"name": "Mill street", "second_factor": False, "photo_retention_days": 400}
    assert client.put("/api/workshop", body, JSON).json() == body
    refused = client.put("/api/workshop", {**body, "name": "x" * 130, "photo_retention_days": 3}, JSON).json()["errors"]
    assert [one["field"] for one in refused] == ["name", "photo_retention_days"]
    assert Workshop.objects.get(pk=owner.workshop_id).name == "Mill street"


def test_an_archived_course_is_read_and_reported_and_never_changed(
    course: Course, client_of: Callable[..., Client]
) -> None:
    logged(course)
    client, student = client_of(course.instructor), client_of(course.student)
    home = f"/api/courses/{course.row.pk}"
    answer = client.put(f"{home}/archived").json()
    assert [one["archived"] for one in answer["courses"]] == [True]
    assert client.get(f"{home}/desk").status_code == 200
    assert client.get(f"{home}/class.csv").status_code == 200
    assert student.put(f"/api/attempts/{course.attempt.pk}/runs/1", RUN, JSON).json()["code"] == "wrong_state"
    body = {"code": "TEST1", "username": "late", "display_name": "Late", "password": PASSWORD}
    assert Client().post("/api/join", body, JSON).status_code == 400
    assert student.post(f"{home}/reports", {"student": course.student.pk, "paper": "a4"}, JSON).status_code in (
        201,
        202,
    )
    refused, views = 0, views_by_route()
    for route, methods in routes():
        for method in set(methods) - {"GET"}:
            if "<int:course_id>" not in route or getattr(views[route], "of_archived", False):
                continue
            address = "/" + route.replace("<int:course_id>", str(course.row.pk))
            address = address.replace("<int:attempt_id>", str(course.attempt.pk)).replace("<int:", "").replace(">", "")
            address = "/".join("1" if part.endswith(("_id", "number")) else part for part in address.split("/"))
            assert client.generic(method, address, "{}", JSON).status_code == 409, f"{method} {address}"
            refused += 1
    assert refused > 20
    assert client.delete(f"{home}/archived").status_code == 200
    assert student.put(f"/api/attempts/{course.attempt.pk}/runs/1", RUN, JSON).status_code == 200


def test_a_student_changes_course_with_the_record(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = logged(course)
    client = client_of(course.instructor)
    copy = client.post("/api/courses", {"name": "Next year", "like": course.row.pk}, JSON).json()["courses"][1]["id"]
    client.post("/api/courses", {"name": "Empty"}, JSON)
    empty = CourseRow.objects.get(name="Empty").pk

    def move(to: int) -> int:
        member = Membership.objects.get(user=course.student)
        address = f"/api/courses/{member.course_id}/members/{member.pk}/move"
        return client.post(address, {"to": to}, JSON).status_code

    assert move(course.row.pk) == 400
    assert move(CourseRow.objects.get(name="Elsewhere").pk) == 404
    events = list(attempt.events.values_list("pk", flat=True))
    for to, given in ((copy, 1), (empty, 1)):
        assert move(to) == 204
        moved = Attempt.objects.get(pk=attempt.pk)
        assert (moved.course_id, moved.assignment.course_id) == (to, to)
        assert Assignment.objects.filter(course=to).count() == given, "the coupon that is there, or one like it"
        assert Use.objects.get(attempt=attempt).course_id == to
        assert list(moved.events.values_list("pk", flat=True)) == events
    assert not Attempt.objects.filter(student=course.student).exclude(course=empty).exists()
    assert client_of(course.student).get(f"/api/attempts/{attempt.pk}").status_code == 200
    assert client_of(course.student).get(f"/api/courses/{course.row.pk}").status_code == 404
    teaching = Membership.objects.get(user=course.assistant)
    refused = client.post(f"/api/courses/{course.row.pk}/members/{teaching.pk}/move", {"to": empty}, JSON)
    assert refused.status_code == 403
    assert Membership.objects.filter(course=empty, role=Role.STUDENT).count() == 1
