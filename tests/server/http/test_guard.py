"""Odd requests: whatever comes under /api is answered by JSON, never by a page or a fault of ours."""

import json
from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client

from judicum.server.people.courses.codes import ALPHABET, LENGTH, fresh_code, meant
from tests.people import Course, logged

NUL, HALF = "\0", "\ud800"


def is_problem(answer: Any) -> bool:
    return answer["Content-Type"] == "application/problem+json" and answer.json()["status"] == answer.status_code


@pytest.mark.parametrize("text", [NUL, "a\0b", HALF])
def test_text_that_no_database_can_hold_is_refused(course: Course, client_of: Callable[..., Client], text: str) -> None:
    logged(course)
    body = json.dumps({"current_a": 50, "note": text})
    answer = client_of(course.student).put(f"/api/attempts/{course.attempt.pk}/runs/1", body, "application/json")
    assert answer.status_code == 400
    assert is_problem(answer)


@pytest.mark.parametrize("query", ["state=%00", "student=%ff", "state=%ed%a0%80", "cursor=%C2%B2", "student=%C2%B2"])
def test_odd_queries_are_refused(course: Course, client_of: Callable[..., Client], query: str) -> None:
    answer = client_of(course.instructor).get(f"/api/courses/{course.row.pk}/attempts?{query}")
    assert answer.status_code in (400, 404)
    assert is_problem(answer)


@pytest.mark.parametrize("deep", ["[" * 100_000, '{"a":' * 5_000 + "1" + "}" * 5_000, "[" * 30 + "]" * 30])
def test_deeply_nested_bodies_are_refused(course: Course, client_of: Callable[..., Client], deep: str) -> None:
    for url in ("/api/session", f"/api/attempts/{course.attempt.pk}/check"):
        answer = client_of(course.student).post(url, deep, "application/json")
        assert answer.status_code == 400
        assert is_problem(answer)


def test_a_foreign_host_an_unknown_address_and_too_much_are_problems(client: Client, settings: Any) -> None:
    foreign = client.get("/api/session", headers={"Host": "elsewhere.example"})
    assert (foreign.status_code, is_problem(foreign)) == (400, True)
    unknown = client.get("/api/nothing-here")
    assert (unknown.status_code, is_problem(unknown)) == (404, True)
    settings.DATA_UPLOAD_MAX_MEMORY_SIZE = 1000
    large = client.post("/api/join", json.dumps({"code": "x" * 5000}), "application/json")
    assert large.status_code in (400, 413)
    assert is_problem(large)


@pytest.mark.parametrize("url", ["/api/session", "/api/schema"])
def test_what_is_asked_for_in_another_form_is_a_problem_in_json(client: Client, url: str) -> None:
    answer = client.get(url, headers={"Accept": "text/csv"})
    assert (answer.status_code, is_problem(answer)) == (406, True)


def test_a_fault_of_ours_is_said_without_its_insides(
    course: Course, client_of: Callable[..., Client], monkeypatch: pytest.MonkeyPatch
) -> None:
    def breaks(*_: object) -> None:
        raise RuntimeError("secret insides")

    monkeypatch.setattr("judicum.server.read.people.membership_of", breaks)
    client = client_of(course.student)
    client.raise_request_exception = False
    answer = client.get(f"/api/courses/{course.row.pk}")
    assert (answer.status_code, is_problem(answer)) == (500, True)
    assert "secret" not in answer.content.decode()


def test_private_answers_are_kept_by_no_cache(course: Course, client_of: Callable[..., Client]) -> None:
    assert client_of(course.student).get(f"/api/courses/{course.row.pk}")["Cache-Control"] == "no-store"


def test_codes_are_long_readable_and_forgiving() -> None:
    codes = {fresh_code() for _ in range(200)}
    assert len(codes) == 200
    assert all(len(code) == LENGTH and set(code) <= set(ALPHABET) for code in codes)
    assert len(ALPHABET) ** LENGTH >= 2**40
    assert meant(" o1-ab cl ") == "01ABC1"
    assert all(meant(code.lower()) == code for code in codes)


def test_one_address_may_not_try_doors_without_end(course: Course, client: Client) -> None:
    join = [client.post("/api/join", {"code": f"WRONG{k}"}, "application/json").status_code for k in range(62)]
    assert join[:60] == [400] * 60
    assert join[60:] == [429] * 2
    refused = client.post("/api/session", {"username": "ilka", "password": "guess"}, "application/json")
    assert (refused.status_code, is_problem(refused)) == (429, True)
    assert int(refused["Retry-After"]) <= 60


def test_somebody_who_is_in_is_not_slowed_down(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.student)
    assert {client.post("/api/join", {"code": "TEST1"}, "application/json").status_code for _ in range(65)} == {200}
