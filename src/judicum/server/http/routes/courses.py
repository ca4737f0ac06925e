"""Courses: reading one, its members, joining."""

from django.contrib.auth import login
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import status
from rest_framework.permissions import AllowAny
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import InvalidValue, said
from judicum.server.answers import courses as courses_answers
from judicum.server.answers import people as people_answers
from judicum.server.http.paging import PAGED, page_of
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.reset_link import reset_link
from judicum.server.http.throttles import DoorThrottle
from judicum.server.people.courses.actions.archive_course import archive_course
from judicum.server.people.courses.actions.join_course import join_course, register_and_join
from judicum.server.people.courses.actions.set_members import may_reset, remove_member, set_join_code, set_role
from judicum.server.people.courses.actions.set_schools import set_schools
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import instructor_of, members, staff_of
from judicum.server.people.roles import Role
from judicum.server.read.people import course_page, join_code, signed_in
from judicum.server.upkeep.create_course import create_course


class CourseView(APIView):
    """One course."""

    @extend_schema(operation_id="course_read", responses=courses_answers.Course)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(course_page(person(request), course_id))


class CoursesView(APIView):
    """Making a course."""

    @extend_schema(
        operation_id="course_make", request=courses_answers.CreateCourseRequest, responses=people_answers.SignedIn
    )
    def post(self, request: Request) -> Response:
        asked = sent(courses_answers.CreateCourseRequest, request)
        create_course(person(request), asked.name, asked.like)
        return Response(signed_in(person(request)))


class JoinCodeView(APIView):
    """The code newcomers join with, for the course's instructor."""

    @extend_schema(operation_id="join_code_read", responses=courses_answers.JoinCode)
    def get(self, request: Request, course_id: int) -> Response:
        return self._answer(request, instructor_of(person(request), course_id).course)

    @extend_schema(
        operation_id="join_code_set", request=courses_answers.JoinCodeRequest, responses=courses_answers.JoinCode
    )
    def put(self, request: Request, course_id: int) -> Response:
        asked = sent(courses_answers.JoinCodeRequest, request)
        return self._answer(request, set_join_code(person(request), course_id, **dict(asked)))

    @staticmethod
    def _answer(request: Request, course: Course) -> Response:
        return Response(join_code(course, request.build_absolute_uri("/")))


class ArchivedView(APIView):
    """Archiving a course (PUT) and opening it again (DELETE), for its instructor."""

    of_archived = True

    @extend_schema(operation_id="course_archive", request=None, responses=people_answers.SignedIn)
    def put(self, request: Request, course_id: int) -> Response:
        archive_course(person(request), course_id, archived=True)
        return Response(signed_in(person(request)))

    @extend_schema(operation_id="course_reopen", responses={200: people_answers.SignedIn})
    def delete(self, request: Request, course_id: int) -> Response:
        archive_course(person(request), course_id, archived=False)
        return Response(signed_in(person(request)))


class MemberView(APIView):
    """Giving a member another role, letting somebody go."""

    @extend_schema(operation_id="member_set", request=courses_answers.RoleRequest, responses=courses_answers.Member)
    def put(self, request: Request, course_id: int, member_id: int) -> Response:
        asked = sent(courses_answers.RoleRequest, request)
        member = set_role(person(request), course_id, member_id, asked.role)
        return Response(courses_answers.Member.model_validate(member))

    @extend_schema(operation_id="member_let_go", responses={204: None})
    def delete(self, request: Request, course_id: int, member_id: int) -> Response:
        remove_member(person(request), course_id, member_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


class ResetLinkView(APIView):
    """A one-time link for a member who forgot the password."""

    @extend_schema(operation_id="reset_link_make", request=None, responses=people_answers.ResetLink)
    def post(self, request: Request, course_id: int, member_id: int) -> Response:
        return Response(reset_link(may_reset(person(request), course_id, member_id), request))


class SchoolsView(APIView):
    """How the course is taught where practitioners disagree; for its instructor to change."""

    @extend_schema(
        operation_id="schools_set",
        request=courses_answers.CourseMethodsRequest,
        responses=courses_answers.CourseMethods,
    )
    def patch(self, request: Request, course_id: int) -> Response:
        if not isinstance(request.data, dict):
            raise InvalidValue("schools", type(request.data).__name__, said("allowed-an-object-of-schools"))
        return Response(
            courses_answers.CourseMethods.model_validate(set_schools(person(request), course_id, request.data))
        )


class MembersView(APIView):
    """The course's members, for those who teach it."""

    @extend_schema(
        operation_id="courses_members_list",
        parameters=[OpenApiParameter("role", OpenApiTypes.STR, enum=Role.values), *PAGED],
        responses=courses_answers.Members,
    )
    def get(self, request: Request, course_id: int) -> Response:
        mine = staff_of(person(request), course_id)
        found = members(mine.course_id, request.query_params.get("role"))
        return Response(page_of(courses_answers.Members, found, request))


class JoinView(APIView):
    """Joining with a course code, with an account or making one."""

    permission_classes = (AllowAny,)
    throttle_classes = (DoorThrottle,)

    @extend_schema(operation_id="course_join", request=courses_answers.JoinRequest, responses=people_answers.SignedIn)
    def post(self, request: Request) -> Response:
        typed = sent(courses_answers.JoinRequest, request)
        if request.user.is_authenticated:
            join_course(person(request), typed.code)
            return Response(signed_in(person(request)))
        for field in ("username", "display_name", "password"):
            if not getattr(typed, field):
                raise InvalidValue(field, None, said("allowed-needed-for-a-new-account"))
        user = register_and_join(**dict(typed))
        login(request._request, user, backend="django.contrib.auth.backends.ModelBackend")
        return Response(signed_in(user))
