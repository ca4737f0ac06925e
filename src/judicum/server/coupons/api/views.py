"""The library of designs, and assigning from it."""

from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.generics import ListAPIView
from rest_framework.request import Request
from rest_framework.response import Response

from judicum.server.api.person import person
from judicum.server.coupons.actions.assign_coupon import assign_coupon
from judicum.server.coupons.api.serializers import AssignmentSerializer, AssignSerializer, DesignSerializer
from judicum.server.coupons.models import Assignment, Design
from judicum.server.coupons.queries import assignments_for, latest_designs


class DesignsView(ListAPIView[Design]):
    """The library: the newest version of every coupon."""

    serializer_class = DesignSerializer
    queryset = Design.objects.none()

    def get_queryset(self):  # type: ignore[no-untyped-def]
        return latest_designs()


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
        asked = AssignSerializer(data=request.data)
        asked.is_valid(raise_exception=True)
        given = dict(asked.validated_data)
        made = assign_coupon(
            person(request), course_id, design_id=given.pop("design"), student_ids=given.pop("students", None), **given
        )
        shown = assignments_for(person(request), course_id).get(pk=made.pk)
        return Response(AssignmentSerializer(shown).data, status=status.HTTP_201_CREATED)
