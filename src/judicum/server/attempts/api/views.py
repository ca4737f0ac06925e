"""Attempts: lists, one with all its parts, logging a run, opening the next."""

from dataclasses import asdict

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import status
from rest_framework.generics import ListAPIView
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import InvalidValue
from judicum.core.setup import RUN_FIELDS
from judicum.server.api.person import person
from judicum.server.attempts.actions.log_run import log_run
from judicum.server.attempts.actions.open_attempt import weld_another
from judicum.server.attempts.actions.tick_preparation import tick_preparation
from judicum.server.attempts.api.serializers import (
    AttemptBriefSerializer,
    AttemptSerializer,
    EventSerializer,
    LastRunsSerializer,
    PrepareSerializer,
    RunFieldSerializer,
    RunSerializer,
    SetupSerializer,
)
from judicum.server.attempts.models import Attempt, Event
from judicum.server.attempts.queries import (
    attempt_for,
    course_attempts,
    last_good_runs,
    log_of,
    setup_of,
    teaches,
    with_parts,
)
from judicum.server.attempts.states import State
from judicum.server.coupons.api.card import CheckSerializer
from judicum.server.coupons.queries import assignment_for
from judicum.server.coupons.setup import card_for, check_for, checklist_for
from judicum.server.coupons.sheet import Heading, card_sheet
from judicum.server.coupons.words import step_words
from judicum.server.courses.models import STAFF
from judicum.server.courses.queries import membership_of


def shown(request: Request, attempt_id: int) -> Response:
    """The whole attempt as this person may see it."""
    attempt = attempt_for(person(request), attempt_id)
    full = with_parts(Attempt.objects.filter(pk=attempt.pk), overlays=True).get()
    return Response(AttemptSerializer(full, context={"teaches": teaches(person(request), attempt)}).data)


def run_in(request: Request) -> dict[str, object]:
    """The run in the request's body. Raises InvalidValue where it is none."""
    if not isinstance(request.data, dict):
        raise InvalidValue("run", type(request.data).__name__, "an object with the fields of a run")
    return request.data


def _number(request: Request, name: str) -> int | None:
    given = request.query_params.get(name)
    if given is None:
        return None
    if not given.isdigit() or len(given) > 15:
        raise InvalidValue(name, given, "a whole number")
    return int(given)


class CourseAttemptsView(ListAPIView[Attempt]):
    """Attempts of a course, newest first; `state` may be given several times."""

    serializer_class = AttemptBriefSerializer
    queryset = Attempt.objects.none()

    @extend_schema(
        parameters=[
            OpenApiParameter("student", OpenApiTypes.INT),
            OpenApiParameter("assignment", OpenApiTypes.INT),
            OpenApiParameter("state", OpenApiTypes.STR, many=True, enum=State.values),
        ]
    )
    def get(self, request: Request, *args: object, **kwargs: object) -> Response:
        return super().get(request, *args, **kwargs)

    def get_queryset(self):  # type: ignore[no-untyped-def]
        if getattr(self, "swagger_fake_view", False):
            return Attempt.objects.none()
        states = self.request.query_params.getlist("state")
        unknown = [s for s in states if s not in State.values]
        if unknown:
            raise InvalidValue("state", unknown[0], "one of " + ", ".join(State.values))
        return course_attempts(
            person(self.request),
            self.kwargs["course_id"],
            _number(self.request, "student"),
            states,
            _number(self.request, "assignment"),
        )

    def get_serializer_context(self):  # type: ignore[no-untyped-def]
        context = dict(super().get_serializer_context())
        if not getattr(self, "swagger_fake_view", False):
            context["teaches"] = membership_of(person(self.request), self.kwargs["course_id"]).role in STAFF
        return context


class AttemptView(APIView):
    """One attempt."""

    @extend_schema(operation_id="attempt_read", responses=AttemptSerializer)
    def get(self, request: Request, attempt_id: int) -> Response:
        return shown(request, attempt_id)


