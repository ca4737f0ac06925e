"""Attempts: lists, one with all its parts, logging a run, opening the next."""

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import InvalidValue, one_of, said
from judicum.core.numbers import whole
from judicum.server.answers import attempts as attempts_answers
from judicum.server.answers import coupons as coupons_answers
from judicum.server.answers.base import list_of
from judicum.server.catalogue.coupons.queries import assignment_for
from judicum.server.catalogue.coupons.setup import card_for, checklist_for
from judicum.server.catalogue.coupons.sheet import Heading, card_sheet
from judicum.server.http.changes import CHANGE, accepted
from judicum.server.http.kept import kept
from judicum.server.http.paging import BY_CURSOR, ByChange
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.people.accounts.units import units_of
from judicum.server.people.courses.queries import membership_of, staff_of
from judicum.server.read.attempts import attempt_page, check_of, events_of, last_runs, policy_in, setup_of, wall_of
from judicum.server.read.briefs import briefs, in_brief
from judicum.server.read.labels import booth_path
from judicum.server.read.waiting import ORDERS, next_waiting, waiting_page
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.actions.note_findings import note_findings
from judicum.server.record.attempts.actions.open_attempt import weld_another
from judicum.server.record.attempts.actions.tick_preparation import tick_preparation
from judicum.server.record.attempts.queries import attempt_for, course_attempts
from judicum.server.record.attempts.states import AttemptState
from judicum.words import setup as words
from judicum.words.catalogue import speaking, t
from judicum.words.units import date_words

IN_ORDER = [
    OpenApiParameter("order", OpenApiTypes.STR, enum=list(ORDERS)),
    OpenApiParameter("assignment", OpenApiTypes.INT, description="Only attempts at this coupon."),
]
RUN = OpenApiParameter("run", OpenApiTypes.INT, description="Only this run, as its own photo shows it.")
NEWEST = 4
"""Attempts of each student on the wall."""
MAX_OF_EACH = 20
"""The most of each that may be asked for."""


def attempt_response(request: Request, attempt_id: int, code: int = status.HTTP_200_OK) -> Response:
    """The whole attempt as this person may see it."""
    return Response(attempt_page(person(request), attempt_id), status=code)


def run_in(request: Request) -> dict[str, object]:
    """The run in the request's body. Raises InvalidValue where it is none."""
    if not isinstance(request.data, dict):
        raise InvalidValue("run", type(request.data).__name__, said("allowed-an-object-with-the-fields-of-2"))
    return request.data


def number_asked(request: Request, name: str) -> int | None:
    """A number in the address's query, None where there is none. Raises InvalidValue."""
    given = request.query_params.get(name)
    if given is None:
        return None
    number = whole(given)
    if number is None:
        raise InvalidValue(name, given, said("allowed-a-whole-number"))
    return number


class CourseAttemptsView(APIView):
    """Attempts of a course, last changed first unless `oldest_first`; `state` may be given several times."""

    @extend_schema(
        operation_id="courses_attempts_list",
        responses=attempts_answers.AttemptBriefs,
        parameters=[
            OpenApiParameter("student", OpenApiTypes.INT),
            OpenApiParameter("assignment", OpenApiTypes.INT),
            OpenApiParameter("state", OpenApiTypes.STR, many=True, enum=AttemptState.values),
            OpenApiParameter("oldest_first", OpenApiTypes.BOOL),
            *BY_CURSOR,
        ],
    )
    @kept
    def get(self, request: Request, course_id: int) -> Response:
        states = request.query_params.getlist("state")
        unknown = [one for one in states if one not in AttemptState.values]
        if unknown:
            raise InvalidValue("state", unknown[0], one_of(AttemptState.values))
        mine = membership_of(person(request), course_id)
        found = course_attempts(mine, number_asked(request, "student"), states, number_asked(request, "assignment"))
        policy = policy_in(mine)
        pages = ByChange(policy.column("updated_at"))
        rows = pages.paginate_queryset(in_brief(found), request)
        return Response(
            attempts_answers.AttemptBriefs(
                next=pages.get_next_link(),
                previous=pages.get_previous_link(),
                results=briefs(rows or [], policy),
            )
        )


class AttemptView(APIView):
    """One attempt."""

    @extend_schema(operation_id="attempt_read", responses=attempts_answers.Attempt)
    @kept
    def get(self, request: Request, attempt_id: int) -> Response:
        return attempt_response(request, attempt_id)


class RunView(APIView):
    """What was set for one run of the attempt, 1 for the first."""

    @extend_schema(
        operation_id="run_log",
        request=attempts_answers.RunRequest,
        responses=attempts_answers.Attempt,
        parameters=CHANGE,
    )
    def put(self, request: Request, attempt_id: int, number: int) -> Response:
        run = run_in(request)
        accepted(request, lambda user, at: log_run(user, attempt_id, run, at, number), attempt_id)
        return attempt_response(request, attempt_id)


class CheckRunView(APIView):
    """A run beside the card before it is saved; nothing is kept."""

    @extend_schema(operation_id="run_check", request=attempts_answers.RunRequest, responses=coupons_answers.SetupCheck)
    def post(self, request: Request, attempt_id: int) -> Response:
        return Response(check_of(person(request), attempt_id, run_in(request)))


