"""Attempts: lists, one with all its parts, logging a run, opening the next."""

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import status
from rest_framework.generics import ListAPIView
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import InvalidValue
from judicum.core.numbers import whole
from judicum.server.catalogue.coupons.queries import assignment_for
from judicum.server.catalogue.coupons.setup import card_for, check_for, checklist_for
from judicum.server.catalogue.coupons.sheet import Heading, card_sheet
from judicum.server.http.paging import ByChange
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.serializers.attempts import (
    AttemptBriefSerializer,
    AttemptSerializer,
    EventSerializer,
    FindingsSerializer,
    LastRunsSerializer,
    NextSerializer,
    PrepareSerializer,
    RunSerializer,
    SetupSerializer,
    WaitingSerializer,
    WallRowSerializer,
)
from judicum.server.http.serializers.card import CheckSerializer
from judicum.server.people.accounts.units import units_of
from judicum.server.people.courses.models import Membership
from judicum.server.people.courses.queries import membership_of, staff_of
from judicum.server.people.roles import STAFF
from judicum.server.read.attempts import last_good_runs, newest_of_each, seen, setup_of, told_check
from judicum.server.read.briefs import Brief, briefs, in_brief
from judicum.server.read.waiting import NEEDS, ORDERS, next_waiting, waiting_in
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.actions.note_findings import note_findings
from judicum.server.record.attempts.actions.open_attempt import weld_another
from judicum.server.record.attempts.actions.tick_preparation import tick_preparation
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import attempt_for, course_attempts, visible_events
from judicum.server.record.attempts.states import State
from judicum.server.record.attempts.visibility import Sight
from judicum.words import setup as words

IN_ORDER = [
    OpenApiParameter("order", OpenApiTypes.STR, enum=list(ORDERS)),
    OpenApiParameter("assignment", OpenApiTypes.INT, description="Only attempts at this coupon."),
]
MOST_WAITING = 50
NEWEST, MOST_OF_EACH = 4, 20
"""Attempts of each student on the wall, and the most that may be asked for."""


def shown(request: Request, attempt_id: int) -> Response:
    """The whole attempt as this person may see it."""
    user = person(request)
    attempt, sight = seen(user, attempt_id)
    return Response(AttemptSerializer(attempt, context={"sight": sight, "units": units_of(user)}).data)


def sight_in(mine: Membership) -> Sight:
    """How a member of a course sees its attempts."""
    return Sight(mine.user, mine.role in STAFF)


def told_briefs(found: list[Brief], sight: Sight) -> list[dict[str, object]]:
    """Briefs over the wire."""
    return [dict(told) for told in AttemptBriefSerializer(found, many=True, context={"sight": sight}).data]


def run_in(request: Request) -> dict[str, object]:
    """The run in the request's body. Raises InvalidValue where it is none."""
    if not isinstance(request.data, dict):
        raise InvalidValue("run", type(request.data).__name__, "an object with the fields of a run")
    return request.data


def _number(request: Request, name: str) -> int | None:
    given = request.query_params.get(name)
    if given is None:
        return None
    number = whole(given)
    if number is None:
        raise InvalidValue(name, given, "a whole number")
    return number


class CourseAttemptsView(ListAPIView[Attempt]):
    """Attempts of a course, last changed first unless `oldest_first`; `state` may be given several times."""

    serializer_class = AttemptBriefSerializer
    pagination_class = ByChange
    queryset = Attempt.objects.none()

    @extend_schema(
        parameters=[
            OpenApiParameter("student", OpenApiTypes.INT),
            OpenApiParameter("assignment", OpenApiTypes.INT),
            OpenApiParameter("state", OpenApiTypes.STR, many=True, enum=State.values),
            OpenApiParameter("oldest_first", OpenApiTypes.BOOL),
        ]
    )
    def get(self, request: Request, *args: object, **kwargs: object) -> Response:
        return super().get(request, *args, **kwargs)

    def list(self, request: Request, *args: object, **kwargs: object) -> Response:
        states = request.query_params.getlist("state")
        unknown = [s for s in states if s not in State.values]
        if unknown:
            raise InvalidValue("state", unknown[0], "one of " + ", ".join(State.values))
        mine = membership_of(person(request), self.kwargs["course_id"])
        found = course_attempts(mine, _number(request, "student"), states, _number(request, "assignment"))
        rows = self.paginate_queryset(in_brief(found))
        return self.get_paginated_response(told_briefs(briefs(rows or []), sight_in(mine)))


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
        found = check_for(attempt.assignment, run_in(request))
        return Response(CheckSerializer(told_check(found, units_of(request.user))).data)


