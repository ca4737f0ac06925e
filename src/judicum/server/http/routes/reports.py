"""Student reports, the class sheet, job sheets."""

from django.http import FileResponse, HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import InvalidValue, WrongState, one_of, said
from judicum.core.marking import read_scheme
from judicum.core.photo.printing import PAPERS
from judicum.server.answers import reports as reports_answers
from judicum.server.answers.base import list_of
from judicum.server.catalogue.coupons.queries import assignment_for
from judicum.server.catalogue.schemes.queries import scheme_coded
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.people.accounts.units import units_of
from judicum.server.people.courses.locales import paper_of
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import staff_of
from judicum.server.read.reports.actions.ask_report import ask_report
from judicum.server.read.reports.class_sheet import class_csv, class_rows
from judicum.server.read.reports.contents import report_answer
from judicum.server.read.reports.models import ReportState
from judicum.server.read.reports.pdf.lists import class_sheet, job_sheet
from judicum.server.read.reports.queries import report_for, reports_for
from judicum.words.catalogue import speaking

PAPER = OpenApiParameter("paper", OpenApiTypes.STR, enum=list(PAPERS))
PDF = {(200, "application/pdf"): OpenApiTypes.BINARY}


class ReportsView(APIView):
    """One's own student reports of a course, and asking for another."""

    of_archived = True

    @extend_schema(operation_id="reports_list", responses=list_of(reports_answers.StudentReport))
    def get(self, request: Request, course_id: int) -> Response:
        return Response([report_answer(one) for one in reports_for(person(request), course_id)])

    @extend_schema(
        operation_id="report_ask", request=reports_answers.ReportRequest, responses={201: reports_answers.StudentReport}
    )
    def post(self, request: Request, course_id: int) -> Response:
        given = sent(reports_answers.ReportRequest, request)
        report = ask_report(person(request), course_id, given.student, given.paper, given.since, given.until)
        return Response(report_answer(report), status=status.HTTP_201_CREATED)


class ReportFileView(APIView):
    """The file of one's own report."""

    @extend_schema(operation_id="report_file", responses=PDF)
    def get(self, request: Request, report_id: int) -> FileResponse:
        report = report_for(person(request), report_id)
        if report.state != ReportState.DONE:
            raise WrongState(said("refused-report-not-ready"))
        return FileResponse(report.file.open("rb"), content_type="application/pdf", filename=f"report-{report.pk}.pdf")


class ClassSheetView(APIView):
    """Who has done what, as PDF, for those who teach."""

    @extend_schema(operation_id="class_sheet", parameters=[PAPER], responses=PDF)
    def get(self, request: Request, course_id: int) -> HttpResponse:
        rows = class_rows(person(request), course_id)
        course = staff_of(person(request), course_id).course
        with speaking(course.locale):
            file = class_sheet(rows, course.name, _paper(request, course))
        return _file(file, "application/pdf", "class.pdf")


class ClassCsvView(APIView):
    """The same as CSV."""

    @extend_schema(operation_id="class_csv", responses={(200, "text/csv"): OpenApiTypes.BINARY})
    def get(self, request: Request, course_id: int) -> HttpResponse:
        rows = class_rows(person(request), course_id)
        return _file(class_csv(rows).encode(), "text/csv; charset=utf-8", "class.csv")


class JobSheetView(APIView):
    """A coupon's job sheet for the wall (PDF)."""

    @extend_schema(operation_id="job_sheet", parameters=[PAPER], responses=PDF)
    def get(self, request: Request, assignment_id: int) -> HttpResponse:
        goal = assignment_for(person(request), assignment_id)
        rules = read_scheme(scheme_coded(goal.course_id, goal.scheme).body)
        with speaking(goal.course.locale):
            file = job_sheet(goal, rules, units_of(request.user), _paper(request, goal.course))
        return _file(file, "application/pdf", f"job-{goal.pk}.pdf")


def _paper(request: Request, course: Course) -> str:
    paper = request.query_params.get("paper") or paper_of(course)
    if paper not in PAPERS:
        raise InvalidValue("paper", paper, one_of(PAPERS))
    return paper


def _file(data: bytes, kind: str, name: str) -> HttpResponse:
    return HttpResponse(data, content_type=kind, headers={"Content-Disposition": f'inline; filename="{name}"'})
