"""The marking schemes of a course."""

from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.answers import schemes as schemes_answers
from judicum.server.answers.base import list_of
from judicum.server.catalogue.schemes.actions.save_scheme import save_scheme
from judicum.server.catalogue.schemes.queries import schemes_for
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.people.accounts.models import User


class SchemesView(APIView):
    """The marking schemes of a course."""

    @extend_schema(operation_id="schemes_list", responses=list_of(schemes_answers.Scheme))
    def get(self, request: Request, course_id: int) -> Response:
        return Response(_every(person(request), course_id))

    @extend_schema(
        operation_id="scheme_save",
        request=schemes_answers.SaveSchemeRequest,
        responses={201: list_of(schemes_answers.Scheme)},
    )
    def post(self, request: Request, course_id: int) -> Response:
        asked = sent(schemes_answers.SaveSchemeRequest, request)
        save_scheme(person(request), course_id, asked.scheme, asked.code)
        return Response(_every(person(request), course_id), status=status.HTTP_201_CREATED)


def _every(user: User, course_id: int) -> list[schemes_answers.Scheme]:
    return [
        schemes_answers.Scheme(
            code=row.code,
            version=row.version,
            body=row.body,
            used=row.used,  # type: ignore[attr-defined]  # counted by the query
            own=row.course_id is not None,
            created_at=row.created_at,
        )
        for row in schemes_for(user, course_id)
    ]
