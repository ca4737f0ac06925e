"""Sheets of labels with QR codes: for booths, and for the blanks that wait to be welded."""

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework.request import Request
from rest_framework.views import APIView

from judicum.core.errors import InvalidValue, one_of
from judicum.server.catalogue.coupons.labels import PAPERS, Label, label_sheet
from judicum.server.follow.sessions.models import Booth
from judicum.server.http.labels import at_booth_path, booth_path
from judicum.server.http.person import person
from judicum.server.people.courses.queries import staff_of
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.states import AttemptState
from judicum.words.catalogue import speaking, t

SHEETS = ("booths", "blanks")


class LabelsView(APIView):
    """Labels of a course one teaches: its booths, or the blanks of all attempts that wait to be welded."""

    @extend_schema(
        operation_id="labels",
        responses={(200, "application/pdf"): OpenApiTypes.BINARY},
        parameters=[
            OpenApiParameter("what", OpenApiTypes.STR, OpenApiParameter.PATH, enum=list(SHEETS)),
            OpenApiParameter("paper", OpenApiTypes.STR, enum=list(PAPERS)),
        ],
    )
    def get(self, request: Request, course_id: int, what: str) -> HttpResponse:
        course = staff_of(person(request), course_id).course
        if what not in SHEETS:
            raise InvalidValue("what", what, one_of(SHEETS))
        with speaking(course.locale):
            if what == "booths":
                labels = [
                    Label(
                        self._at(at_booth_path(course.pk, one.pk)), one.name, t("print-label-booth", course=course.name)
                    )
                    for one in Booth.objects.filter(course=course).order_by("name")
                ]
            else:
                labels = [
                    Label(
                        self._at(booth_path(course.pk, one.pk)),
                        one.student.display_name,
                        t("print-card-title", title=one.assignment.design.title, number=one.number),
                    )
                    for one in Attempt.objects.filter(course=course, state=AttemptState.ASSIGNED)
                    .select_related("student", "assignment__design")
                    .order_by("student__display_name", "assignment__due_on", "pk")
                ]
            file = label_sheet(labels, t("print-labels", course=course.name), request.query_params.get("paper", "a4"))
        name = f"labels-{what}.pdf"
        return HttpResponse(
            file, content_type="application/pdf", headers={"Content-Disposition": f'inline; filename="{name}"'}
        )

    def _at(self, path: str) -> str:
        return self.request.build_absolute_uri(f"/{path}")
