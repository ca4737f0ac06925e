"""Drawing a report that was asked for."""

from django.core.files.base import ContentFile
from django.core.files.storage import default_storage

from judicum.server.people.courses.queries import members
from judicum.server.people.roles import Role
from judicum.server.read.reports.contents import contents_of
from judicum.server.read.reports.models import Report, ReportState
from judicum.server.read.reports.pdf.student import student_report
from judicum.words.catalogue import speaking


def make_report(report_id: int) -> None:
    """Draw every student's pages, counting them, and keep the file; a report that is over is left alone."""
    report = Report.objects.select_related("asked_by", "course").filter(pk=report_id).first()
    if report is None or report.state == ReportState.DONE:
        return
    people = members(report.course_id, Role.STUDENT)
    if report.student_id is not None:
        people = people.filter(user_id=report.student_id)
    ids = [member.user_id for member in people]
    Report.objects.filter(pk=report_id).update(state=ReportState.MAKING, total=len(ids), done=0)
    contents = []
    with speaking(report.course.locale):
        for number, student_id in enumerate(ids, 1):
            contents.append(contents_of(report, student_id))
            Report.objects.filter(pk=report_id).update(done=number)
        drawn = student_report(contents, report.paper)
    file = default_storage.save(f"reports/{report.pk}.pdf", ContentFile(drawn))
    Report.objects.filter(pk=report_id).update(state=ReportState.DONE, file=file)
