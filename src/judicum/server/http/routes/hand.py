"""What people do by hand to photos: precheck before sending, correct, set a scale, read an angle."""

from uuid import UUID

from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import status
from rest_framework.parsers import BaseParser
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import InvalidValue, said
from judicum.core.numbers import whole
from judicum.server.answers import attempts as attempts_answers
from judicum.server.answers import photos as photos_answers
from judicum.server.answers.base import list_of
from judicum.server.http.changes import CHANGE, accepted
from judicum.server.http.parsing import sent, sent_bytes
from judicum.server.http.person import person
from judicum.server.http.routes.attempts import attempt_response
from judicum.server.platform.sandbox import precheck_in_sandbox
from judicum.server.record.photos.actions.choose_bead import choose_bead
from judicum.server.record.photos.actions.correct_measurement import correct_measurement, undo_correction
from judicum.server.record.photos.actions.read_angle import read_angle
from judicum.server.record.photos.actions.request_measurement import set_scale
from judicum.server.record.photos.models import Photo
from judicum.server.record.photos.queries import measurement_for, photo_for, photo_of_upload
from judicum.words.photo import precheck_message

MAX_COPY_BYTES = 3 * 1024 * 1024
"""Bytes. The page sends a copy 1400 pixels wide, under half a megabyte."""
MAX_SIDE_PX = 100_000
"""px. More than any camera has."""


class SmallPictureParser(BaseParser):
    """A small JPEG, at most MAX_COPY_BYTES."""

    media_type = "image/jpeg"

    def parse(self, stream, media_type=None, parser_context=None):  # type: ignore[no-untyped-def]
        data = stream.read(MAX_COPY_BYTES + 1)
        if len(data) > MAX_COPY_BYTES:
            raise InvalidValue("picture", f"over {MAX_COPY_BYTES} bytes", said("allowed-a-copy-of-at-most-3"))
        return data


class PhotoPrecheckView(APIView):
    """The precheck of a small copy of a photo before it is sent; nothing is kept."""

    parser_classes = (SmallPictureParser,)

    @extend_schema(
        operation_id="photo_precheck",
        request={"image/jpeg": OpenApiTypes.BINARY},
        responses=list_of(photos_answers.PhotoProblem),
        parameters=[OpenApiParameter("long_side_px", OpenApiTypes.INT, description="Long side of the photo itself.")],
    )
    def post(self, request: Request) -> Response:
        person(request)
        asked = request.query_params.get("long_side_px", "")
        long_side = whole(asked) if asked else None
        if asked and not 0 < (long_side or 0) < MAX_SIDE_PX:
            raise InvalidValue(
                "long_side_px", asked[:20], said("allowed-a-whole-number-of-pixels-under", most=MAX_SIDE_PX)
            )
        found = precheck_in_sandbox(sent_bytes(request, "picture"), long_side)
        return Response([photos_answers.PhotoProblem(code=one.code, message=precheck_message(one)) for one in found])


class CorrectionsView(APIView):
    """Steps over a measurement: one more, or back."""

    @extend_schema(
        operation_id="measurement_correct", request=photos_answers.CorrectionRequest, responses=attempts_answers.Attempt
    )
    def post(self, request: Request, measurement_id: int) -> Response:
        if not isinstance(request.data, dict):
            raise InvalidValue("step", type(request.data).__name__, said("allowed-an-object-with-a-step"))
        made = correct_measurement(person(request), measurement_id, request.data)
        return attempt_response(request, made.measurement.photo.attempt_id)

    @extend_schema(
        operation_id="measurement_undo",
        responses={200: attempts_answers.Attempt},
        parameters=[OpenApiParameter("every", OpenApiTypes.BOOL)],
    )
    def delete(self, request: Request, measurement_id: int) -> Response:
        every = request.query_params.get("every") == "true"
        undo_correction(person(request), measurement_id, every)
        return attempt_response(request, measurement_for(person(request), measurement_id).photo.attempt_id)


class ChooseBeadView(APIView):
    """Which of several beads counts."""

    @extend_schema(
        operation_id="measurement_choose_bead",
        request=photos_answers.ChooseBeadRequest,
        responses=attempts_answers.Attempt,
    )
    def post(self, request: Request, measurement_id: int) -> Response:
        measurement_for(person(request), measurement_id)
        asked = sent(photos_answers.ChooseBeadRequest, request)
        made = choose_bead(person(request), measurement_id, asked.number)
        return attempt_response(request, made.photo.attempt_id)


class ScaleView(APIView):
    """The scale of a photo without a card, by two points."""

    @extend_schema(
        operation_id="photo_set_scale", request=photos_answers.ScaleRequest, responses={202: attempts_answers.Attempt}
    )
    def post(self, request: Request, photo_id: int) -> Response:
        asked = sent(photos_answers.ScaleRequest, request)
        made = set_scale(person(request), photo_id, asked.points_px, asked.length_mm)
        return attempt_response(request, made.photo.attempt_id, status.HTTP_202_ACCEPTED)


class AngleView(APIView):
    """A torch angle by two drawn lines."""

    @extend_schema(
        operation_id="photo_read_angle",
        request=photos_answers.AngleRequest,
        responses=attempts_answers.Attempt,
        parameters=CHANGE,
    )
    def post(self, request: Request, photo_id: int) -> Response:
        return _angle(request, photo_for(person(request), photo_id))


class UploadAngleView(APIView):
    """A torch angle on a photo that its phone still knows by its upload only: the lines were drawn before it was sent."""

    @extend_schema(
        operation_id="upload_read_angle",
        request=photos_answers.AngleRequest,
        responses=attempts_answers.Attempt,
        parameters=CHANGE,
    )
    def post(self, request: Request, upload_id: UUID) -> Response:
        return _angle(request, photo_of_upload(person(request), upload_id))


def _angle(request: Request, photo: Photo) -> Response:
    asked = sent(photos_answers.AngleRequest, request)
    accepted(
        request,
        lambda user, at: read_angle(user, photo.pk, asked.which, asked.torch, asked.reference, asked.run, at),
        photo.attempt_id,
    )
    return attempt_response(request, photo.attempt_id)
