"""What a request is refused with, and that answers and requests are declared once."""

import ast
import importlib
import pkgutil
from collections import Counter
from pathlib import Path
from typing import Any

import pytest
from pydantic import BaseModel

from judicum.core.errors import InvalidValues
from judicum.server import answers
from judicum.server.answers.courses import CreateCourseRequest, JoinCodeRequest
from judicum.server.answers.marking import MarkRequest
from judicum.server.answers.people import SignInRequest
from judicum.server.answers.photos import ChooseBeadRequest, ScaleRequest
from judicum.server.answers.reports import ReportRequest
from judicum.server.http.parsing import read_as
from judicum.words.problems import allowed as allowed_words

SERVER = Path(answers.__file__).parents[1]


@pytest.mark.parametrize(
    ("model", "given", "field", "shown", "allowed"),
    [
        (CreateCourseRequest, {}, "name", None, "a value: it is required"),
        (CreateCourseRequest, {"name": "x" * 401}, "name", "x" * 401, "at most 400 characters"),
        (CreateCourseRequest, {"name": "A", "colour": "red"}, "colour", "red", "nothing: there is no such field"),
        (CreateCourseRequest, {"name": "A", "like": "ten"}, "like", "ten", "a whole number"),
        (JoinCodeRequest, {"until": "tomorrow"}, "until", "tomorrow", "a date and time with its offset"),
        (ScaleRequest, {"points_px": [1, 2, 3], "length_mm": 9}, "points_px", [1, 2, 3], "at least 4 of them"),
        (ChooseBeadRequest, {"number": 0}, "number", 0, "1 or more"),
        (ReportRequest, {"paper": "a0"}, "paper", "a0", "'a4' or 'letter'"),
        (MarkRequest, {"version": 1, "scores": {"width": "good"}}, "scores.width", "good", "a number"),
        (SignInRequest, [], "body", "list", "an object with the fields of the request"),
    ],
)
def test_a_refused_field_says_its_name_what_was_given_and_what_is_allowed(
    model: Any, given: Any, field: str, shown: object, allowed: str
) -> None:
    with pytest.raises(InvalidValues) as refused:
        read_as(model, given)
    (problem,) = refused.value.problems
    assert (problem.field, problem.given, allowed_words(problem)) == (field, shown, allowed)


def test_every_field_that_is_wrong_is_named_at_once() -> None:
    with pytest.raises(InvalidValues) as refused:
        read_as(ScaleRequest, {"points_px": "here", "length_mm": None})
    assert [problem.field for problem in refused.value.problems] == ["points_px", "length_mm"]


def test_a_password_is_kept_as_typed_and_never_repeated() -> None:
    assert read_as(SignInRequest, {"username": " ada ", "password": " a b "}).password == " a b "
    assert read_as(SignInRequest, {"username": " ada ", "password": " a b "}).username == "ada"
    with pytest.raises(InvalidValues) as refused:
        read_as(SignInRequest, {"username": "ada", "password": "secret" * 50})
    assert "secret" not in str(refused.value)


def test_no_two_answers_share_a_name_in_the_openapi_file() -> None:
    found: set[type[BaseModel]] = set()
    for module in pkgutil.iter_modules(answers.__path__):
        every = vars(importlib.import_module(f"judicum.server.answers.{module.name}")).values()
        found |= {one for one in every if isinstance(one, type) and issubclass(one, BaseModel)}
    names = Counter(model.__name__ for model in found)
    assert [name for name, count in names.items() if count > 1] == []


def test_answers_are_declared_as_models_and_nowhere_else() -> None:
    """No serializer of the framework beside them, and no answer that is put together as a bare object."""
    for path in SERVER.rglob("*.py"):
        tree = ast.parse(path.read_text())
        for node in ast.walk(tree):
            if isinstance(node, ast.ImportFrom):
                assert "rest_framework.serializers" not in (node.module or ""), path
                assert not (node.module == "rest_framework" and any(a.name == "serializers" for a in node.names)), path
            if (
                path.parent.name == "routes"
                and isinstance(node, ast.Call)
                and getattr(node.func, "id", "") == "Response"
            ):
                assert not any(isinstance(argument, ast.Dict) for argument in node.args), f"{path}:{node.lineno}"
