"""Tint references of a course, for those who teach it."""

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.answers import tint_references as answers
from judicum.server.follow.trust.actions.tint_reference import add_tint_reference, drop_tint_reference, name_patches
from judicum.server.http.parsing import sent, sent_bytes
from judicum.server.http.person import person
from judicum.server.http.routes.measuring import WholePictureParser
from judicum.server.people.courses.queries import staff_of
from judicum.server.read.tint_references import tint_picture, tint_reference, tint_references


class TintReferencesView(APIView):
    """The strips of a course."""

    parser_classes = (WholePictureParser,)

    @extend_schema(operation_id="tint_references_read", responses=answers.TintReferences)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(tint_references(person(request), course_id))

    @extend_schema(
        operation_id="tint_reference_add",
        request={"application/octet-stream": OpenApiTypes.BINARY},
        responses={201: answers.TintReference},
    )
    def post(self, request: Request, course_id: int) -> Response:
        user = person(request)
        staff_of(user, course_id)  # before the body is read
        made = add_tint_reference(user, course_id, sent_bytes(request, "photo"))
        return Response(tint_reference(made), status=status.HTTP_201_CREATED)


class TintReferenceView(APIView):
    """Naming the levels of a strip, and deleting it."""

    @extend_schema(
        operation_id="tint_reference_name", request=answers.NamedPlacesRequest, responses=answers.TintReference
    )
    def put(self, request: Request, strip_id: int) -> Response:
        asked = sent(answers.NamedPlacesRequest, request)
        named = [(one.x_px, one.y_px, one.level) for one in asked.patches]
        return Response(tint_reference(name_patches(person(request), strip_id, named)))

    @extend_schema(operation_id="tint_reference_drop", responses={204: None})
    def delete(self, request: Request, strip_id: int) -> Response:
        drop_tint_reference(person(request), strip_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


class TintPictureView(APIView):
    """The strip from straight above."""

    @extend_schema(operation_id="tint_reference_picture", responses={(200, "image/png"): OpenApiTypes.BINARY})
    def get(self, request: Request, strip_id: int) -> HttpResponse:
        return HttpResponse(tint_picture(person(request), strip_id), content_type="image/png")
