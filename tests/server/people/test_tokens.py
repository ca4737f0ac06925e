"""Personal tokens: what they open, until when, how often."""

from collections.abc import Callable
from datetime import timedelta

import pytest
from django.test import Client
from django.utils import timezone

from judicum.server.http.throttles import TokenThrottle
from judicum.server.people.accounts.actions.tokens import MAX_TOKENS
from judicum.server.people.accounts.models import Token
from tests.people import RUN, Course

pytestmark = pytest.mark.django_db
JSON = "application/json"


def make(client: Client, scope: str = "read") -> dict[str, str]:
    """A new token as the header that a program sends."""
    made = client.post("/api/tokens", {"name": "class sheet", "scope": scope, "days": 30}, JSON).json()
    return {"Authorization": f"Bearer {made['secret']}"}


def test_a_token_reads_and_only_one_that_writes_writes(course: Course, client_of: Callable[..., Client]) -> None:
    mine = client_of(course.student)
    reads, writes = make(mine), make(mine, "write")
    attempt = f"/api/attempts/{course.attempt.pk}"
    program = Client(enforce_csrf_checks=True)
    assert program.get(attempt, headers=reads).status_code == 200
    assert program.put(f"{attempt}/runs/1", RUN, JSON, headers=reads).json()["code"] == "out_of_scope"
    assert program.put(f"{attempt}/runs/1", RUN, JSON, headers=writes).status_code == 200
    desk = f"/api/courses/{course.row.pk}/desk"
    assert program.get(desk, headers=writes).status_code == 403, "no more than the person may"
    for closed in ("/api/tokens", "/api/workshop"):
        assert program.get(closed, headers=writes).status_code == 401, "accounts are the person's own"
    body = {"old": "x", "password": "y"}
    assert program.put("/api/session/password", body, JSON, headers=writes).status_code == 401


def test_its_secret_is_said_once_and_it_ends(course: Course, client_of: Callable[..., Client]) -> None:
    mine = client_of(course.student)
    header = make(mine)
    kept = mine.get("/api/tokens").json()
    assert set(kept[0]) == {"id", "name", "scope", "created", "expiry"}
    assert header["Authorization"].split()[1] not in str(Token.objects.values())
    assert client_of(course.other).delete(f"/api/tokens/{kept[0]['id']}").status_code == 404
    Token.objects.update(expiry=timezone.now() - timedelta(seconds=1))
    assert Client().get("/api/session", headers=header).status_code == 401
    header = make(mine)
    assert mine.delete(f"/api/tokens/{mine.get('/api/tokens').json()[0]['id']}").status_code == 204
    assert Client().get("/api/session", headers=header).status_code == 401
    for odd in ("Bearer", "Bearer a b", "Bearer \xff", "Bearer judicum_no"):
        assert Client().get("/api/session", headers={"Authorization": odd}).status_code == 401


def test_what_is_asked_for_a_token_is_checked(course: Course, client_of: Callable[..., Client]) -> None:
    mine = client_of(course.student)
    refused = mine.post("/api/tokens", {"name": "x" * 80, "scope": "all", "days": 0}, JSON).json()["errors"]
    assert [one["field"] for one in refused] == ["name", "scope", "days"]
    for _ in range(MAX_TOKENS):
        make(mine)
    more = mine.post("/api/tokens", {"name": "one more", "scope": "read", "days": 1}, JSON)
    assert more.json()["code"] == "too_much"


def test_a_program_that_asks_too_often_waits(
    course: Course, client_of: Callable[..., Client], monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(TokenThrottle, "THROTTLE_RATES", {"token": "3/min"})
    mine = client_of(course.student)
    header, other = make(mine), make(mine)
    codes = [Client().get("/api/session", headers=header).status_code for _ in range(4)]
    assert codes == [200, 200, 200, 429]
    assert Client().get("/api/session", headers=other).status_code == 200
    assert mine.get("/api/session").status_code == 200, "people are not counted"
