"""Which engines made a course's figures, and measuring all of them again."""

from drf_spectacular.utils import extend_schema
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.answers import photos as photos_answers
from judicum.server.http.person import person
from judicum.server.read.photos import engines
from judicum.server.record.photos.actions.measure_all import measure_all, stop_measuring


class EnginesView(APIView):
    """For those who teach to read, for the instructor to start and to stop."""

    @extend_schema(operation_id="engines_read", responses=photos_answers.Engines)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(engines(person(request), course_id))

    @extend_schema(operation_id="engines_measure_all", request=None, responses=photos_answers.Engines)
    def post(self, request: Request, course_id: int) -> Response:
        measure_all(person(request), course_id)
        return Response(engines(person(request), course_id))

    @extend_schema(operation_id="engines_stop", responses={200: photos_answers.Engines})
    def delete(self, request: Request, course_id: int) -> Response:
        stop_measuring(person(request), course_id)
        return Response(engines(person(request), course_id))
