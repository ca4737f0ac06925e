from django.urls import path

from judicum.server.workshops.api.views import (
    MoveView,
    TakePartView,
    WorkshopCoursesView,
    WorkshopPeopleView,
    WorkshopPersonView,
    WorkshopResetView,
    WorkshopSecondView,
    WorkshopView,
)

urlpatterns = [
    path("workshop", WorkshopView.as_view()),
    path("workshop/courses", WorkshopCoursesView.as_view()),
    path("workshop/courses/<int:workshop_course_id>/part", TakePartView.as_view()),
    path("workshop/people", WorkshopPeopleView.as_view()),
    path("workshop/people/<int:person_id>", WorkshopPersonView.as_view()),
    path("workshop/people/<int:person_id>/reset", WorkshopResetView.as_view()),
    path("workshop/people/<int:person_id>/second-factor", WorkshopSecondView.as_view()),
    path("courses/<int:course_id>/members/<int:member_id>/move", MoveView.as_view()),
]
