"""The marking schemes of a course."""

from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.catalogue.schemes.actions.save_scheme import save_scheme
from judicum.server.catalogue.schemes.queries import schemes_for
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.serializers.schemes import SaveSchemeSerializer, SchemeSerializer


class SchemesView(APIView):
    """The marking schemes of a course."""

    @extend_schema(operation_id="schemes_list", responses=SchemeSerializer(many=True))
    def get(self, request: Request, course_id: int) -> Response:
        return Response(SchemeSerializer(schemes_for(person(request), course_id), many=True).data)

    @extend_schema(
        operation_id="scheme_save", request=SaveSchemeSerializer, responses={201: SchemeSerializer(many=True)}
    )
    def post(self, request: Request, course_id: int) -> Response:
        asked = sent(SaveSchemeSerializer, request)
        save_scheme(person(request), course_id, asked["scheme"], asked["code"])
        every = SchemeSerializer(schemes_for(person(request), course_id), many=True).data
        return Response(every, status=status.HTTP_201_CREATED)
