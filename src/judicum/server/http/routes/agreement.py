"""Second marks, agreement of markers, reference beads and tests on them."""

from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.answers import agreement as agreement_answers
from judicum.server.answers import attempts as attempts_answers
from judicum.server.answers import marking as marking_answers
from judicum.server.http.kept import kept
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.routes.attempts import attempt_response
from judicum.server.people.courses.actions.set_share import set_share
from judicum.server.people.courses.queries import staff_of
from judicum.server.read.agreement import agreement_page
from judicum.server.read.references import references_page, self_test_page
from judicum.server.record.marking.actions.ask_second import ask_second
from judicum.server.record.marking.actions.mark_second import agree, set_second_mark
from judicum.server.record.marking.actions.references import release_reference, save_reference
from judicum.server.record.marking.actions.self_test import answer_bead, begin_test


class SecondView(APIView):
    """Asking for a blind second mark, and giving it."""

    @extend_schema(
        operation_id="second_ask", request=marking_answers.VersionRequest, responses=attempts_answers.Attempt
    )
    def post(self, request: Request, attempt_id: int) -> Response:
        asked = sent(marking_answers.VersionRequest, request)
        ask_second(person(request), attempt_id, **dict(asked))
        return attempt_response(request, attempt_id)

    @extend_schema(
        operation_id="second_set", request=marking_answers.SecondMarkRequest, responses=attempts_answers.Attempt
    )
    def put(self, request: Request, attempt_id: int) -> Response:
        asked = sent(marking_answers.SecondMarkRequest, request)
        set_second_mark(person(request), attempt_id, **dict(asked))
        return attempt_response(request, attempt_id)


class AgreeView(APIView):
    """Agreeing on one mark of two."""

    @extend_schema(
        operation_id="second_agree", request=marking_answers.AgreedMarkRequest, responses=attempts_answers.Attempt
    )
    def post(self, request: Request, attempt_id: int) -> Response:
        asked = sent(marking_answers.AgreedMarkRequest, request)
        agree(person(request), attempt_id, **dict(asked))
        return attempt_response(request, attempt_id)


class SecondShareView(APIView):
    """The share of marks that the lot gives to a second marker; for the instructor to change."""

    @extend_schema(
        operation_id="second_share_set",
        request=marking_answers.SecondShareRequest,
        responses=marking_answers.SecondShare,
    )
    def put(self, request: Request, course_id: int) -> Response:
        asked = sent(marking_answers.SecondShareRequest, request)
        course = set_share(person(request), course_id, "second_share", asked.share)
        return Response(marking_answers.SecondShare(share=course.second_share))


class AgreementView(APIView):
    """How alike a course is marked, for those who teach it."""

    @extend_schema(operation_id="agreement_read", responses=agreement_answers.Agreement)
    @kept
    def get(self, request: Request, course_id: int) -> Response:
        return Response(agreement_page(person(request), course_id))


class ReferencesView(APIView):
    """The reference beads of a course, for those who teach it."""

    @extend_schema(operation_id="references_read", responses=agreement_answers.ReferenceBeads)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(references_page(person(request), course_id))


class ReferenceView(APIView):
    """Keeping an attempt as a reference, and letting it go; for the instructor."""

    @extend_schema(operation_id="reference_keep", request=marking_answers.ReferenceRequest, responses={204: None})
    def put(self, request: Request, attempt_id: int) -> Response:
        asked = sent(marking_answers.ReferenceRequest, request)
        save_reference(person(request), attempt_id, asked.comment)
        return Response(status=status.HTTP_204_NO_CONTENT)

    @extend_schema(operation_id="reference_let_go", responses={204: None})
    def delete(self, request: Request, attempt_id: int) -> Response:
        release_reference(person(request), attempt_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


class SelfTestsView(APIView):
    """Beginning a test of oneself."""

    @extend_schema(operation_id="self_test_begin", request=None, responses={201: agreement_answers.SelfTest})
    def post(self, request: Request, course_id: int) -> Response:
        test = begin_test(person(request), course_id)
        return Response(self_test_page(person(request), course_id, test.pk), status=status.HTTP_201_CREATED)


class SelfTestView(APIView):
    """One's own test."""

    @extend_schema(operation_id="self_test_read", responses=agreement_answers.SelfTest)
    def get(self, request: Request, course_id: int, test_id: int) -> Response:
        return Response(self_test_page(person(request), course_id, test_id))


class SelfTestBeadView(APIView):
    """Marking one bead of one's own test."""

    @extend_schema(
        operation_id="self_test_mark", request=marking_answers.ScoresRequest, responses=agreement_answers.SelfTest
    )
    def put(self, request: Request, course_id: int, test_id: int, reference_id: int) -> Response:
        staff_of(person(request), course_id)
        asked = sent(marking_answers.ScoresRequest, request)
        answer_bead(person(request), test_id, reference_id, asked.scores)
        return Response(self_test_page(person(request), course_id, test_id))
