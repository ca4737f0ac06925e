"""Running a school: courses made and copied, roles given and taken, join codes that end, passwords changed and reset."""

from collections.abc import Callable
from datetime import timedelta
from typing import Any

import pytest
from django.test import Client
from django.utils import timezone

from judicum.core.marking import SCHEMES
from judicum.server.catalogue.coupons.models import Assignment, Design
from judicum.server.catalogue.schemes.queries import newest_schemes
from judicum.server.follow.sessions.actions.set_booth import set_booth
from judicum.server.follow.sessions.models import Booth
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course as CourseRow
from judicum.server.people.courses.models import Membership
from judicum.server.people.roles import Role
from tests.people import PASSWORD, Course, logged

pytestmark = pytest.mark.django_db
NEW = "another-good-password"


def member_of(course: Course, user: User) -> Membership:
    return Membership.objects.get(course=course.row, user=user)


def url(course: Course, what: str) -> str:
    return f"/api/courses/{course.row.pk}/{what}"


def at_member(course: Course, user: User, what: str = "") -> str:
    return url(course, f"members/{member_of(course, user).pk}{what}")


def test_an_instructor_makes_a_second_course_and_nobody_else_does(
    course: Course, client_of: Callable[..., Client]
) -> None:
    answer = (
        client_of(course.instructor).post("/api/courses", {"name": "  Spring   course "}, "application/json").json()
    )
    assert [one["name"] for one in answer["courses"]] == ["Test course", "Spring course"]
    assert answer["courses"][1]["role"] == "instructor"
    for who in (course.assistant, course.student):
        assert client_of(who).post("/api/courses", {"name": "Mine"}, "application/json").status_code == 403
    for name in (" ", "x" * 130):
        refused = client_of(course.instructor).post("/api/courses", {"name": name}, "application/json")
        assert (refused.status_code, refused.json()["errors"][0]["field"]) == (400, "name")
    assert CourseRow.objects.count() == 3


def test_a_course_is_copied_with_all_but_its_people(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.instructor)
    client.patch(url(course, "schools"), {"sequence": "carbon"}, "application/json")
    body = SCHEMES["training"].as_json()
    client.post(url(course, "schemes"), {"code": "training", "scheme": {**body, "pass_mark": 71}}, "application/json")
    own = {"metal": "304L", "joint": "tee", "thickness_mm": 2.5}
    made = client.post(url(course, "designs"), {"title": "Basin tee", "coupon": own}, "application/json").json()
    given = {"design": made["id"], "target_width_mm": 5, "finish": "warm", "due_on": "2031-05-01"}
    assert client.post(url(course, "assignments"), given, "application/json").status_code == 201
    set_booth(course.instructor, course.row.pk, None, "4", ["purge"], "pedal sticks")
    CourseRow.objects.filter(pk=course.row.pk).update(created_at=timezone.now() - timedelta(days=100))
    logged(course)
    answer = client.post("/api/courses", {"name": "Next year", "like": course.row.pk}, "application/json").json()
    new = CourseRow.objects.get(pk=answer["courses"][1]["id"])
    assert new.sequence == "carbon"
    assert newest_schemes(new.pk).get(code="training").body["pass_mark"] == 71
    copied = Design.objects.get(course=new)
    assert (copied.title, copied.version) == ("Basin tee", 1)
    assert {one.design.title for one in Assignment.objects.filter(course=new)} == {"Basin tee", "Bead on plate, 1.5 mm"}
    basin = Assignment.objects.get(course=new, design=copied)
    assert basin.due_on.isoformat() == "2031-08-09", "as long after this course began as it was after the other one"
    assert [(booth.name, booth.broken) for booth in Booth.objects.filter(course=new)] == [("4", "")]
    assert [one.user for one in Membership.objects.filter(course=new)] == [course.instructor]
    assert not Assignment.objects.filter(course=new, attempts__isnull=False).exists()
    # Its coupons and schemes are its own: a change here does not reach there.
    client.post(url(course, "schemes"), {"code": "training", "scheme": {**body, "pass_mark": 55}}, "application/json")
    assert newest_schemes(new.pk).get(code="training").body["pass_mark"] == 71
    stranger = client_of(course.stranger).post("/api/courses", {"name": "Theft", "like": course.row.pk}, "application/json")  # fmt: skip
    assert stranger.status_code == 404
    assert not CourseRow.objects.filter(name="Theft").exists(), "nothing is half-made"


