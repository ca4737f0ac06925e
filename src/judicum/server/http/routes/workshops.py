"""A workshop, for its owners: courses, people, what it asks of them; and moving a student from course to course."""

from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.answers import courses as courses_answers
from judicum.server.answers import people as people_answers
from judicum.server.answers.base import list_of
from judicum.server.http.authentication import SessionOnly
from judicum.server.http.paging import PAGED, Pages
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.reset_link import reset_link
from judicum.server.http.routes.trust import fingerprint
from judicum.server.people.accounts.queries import owned_by
from judicum.server.people.workshops.actions.set_person import (
    make_person,
    owner_drops_second,
    owner_resets,
    set_person,
    take_part,
)
from judicum.server.people.workshops.actions.set_workshop import set_workshop
from judicum.server.people.workshops.queries import people_of
from judicum.server.read.people import signed_in, workshop_courses, workshop_person
from judicum.server.upkeep.doctor import examine
from judicum.server.upkeep.move_student import move_student
from judicum.server.upkeep.remove_person import remove_person
from judicum.words.doctor import advice_words, found_words
from judicum.words.names import named


class OwnersView(APIView):
    """What owners do is done in a browser, not by a program's token."""

    authentication_classes = (SessionOnly,)


class WorkshopView(OwnersView):
    """The workshop."""

    @extend_schema(operation_id="workshop_read", responses=courses_answers.Workshop)
    def get(self, request: Request) -> Response:
        return Response(courses_answers.Workshop.model_validate(owned_by(person(request))))

    @extend_schema(
        operation_id="workshop_set", request=courses_answers.WorkshopRequest, responses=courses_answers.Workshop
    )
    def put(self, request: Request) -> Response:
        changed = set_workshop(person(request), **dict(sent(courses_answers.WorkshopRequest, request)))
        return Response(courses_answers.Workshop.model_validate(changed))


class WorkshopCoursesView(OwnersView):
    """Every course of the workshop, archived ones too."""

    @extend_schema(operation_id="workshop_courses", responses=list_of(courses_answers.WorkshopCourse))
    def get(self, request: Request) -> Response:
        return Response(workshop_courses(person(request)))


class TakePartView(OwnersView):
    """An owner becomes instructor of a course."""

    @extend_schema(operation_id="workshop_take_part", request=None, responses=people_answers.SignedIn)
    def put(self, request: Request, workshop_course_id: int) -> Response:
        take_part(person(request), workshop_course_id)
        return Response(signed_in(person(request)))


class WorkshopPeopleView(OwnersView):
    """Everybody of the workshop."""

    @extend_schema(operation_id="workshop_people_list", parameters=PAGED, responses=courses_answers.WorkshopPeople)
    def get(self, request: Request) -> Response:
        pages = Pages()
        rows = pages.paginate_queryset(people_of(person(request)), request) or []
        assert pages.page is not None
        return Response(
            courses_answers.WorkshopPeople(
                count=pages.page.paginator.count,
                next=pages.get_next_link(),
                previous=pages.get_previous_link(),
                results=[workshop_person(one) for one in rows],
            )
        )

    @extend_schema(
        operation_id="workshop_person_make",
        request=courses_answers.CreatePersonRequest,
        responses={201: people_answers.ResetLink},
    )
    def post(self, request: Request) -> Response:
        made = make_person(person(request), **dict(sent(courses_answers.CreatePersonRequest, request)))
        return Response(reset_link(made, request), status=status.HTTP_201_CREATED)


class WorkshopPersonView(OwnersView):
    """One of the workshop: owner or not, may sign in or not, removed for good."""

    @extend_schema(
        operation_id="workshop_person_set",
        request=courses_answers.PersonRequest,
        responses=courses_answers.WorkshopPerson,
    )
    def put(self, request: Request, person_id: int) -> Response:
        asked = sent(courses_answers.PersonRequest, request)
        set_person(person(request), person_id, asked.owns, asked.is_active)
        return Response(workshop_person(people_of(person(request)).get(pk=person_id)))

    @extend_schema(operation_id="workshop_person_remove", responses={204: None})
    def delete(self, request: Request, person_id: int) -> Response:
        remove_person(person(request), person_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


class WorkshopResetView(OwnersView):
    """A one-time link for somebody of the workshop who forgot the password."""

    @extend_schema(operation_id="workshop_person_reset", request=None, responses=people_answers.ResetLink)
    def post(self, request: Request, person_id: int) -> Response:
        return Response(reset_link(owner_resets(person(request), person_id), request))


class ServerView(OwnersView):
    """Whether the server is well."""

    @extend_schema(operation_id="server_read", responses=courses_answers.ServerHealth)
    def get(self, request: Request) -> Response:
        owned_by(person(request))
        findings = [
            courses_answers.ServerFinding(
                what=named("doctor", one.what),
                state=one.state,
                words=found_words(one.what, one.code, one.figures),
                advice="" if one.state == "good" else advice_words(one.what, one.code, one.figures),
            )
            for one in examine()
        ]
        return Response(courses_answers.ServerHealth(findings=findings, fingerprint=fingerprint()))


class WorkshopSecondView(OwnersView):
    """Taking away the second factor of somebody who lost it."""

    @extend_schema(operation_id="workshop_person_second_drop", responses={204: None})
    def delete(self, request: Request, person_id: int) -> Response:
        owner_drops_second(person(request), person_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


class MoveView(APIView):
    """Moving a student to another course, with all that they welded."""

    @extend_schema(operation_id="member_move", request=courses_answers.MoveStudentRequest, responses={204: None})
    def post(self, request: Request, course_id: int, member_id: int) -> Response:
        move_student(person(request), course_id, member_id, sent(courses_answers.MoveStudentRequest, request).to)
        return Response(status=status.HTTP_204_NO_CONTENT)
