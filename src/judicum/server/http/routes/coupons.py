"""The library of designs, the builder, and assigning."""

from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.generics import ListAPIView
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.setup import plan_card
from judicum.server.catalogue.coupons.actions.save_design import Words, save_design
from judicum.server.catalogue.coupons.models import Assignment, Design
from judicum.server.catalogue.coupons.queries import assignments_for, designs_for
from judicum.server.catalogue.coupons.setup import schools_of
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.serializers.card import CardSerializer
from judicum.server.http.serializers.coupons import (
    AssignmentSerializer,
    AssignSerializer,
    CouponSerializer,
    DesignSerializer,
    SaveDesignSerializer,
)
from judicum.server.people.accounts.units import units_of
from judicum.server.people.courses.queries import membership_of
from judicum.server.record.attempts.actions.assign_coupon import assign_coupon
from judicum.words import setup as words


class DesignsView(ListAPIView[Design]):
    """The library and the course's own coupons, the newest version of each; saving one from the builder."""

    serializer_class = DesignSerializer
    queryset = Design.objects.none()

    def get_queryset(self):  # type: ignore[no-untyped-def]
        if getattr(self, "swagger_fake_view", False):
            return Design.objects.none()
        return designs_for(person(self.request), self.kwargs["course_id"])

    @extend_schema(operation_id="design_save", request=SaveDesignSerializer, responses={201: DesignSerializer})
    def post(self, request: Request, course_id: int) -> Response:
        given = sent(SaveDesignSerializer, request)
        coupon, base = given.pop("coupon"), given.pop("base", None)
        made = save_design(person(request), course_id, coupon, Words(**given), base)
        return Response(DesignSerializer(made).data, status=status.HTTP_201_CREATED)


class PlanView(APIView):
    """The setup card of a coupon that is being designed, by the course's schools; nothing is kept."""

    of_archived = True

    @extend_schema(operation_id="plan_read", request=CouponSerializer, responses=CardSerializer)
    def post(self, request: Request, course_id: int) -> Response:
        course = membership_of(person(request), course_id).course
        asked = sent(CouponSerializer, request)
        plan = plan_card({**schools_of(course), **asked["coupon"]})
        return Response(CardSerializer(words.card(plan, units_of(request.user))).data)


class AssignmentsView(ListAPIView[Assignment]):
    """A course's assignments, newest first."""

    serializer_class = AssignmentSerializer
    queryset = Assignment.objects.none()

    def get_queryset(self):  # type: ignore[no-untyped-def]
        if getattr(self, "swagger_fake_view", False):
            return Assignment.objects.none()
        return assignments_for(person(self.request), self.kwargs["course_id"])

    @extend_schema(operation_id="assignment_create", request=AssignSerializer, responses={201: AssignmentSerializer})
    def post(self, request: Request, course_id: int) -> Response:
        given = sent(AssignSerializer, request)
        made = assign_coupon(
            person(request), course_id, design_id=given.pop("design"), student_ids=given.pop("students", None), **given
        )
        shown = assignments_for(person(request), course_id).get(pk=made.pk)
        return Response(AssignmentSerializer(shown).data, status=status.HTTP_201_CREATED)
