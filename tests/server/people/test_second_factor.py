"""A second factor: begun, confirmed, asked for at the door, lost and recovered; and what a workshop may ask of its staff."""

from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client
from django_otp.oath import TOTP
from django_otp.plugins.otp_totp.models import TOTPDevice

from judicum.server.commands.management.commands import recover_account
from judicum.server.people.accounts.models import User
from tests.people import PASSWORD, Course

pytestmark = pytest.mark.django_db
JSON = "application/json"
HERE = "/api/session/second-factor"


@pytest.fixture
def teacher(course: Course) -> User:
    course.instructor.set_password(PASSWORD)
    course.instructor.owns = True
    course.instructor.save()
    return course.instructor


def shown_code(user: User, steps: int = 0) -> str:
    """What the phone shows (RFC 6238), `steps` half minutes from now."""
    device = TOTPDevice.objects.get(user=user)
    clock = TOTP(device.bin_key, device.step, device.t0, device.digits, device.drift)
    clock.time += steps * device.step if steps else 0
    return f"{clock.token():06d}"


def sign_in(code: str = "") -> Any:
    client = Client()
    return client, client.post("/api/session", {"username": "ilka", "password": PASSWORD, "code": code}, JSON)


def set_up(client: Client, user: User) -> list[str]:
    begun = client.post(HERE).json()
    assert begun["address"].startswith("otpauth://totp/Judicum")
    assert begun["secret"] in begun["address"]
    assert begun["picture"].startswith("data:image/svg+xml")
    codes: list[str] = client.put(HERE, {"code": shown_code(user)}, JSON).json()["codes"]
    return codes


def let_time_pass(user: User) -> None:
    """The half minute in which a code was used, and the wait after a wrong one, are over."""
    TOTPDevice.objects.filter(user=user).update(last_t=-1, throttling_failure_timestamp=None)
    user.staticdevice_set.update(throttling_failure_timestamp=None)


def test_it_counts_only_once_its_first_code_was_given(teacher: User, client_of: Callable[..., Client]) -> None:
    client = client_of(teacher)
    client.post(HERE)
    assert sign_in()[1].status_code == 200
    assert client.put(HERE, {"code": "000000"}, JSON).json()["errors"][0]["field"] == "code"
    let_time_pass(teacher)
    assert len(set(set_up(client, teacher))) == 10
    assert client.post(HERE).json()["code"] == "wrong_state"
    response = sign_in()[1]
    assert (response.status_code, response.json()["code"]) == (401, "second_factor_needed")


def test_a_code_opens_once_and_a_wrong_one_makes_the_next_wait(teacher: User, client_of: Callable[..., Client]) -> None:
    set_up(client_of(teacher), teacher)
    let_time_pass(teacher)
    code = shown_code(teacher)
    assert sign_in(code)[1].json()["second_factor"] == "on"
    assert sign_in(code)[1].json()["code"] == "wrong_code", "used"
    let_time_pass(teacher)
    assert sign_in("123456")[1].json()["code"] == "wrong_code"
    assert sign_in(shown_code(teacher))[1].json()["code"] == "wrong_code", "too soon after a wrong one"
    wrong = {"username": "ilka", "password": "not this one", "code": code}
    assert Client().post("/api/session", wrong, JSON).json()["code"] == "wrong_password"


def test_lost_and_recovered(course: Course, teacher: User, client_of: Callable[..., Client]) -> None:
    paper = set_up(client_of(teacher), teacher)
    client, answer = sign_in(paper[3].upper())
    assert answer.status_code == 200
    let_time_pass(teacher)
    assert sign_in(paper[3])[1].status_code == 401, "each once"
    assert client.post(f"{HERE}/off", {"password": "wrong"}, JSON).status_code == 400
    assert client.post(f"{HERE}/off", {"password": PASSWORD}, JSON).status_code == 204
    assert sign_in()[1].status_code == 200
    # Phone and paper lost: another owner takes it away; where there is none, whoever has the server.
    set_up(client, teacher)
    address = f"/api/workshop/people/{teacher.pk}/second-factor"
    assert client.delete(address).status_code == 403, "not one's own without the password"
    User.objects.filter(pk=course.assistant.pk).update(owns=True)
    assert client_of(User.objects.get(pk=course.assistant.pk)).delete(address).status_code == 204
    assert client.get("/api/session").status_code == 401, "signed out with it"
    assert sign_in()[1].status_code == 200


def test_on_the_server_itself_an_owner_is_let_in_again(teacher: User, client_of: Callable[..., Client]) -> None:
    set_up(client_of(teacher), teacher)
    response = recover_account.Command().carry_out("ILKA", "http://here/")
    token = response.strip().rpartition("/")[2]
    body = {"person": teacher.pk, "token": token, "password": "a-new-good-password"}
    assert Client().post("/api/password-reset", body, JSON).status_code == 204
    opened = Client().post("/api/session", {"username": "ilka", "password": "a-new-good-password"}, JSON)
    assert opened.json()["second_factor"] == "off"


def test_a_workshop_asks_for_it_of_those_who_teach(
    course: Course, teacher: User, client_of: Callable[..., Client]
) -> None:
    client, assistant, student = client_of(teacher), client_of(course.assistant), client_of(course.student)
    set_up(client, teacher)
    body = {"name": "Mill", "second_factor": True, "photo_retention_days": None}
    assert client.put("/api/workshop", body, JSON).status_code == 200
    assert assistant.get("/api/session").status_code == 401, "signed out: the next sign-in asks for it"
    assert student.get("/api/session").json()["second_factor"] == "off"
    course.assistant.set_password(PASSWORD)
    course.assistant.save()
    again = Client()
    response = again.post("/api/session", {"username": "asmus", "password": PASSWORD}, JSON).json()
    assert response["second_factor"] == "missing"
    desk = f"/api/courses/{course.row.pk}/desk"
    assert again.get(desk).json()["code"] == "second_factor_missing"
    set_up(again, course.assistant)
    assert again.get(desk).status_code == 200