class PreparationView(APIView):
    """What was prepared before the arc."""

    @extend_schema(operation_id="preparation_tick", request=PrepareSerializer, responses=AttemptSerializer)
    def put(self, request: Request, attempt_id: int) -> Response:
        asked = sent(PrepareSerializer, request)
        tick_preparation(person(request), attempt_id, asked["prepared"])
        return shown(request, attempt_id)


class FindingsView(APIView):
    """Findings by hand, of those who teach."""

    @extend_schema(operation_id="findings_note", request=FindingsSerializer, responses=AttemptSerializer)
    def put(self, request: Request, attempt_id: int) -> Response:
        note_findings(person(request), attempt_id, request.data)
        return shown(request, attempt_id)


class LastRunsView(APIView):
    """The student's runs of the last attempt at the same coupon that passed, else of the last; none at the first."""

    @extend_schema(operation_id="runs_last", responses=LastRunsSerializer)
    def get(self, request: Request, attempt_id: int) -> Response:
        attempt = attempt_for(person(request), attempt_id)
        runs, passed = last_good_runs(person(request), attempt)
        return Response({"passed": passed, "runs": RunSerializer(runs, many=True).data})


class SetupView(APIView):
    """The setup card, each logged run beside it, and what worked here."""

    @extend_schema(operation_id="setup_read", responses=SetupSerializer)
    def get(self, request: Request, attempt_id: int) -> Response:
        attempt = attempt_for(person(request), attempt_id)
        return Response(SetupSerializer(setup_of(attempt, units_of(request.user))).data)


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
        units = units_of(request.user)
        steps = [words.step(step, goal.course.solvent, units) for step in checklist_for(goal)]
        file = card_sheet(card_for(goal), steps, about, units)
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


class EventsView(APIView):
    """All that happened to an attempt and that this person may see, oldest first."""

    @extend_schema(operation_id="attempt_events", responses=EventSerializer(many=True))
    def get(self, request: Request, attempt_id: int) -> Response:
        attempt = attempt_for(person(request), attempt_id)
        shown = visible_events(person(request), attempt)
        return Response(EventSerializer(shown, many=True).data)


class WallView(APIView):
    """The newest measured attempts of every student of a course, for those who teach it."""

    @extend_schema(
        operation_id="wall_read",
        responses=WallRowSerializer(many=True),
        parameters=[OpenApiParameter("count", OpenApiTypes.INT, description="Attempts of each, 1 to 20.")],
    )
    def get(self, request: Request, course_id: int) -> Response:
        mine = staff_of(person(request), course_id)
        count = _number(request, "count") or NEWEST
        if not 1 <= count <= MOST_OF_EACH:
            raise InvalidValue("count", count, f"1 to {MOST_OF_EACH}")
        rows = [{"student": who, "attempts": newest} for who, newest in newest_of_each(course_id, count)]
        context = {"sight": sight_in(mine)}
        return Response(WallRowSerializer(rows, many=True, context=context).data)


class NextView(APIView):
    """Which attempt of a course is to be looked at next, for those who teach it."""

    @extend_schema(
        operation_id="next_read",
        responses=NextSerializer,
        parameters=[OpenApiParameter("but", OpenApiTypes.INT, description="The attempt one comes from."), *IN_ORDER],
    )
    def get(self, request: Request, course_id: int) -> Response:
        staff_of(person(request), course_id)
        order, assignment = _order(request)
        return Response(
            {"attempt": next_waiting(person(request), course_id, _number(request, "but"), order, assignment)}
        )


class WaitingView(APIView):
    """What waits for those who teach, in the order asked for: at most MOST_WAITING of it, and how many there are."""

    @extend_schema(operation_id="waiting_read", responses=WaitingSerializer, parameters=IN_ORDER)
    def get(self, request: Request, course_id: int) -> Response:
        mine = staff_of(person(request), course_id)
        found = waiting_in(mine.user, course_id, *_order(request))
        needs = {pk: NEEDS[need] for pk, need in found.values_list("pk", "need")[:MOST_WAITING]}
        by_id = {one.id: one for one in briefs(in_brief(Attempt.objects.filter(pk__in=needs)))}
        rows = told_briefs([by_id[pk] for pk in needs if pk in by_id], sight_in(mine))
        told = [{**row, "need": needs[row["id"]]} for row in rows]
        return Response({"count": found.count(), "attempts": told})


def _order(request: Request) -> tuple[str, int | None]:
    return request.query_params.get("order", "waited"), _number(request, "assignment")
