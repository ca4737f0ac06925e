"""Repeat studies of a course, for those who teach it."""

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.photo.printing import PAPERS
from judicum.server.answers import studies as answers
from judicum.server.follow.trust.actions.repeat_study import drop_study, start_study, take_study_photo
from judicum.server.follow.trust.queries import study_for
from judicum.server.http.parsing import sent, sent_bytes
from judicum.server.http.person import person
from judicum.server.http.routes.measuring import WholePictureParser
from judicum.server.read.studies import studies_page, study_page, study_pdf


class StudiesView(APIView):
    """The repeat studies of a course."""

    @extend_schema(operation_id="studies_read", responses=answers.Studies)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(studies_page(person(request), course_id))

    @extend_schema(operation_id="study_start", request=answers.StudyRequest, responses={201: answers.Study})
    def post(self, request: Request, course_id: int) -> Response:
        user, asked = person(request), sent(answers.StudyRequest, request)
        made = start_study(user, course_id, asked.beads, asked.people, asked.phones, asked.photos)
        return Response(study_page(user, made.pk), status=status.HTTP_201_CREATED)


class StudyView(APIView):
    """One repeat study."""

    @extend_schema(operation_id="study_read", responses=answers.Study)
    def get(self, request: Request, study_id: int) -> Response:
        return Response(study_page(person(request), study_id))

    @extend_schema(operation_id="study_drop", responses={204: None})
    def delete(self, request: Request, study_id: int) -> Response:
        drop_study(person(request), study_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


class StudyPhotoView(APIView):
    """The photo of a turn: measured at once, and not kept."""

    parser_classes = (WholePictureParser,)

    @extend_schema(
        operation_id="study_photo_take",
        request={"application/octet-stream": OpenApiTypes.BINARY},
        responses=answers.Study,
    )
    def put(self, request: Request, study_id: int, number: int) -> Response:
        user = person(request)
        study_for(user, study_id)  # before the body is read
        take_study_photo(user, study_id, number, sent_bytes(request, "photo"))
        return Response(study_page(user, study_id))


class StudySheetView(APIView):
    """A study as a printed report."""

    @extend_schema(
        operation_id="study_sheet",
        responses={(200, "application/pdf"): OpenApiTypes.BINARY},
        parameters=[OpenApiParameter("paper", OpenApiTypes.STR, enum=list(PAPERS))],
    )
    def get(self, request: Request, study_id: int) -> HttpResponse:
        file = study_pdf(person(request), study_id, request.query_params.get("paper", "a4"))
        return HttpResponse(
            file,
            content_type="application/pdf",
            headers={"Content-Disposition": f'inline; filename="repeat-study-{study_id}.pdf"'},
        )
