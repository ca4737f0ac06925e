"""Sheets of labels with QR codes."""

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework.request import Request
from rest_framework.views import APIView

from judicum.server.catalogue.coupons.labels import PAPERS
from judicum.server.http.person import person
from judicum.server.read.labels import SHEETS, labels_of


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
        paper = request.query_params.get("paper", "a4")
        file = labels_of(person(request), course_id, what, paper, request.build_absolute_uri)
        return HttpResponse(
            file,
            content_type="application/pdf",
            headers={"Content-Disposition": f'inline; filename="labels-{what}.pdf"'},
        )
