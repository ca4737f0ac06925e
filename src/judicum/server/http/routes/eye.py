"""The eye trainer: rounds of drawn beads."""

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import NotFound, said
from judicum.server.answers import eye as answers
from judicum.server.follow.eye.actions.play_round import answer_question, start_round
from judicum.server.follow.eye.models import EyeBead
from judicum.server.follow.eye.queries import round_of
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.people.accounts.units import units_of
from judicum.server.read.eye import eye_page, eye_round


class EyeView(APIView):
    """Where one stands."""

    @extend_schema(operation_id="eye_read", responses=answers.Eye)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(eye_page(person(request), course_id))


class EyeRoundsView(APIView):
    """A new round of one's own, or the one that is not finished."""

    @extend_schema(operation_id="eye_start", request=None, responses={201: answers.EyeRound})
    def post(self, request: Request) -> Response:
        user = person(request)
        return Response(eye_round(start_round(user), units_of(user)), status=status.HTTP_201_CREATED)


class EyeRoundView(APIView):
    """One of one's own rounds."""

    @extend_schema(operation_id="eye_round", responses=answers.EyeRound)
    def get(self, request: Request, round_id: int) -> Response:
        user = person(request)
        return Response(eye_round(round_of(user, round_id), units_of(user)))


class EyeBeadView(APIView):
    """One bead of a round: its picture, and the answer to it."""

    @extend_schema(operation_id="eye_bead", responses={(200, "image/jpeg"): OpenApiTypes.BINARY})
    def get(self, request: Request, round_id: int, number: int) -> HttpResponse:
        found = EyeBead.objects.filter(round=round_of(person(request), round_id), number=number).first()
        if found is None:
            raise NotFound(said("refused-no-such-round"))
        return HttpResponse(bytes(found.jpeg), content_type="image/jpeg")

    @extend_schema(operation_id="eye_answer", request=answers.EyeAnswerRequest, responses=answers.EyeRound)
    def post(self, request: Request, round_id: int, number: int) -> Response:
        user = person(request)
        given = dict(sent(answers.EyeAnswerRequest, request))
        return Response(eye_round(answer_question(user, round_id, number, given), units_of(user)))
