from django.urls import path

from judicum.server.marking.api.alike_views import (
    AgreeView,
    AlikeView,
    ReferencesView,
    ReferenceView,
    SecondShareView,
    SecondView,
    SelfTestBeadView,
    SelfTestsView,
    SelfTestView,
)
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
    path("attempts/<int:attempt_id>/second", SecondView.as_view()),
    path("attempts/<int:attempt_id>/agree", AgreeView.as_view()),
    path("attempts/<int:attempt_id>/reference", ReferenceView.as_view()),
    path("courses/<int:course_id>/second-share", SecondShareView.as_view()),
    path("courses/<int:course_id>/alike", AlikeView.as_view()),
    path("courses/<int:course_id>/references", ReferencesView.as_view()),
    path("courses/<int:course_id>/self-tests", SelfTestsView.as_view()),
    path("courses/<int:course_id>/self-tests/<int:test_id>", SelfTestView.as_view()),
    path("courses/<int:course_id>/self-tests/<int:test_id>/beads/<int:reference_id>", SelfTestBeadView.as_view()),
    path("phrases", PhrasesView.as_view()),
]
