"""Progress of a student, and today's desk."""

from drf_spectacular.utils import extend_schema
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.http.person import person
from judicum.server.http.serializers.progress import (
    DeskSerializer,
    ForecastSerializer,
    ProgressSerializer,
    StandingAtSerializer,
    WeekSerializer,
    told_desk,
    told_forecast,
    told_story,
    told_week,
)
from judicum.server.read.progress.forecasts import forecasts_of, standings
from judicum.server.read.progress.queries import desk
from judicum.server.read.progress.story import story
from judicum.server.read.progress.week import week_of
from judicum.words.causes import CAUSES_TOLD
from judicum.words.progress import told, told_to_student


class ProgressView(APIView):
    """A student's story: ladder, coupons over time, what was asked to change."""

    @extend_schema(operation_id="progress_read", responses=ProgressSerializer)
    def get(self, request: Request, course_id: int, student_id: int) -> Response:
        return Response(told_story(story(person(request), course_id, student_id)))


class WeekView(APIView):
    """What the class gets wrong this week, and where everybody stands, for those who teach."""

    @extend_schema(operation_id="week_read", responses=WeekSerializer)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(told_week(week_of(person(request), course_id)))


class DeskView(APIView):
    """What waits today."""

    @extend_schema(operation_id="desk_read", responses=DeskSerializer)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(told_desk(desk(person(request), course_id)))


class ForecastsView(APIView):
    """How a student's records go on, the newest coupon first; to the student in kinder words."""

    @extend_schema(operation_id="forecasts_read", responses=ForecastSerializer(many=True))
    def get(self, request: Request, course_id: int, student_id: int) -> Response:
        user = person(request)
        say = told_to_student if user.pk == student_id else told
        found = forecasts_of(user, course_id, student_id)
        rows = [told_forecast(one, forecast, say(forecast, one.good_in_a_row)) for one, forecast in found]
        return Response(ForecastSerializer(rows, many=True).data)


class StandingsView(APIView):
    """Every student at every coupon: who may climb and who is stuck, for those who teach. Plain rows: a class has hundreds."""

    @extend_schema(operation_id="standings_read", responses=StandingAtSerializer(many=True))
    def get(self, request: Request, course_id: int) -> Response:
        rows = [
            {
                "student": {"id": one.student.pk, "display_name": one.student.display_name},
                "forecast": told_forecast(
                    one.assignment, one.forecast, told(one.forecast, one.assignment.good_in_a_row)
                ),
                "best": one.best,
                "stuck": one.stuck,
                "failed_in_a_row": one.failed_in_a_row,
                "cause": CAUSES_TOLD[one.cause] if one.cause else None,
                "next_rung": one.next_design and {"id": one.next_design.pk, "title": one.next_design.title},
            }
            for one in standings(person(request), course_id)
        ]
        return Response(rows)
