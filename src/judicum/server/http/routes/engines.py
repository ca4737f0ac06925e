"""Which engines made a course's figures, and measuring all of them again."""

from typing import Any

from drf_spectacular.utils import extend_schema
from rest_framework import serializers
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.http.person import person
from judicum.server.record.photos.actions.measure_all import engines_of, measure_all, stop_measuring


class EnginesSerializer(serializers.Serializer[Any]):
    """Figures of earlier engines (`outdated`), those a person corrected, which stay, and how far measuring all again is."""

    present = serializers.CharField()
    outdated = serializers.IntegerField()
    corrected = serializers.IntegerField()
    running = serializers.BooleanField()
    done = serializers.IntegerField()
    total = serializers.IntegerField()


class EnginesView(APIView):
    """For those who teach to read, for the instructor to start and to stop."""

    @extend_schema(operation_id="engines_read", responses=EnginesSerializer)
    def get(self, request: Request, course_id: int) -> Response:
        return _told(request, course_id)

    @extend_schema(operation_id="engines_measure_all", request=None, responses=EnginesSerializer)
    def post(self, request: Request, course_id: int) -> Response:
        measure_all(person(request), course_id)
        return _told(request, course_id)

    @extend_schema(operation_id="engines_stop", responses={200: EnginesSerializer})
    def delete(self, request: Request, course_id: int) -> Response:
        stop_measuring(person(request), course_id)
        return _told(request, course_id)


def _told(request: Request, course_id: int) -> Response:
    found = engines_of(person(request), course_id)
    return Response(
        {
            "present": found.present, "outdated": found.outdated, "corrected": found.corrected, "running": found.running,
            "done": found.done, "total": found.last.total if found.last else 0,
        }
    )  # fmt: skip
