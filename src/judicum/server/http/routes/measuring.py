"""How true measuring is here: checking a phone, callipered widths, the course's agreement."""

from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import status
from rest_framework.parsers import BaseParser
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import InvalidValue, said
from judicum.core.photo.picture_file import MAX_BYTES
from judicum.server.answers import measuring as answers
from judicum.server.follow.trust.actions.check_phone import check_phone
from judicum.server.follow.trust.actions.set_fault_limit import set_fault_limit
from judicum.server.follow.trust.actions.take_callipers import take_callipers
from judicum.server.http.parsing import sent, sent_bytes
from judicum.server.http.person import person
from judicum.server.people.accounts.units import units_of
from judicum.server.people.courses.actions.set_share import set_share
from judicum.server.read.measuring import callipers_of, measuring_page, phone_check, phone_checks


class WholePictureParser(BaseParser):
    """A picture file of at most MAX_BYTES."""

    media_type = "application/octet-stream"

    def parse(self, stream, media_type=None, parser_context=None):  # type: ignore[no-untyped-def]
        data = stream.read(MAX_BYTES + 1)
        if len(data) > MAX_BYTES:
            allowed = said("allowed-1-to-bytes-mb", most=MAX_BYTES, most_2=MAX_BYTES >> 20)
            raise InvalidValue("Content-Length", len(data), allowed)
        return data


class PhoneChecksView(APIView):
    """Photos of the check target by one's own phones; the photos are not kept."""

    parser_classes = (WholePictureParser,)

    @extend_schema(operation_id="phone_checks_read", responses=answers.PhoneChecks)
    def get(self, request: Request) -> Response:
        return Response(phone_checks(person(request)))

    @extend_schema(
        operation_id="phone_check",
        request={"application/octet-stream": OpenApiTypes.BINARY},
        responses={201: answers.PhoneCheck},
        parameters=[
            OpenApiParameter("phone", OpenApiTypes.STR, required=True, description="What the phone is called.")
        ],
    )
    def post(self, request: Request) -> Response:
        user = person(request)
        made = check_phone(user, request.query_params.get("phone", ""), sent_bytes(request, "photo"))
        return Response(phone_check(made, units_of(user)), status=status.HTTP_201_CREATED)


class CallipersView(APIView):
    """Widths of an attempt's bead by callipers."""

    @extend_schema(operation_id="callipers_read", responses=answers.Callipers)
    def get(self, request: Request, attempt_id: int) -> Response:
        return Response(callipers_of(person(request), attempt_id))

    @extend_schema(operation_id="callipers_take", request=answers.CallipersRequest, responses=answers.Callipers)
    def put(self, request: Request, attempt_id: int) -> Response:
        user, asked = person(request), sent(answers.CallipersRequest, request)
        take_callipers(user, attempt_id, {one.s_mm: one.width_mm for one in asked.places})
        return Response(callipers_of(user, attempt_id))


class MeasuringView(APIView):
    """How true measuring is in a course, for those who teach it."""

    @extend_schema(operation_id="measuring_read", responses=answers.Measuring)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(measuring_page(person(request), course_id))


class CalliperShareView(APIView):
    """The share of attempts that the lot asks callipered widths of; for the instructor to change."""

    @extend_schema(
        operation_id="calliper_share_set", request=answers.CalliperShareRequest, responses=answers.CalliperShare
    )
    def put(self, request: Request, course_id: int) -> Response:
        asked = sent(answers.CalliperShareRequest, request)
        course = set_share(person(request), course_id, "calliper_share", asked.share)
        return Response(answers.CalliperShare(share=course.calliper_share))


class FaultLimitView(APIView):
    """From which confidence a kind of fault is reported in the course; for the instructor to take or undo."""

    @extend_schema(operation_id="fault_limit_set", request=answers.FaultLimitRequest, responses=answers.Measuring)
    def put(self, request: Request, course_id: int) -> Response:
        user, asked = person(request), sent(answers.FaultLimitRequest, request)
        set_fault_limit(user, course_id, asked.kind, asked.on)
        return Response(measuring_page(user, course_id))
