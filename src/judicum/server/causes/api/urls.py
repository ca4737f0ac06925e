from django.urls import path

from judicum.server.causes.api.views import CausesView, CauseView

urlpatterns = [
    path("attempts/<int:attempt_id>/causes", CausesView.as_view()),
    path("attempts/<int:attempt_id>/causes/<str:cause>", CauseView.as_view()),
]
