"""Sending photos in pieces, showing them, measuring again.

Uploads speak the core of the tus 1.0 resumable upload protocol: POST announces the length, HEAD
tells how much has arrived, PATCH appends.
"""

import base64
import binascii
import io
from uuid import UUID

from django.http import FileResponse, HttpResponse
from django.http.response import HttpResponseBase
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import status
from rest_framework.parsers import BaseParser
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import InvalidValue, NotFound, said
from judicum.core.numbers import whole
from judicum.core.photo.printing import PAPERS, card_pdf
from judicum.server.answers import photos as photos_answers
from judicum.server.http.changes import CHANGE, change_in
from judicum.server.http.parsing import sent_bytes
from judicum.server.http.person import person
from judicum.server.read.photos import measurement_answer
from judicum.server.record.photos.actions.receive_upload import MAX_PIECE, begin_upload, receive_piece
from judicum.server.record.photos.actions.request_measurement import measure_again
from judicum.server.record.photos.models import PhotoKind, Upload
from judicum.server.record.photos.queries import bead_of, correction_of, measurement_for, photo_for, upload_for

TUS = "1.0.0"


class OctetsParser(BaseParser):
    """A piece of a file, at most MAX_PIECE bytes."""

    media_type = "application/offset+octet-stream"

    def parse(self, stream, media_type=None, parser_context=None):  # type: ignore[no-untyped-def]
        piece = stream.read(MAX_PIECE + 1)
        if len(piece) > MAX_PIECE:
            raise InvalidValue("Content-Length", len(piece), said("allowed-at-most-bytes-in-one-piece", most=MAX_PIECE))
        return piece


def _length(request: Request, header: str) -> int:
    given = whole(request.headers.get(header, ""))
    if given is None:
        raise InvalidValue(header, request.headers.get(header), said("allowed-a-whole-number-of-bytes"))
    return given


def _header(request: Request, wanted: str, otherwise: str) -> str:
    """One value of the Upload-Metadata header."""
    for pair in request.headers.get("Upload-Metadata", "").split(","):
        key, _, value = pair.strip().partition(" ")
        if key == wanted:
            try:
                return base64.b64decode(value, validate=True).decode("utf-8", "replace")
            except (binascii.Error, ValueError):
                return otherwise
    return otherwise


def _progress(upload: Upload, code: int) -> Response:
    headers = {
        "Tus-Resumable": TUS,
        "Upload-Offset": str(upload.received),
        "Upload-Length": str(upload.size),
        "Cache-Control": "no-store",
    }
    if upload.photo_id:
        headers["Judicum-Photo"] = str(upload.photo_id)
    return Response(status=code, headers=headers)


class UploadsView(APIView):
    """Announcing a file."""

    @extend_schema(
        operation_id="upload_begin",
        request=None,
        responses={201: None},
        parameters=[
            OpenApiParameter("Upload-Length", OpenApiTypes.INT, OpenApiParameter.HEADER, required=True),
            *CHANGE,
        ],
    )
    def post(self, request: Request, attempt_id: int) -> Response:
        upload = begin_upload(
            person(request),
            attempt_id,
            _length(request, "Upload-Length"),
            _header(request, "filename", ""),
            _header(request, "kind", PhotoKind.BEAD),
            whole(_header(request, "run", "")),
            change_in(request),
        )
        response = _progress(upload, status.HTTP_201_CREATED)
        response["Location"] = f"/api/uploads/{upload.pk}"
        return response


class UploadView(APIView):
    """A file on its way."""

    parser_classes = (OctetsParser,)

    @extend_schema(operation_id="upload_progress", request=None, responses={200: None})
    def head(self, request: Request, upload_id: UUID) -> Response:
        return _progress(upload_for(person(request), upload_id), status.HTTP_200_OK)

    @extend_schema(
        operation_id="upload_append",
        request={"application/offset+octet-stream": OpenApiTypes.BINARY},
        responses={204: None},
        parameters=[OpenApiParameter("Upload-Offset", OpenApiTypes.INT, OpenApiParameter.HEADER, required=True)],
    )
    def patch(self, request: Request, upload_id: UUID) -> Response:
        return _progress(
            receive_piece(person(request), upload_id, _length(request, "Upload-Offset"), sent_bytes(request, "piece")),
            status.HTTP_204_NO_CONTENT,
        )


class PictureView(APIView):
    """A photo to look at: upright, no metadata."""

    @extend_schema(operation_id="photo_picture", responses={(200, "image/jpeg"): OpenApiTypes.BINARY})
    def get(self, request: Request, photo_id: int) -> HttpResponseBase:
        photo = photo_for(person(request), photo_id)
        return _gone(*photo.size_px) if photo.picture is None else _jpeg(photo.picture.shown)


class StripView(APIView):
    """The strip of a measured bead."""

    @extend_schema(
        operation_id="measurement_strip",
        responses={(200, "image/jpeg"): OpenApiTypes.BINARY},
        parameters=[OpenApiParameter("correction", OpenApiTypes.INT), OpenApiParameter("bead", OpenApiTypes.INT)],
    )
    def get(self, request: Request, measurement_id: int) -> HttpResponseBase:
        measurement = measurement_for(person(request), measurement_id)
        asked, bead = (request.query_params.get(key) for key in ("correction", "bead"))
        if asked is not None:
            return _jpeg(correction_of(measurement, asked).strip)
        if bead is not None:
            return _jpeg(bead_of(measurement, bead).strip)
        return _jpeg(measurement.strip)


def _gone(wide: int, tall: int) -> HttpResponse:
    """A grey sheet of a picture's size for one that is not kept any more, so that what is drawn over it lies right."""
    sheet = (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {wide} {tall}" width="{wide}" height="{tall}">'
        f'<rect width="{wide}" height="{tall}" fill="#cfd3d6"/></svg>'
    )
    return HttpResponse(sheet, content_type="image/svg+xml", headers={"Cache-Control": "private, no-cache"})


def _jpeg(file) -> FileResponse:  # type: ignore[no-untyped-def]
    if not file:
        raise NotFound(said("refused-there-is-no-strip-of-this"))
    response = FileResponse(file.open("rb"), content_type="image/jpeg")
    # The address names what never changes, but only this person may see it.
    response["Cache-Control"] = "private, max-age=86400, immutable"
    return response


class MeasureAgainView(APIView):
    """Measuring a photo once more with the present engine."""

    @extend_schema(operation_id="photo_measure_again", request=None, responses={202: photos_answers.Measurement})
    def post(self, request: Request, photo_id: int) -> Response:
        made = measure_again(person(request), photo_id)
        return Response(measurement_answer(made), status=status.HTTP_202_ACCEPTED)


class ScaleCardView(APIView):
    """A scale card to print."""

    @extend_schema(
        operation_id="scale_card",
        responses={(200, "application/pdf"): OpenApiTypes.BINARY},
        parameters=[OpenApiParameter("paper", OpenApiTypes.STR, enum=list(PAPERS))],
    )
    def get(self, request: Request, kind: str) -> HttpResponseBase:
        pdf = card_pdf(kind, request.query_params.get("paper", "a4"))
        return FileResponse(io.BytesIO(pdf), content_type="application/pdf", filename=f"scale-card-{kind}.pdf")
