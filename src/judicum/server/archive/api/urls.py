from django.urls import path

from judicum.server.archive.api.views import CourseArchiveView, PersonalArchiveView, SheetView

urlpatterns = [
    path("courses/<int:course_id>/archive.zip", CourseArchiveView.as_view()),
    path("courses/<int:course_id>/sheets/<str:sheet>.csv", SheetView.as_view()),
    path("session/archive.zip", PersonalArchiveView.as_view()),
]
