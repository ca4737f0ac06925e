"""Archives as files: a course's for its instructor, a person's own."""

from django.http import HttpResponse, StreamingHttpResponse
from django.http.response import HttpResponseBase
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework.parsers import BaseParser
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import NotFound, said
from judicum.server.answers import exchange as exchange_answers
from judicum.server.answers.problems import FieldProblem
from judicum.server.exchange.archive.personal import personal_archive
from judicum.server.exchange.archive.write import archive_of
from judicum.server.exchange.sheets import MAX_BYTES, SHEETS, LineDone, Sheet, put_sheet
from judicum.server.http.authentication import SessionOnly
from judicum.server.http.parsing import sent_bytes
from judicum.server.http.person import person
from judicum.server.people.accounts.units import units_of
from judicum.server.people.courses.queries import instructor_of
from judicum.words import Units

TABLE = {"text/csv": OpenApiTypes.BINARY}
ZIP = {(200, "application/zip"): OpenApiTypes.BINARY}


def _zip(chunks, name: str) -> StreamingHttpResponse:  # type: ignore[no-untyped-def]
    response = StreamingHttpResponse(chunks, content_type="application/zip")
    response["Content-Disposition"] = f'attachment; filename="{name}.zip"'
    return response


class CourseArchiveView(APIView):
    """All of a course as an open archive (docs/archive/)."""

    @extend_schema(operation_id="course_archive_file", responses=ZIP)
    def get(self, request: Request, course_id: int) -> HttpResponseBase:
        user = person(request)
        course = instructor_of(user, course_id).course
        return _zip(archive_of(course.pk, user), f"course-{course.pk}")


class PersonalArchiveView(APIView):
    """All that is kept about oneself."""

    authentication_classes = (SessionOnly,)

    @extend_schema(operation_id="personal_archive_file", responses=ZIP)
    def get(self, request: Request) -> HttpResponseBase:
        return _zip(personal_archive(person(request)), "what-is-kept-about-me")


class TableParser(BaseParser):
    """A table as the bytes of its file."""

    media_type = "text/csv"

    def parse(self, stream, media_type=None, parser_context=None):  # type: ignore[no-untyped-def]
        return stream.read(MAX_BYTES + 1)


class SheetView(APIView):
    """One of a course's tables: out as CSV, and in again: foreseen (POST) or, all or nothing, done (PUT)."""

    parser_classes = (TableParser,)

    @extend_schema(operation_id="sheet_read", responses={(200, "text/csv"): OpenApiTypes.BINARY})
    def get(self, request: Request, course_id: int, sheet: str) -> HttpResponseBase:
        found = _sheet(sheet)
        text = found.text(person(request), course_id)
        response = HttpResponse(text.encode(), content_type="text/csv; charset=utf-8")
        response["Content-Disposition"] = f'attachment; filename="{found.name}.csv"'
        return response

    @extend_schema(operation_id="sheet_foresee", request=TABLE, responses=exchange_answers.SheetDone)
    def post(self, request: Request, course_id: int, sheet: str) -> Response:
        return self._put(request, course_id, sheet, keep=False)

    @extend_schema(operation_id="sheet_put", request=TABLE, responses=exchange_answers.SheetDone)
    def put(self, request: Request, course_id: int, sheet: str) -> Response:
        return self._put(request, course_id, sheet, keep=True)

    @staticmethod
    def _put(request: Request, course_id: int, name: str, keep: bool) -> Response:
        sheet = _sheet(name)
        sheet.course(person(request), course_id)
        done, kept = put_sheet(person(request), course_id, sheet, sent_bytes(request, "table"), keep)
        units = units_of(request.user)
        root = request.build_absolute_uri("/")
        lines = [_line(one, units, root) for one in done]
        return Response(exchange_answers.SheetDone(kept=kept, lines=lines))


def _line(one: LineDone, units: Units, root: str) -> exchange_answers.SheetLine:
    """What came of a line; `root` is the server's own address."""
    return exchange_answers.SheetLine(
        line=one.line,
        outcome=one.outcome,
        what=one.what,
        problems=[FieldProblem.of(problem, units) for problem in one.problems],
        hand_over=root + one.hand_over if one.hand_over else None,
    )


def _sheet(name: str) -> Sheet:
    if name not in SHEETS:
        raise NotFound(said("refused-there-is-no-table-there-are", name=f"{name[:40]!r}", sheets=", ".join(SHEETS)))
    return SHEETS[name]
