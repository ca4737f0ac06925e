from django.urls import path

from judicum.server.reports.api.views import ClassCsvView, ClassSheetView, JobSheetView, ReportFileView, ReportsView

urlpatterns = [
    path("courses/<int:course_id>/reports", ReportsView.as_view()),
    path("reports/<int:report_id>/file", ReportFileView.as_view()),
    path("courses/<int:course_id>/class.pdf", ClassSheetView.as_view()),
    path("courses/<int:course_id>/class.csv", ClassCsvView.as_view()),
    path("assignments/<int:assignment_id>/job.pdf", JobSheetView.as_view()),
]
