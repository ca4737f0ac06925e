"""A workshop, for its owners: courses, people, what it asks of them; and moving a student from course to course."""

from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.generics import ListAPIView
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.http.authentication import SessionOnly
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.serializers.accounts import SessionSerializer
from judicum.server.http.serializers.courses import MoveStudentSerializer, ResetLinkSerializer, told_reset_link
from judicum.server.http.serializers.workshops import (
    MakePersonSerializer,
    SetPersonSerializer,
    SetWorkshopSerializer,
    WorkshopCourseSerializer,
    WorkshopPersonSerializer,
    WorkshopSerializer,
)
from judicum.server.people.accounts.models import User
from judicum.server.people.accounts.queries import owned_by, with_courses
from judicum.server.people.workshops.actions.set_person import (
    make_person,
    owner_drops_second,
    owner_resets,
    set_person,
    take_part,
)
from judicum.server.people.workshops.actions.set_workshop import set_workshop
from judicum.server.people.workshops.queries import courses_of, people_of
from judicum.server.upkeep.move_student import move_student
from judicum.server.upkeep.remove_person import remove_person


class OwnersView(APIView):
    """What owners do is done in a browser, not by a program's token."""

    authentication_classes = (SessionOnly,)


class WorkshopView(OwnersView):
    """The workshop."""

    @extend_schema(operation_id="workshop_read", responses=WorkshopSerializer)
    def get(self, request: Request) -> Response:
        return Response(WorkshopSerializer(owned_by(person(request))).data)

    @extend_schema(operation_id="workshop_set", request=SetWorkshopSerializer, responses=WorkshopSerializer)
    def put(self, request: Request) -> Response:
        changed = set_workshop(person(request), **sent(SetWorkshopSerializer, request))
        return Response(WorkshopSerializer(changed).data)


class WorkshopCoursesView(OwnersView):
    """Every course of the workshop, archived ones too."""

    @extend_schema(operation_id="workshop_courses", responses=WorkshopCourseSerializer(many=True))
    def get(self, request: Request) -> Response:
        return Response(WorkshopCourseSerializer(courses_of(person(request)), many=True).data)


class TakePartView(OwnersView):
    """An owner becomes instructor of a course."""

    @extend_schema(operation_id="workshop_take_part", request=None, responses=SessionSerializer)
    def put(self, request: Request, workshop_course_id: int) -> Response:
        take_part(person(request), workshop_course_id)
        return Response(SessionSerializer(with_courses(person(request))).data)


class WorkshopPeopleView(ListAPIView[User]):
    """Everybody of the workshop."""

    authentication_classes = (SessionOnly,)
    serializer_class = WorkshopPersonSerializer
    queryset = User.objects.none()

    def get_queryset(self):  # type: ignore[no-untyped-def]
        if getattr(self, "swagger_fake_view", False):
            return User.objects.none()
        return people_of(person(self.request))

    @extend_schema(
        operation_id="workshop_person_make", request=MakePersonSerializer, responses={201: ResetLinkSerializer}
    )
    def post(self, request: Request) -> Response:
        made = make_person(person(request), **sent(MakePersonSerializer, request))
        return Response(told_reset_link(made, request), status=status.HTTP_201_CREATED)


class WorkshopPersonView(OwnersView):
    """One of the workshop: owner or not, may sign in or not, removed for good."""

    @extend_schema(operation_id="workshop_person_set", request=SetPersonSerializer, responses=WorkshopPersonSerializer)
    def put(self, request: Request, person_id: int) -> Response:
        asked = sent(SetPersonSerializer, request)
        set_person(person(request), person_id, asked["owns"], asked["is_active"])
        return Response(WorkshopPersonSerializer(people_of(person(request)).get(pk=person_id)).data)

    @extend_schema(operation_id="workshop_person_remove", responses={204: None})
    def delete(self, request: Request, person_id: int) -> Response:
        remove_person(person(request), person_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


class WorkshopResetView(OwnersView):
    """A one-time link for somebody of the workshop who forgot the password."""

    @extend_schema(operation_id="workshop_person_reset", request=None, responses=ResetLinkSerializer)
    def post(self, request: Request, person_id: int) -> Response:
        return Response(told_reset_link(owner_resets(person(request), person_id), request))


class WorkshopSecondView(OwnersView):
    """Taking away the second factor of somebody who lost it."""

    @extend_schema(operation_id="workshop_person_second_drop", responses={204: None})
    def delete(self, request: Request, person_id: int) -> Response:
        owner_drops_second(person(request), person_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


class MoveView(APIView):
    """Moving a student to another course, with all that they welded."""

    @extend_schema(operation_id="member_move", request=MoveStudentSerializer, responses={204: None})
    def post(self, request: Request, course_id: int, member_id: int) -> Response:
        move_student(person(request), course_id, member_id, sent(MoveStudentSerializer, request)["to"])
        return Response(status=status.HTTP_204_NO_CONTENT)
