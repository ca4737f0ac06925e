from django.urls import path

from judicum.server.marking.api.views import MarkView, ReturnView, SuggestionsView

urlpatterns = [
    path("attempts/<int:attempt_id>/suggestions", SuggestionsView.as_view()),
    path("attempts/<int:attempt_id>/mark", MarkView.as_view()),
    path("attempts/<int:attempt_id>/return", ReturnView.as_view()),
]
