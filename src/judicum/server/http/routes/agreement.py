"""Second marks, agreement of markers, reference beads and tests on them."""

from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.routes.attempts import shown
from judicum.server.http.serializers.agreement import (
    AgreeSerializer,
    AlikeSerializer,
    KeepReferenceSerializer,
    ReferencesSerializer,
    ScoresSerializer,
    SecondShareSerializer,
    SelfTestSerializer,
    SetSecondSerializer,
    VersionSerializer,
    told_alike,
    told_reference,
    told_test,
)
from judicum.server.http.serializers.attempts import AttemptSerializer
from judicum.server.people.courses.actions.set_second_share import set_second_share
from judicum.server.people.courses.queries import staff_of
from judicum.server.read.agreement import alike
from judicum.server.read.references import references_for
from judicum.server.record.marking.actions.ask_second import ask_second
from judicum.server.record.marking.actions.keep_reference import keep_reference, let_go
from judicum.server.record.marking.actions.mark_second import agree, set_second_mark
from judicum.server.record.marking.actions.self_test import answer_bead, begin_test
from judicum.server.record.marking.references import self_test_of, tested


class SecondView(APIView):
    """Asking for a blind second mark, and giving it."""

    @extend_schema(operation_id="second_ask", request=VersionSerializer, responses=AttemptSerializer)
    def post(self, request: Request, attempt_id: int) -> Response:
        asked = sent(VersionSerializer, request)
        ask_second(person(request), attempt_id, **asked)
        return shown(request, attempt_id)

    @extend_schema(operation_id="second_set", request=SetSecondSerializer, responses=AttemptSerializer)
    def put(self, request: Request, attempt_id: int) -> Response:
        asked = sent(SetSecondSerializer, request)
        set_second_mark(person(request), attempt_id, **asked)
        return shown(request, attempt_id)


class AgreeView(APIView):
    """Agreeing on one mark of two."""

    @extend_schema(operation_id="second_agree", request=AgreeSerializer, responses=AttemptSerializer)
    def post(self, request: Request, attempt_id: int) -> Response:
        asked = sent(AgreeSerializer, request)
        agree(person(request), attempt_id, **asked)
        return shown(request, attempt_id)


class SecondShareView(APIView):
    """The share of marks that the lot gives to a second marker; for the instructor to change."""

    @extend_schema(operation_id="second_share_set", request=SecondShareSerializer, responses=SecondShareSerializer)
    def put(self, request: Request, course_id: int) -> Response:
        asked = sent(SecondShareSerializer, request)
        course = set_second_share(person(request), course_id, asked["share"])
        return Response({"share": course.second_share})


class AlikeView(APIView):
    """How alike a course is marked, for those who teach it."""

    @extend_schema(operation_id="alike_read", responses=AlikeSerializer)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(AlikeSerializer(told_alike(alike(person(request), course_id))).data)


class ReferencesView(APIView):
    """The reference beads of a course, for those who teach it."""

    @extend_schema(operation_id="references_read", responses=ReferencesSerializer)
    def get(self, request: Request, course_id: int) -> Response:
        user = person(request)
        rows = [told_reference(*one) for one in references_for(user, course_id)]
        return Response({"tested": tested(user, course_id), "references": rows})


class ReferenceView(APIView):
    """Keeping an attempt as a reference, and letting it go; for the instructor."""

    @extend_schema(operation_id="reference_keep", request=KeepReferenceSerializer, responses={204: None})
    def put(self, request: Request, attempt_id: int) -> Response:
        asked = sent(KeepReferenceSerializer, request)
        keep_reference(person(request), attempt_id, asked["comment"])
        return Response(status=status.HTTP_204_NO_CONTENT)

    @extend_schema(operation_id="reference_let_go", responses={204: None})
    def delete(self, request: Request, attempt_id: int) -> Response:
        let_go(person(request), attempt_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


class SelfTestsView(APIView):
    """Beginning a test of oneself."""

    @extend_schema(operation_id="self_test_begin", request=None, responses={201: SelfTestSerializer})
    def post(self, request: Request, course_id: int) -> Response:
        test = begin_test(person(request), course_id)
        return Response(told_test(test), status=status.HTTP_201_CREATED)


class SelfTestView(APIView):
    """One's own test."""

    @extend_schema(operation_id="self_test_read", responses=SelfTestSerializer)
    def get(self, request: Request, course_id: int, test_id: int) -> Response:
        staff_of(person(request), course_id)
        return Response(told_test(self_test_of(person(request), test_id)))


class SelfTestBeadView(APIView):
    """Marking one bead of one's own test."""

    @extend_schema(operation_id="self_test_mark", request=ScoresSerializer, responses=SelfTestSerializer)
    def put(self, request: Request, course_id: int, test_id: int, reference_id: int) -> Response:
        staff_of(person(request), course_id)
        asked = sent(ScoresSerializer, request)
        test = answer_bead(person(request), test_id, reference_id, asked["scores"])
        return Response(told_test(test))
