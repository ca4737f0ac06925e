import pytest

from judicum.core import errors
from judicum.server.http.problems import STATUS, problem_response
from judicum.server.record.photos.actions.receive_upload import OffsetConflict


def every_error(kind: type[errors.JudicumError] = errors.JudicumError) -> list[type[errors.JudicumError]]:
    return [kind, *(deeper for child in kind.__subclasses__() for deeper in every_error(child))]


@pytest.mark.parametrize("kind", [k for k in every_error() if k is not errors.JudicumError], ids=lambda k: k.__name__)
def test_every_error_has_an_http_answer(kind: type[errors.JudicumError]) -> None:
    if kind is errors.InvalidValue:
        error: errors.JudicumError = errors.InvalidValue("cup", 99, errors.one_of([3, 24]))
    elif kind is errors.InvalidValues:
        error = errors.InvalidValues([errors.InvalidValue("cup", 99, errors.one_of([3, 24]))])
    else:
        error = kind(errors.said("problem-csrf"))
    answer = problem_response(error, {})
    assert answer is not None
    # A full disk and a busy moment are the only ones that the caller can do nothing about.
    ours = {errors.NoRoom: 507, errors.Busy: 503}
    assert answer.status_code == ours[kind] if kind in ours else 400 <= answer.status_code < 500
    assert answer.data["code"] == kind.code
    assert answer.content_type == "application/problem+json"


def test_codes_tell_errors_apart() -> None:
    codes = [k.code for k in every_error() if k not in (errors.JudicumError, errors.InvalidValues)]
    assert len(set(codes)) == len(codes)
    assert OffsetConflict.code in codes
    assert errors.JudicumError not in STATUS


def test_what_nobody_foresaw_is_left_to_the_server() -> None:
    assert problem_response(RuntimeError("broken"), {}) is None
