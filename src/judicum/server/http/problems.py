"""The only place where an exception becomes an HTTP answer: problem details (RFC 9457) with a code."""

from typing import Any

from django.core.exceptions import PermissionDenied
from django.db import DataError
from django.http import Http404, HttpRequest, JsonResponse
from rest_framework import exceptions, status
from rest_framework.response import Response
from rest_framework.views import set_rollback

from judicum.core import errors
from judicum.server.answers.problems import FieldProblem
from judicum.server.people.accounts.units import units_of
from judicum.words import Units
from judicum.words.problems import field_words

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
        fields = _fields(error, units_of(getattr(context.get("request"), "user", None)))
        return _respond(_status_of(error), error.code, _detail(error, fields), fields)
    if isinstance(error, DataError):
        set_rollback()
        return _respond(status.HTTP_400_BAD_REQUEST, "invalid_value", "A figure is larger than can be kept.", [])
    if isinstance(error, Http404):
        error = exceptions.NotFound()
    if isinstance(error, PermissionDenied):
        error = exceptions.PermissionDenied()
    if not isinstance(error, exceptions.APIException):
        return None
    set_rollback()
    if isinstance(error, exceptions.ValidationError):
        fields = list(_flat(error.detail))
        return _respond(
            error.status_code, "invalid_value", "; ".join(f"{f['field']}: {f['allowed']}" for f in fields), fields
        )
    response = _respond(error.status_code, str(error.default_code), str(error.detail), [])
    wait = getattr(error, "wait", None)
    if wait:
        response["Retry-After"] = str(int(wait))
    if isinstance(error, exceptions.NotAuthenticated):
        response["WWW-Authenticate"] = "Session"
    return response


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


def _detail(error: errors.JudicumError, fields: list[dict[str, object]]) -> str:
    if not fields:
        return str(error)
    return "; ".join(f"{f['field']}: {f['given'] or 'nothing'} was given; allowed is {f['allowed']}" for f in fields)


def _flat(detail: object, at: str = "") -> Any:
    if isinstance(detail, dict):
        for key, value in detail.items():
            yield from _flat(value, f"{at}.{key}" if at else str(key))
    elif isinstance(detail, list):
        for value in detail:
            yield from _flat(value, at)
    else:
        yield FieldProblem(field=at, words=field_words(at), given=None, allowed=str(detail)).model_dump()


def csrf_failure(request: HttpRequest, reason: str = "") -> JsonResponse:
    """A request whose CSRF token is missing or wrong."""
    return JsonResponse(
        problem_body(403, "csrf_failed", "The page was open too long; load it again.", []),
        status=403,
        content_type=MEDIA_TYPE,
    )


def unknown_address(request: HttpRequest) -> JsonResponse:
    """No such API address."""
    return JsonResponse(
        problem_body(404, "not_found", f"There is nothing at {request.path}.", []), status=404, content_type=MEDIA_TYPE
    )
