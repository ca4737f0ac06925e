from django.urls import path

from judicum.server.courses.api.views import (
    ArchivedView,
    CoursesView,
    CourseView,
    JoinCodeView,
    JoinView,
    MembersView,
    MemberView,
    ResetLinkView,
    SchoolsView,
)

urlpatterns = [
    path("join", JoinView.as_view()),
    path("courses", CoursesView.as_view()),
    path("courses/<int:course_id>/join-code", JoinCodeView.as_view()),
    path("courses/<int:course_id>/archived", ArchivedView.as_view()),
    path("courses/<int:course_id>/members/<int:member_id>", MemberView.as_view()),
    path("courses/<int:course_id>/members/<int:member_id>/reset", ResetLinkView.as_view()),
    path("courses/<int:course_id>", CourseView.as_view()),
    path("courses/<int:course_id>/schools", SchoolsView.as_view()),
    path("courses/<int:course_id>/members", MembersView.as_view()),
]
