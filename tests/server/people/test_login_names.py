"""Names and passwords: one person, one name, however it is typed."""

from typing import Any

import pytest
from django.test import Client

from judicum.core.errors import InvalidValue
from judicum.server.people.accounts.models import User
from judicum.server.people.accounts.names import check_name, skeleton, written
from tests.people import PASSWORD, Course


@pytest.mark.parametrize(
    "other", ["Ada", "ADA", "ａｄａ", " ada ", "a\u200bda", "\u202eada", "аdа", "аԁа"], ids=lambda n: ascii(n)
)
def test_names_that_read_alike_are_one(other: str) -> None:
    assert skeleton(other) == skeleton("ada")


@pytest.mark.parametrize("other", ["adah", "eda", "Åda", "Ида", "艾达"])
def test_names_that_read_otherwise_are_not(other: str) -> None:
    assert skeleton(other) != skeleton("ada")


@pytest.mark.parametrize("name", ["Ölrun Þórsdóttir", "Иван", "陳大文", "O'Brien", "Jean-Luc 2"])
def test_names_of_one_alphabet_are_kept_as_written(name: str) -> None:
    assert check_name("display_name", name) == name


@pytest.mark.parametrize("name", ["   ", "\u200b\u200b", "--", "ilkа", "x" * 61])
def test_names_that_are_none_or_pretend_are_refused(name: str) -> None:
    with pytest.raises(InvalidValue) as refused:
        check_name("username", name)
    assert refused.value.field == "username"


def test_blanks_between_words_are_one() -> None:
    assert written("  Wen \u00a0 Li\u200d ") == "Wen Li"


@pytest.fixture
def join(course: Course, client: Client) -> Any:
    def post(username: str, password: str = PASSWORD, display_name: str = "Somebody") -> Any:
        body = {"code": course.row.join_code, "username": username, "display_name": display_name, "password": password}
        return Client().post("/api/join", body, "application/json")

    return post


def test_a_name_that_looks_like_another_s_cannot_be_taken(join: Any) -> None:
    assert join("Ada").status_code == 200
    for other in ("ada", "АDА", "ＡＤＡ", "ad\u200ba"):
        refused = join(other)
        assert refused.status_code == 400
        assert refused.json()["errors"][0]["field"] == "username"
    assert User.objects.filter(username__iexact="ada").count() == 1


@pytest.mark.parametrize("typed", ["Ada", "ada", "ADA", " ａｄａ"])
def test_one_signs_in_however_the_name_is_typed(join: Any, typed: str) -> None:
    assert join("Ada").status_code == 200
    answer = Client().post("/api/session", {"username": typed, "password": PASSWORD}, "application/json")
    assert answer.status_code == 200
    assert answer.json()["username"] == "Ada"


@pytest.mark.parametrize("password", [" " * 8, "a" + " " * 20, "\u2003" * 12, "short 1  "])
def test_blanks_are_no_password(join: Any, password: str) -> None:
    refused = join("Ada", password)
    assert refused.status_code == 400
    assert refused.json()["errors"][0]["field"] == "password"


def test_capitals_open_no_second_door_to_guess_at(join: Any, client: Client) -> None:
    assert join("Ada").status_code == 200
    tries = [
        client.post("/api/session", {"username": typed, "password": "wrong-password"}, "application/json").status_code
        for typed in ("Ada", "ada", "ADA", "aDa", "adA", "AdA", "aDA")
    ]
    assert tries[:4] == [401] * 4
    assert tries[4:] == [429] * 3
