"""Sessions: sessions, booths, who is there, who stands where; one's own; calendars."""

from typing import Any

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.permissions import AllowAny
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.answers import sessions as sessions_answers
from judicum.server.follow.sessions.actions.attend import come_in, set_attendance
from judicum.server.follow.sessions.actions.make_sessions import drop_session, make_sessions
from judicum.server.follow.sessions.actions.plan_sessions import place, plan_rest, remove_slot
from judicum.server.follow.sessions.actions.set_booth import report_broken, set_booth
from judicum.server.follow.sessions.calendar import calendar_of
from judicum.server.follow.sessions.machine import weld_at
from judicum.server.follow.sessions.models import CalendarSubscription
from judicum.server.follow.sessions.queries import feed_of
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.throttles import DoorThrottle
from judicum.server.people.accounts.units import units_of
from judicum.server.people.courses.actions.set_time_zone import set_time_zone
from judicum.server.people.courses.queries import membership_of, staff_of
from judicum.server.read.sessions import machine_page, my_sessions, session_plan, unplaced_of


def _shown(request: Request, course_id: int) -> Response:
    return Response(session_plan(person(request), course_id))


class SessionsView(APIView):
    """The course's sessions ahead, and making sessions."""

    @extend_schema(operation_id="sessions_read", responses=sessions_answers.SessionPlan)
    def get(self, request: Request, course_id: int) -> Response:
        return _shown(request, course_id)

    @extend_schema(
        operation_id="sessions_make",
        request=sessions_answers.CreateSessionsRequest,
        responses=sessions_answers.SessionPlan,
    )
    def post(self, request: Request, course_id: int) -> Response:
        asked = sent(sessions_answers.CreateSessionsRequest, request)
        make_sessions(person(request), course_id, **dict(asked))
        return _shown(request, course_id)


class TimeZoneView(APIView):
    """Where the course meets, for its instructor."""

    @extend_schema(
        operation_id="time_zone_set", request=sessions_answers.TimeZoneRequest, responses=sessions_answers.SessionPlan
    )
    def put(self, request: Request, course_id: int) -> Response:
        asked = sent(sessions_answers.TimeZoneRequest, request)
        set_time_zone(person(request), course_id, asked.time_zone)
        return _shown(request, course_id)


