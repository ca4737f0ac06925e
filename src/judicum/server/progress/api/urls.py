from django.urls import path

from judicum.server.progress.api.views import DeskView, ForecastsView, ProgressView, StandingsView, WeekView

urlpatterns = [
    path("courses/<int:course_id>/desk", DeskView.as_view()),
    path("courses/<int:course_id>/students/<int:student_id>/progress", ProgressView.as_view()),
    path("courses/<int:course_id>/students/<int:student_id>/forecasts", ForecastsView.as_view()),
    path("courses/<int:course_id>/week", WeekView.as_view()),
    path("courses/<int:course_id>/standings", StandingsView.as_view()),
]
