"""The library of designs, the builder, and assigning."""

from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.setup import plan_card
from judicum.server.answers import coupons as coupons_answers
from judicum.server.catalogue.coupons.actions.save_design import Words, save_design
from judicum.server.catalogue.coupons.queries import assignments_for
from judicum.server.catalogue.coupons.setup import schools_of
from judicum.server.http.paging import PAGED, page_of
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.people.accounts.units import units_of
from judicum.server.people.courses.queries import membership_of
from judicum.server.read.library import library_of
from judicum.server.record.attempts.actions.assign_coupon import assign_coupon
from judicum.words import setup as words


class DesignsView(APIView):
    """The library and the course's own coupons, the newest version of each; saving one from the builder."""

    @extend_schema(operation_id="courses_designs_list", parameters=PAGED, responses=coupons_answers.Designs)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(page_of(coupons_answers.Designs, library_of(person(request), course_id), request))

    @extend_schema(
        operation_id="design_save",
        request=coupons_answers.SaveDesignRequest,
        responses={201: coupons_answers.Design},
    )
    def post(self, request: Request, course_id: int) -> Response:
        asked = sent(coupons_answers.SaveDesignRequest, request)
        about = Words(asked.title, asked.purpose, asked.usual_faults, asked.length_mm)
        made = save_design(person(request), course_id, asked.coupon, about, asked.base)
        return Response(coupons_answers.Design.model_validate(made), status=status.HTTP_201_CREATED)


class PlanView(APIView):
    """The setup card of a coupon that is being designed, by the course's methods; nothing is kept."""

    of_archived = True

    @extend_schema(operation_id="plan_read", request=coupons_answers.CouponRequest, responses=coupons_answers.Card)
    def post(self, request: Request, course_id: int) -> Response:
        course = membership_of(person(request), course_id).course
        asked = sent(coupons_answers.CouponRequest, request)
        plan = plan_card({**schools_of(course), **asked.coupon})
        return Response(words.card_in_words(plan, units_of(request.user)))


class AssignmentsView(APIView):
    """A course's assignments, newest first."""

    @extend_schema(operation_id="courses_assignments_list", parameters=PAGED, responses=coupons_answers.Assignments)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(page_of(coupons_answers.Assignments, assignments_for(person(request), course_id), request))

    @extend_schema(
        operation_id="assignment_create",
        request=coupons_answers.AssignRequest,
        responses={201: coupons_answers.Assignment},
    )
    def post(self, request: Request, course_id: int) -> Response:
        given = dict(sent(coupons_answers.AssignRequest, request))
        made = assign_coupon(
            person(request), course_id, design_id=given.pop("design"), student_ids=given.pop("students"), **given
        )
        shown = assignments_for(person(request), course_id).get(pk=made.pk)
        return Response(coupons_answers.Assignment.model_validate(shown), status=status.HTTP_201_CREATED)