class SessionView(APIView):
    """Dropping a session."""

    @extend_schema(operation_id="session_drop", responses={204: None})
    def delete(self, request: Request, session_id: int) -> Response:
        drop_session(person(request), session_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


def _booth(asked: sessions_answers.BoothRequest) -> dict[str, Any]:
    return {**dict(asked), "machine": asked.machine and asked.machine.model_dump()}


class BoothsView(APIView):
    """Making a booth."""

    @extend_schema(
        operation_id="booth_make", request=sessions_answers.BoothRequest, responses=sessions_answers.SessionPlan
    )
    def post(self, request: Request, course_id: int) -> Response:
        asked = sent(sessions_answers.BoothRequest, request)
        set_booth(person(request), course_id, None, **_booth(asked))
        return _shown(request, course_id)


class BoothView(APIView):
    """Changing a booth: what it has, what is broken, when it is closed."""

    @extend_schema(
        operation_id="booth_set", request=sessions_answers.BoothRequest, responses=sessions_answers.SessionPlan
    )
    def put(self, request: Request, course_id: int, booth_id: int) -> Response:
        asked = sent(sessions_answers.BoothRequest, request)
        set_booth(person(request), course_id, booth_id, **_booth(asked))
        return _shown(request, course_id)


class BoothNotesView(APIView):
    """Saying what does not work at a booth, by whoever stands there."""

    @extend_schema(
        operation_id="booth_report", request=sessions_answers.FaultReportRequest, responses=sessions_answers.BoothName
    )
    def post(self, request: Request, course_id: int, booth_id: int) -> Response:
        asked = sent(sessions_answers.FaultReportRequest, request)
        booth = report_broken(person(request), course_id, booth_id, asked.text)
        return Response(sessions_answers.BoothName.model_validate(booth))


class MachineView(APIView):
    """The machine an attempt is welded with, and what worked on it last."""

    @extend_schema(operation_id="machine_read", responses=sessions_answers.Machine)
    def get(self, request: Request, attempt_id: int) -> Response:
        return Response(machine_page(person(request), attempt_id, units_of(request.user)))

    @extend_schema(
        operation_id="machine_set", request=sessions_answers.WeldedAtRequest, responses=sessions_answers.Machine
    )
    def put(self, request: Request, attempt_id: int) -> Response:
        asked = sent(sessions_answers.WeldedAtRequest, request)
        weld_at(person(request), attempt_id, asked.booth)
        return self.get(request, attempt_id)


class AttendanceView(APIView):
    """Who is away and who is there."""

    @extend_schema(operation_id="attendance_set", request=sessions_answers.AttendanceRequest, responses={204: None})
    def put(self, request: Request, session_id: int) -> Response:
        given = sent(sessions_answers.AttendanceRequest, request)
        set_attendance(person(request), session_id, given.student, given.there)
        return Response(status=status.HTTP_204_NO_CONTENT)


class DoorView(APIView):
    """Coming in with the code at the door."""

    throttle_classes = (DoorThrottle,)

    @extend_schema(operation_id="door_open", request=sessions_answers.DoorRequest, responses={204: None})
    def post(self, request: Request, session_id: int) -> Response:
        asked = sent(sessions_answers.DoorRequest, request)
        come_in(person(request), session_id, asked.code)
        return Response(status=status.HTTP_204_NO_CONTENT)


class RotaView(APIView):
    """Planning everything that is not placed by hand, and placing by hand."""

    @extend_schema(operation_id="rota_plan", request=None, responses=sessions_answers.Planned)
    def post(self, request: Request, course_id: int) -> Response:
        found = plan_rest(person(request), course_id)
        plan = session_plan(person(request), course_id)
        return Response(sessions_answers.Planned(plan=plan, unplaced=unplaced_of(found), gone=[]))

    @extend_schema(
        operation_id="rota_place", request=sessions_answers.BoothSlotRequest, responses=sessions_answers.Planned
    )
    def put(self, request: Request, course_id: int) -> Response:
        given = sent(sessions_answers.BoothSlotRequest, request)
        done = place(
            person(request),
            course_id,
            given.assignment,
            given.student,
            given.session,
            given.booth,
            given.start,
        )
        plan = session_plan(person(request), course_id)
        gone = [f"{one.student.display_name}, {one.assignment.design.title}" for one in done.gone]
        return Response(sessions_answers.Planned(plan=plan, unplaced=[], gone=gone))


class BoothSlotView(APIView):
    """Taking a slot out."""

    @extend_schema(operation_id="slot_remove", responses={204: None})
    def delete(self, request: Request, course_id: int, slot_id: int) -> Response:
        remove_slot(person(request), course_id, slot_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


class MySessionsView(APIView):
    """Where one stands, and when the course meets."""

    @extend_schema(operation_id="my_sessions_read", responses=sessions_answers.MySessions)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(my_sessions(person(request), course_id))


class CalendarSubscriptionsView(APIView):
    """The secret address of one's own calendar, made when it is first asked for; asked anew with PUT, the old one ends."""

    @extend_schema(operation_id="feed_read", responses=sessions_answers.CalendarSubscription)
    def get(self, request: Request, course_id: int) -> Response:
        user = person(request)
        membership_of(user, course_id)
        feed, _ = CalendarSubscription.objects.get_or_create(course_id=course_id, user=user)
        return Response(sessions_answers.CalendarSubscription(address=f"/api/calendar/{feed.token}.ics"))

    @extend_schema(operation_id="feed_renew", request=None, responses=sessions_answers.CalendarSubscription)
    def put(self, request: Request, course_id: int) -> Response:
        user = person(request)
        membership_of(user, course_id)
        CalendarSubscription.objects.filter(course_id=course_id, user=user).delete()
        return self.get(request, course_id)


class CourseFeedView(APIView):
    """The secret address of the course's calendar, for those who teach it to hand on."""

    @extend_schema(operation_id="course_feed_read", responses=sessions_answers.CalendarSubscription)
    def get(self, request: Request, course_id: int) -> Response:
        staff_of(person(request), course_id)
        feed, _ = CalendarSubscription.objects.get_or_create(course_id=course_id, user=None)
        return Response(sessions_answers.CalendarSubscription(address=f"/api/calendar/{feed.token}.ics"))


class CalendarView(APIView):
    """A calendar by its secret address (iCalendar); whoever has the address reads it."""

    permission_classes = (AllowAny,)
    throttle_classes = (DoorThrottle,)

    @extend_schema(operation_id="calendar_read", responses={(200, "text/calendar"): OpenApiTypes.BINARY})
    def get(self, request: Request, token: str) -> HttpResponse:
        return HttpResponse(calendar_of(feed_of(token)), content_type="text/calendar; charset=utf-8")