class PreparationView(APIView):
    """What was prepared before the arc."""

    @extend_schema(
        operation_id="preparation_tick",
        request=attempts_answers.PreparationRequest,
        responses=attempts_answers.Attempt,
        parameters=CHANGE,
    )
    def put(self, request: Request, attempt_id: int) -> Response:
        asked = sent(attempts_answers.PreparationRequest, request)
        accepted(request, lambda user, at: tick_preparation(user, attempt_id, asked.prepared, at), attempt_id)
        return attempt_response(request, attempt_id)


class FindingsView(APIView):
    """Findings by hand, of those who teach."""

    @extend_schema(
        operation_id="findings_note", request=attempts_answers.FindingsRequest, responses=attempts_answers.Attempt
    )
    def put(self, request: Request, attempt_id: int) -> Response:
        note_findings(person(request), attempt_id, request.data)
        return attempt_response(request, attempt_id)


class LastRunsView(APIView):
    """The student's runs of the last attempt at the same coupon that passed, else of the last; none at the first."""

    @extend_schema(operation_id="runs_last", responses=attempts_answers.LastRuns)
    def get(self, request: Request, attempt_id: int) -> Response:
        return Response(last_runs(person(request), attempt_id))


class SetupView(APIView):
    """The setup card, each logged run beside it, and what worked here."""

    @extend_schema(operation_id="setup_read", responses=attempts_answers.Setup)
    def get(self, request: Request, attempt_id: int) -> Response:
        return Response(setup_of(person(request), attempt_id))


class CardSheetView(APIView):
    """The setup card as an A5 sheet (PDF) to hang beside the machine."""

    @extend_schema(operation_id="card_sheet", responses={(200, "application/pdf"): OpenApiTypes.BINARY})
    def get(self, request: Request, attempt_id: int) -> HttpResponse:
        attempt = attempt_for(person(request), attempt_id)
        goal = attempt.assignment
        units = units_of(request.user)
        with speaking(goal.course.locale):
            about = Heading(
                t("print-card-title", title=goal.design.title, number=attempt.number),
                t(
                    "print-card-under",
                    course=goal.course.name,
                    name=attempt.student.display_name,
                    date=date_words(goal.due_on),
                ),
                request.build_absolute_uri(booth_path(attempt.course_id, attempt.pk)),
            )
            steps = [words.step(step, goal.course.solvent, units) for step in checklist_for(goal)]
            file = card_sheet(card_for(goal), steps, about, units)
        name = f"card-{attempt.pk}.pdf"
        return HttpResponse(
            file, content_type="application/pdf", headers={"Content-Disposition": f'inline; filename="{name}"'}
        )


class NextAttemptView(APIView):
    """Opening one's next attempt at an assignment."""

    @extend_schema(
        operation_id="attempt_open", request=None, responses={201: attempts_answers.Attempt}, parameters=CHANGE
    )
    def post(self, request: Request, assignment_id: int) -> Response:
        assignment = assignment_for(person(request), assignment_id)
        attempt = accepted(request, lambda user, at: weld_another(user, assignment, at))
        return attempt_response(request, attempt.pk, status.HTTP_201_CREATED)


class EventsView(APIView):
    """All that happened to an attempt and that this person may see, oldest first."""

    @extend_schema(operation_id="attempt_events", responses=list_of(attempts_answers.AttemptEvent))
    def get(self, request: Request, attempt_id: int) -> Response:
        return Response(events_of(person(request), attempt_id))


class WallView(APIView):
    """The newest measured attempts of every student of a course, for those who teach it."""

    @extend_schema(
        operation_id="wall_read",
        responses=list_of(attempts_answers.WallRow),
        parameters=[OpenApiParameter("count", OpenApiTypes.INT, description="Attempts of each, 1 to 20.")],
    )
    @kept
    def get(self, request: Request, course_id: int) -> Response:
        mine = staff_of(person(request), course_id)
        count = number_asked(request, "count") or NEWEST
        if not 1 <= count <= MAX_OF_EACH:
            raise InvalidValue("count", count, said("allowed-1-to", most=MAX_OF_EACH))
        return Response(wall_of(mine, count))


class NextView(APIView):
    """Which attempt of a course is to be looked at next, for those who teach it."""

    @extend_schema(
        operation_id="next_read",
        responses=attempts_answers.NextAttempt,
        parameters=[OpenApiParameter("but", OpenApiTypes.INT, description="The attempt one comes from."), *IN_ORDER],
    )
    @kept
    def get(self, request: Request, course_id: int) -> Response:
        order, assignment = _order(request)
        return Response(next_waiting(person(request), course_id, number_asked(request, "but"), order, assignment))


class WaitingView(APIView):
    """What waits for those who teach, in the order asked for, and how many there are."""

    @extend_schema(operation_id="waiting_read", responses=attempts_answers.Waiting, parameters=IN_ORDER)
    @kept
    def get(self, request: Request, course_id: int) -> Response:
        return Response(waiting_page(person(request), course_id, *_order(request)))


def _order(request: Request) -> tuple[str, int | None]:
    return request.query_params.get("order", "waited"), number_asked(request, "assignment")
