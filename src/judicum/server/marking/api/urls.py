from django.urls import path

from judicum.server.marking.api.views import (
    AnswerView,
    MarkView,
    PhrasesView,
    ReturnView,
    SuggestionsView,
    TakeBackView,
    TrySchemeView,
)

urlpatterns = [
    path("attempts/<int:attempt_id>/suggestions", SuggestionsView.as_view()),
    path("attempts/<int:attempt_id>/mark", MarkView.as_view()),
    path("attempts/<int:attempt_id>/return", ReturnView.as_view()),
    path("attempts/<int:attempt_id>/answer", AnswerView.as_view()),
    path("attempts/<int:attempt_id>/take-back", TakeBackView.as_view()),
    path("courses/<int:course_id>/schemes/try", TrySchemeView.as_view()),
    path("phrases", PhrasesView.as_view()),
]