def test_roles_are_given_and_taken_and_one_instructor_stays(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.instructor)
    answer = client.put(at_member(course, course.student), {"role": "assistant"}, "application/json").json()
    assert answer["role"] == "assistant"
    assert client_of(course.student).get(url(course, "desk")).status_code == 200
    assert client.put(at_member(course, course.student), {"role": "king"}, "application/json").status_code == 400
    last = client.put(at_member(course, course.instructor), {"role": "student"}, "application/json")
    assert last.status_code == 409
    assert client.delete(at_member(course, course.instructor)).status_code == 409
    client.put(at_member(course, course.assistant), {"role": "instructor"}, "application/json")
    assert client.delete(at_member(course, course.instructor)).status_code == 204
    assert client.get(url(course, "desk")).status_code == 404


def test_who_is_let_go_sees_nothing_and_leaves_the_record(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = logged(course)
    assert client_of(course.instructor).delete(at_member(course, course.student)).status_code == 204
    assert client_of(course.student).get(url(course, "attempts")).status_code == 404
    assert client_of(course.instructor).get(f"/api/attempts/{attempt.pk}").status_code == 200


def join(code: str, name: str = "neu") -> Any:
    body = {"code": code, "username": name, "display_name": name, "password": PASSWORD}
    return Client().post("/api/join", body, "application/json")


def test_a_join_code_is_renewed_counted_and_ended(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.instructor)
    answer = client.put(url(course, "join-code"), {"renew": True, "left": 1}, "application/json").json()
    assert answer["code"] != "TEST1"
    assert join("TEST1", "late").status_code == 400
    assert join(answer["code"], "one").status_code == 200
    assert client.get(url(course, "join-code")).json()["left"] == 0
    assert join(answer["code"], "two").status_code == 400, "one was let in"
    assert not User.objects.filter(username="two").exists()
    client.put(url(course, "join-code"), {"until": (timezone.now() + timedelta(hours=1)).isoformat()}, "application/json")  # fmt: skip
    assert join(answer["code"], "three").status_code == 200
    CourseRow.objects.filter(pk=course.row.pk).update(join_until=timezone.now() - timedelta(seconds=1))
    assert join(answer["code"], "four").status_code == 400
    for body in ({"left": -1}, {"until": "2020-01-01T00:00:00Z"}):
        assert client.put(url(course, "join-code"), body, "application/json").status_code == 400


def signed_in(name: str, password: str) -> Client:
    client = Client()
    client.post("/api/session", {"username": name, "password": password}, "application/json")
    return client


def works(client: Client) -> bool:
    return client.get("/api/session").status_code == 200


def with_password(user: User) -> User:
    user.set_password(PASSWORD)
    user.save()
    return user


def test_a_new_password_signs_every_other_browser_out(course: Course) -> None:
    with_password(course.student)
    here, there = signed_in("sanne", PASSWORD), signed_in("sanne", PASSWORD)
    assert works(here)
    assert works(there)
    wrong = here.put("/api/session/password", {"old": "not-this-one", "password": NEW}, "application/json")
    assert (wrong.status_code, wrong.json()["errors"][0]["field"]) == (400, "old")
    weak = here.put("/api/session/password", {"old": PASSWORD, "password": "short"}, "application/json")
    assert (weak.status_code, weak.json()["errors"][0]["field"]) == (400, "password")
    assert here.put("/api/session/password", {"old": PASSWORD, "password": NEW}, "application/json").status_code == 204
    assert works(here)
    assert not works(there)
    assert works(signed_in("sanne", NEW))
    assert not works(signed_in("sanne", PASSWORD))


def test_signing_out_everywhere_ends_all_sessions_and_no_more(course: Course) -> None:
    with_password(course.student)
    here, there = signed_in("sanne", PASSWORD), signed_in("sanne", PASSWORD)
    assert here.delete("/api/session/everywhere").status_code == 204
    assert not works(here)
    assert not works(there)
    assert works(signed_in("sanne", PASSWORD))


def reset(link: str, password: str = NEW) -> Any:
    person, token = link.rsplit("/", 2)[1:]
    body = {"person": int(person), "token": token, "password": password}
    return Client().post("/api/password-reset", body, "application/json")


def test_nobody_is_taken_into_a_course_or_given_a_new_password_by_a_teacher_they_do_not_have(
    course: Course, client_of: Callable[..., Client]
) -> None:
    # A student of the workshop who has joined another course of it, and a teacher who wants their account.
    mine = CourseRow.objects.create(workshop=course.row.workshop, name="Mine", join_code="MINE1")
    Membership.objects.create(course=mine, user=course.assistant, role=Role.INSTRUCTOR)
    taker, table = client_of(course.assistant), "username;role\nsanne;student\n"
    at = f"/api/courses/{mine.pk}/sheets/people.csv"
    for answer in (taker.post(at, table, "text/csv").json(), taker.put(at, table, "text/csv").json()):
        assert (answer["kept"], answer["lines"][0]["outcome"]) == (False, "refused")
        assert "join code" in answer["lines"][0]["problems"][0]["allowed"]
    assert not Membership.objects.filter(course=mine, user=course.student).exists()
    # They join by themselves: then they are in the course, and their password stays with their own.
    assert client_of(course.student).post("/api/join", {"code": "MINE1"}, "application/json").status_code == 200
    member = Membership.objects.get(course=mine, user=course.student)
    assert taker.post(f"/api/courses/{mine.pk}/members/{member.pk}/reset").status_code == 403
    assert client_of(course.instructor).post(at_member(course, course.student, "/reset")).status_code == 403
    # Let go elsewhere, what they welded there keeps it so.
    logged(course)
    Membership.objects.filter(course=course.row, user=course.student).delete()
    assert taker.post(f"/api/courses/{mine.pk}/members/{member.pk}/reset").status_code == 403
    # An owner may both.
    User.objects.filter(pk=course.instructor.pk).update(owns=True)
    Membership.objects.create(course=mine, user=course.instructor, role=Role.INSTRUCTOR)
    owner, table = client_of(User.objects.get(pk=course.instructor.pk)), "username;role\nodo;student\n"
    assert owner.put(at, table, "text/csv").json()["lines"][0]["outcome"] == "made"
    assert owner.post(f"/api/workshop/people/{course.student.pk}/reset").status_code == 200


def test_a_forgotten_password_is_reset_once_by_a_link_that_was_handed_over(
    course: Course, client_of: Callable[..., Client], settings: Any
) -> None:
    with_password(course.student)
    instructor = client_of(course.instructor)
    link = instructor.post(at_member(course, course.student, "/reset")).json()["address"]
    assert "/reset/" in link
    assert reset(link, "weak").status_code == 400
    assert reset(link).status_code == 204
    assert works(signed_in("sanne", NEW))
    assert reset(link, PASSWORD).json()["errors"][0]["field"] == "token", "a link is used once"
    other = instructor.post(at_member(course, course.student, "/reset")).json()["address"]
    assert reset(other[:-1] + ("a" if other[-1] != "a" else "b")).status_code == 400
    settings.PASSWORD_RESET_TIMEOUT = -1
    assert reset(other).status_code == 400, "it ends after a day"


def test_nobody_gets_at_the_account_of_somebody_who_teaches_elsewhere(
    course: Course, client_of: Callable[..., Client]
) -> None:
    instructor = client_of(course.instructor)
    assert instructor.post(at_member(course, course.instructor, "/reset")).status_code == 403
    assert instructor.post(at_member(course, course.assistant, "/reset")).status_code == 200
    Membership.objects.create(course=course.row, user=course.stranger, role=Role.STUDENT)
    assert instructor.post(at_member(course, course.stranger, "/reset")).status_code == 403
    elsewhere = CourseRow.objects.get(name="Elsewhere")
    Membership.objects.create(course=elsewhere, user=course.assistant, role=Role.ASSISTANT)
    assert instructor.post(at_member(course, course.assistant, "/reset")).status_code == 403
