from django.urls import path

from judicum.server.attempts.api.views import (
    AttemptView,
    CourseAttemptsView,
    EventsView,
    LastRunView,
    NextAttemptView,
    RunFieldsView,
    RunView,
    SetupView,
)

urlpatterns = [
    path("run-fields", RunFieldsView.as_view()),
    path("courses/<int:course_id>/attempts", CourseAttemptsView.as_view()),
    path("assignments/<int:assignment_id>/attempts", NextAttemptView.as_view()),
    path("attempts/<int:attempt_id>", AttemptView.as_view()),
    path("attempts/<int:attempt_id>/run", RunView.as_view()),
    path("attempts/<int:attempt_id>/last-run", LastRunView.as_view()),
    path("attempts/<int:attempt_id>/setup", SetupView.as_view()),
    path("attempts/<int:attempt_id>/events", EventsView.as_view()),
]
