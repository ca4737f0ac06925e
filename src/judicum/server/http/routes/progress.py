"""Progress of a student, and today's desk."""

from drf_spectacular.utils import extend_schema
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.answers import progress as progress_answers
from judicum.server.answers.base import list_of
from judicum.server.http.kept import kept
from judicum.server.http.person import person
from judicum.server.read.progress.forecasts import forecasts_page, standings
from judicum.server.read.progress.queries import desk
from judicum.server.read.progress.story import story
from judicum.server.read.progress.week import week_of


class ProgressView(APIView):
    """A student's story: sequence, coupons over time, what was asked to change."""

    @extend_schema(operation_id="progress_read", responses=progress_answers.Progress)
    @kept
    def get(self, request: Request, course_id: int, student_id: int) -> Response:
        return Response(story(person(request), course_id, student_id))


class WeekView(APIView):
    """What the class gets wrong this week, and where everybody stands, for those who teach."""

    @extend_schema(operation_id="week_read", responses=progress_answers.Week)
    @kept
    def get(self, request: Request, course_id: int) -> Response:
        return Response(week_of(person(request), course_id))


class DeskView(APIView):
    """What waits today."""

    @extend_schema(operation_id="desk_read", responses=progress_answers.Desk)
    @kept
    def get(self, request: Request, course_id: int) -> Response:
        return Response(desk(person(request), course_id))


class ForecastsView(APIView):
    """How a student's records go on, the newest coupon first; to the student in kinder words."""

    @extend_schema(operation_id="forecasts_read", responses=list_of(progress_answers.Forecast))
    def get(self, request: Request, course_id: int, student_id: int) -> Response:
        return Response(forecasts_page(person(request), course_id, student_id))


class StandingsView(APIView):
    """Every student at every coupon: who is ready for the next and who is stuck, for those who teach."""

    @extend_schema(operation_id="standings_read", responses=list_of(progress_answers.CouponStanding))
    @kept
    def get(self, request: Request, course_id: int) -> Response:
        return Response(standings(person(request), course_id))
