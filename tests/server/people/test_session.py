import pytest
from django.test import Client

from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Membership
from tests.people import PASSWORD, Course

pytestmark = pytest.mark.django_db


def sign_in(client: Client, username: str, password: str):  # type: ignore[no-untyped-def]
    return client.post("/api/session", {"username": username, "password": password}, "application/json")


def test_sign_in_tells_who_one_is_and_which_courses_one_has(course: Course) -> None:
    course.student.set_password(PASSWORD)
    course.student.save()
    assert course.student.password.startswith("argon2$")
    client = Client()
    answer = sign_in(client, "sanne", PASSWORD)
    assert answer.status_code == 200
    assert answer.json()["courses"] == [
        {"id": course.row.pk, "name": "Test course", "role": "student", "archived": False}
    ]
    assert client.get("/api/session").json()["username"] == "sanne"
    assert client.delete("/api/session").status_code == 204
    assert client.get("/api/session").status_code == 401


def test_wrong_name_and_wrong_password_look_alike(course: Course) -> None:
    answers = [sign_in(Client(), name, "wrong") for name in ("sanne", "nobody")]
    assert [a.status_code for a in answers] == [401, 401]
    assert answers[0].json() == answers[1].json()
    assert answers[0].json()["code"] == "wrong_password"


def test_repeated_failures_have_to_wait_even_with_the_right_password(course: Course) -> None:
    course.student.set_password(PASSWORD)
    course.student.save()
    for _ in range(5):
        sign_in(Client(), "sanne", "wrong")
    answer = sign_in(Client(), "sanne", PASSWORD)
    assert answer.status_code == 429
    assert answer["Retry-After"] == "5"
    course.other.set_password(PASSWORD)
    course.other.save()
    assert sign_in(Client(), "odo", PASSWORD).status_code == 200


def test_a_change_without_the_csrf_token_is_refused(course: Course) -> None:
    client = Client(enforce_csrf_checks=True)
    client.force_login(course.student, backend="django.contrib.auth.backends.ModelBackend")
    answer = client.put(f"/api/attempts/{course.attempt.pk}/runs/1", {"current_a": 60}, "application/json")
    assert answer.status_code == 403
    page = client.get("/anything")
    assert page.cookies["judicum_csrf"].value
    token = page.cookies["judicum_csrf"].value
    run = {"current_a": 60, "gas_l_min": 10}
    with_token = client.put(
        f"/api/attempts/{course.attempt.pk}/runs/1", run, "application/json", headers={"X-CSRFToken": token}
    )
    assert with_token.status_code == 200


def test_a_newcomer_joins_with_the_code_and_is_a_student(course: Course) -> None:
    client = Client()
    given = {"code": " test1 ", "username": "new", "display_name": "New One", "password": "blue-fountain-7"}
    answer = client.post("/api/join", given, "application/json")
    assert answer.status_code == 200
    assert answer.json()["courses"][0]["role"] == "student"
    assert client.get("/api/session").status_code == 200


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"code": "NOPE"}, "code"),
        ({"username": "sanne"}, "username"),
        ({"password": "short"}, "password"),
        ({"password": "password123"}, "password"),
        ({"display_name": ""}, "display_name"),
    ],
)
def test_a_refused_join_names_the_field_and_leaves_nothing_behind(course: Course, change: dict, field: str) -> None:
    given = {"code": "TEST1", "username": "new", "display_name": "New One", "password": "blue-fountain-7", **change}
    answer = Client().post("/api/join", given, "application/json")
    assert answer.status_code == 400
    assert answer["Content-Type"] == "application/problem+json"
    assert answer.json()["errors"][0]["field"] == field
    assert not User.objects.filter(username="new").exists()


def test_staff_who_use_the_code_keep_their_role(course: Course, client_of) -> None:  # type: ignore[no-untyped-def]
    assert client_of(course.instructor).post("/api/join", {"code": "TEST1"}, "application/json").status_code == 200
    assert Membership.objects.get(user=course.instructor, course=course.row).role == "instructor"


def test_units_are_kept(course: Course, client_of) -> None:  # type: ignore[no-untyped-def]
    client = client_of(course.student)
    assert (
        client.patch("/api/session/preferences", {"length_unit": "thou"}, "application/json").json()["length_unit"]
        == "thou"
    )
    assert client.get("/api/session").json()["flow_unit"] == "l_min"
    assert client.patch("/api/session/preferences", {"length_unit": "ell"}, "application/json").status_code == 400
