"""The guide for newcomers."""

from drf_spectacular.utils import extend_schema
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.answers.guide import Guide, GuideRequest
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.people.courses.actions.set_guide import set_guide
from judicum.server.read.guide import guide_of
from judicum.server.upkeep.try_sample import try_sample


class GuideView(APIView):
    """The first things to do in a course, for everybody in it."""

    @extend_schema(operation_id="guide_read", responses=Guide)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(guide_of(person(request), course_id))

    @extend_schema(operation_id="guide_tick", request=GuideRequest, responses=Guide)
    def patch(self, request: Request, course_id: int) -> Response:
        set_guide(person(request), course_id, sent(GuideRequest, request).tick)
        return Response(guide_of(person(request), course_id))


class SampleView(APIView):
    """A sample student with a drawn bead, for the instructor to try marking on."""

    @extend_schema(operation_id="guide_sample", request=None, responses=Guide)
    def post(self, request: Request, course_id: int) -> Response:
        try_sample(person(request), course_id)
        return Response(guide_of(person(request), course_id))
