from django.urls import path

from judicum.server.attempts.api.views import (
    AttemptView,
    CardSheetView,
    CheckRunView,
    CourseAttemptsView,
    EventsView,
    FindingsView,
    LastRunsView,
    NextAttemptView,
    NextView,
    PreparationView,
    RunView,
    SetupView,
    WaitingView,
    WallView,
)

urlpatterns = [
    path("courses/<int:course_id>/attempts", CourseAttemptsView.as_view()),
    path("courses/<int:course_id>/wall", WallView.as_view()),
    path("courses/<int:course_id>/waiting", WaitingView.as_view()),
    path("courses/<int:course_id>/next", NextView.as_view()),
    path("assignments/<int:assignment_id>/attempts", NextAttemptView.as_view()),
    path("attempts/<int:attempt_id>", AttemptView.as_view()),
    path("attempts/<int:attempt_id>/runs/<int:number>", RunView.as_view()),
    path("attempts/<int:attempt_id>/check", CheckRunView.as_view()),
    path("attempts/<int:attempt_id>/preparation", PreparationView.as_view()),
    path("attempts/<int:attempt_id>/last-runs", LastRunsView.as_view()),
    path("attempts/<int:attempt_id>/card.pdf", CardSheetView.as_view()),
    path("attempts/<int:attempt_id>/setup", SetupView.as_view()),
    path("attempts/<int:attempt_id>/findings", FindingsView.as_view()),
    path("attempts/<int:attempt_id>/events", EventsView.as_view()),
]