class RunView(APIView):
    """What was set for one run of the attempt, 1 for the first."""

    @extend_schema(operation_id="run_log", request=RunSerializer, responses=AttemptSerializer)
    def put(self, request: Request, attempt_id: int, number: int) -> Response:
        log_run(person(request), attempt_id, run_in(request), number=number)
        return shown(request, attempt_id)


class CheckRunView(APIView):
    """A run beside the card before it is saved; nothing is kept."""

    @extend_schema(operation_id="run_check", request=RunSerializer, responses=CheckSerializer)
    def post(self, request: Request, attempt_id: int) -> Response:
        attempt = attempt_for(person(request), attempt_id)
        return Response(CheckSerializer(check_for(attempt.assignment, run_in(request))).data)


class PreparationView(APIView):
    """What was prepared before the arc."""

    @extend_schema(operation_id="preparation_tick", request=PrepareSerializer, responses=AttemptSerializer)
    def put(self, request: Request, attempt_id: int) -> Response:
        asked = PrepareSerializer(data=request.data)
        asked.is_valid(raise_exception=True)
        tick_preparation(person(request), attempt_id, asked.validated_data["prepared"])
        return shown(request, attempt_id)


class LastRunsView(APIView):
    """The student's runs of the last attempt at the same coupon that passed, else of the last; none at the first."""

    @extend_schema(operation_id="runs_last", responses=LastRunsSerializer)
    def get(self, request: Request, attempt_id: int) -> Response:
        attempt = attempt_for(person(request), attempt_id)
        runs, passed = last_good_runs(attempt.student, attempt)
        return Response({"passed": passed, "runs": RunSerializer(runs, many=True).data})


class SetupView(APIView):
    """The setup card, each logged run beside it, and what worked here."""

    @extend_schema(operation_id="setup_read", responses=SetupSerializer)
    def get(self, request: Request, attempt_id: int) -> Response:
        return Response(SetupSerializer(setup_of(attempt_for(person(request), attempt_id))).data)


class CardSheetView(APIView):
    """The setup card as an A5 sheet (PDF) to hang beside the machine."""

    @extend_schema(operation_id="card_sheet", responses={(200, "application/pdf"): OpenApiTypes.BINARY})
    def get(self, request: Request, attempt_id: int) -> HttpResponse:
        attempt = attempt_for(person(request), attempt_id)
        goal = attempt.assignment
        about = Heading(
            f"{goal.design.title}, attempt {attempt.number}",
            f"{goal.course.name} · {attempt.student.display_name} · due {goal.due_on:%d %b %Y}",
        )
        steps = [step_words(step, goal.course.solvent) for step in checklist_for(goal)]
        file = card_sheet(card_for(goal), steps, about)
        name = f"card-{attempt.pk}.pdf"
        return HttpResponse(
            file, content_type="application/pdf", headers={"Content-Disposition": f'inline; filename="{name}"'}
        )


class NextAttemptView(APIView):
    """Opening one's next attempt at an assignment."""

    @extend_schema(operation_id="attempt_open", request=None, responses={201: AttemptSerializer})
    def post(self, request: Request, assignment_id: int) -> Response:
        attempt = weld_another(person(request), assignment_for(person(request), assignment_id))
        response = shown(request, attempt.pk)
        response.status_code = status.HTTP_201_CREATED
        return response


class EventsView(ListAPIView[Event]):
    """All that happened to an attempt, oldest first."""

    serializer_class = EventSerializer
    queryset = Event.objects.none()

    def get_queryset(self):  # type: ignore[no-untyped-def]
        if getattr(self, "swagger_fake_view", False):
            return Event.objects.none()
        return log_of(attempt_for(person(self.request), self.kwargs["attempt_id"]))


class RunFieldsView(APIView):
    """The fields of a run with their units and limits."""

    @extend_schema(operation_id="run_fields", responses=RunFieldSerializer(many=True))
    def get(self, request: Request) -> Response:
        return Response([asdict(field) for field in RUN_FIELDS])
