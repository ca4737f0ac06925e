"""Archives as files: a course's for its instructor, a person's own."""

from django.http import StreamingHttpResponse
from django.http.response import HttpResponseBase
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework.request import Request
from rest_framework.views import APIView

from judicum.server.api.authentication import SessionOnly
from judicum.server.api.person import person
from judicum.server.archive.personal import personal_archive
from judicum.server.archive.write import archive_of
from judicum.server.courses.queries import instructor_of

ZIP = {(200, "application/zip"): OpenApiTypes.BINARY}


def _zip(chunks, name: str) -> StreamingHttpResponse:  # type: ignore[no-untyped-def]
    response = StreamingHttpResponse(chunks, content_type="application/zip")
    response["Content-Disposition"] = f'attachment; filename="{name}.zip"'
    return response


class CourseArchiveView(APIView):
    """All of a course as an open archive (docs/archive/)."""

    @extend_schema(operation_id="course_archive_file", responses=ZIP)
    def get(self, request: Request, course_id: int) -> HttpResponseBase:
        course = instructor_of(person(request), course_id).course
        return _zip(archive_of(course.pk), f"course-{course.pk}")


class PersonalArchiveView(APIView):
    """All that is kept about oneself."""

    authentication_classes = (SessionOnly,)

    @extend_schema(operation_id="personal_archive_file", responses=ZIP)
    def get(self, request: Request) -> HttpResponseBase:
        return _zip(personal_archive(person(request)), "what-is-kept-about-me")
