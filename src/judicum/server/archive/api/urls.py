from django.urls import path

from judicum.server.archive.api.views import CourseArchiveView, PersonalArchiveView

urlpatterns = [
    path("courses/<int:course_id>/archive.zip", CourseArchiveView.as_view()),
    path("session/archive.zip", PersonalArchiveView.as_view()),
]
