"""Progress of a student, and today's desk."""

from drf_spectacular.utils import extend_schema
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.api.person import person
from judicum.server.progress.api.serializers import DeskSerializer, ProgressSerializer, told_desk
from judicum.server.progress.queries import desk, student_over_time


class ProgressView(APIView):
    """A student over time."""

    @extend_schema(operation_id="progress_read", responses=ProgressSerializer)
    def get(self, request: Request, course_id: int, student_id: int) -> Response:
        found = student_over_time(person(request), course_id, student_id)
        return Response(ProgressSerializer(found, context={"sight": found["sight"]}).data)


class DeskView(APIView):
    """What waits today."""

    @extend_schema(operation_id="desk_read", responses=DeskSerializer)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(told_desk(desk(person(request), course_id)))
