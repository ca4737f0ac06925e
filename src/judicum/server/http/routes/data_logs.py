"""The data log of a run's machine: sending it, and its current to be drawn."""

import io
from typing import IO, Any

from django.http import HttpRequest
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework.parsers import BaseParser
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.datalog import MAX_BYTES, DataLog, read_data_log
from judicum.core.errors import InvalidValue, said
from judicum.server.answers import attempts as attempts_answers
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.routes.attempts import attempt_response
from judicum.server.read.attempts import machine_trace
from judicum.server.record.attempts.actions.attach_data_log import attach_data_log
from judicum.server.record.attempts.loggers import last_weld
from judicum.server.record.attempts.queries import attempt_for


class DataLogParser(BaseParser):
    """CSV of at most MAX_BYTES, read line by line as it comes: never whole in memory."""

    media_type = "text/csv"

    def parse(self, stream, media_type=None, parser_context=None):  # type: ignore[no-untyped-def]
        size = int(stream.META.get("CONTENT_LENGTH") or 0) if isinstance(stream, HttpRequest) else 0
        if size > MAX_BYTES:
            raise InvalidValue("Content-Length", size, said("allowed-log-bytes", most_mb=MAX_BYTES >> 20))
        return read_data_log(io.TextIOWrapper(io.BufferedReader(_Raw(stream)), "utf-8", errors="replace"))


class _Raw(io.RawIOBase):
    """A request's body as the raw stream that text is read from."""

    def __init__(self, stream: IO[bytes]) -> None:
        self.stream = stream

    def readable(self) -> bool:
        return True

    def readinto(self, buffer: Any) -> int:
        piece = self.stream.read(len(buffer))
        buffer[: len(piece)] = piece
        return len(piece)


class DataLogView(APIView):
    """The data log of the machine for one run."""

    parser_classes = (DataLogParser,)

    @extend_schema(
        operation_id="data_log_send",
        request={"text/csv": OpenApiTypes.BINARY},
        responses=attempts_answers.Attempt,
        parameters=[OpenApiParameter("name", OpenApiTypes.STR, description="What the file is called.")],
    )
    def put(self, request: Request, attempt_id: int, number: int) -> Response:
        user = person(request)
        attempt_for(user, attempt_id)  # a stranger's log is not read
        if not isinstance(request.data, DataLog):
            raise InvalidValue("log", None, said("allowed-log-header"))
        attach_data_log(user, attempt_id, number, request.data, request.query_params.get("name", ""))
        return attempt_response(request, attempt_id)

    @extend_schema(operation_id="data_log_read", responses=attempts_answers.MachineTrace)
    def get(self, request: Request, attempt_id: int, number: int) -> Response:
        return Response(machine_trace(person(request), attempt_id, number))


class LastWeldView(APIView):
    """The last weld of a wired logger, kept with one run."""

    @extend_schema(
        operation_id="data_log_last_weld",
        request=attempts_answers.LoggerRequest,
        responses=attempts_answers.Attempt,
    )
    def post(self, request: Request, attempt_id: int, number: int) -> Response:
        user = person(request)
        attempt_for(user, attempt_id)  # no logger is asked for a stranger
        name = sent(attempts_answers.LoggerRequest, request).logger
        attach_data_log(user, attempt_id, number, last_weld(name), name)
        return attempt_response(request, attempt_id)
