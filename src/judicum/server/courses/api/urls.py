from django.urls import path

from judicum.server.courses.api.views import CourseView, JoinView, MembersView, SchoolsView

urlpatterns = [
    path("join", JoinView.as_view()),
    path("courses/<int:course_id>", CourseView.as_view()),
    path("courses/<int:course_id>/schools", SchoolsView.as_view()),
    path("courses/<int:course_id>/members", MembersView.as_view()),
]
