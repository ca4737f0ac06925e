"""The only place where an exception becomes an HTTP answer: problem details (RFC 9457) with a code."""

from typing import Any

from django.core.exceptions import PermissionDenied
from django.db import DataError
from django.http import Http404, HttpRequest, JsonResponse
from rest_framework import exceptions, status
from rest_framework.response import Response
from rest_framework.views import set_rollback

from judicum.core import errors
from judicum.core.errors import InvalidValue, said
from judicum.server.answers.problems import FieldProblem
from judicum.server.people.accounts.units import units_of
from judicum.words import METRIC, Units
from judicum.words.catalogue import knows, t
from judicum.words.problems import problem_sentence

MEDIA_TYPE = "application/problem+json"

STATUS: dict[type[errors.JudicumError], int] = {
    errors.InvalidValues: status.HTTP_400_BAD_REQUEST,
    errors.UnreadablePicture: status.HTTP_400_BAD_REQUEST,
    errors.NotAllowed: status.HTTP_403_FORBIDDEN,
    errors.NotFound: status.HTTP_404_NOT_FOUND,
    errors.WrongState: status.HTTP_409_CONFLICT,
    errors.EditConflict: status.HTTP_409_CONFLICT,
    errors.TooMuch: status.HTTP_403_FORBIDDEN,
    errors.Busy: status.HTTP_503_SERVICE_UNAVAILABLE,
    errors.NoRoom: status.HTTP_507_INSUFFICIENT_STORAGE,
}


def problem_response(error: Exception, context: dict[str, object]) -> Response | None:
    """Turn an exception into problem details; None for one that nobody foresaw (a 500)."""
    if isinstance(error, errors.JudicumError):
        set_rollback()
        units = units_of(getattr(context.get("request"), "user", None))
        fields = _fields(error, units)
        return _respond(_status_of(error), error.code, problem_sentence(error, units), fields)
    if isinstance(error, DataError):
        set_rollback()
        return _respond(status.HTTP_400_BAD_REQUEST, "invalid_value", t("problem-too-large"), [])
    if isinstance(error, Http404):
        error = exceptions.NotFound()
    if isinstance(error, PermissionDenied):
        error = exceptions.PermissionDenied()
    if not isinstance(error, exceptions.APIException):
        return None
    set_rollback()
    if isinstance(error, exceptions.ValidationError):
        fields = list(_flat(error.detail))
        return _respond(error.status_code, "invalid_value", " ".join(str(f["message"]) for f in fields), fields)
    wait = getattr(error, "wait", None)
    response = _respond(error.status_code, str(error.default_code), _words_of(error, wait), [])
    if wait:
        response["Retry-After"] = str(int(wait))
    if isinstance(error, exceptions.NotAuthenticated):
        response["WWW-Authenticate"] = "Session"
    return response


def _words_of(error: exceptions.APIException, wait: float | None) -> str:
    """What an error of the framework, or one of ours that it knows, has to say, by its code."""
    name = f"problem-{error.default_code}"
    return t(name, detail=str(error.detail), seconds=int(wait or 0)) if knows(name) else str(error.detail)


def _status_of(error: errors.JudicumError) -> int:
    return next(STATUS[kind] for kind in type(error).__mro__ if kind in STATUS)


def _respond(code: int, name: str, detail: str, fields: list[dict[str, object]]) -> Response:
    return Response(problem_body(code, name, detail, fields), status=code, content_type=MEDIA_TYPE)


def problem_body(code: int, name: str, detail: str, fields: list[dict[str, object]]) -> dict[str, Any]:
    return {
        "type": f"urn:judicum:{name}",
        "title": name.replace("_", " "),
        "status": code,
        "code": name,
        "detail": detail,
        "errors": fields,
    }


def _fields(error: errors.JudicumError, units: Units) -> list[dict[str, Any]]:
    problems = error.problems if isinstance(error, errors.InvalidValues) else []
    return [FieldProblem.of(problem, units).model_dump() for problem in problems]


def _flat(detail: object, at: str = "") -> Any:
    if isinstance(detail, dict):
        for key, value in detail.items():
            yield from _flat(value, f"{at}.{key}" if at else str(key))
    elif isinstance(detail, list):
        for value in detail:
            yield from _flat(value, at)
    else:
        yield FieldProblem.of(
            InvalidValue(at, None, said("allowed-by-pydantic", what=str(detail))), METRIC
        ).model_dump()


def csrf_failure(request: HttpRequest, reason: str = "") -> JsonResponse:
    """A request whose CSRF token is missing or wrong."""
    return JsonResponse(
        problem_body(403, "csrf_failed", t("problem-csrf"), []),
        status=403,
        content_type=MEDIA_TYPE,
    )


def unknown_address(request: HttpRequest) -> JsonResponse:
    """No such API address."""
    return JsonResponse(
        problem_body(404, "not_found", t("problem-nothing-there", path=request.path), []),
        status=404,
        content_type=MEDIA_TYPE,
    )
