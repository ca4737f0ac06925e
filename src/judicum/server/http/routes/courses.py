"""Courses: reading one, its members, joining."""

from django.contrib.auth import login
from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.generics import ListAPIView
from rest_framework.permissions import AllowAny
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import InvalidValue
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.serializers.accounts import SessionSerializer
from judicum.server.http.serializers.courses import (
    CourseSerializer,
    JoinCodeSerializer,
    JoinSerializer,
    MakeCourseSerializer,
    MemberSerializer,
    ResetLinkSerializer,
    SchoolsSerializer,
    SetJoinCodeSerializer,
    SetRoleSerializer,
    told_join_code,
    told_reset_link,
)
from judicum.server.http.throttles import DoorThrottle
from judicum.server.people.accounts.queries import with_courses
from judicum.server.people.courses.actions.archive_course import archive_course
from judicum.server.people.courses.actions.join_course import join_course, register_and_join
from judicum.server.people.courses.actions.set_members import let_go, may_reset, set_join_code, set_role
from judicum.server.people.courses.actions.set_schools import set_schools
from judicum.server.people.courses.models import Course, Membership
from judicum.server.people.courses.queries import instructor_of, members, membership_of, staff_of
from judicum.server.people.roles import STAFF
from judicum.server.upkeep.make_course import make_course


class CourseView(APIView):
    """One course."""

    @extend_schema(operation_id="course_read", responses=CourseSerializer)
    def get(self, request: Request, course_id: int) -> Response:
        mine = membership_of(person(request), course_id)
        shown = {
            "id": mine.course.id,
            "name": mine.course.name,
            "role": mine.role,
            "join_code": mine.course.join_code if mine.role in STAFF else None,
            "schools": mine.course,
            "filling": mine.course.filling,
        }
        return Response(CourseSerializer(shown).data)  # type: ignore[arg-type]


class CoursesView(APIView):
    """Making a course."""

    @extend_schema(operation_id="course_make", request=MakeCourseSerializer, responses=SessionSerializer)
    def post(self, request: Request) -> Response:
        asked = sent(MakeCourseSerializer, request)
        make_course(person(request), **asked)
        return Response(SessionSerializer(with_courses(person(request))).data)


class JoinCodeView(APIView):
    """The code newcomers join with, for the course's instructor."""

    @extend_schema(operation_id="join_code_read", responses=JoinCodeSerializer)
    def get(self, request: Request, course_id: int) -> Response:
        return self._told(request, instructor_of(person(request), course_id).course)

    @extend_schema(operation_id="join_code_set", request=SetJoinCodeSerializer, responses=JoinCodeSerializer)
    def put(self, request: Request, course_id: int) -> Response:
        asked = sent(SetJoinCodeSerializer, request)
        return self._told(request, set_join_code(person(request), course_id, **asked))

    @staticmethod
    def _told(request: Request, course: Course) -> Response:
        return Response(told_join_code(course, request.build_absolute_uri("/")))


class ArchivedView(APIView):
    """Archiving a course (PUT) and opening it again (DELETE), for its instructor."""

    of_archived = True

    @extend_schema(operation_id="course_archive", request=None, responses=SessionSerializer)
    def put(self, request: Request, course_id: int) -> Response:
        archive_course(person(request), course_id, archived=True)
        return Response(SessionSerializer(with_courses(person(request))).data)

    @extend_schema(operation_id="course_reopen", responses={200: SessionSerializer})
    def delete(self, request: Request, course_id: int) -> Response:
        archive_course(person(request), course_id, archived=False)
        return Response(SessionSerializer(with_courses(person(request))).data)


class MemberView(APIView):
    """Giving a member another role, letting somebody go."""

    @extend_schema(operation_id="member_set", request=SetRoleSerializer, responses=MemberSerializer)
    def put(self, request: Request, course_id: int, member_id: int) -> Response:
        asked = sent(SetRoleSerializer, request)
        return Response(MemberSerializer(set_role(person(request), course_id, member_id, asked["role"])).data)

    @extend_schema(operation_id="member_let_go", responses={204: None})
    def delete(self, request: Request, course_id: int, member_id: int) -> Response:
        let_go(person(request), course_id, member_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


class ResetLinkView(APIView):
    """A one-time link for a member who forgot the password."""

    @extend_schema(operation_id="reset_link_make", request=None, responses=ResetLinkSerializer)
    def post(self, request: Request, course_id: int, member_id: int) -> Response:
        return Response(told_reset_link(may_reset(person(request), course_id, member_id), request))


class SchoolsView(APIView):
    """How the course is taught where practitioners disagree; for its instructor to change."""

    @extend_schema(operation_id="schools_set", request=SchoolsSerializer(partial=True), responses=SchoolsSerializer)
    def patch(self, request: Request, course_id: int) -> Response:
        if not isinstance(request.data, dict):
            raise InvalidValue("schools", type(request.data).__name__, "an object of schools")
        return Response(SchoolsSerializer(set_schools(person(request), course_id, request.data)).data)


class MembersView(ListAPIView[Membership]):
    """The course's members, for those who teach it."""

    serializer_class = MemberSerializer
    queryset = Membership.objects.none()

    def get_queryset(self):  # type: ignore[no-untyped-def]
        if getattr(self, "swagger_fake_view", False):
            return Membership.objects.none()
        mine = staff_of(person(self.request), self.kwargs["course_id"])
        return members(mine.course_id, self.request.query_params.get("role"))


class JoinView(APIView):
    """Joining with a course code, with an account or making one."""

    permission_classes = (AllowAny,)
    throttle_classes = (DoorThrottle,)

    @extend_schema(operation_id="course_join", request=JoinSerializer, responses=SessionSerializer)
    def post(self, request: Request) -> Response:
        typed = sent(JoinSerializer, request)
        if request.user.is_authenticated:
            join_course(person(request), typed["code"])
            return Response(SessionSerializer(with_courses(person(request))).data)
        for field in ("username", "display_name", "password"):
            if not typed.get(field):
                raise InvalidValue(field, None, "needed for a new account")
        user = register_and_join(**typed)
        login(request._request, user, backend="django.contrib.auth.backends.ModelBackend")
        return Response(SessionSerializer(with_courses(user)).data)
