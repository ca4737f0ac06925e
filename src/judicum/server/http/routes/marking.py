"""Marking: what is suggested, setting a mark, giving it back, answers beside it, phrases."""

from drf_spectacular.utils import extend_schema
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.marking import read_scheme
from judicum.server.answers import attempts as attempts_answers
from judicum.server.answers import marking as marking_answers
from judicum.server.answers import schemes as schemes_answers
from judicum.server.answers.base import list_of
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.routes.attempts import RUN, attempt_response, number_asked
from judicum.server.people.accounts.units import units_of
from judicum.server.read.marking import suggestions
from judicum.server.read.scheme_trial import scheme_trial
from judicum.server.record.attempts.actions.answer import answer_attempt
from judicum.server.record.marking.actions.mark_attempt import return_mark, set_mark
from judicum.server.record.marking.actions.save_phrases import save_phrases
from judicum.server.record.marking.actions.take_back import take_back
from judicum.server.record.marking.models import Phrase


class SuggestionsView(APIView):
    """What the coupon's scheme suggests, for those who teach the course."""

    @extend_schema(operation_id="mark_suggestions", responses=marking_answers.Proposal, parameters=[RUN])
    def get(self, request: Request, attempt_id: int) -> Response:
        return Response(suggestions(person(request), attempt_id, units_of(request.user), number_asked(request, "run")))


class MarkView(APIView):
    """The mark of an attempt."""

    @extend_schema(operation_id="mark_set", request=marking_answers.MarkRequest, responses=attempts_answers.Attempt)
    def put(self, request: Request, attempt_id: int) -> Response:
        asked = sent(marking_answers.MarkRequest, request)
        set_mark(person(request), attempt_id, **dict(asked))
        return attempt_response(request, attempt_id)


class ReturnView(APIView):
    """Giving the mark back to the student."""

    @extend_schema(
        operation_id="mark_return", request=marking_answers.VersionRequest, responses=attempts_answers.Attempt
    )
    def post(self, request: Request, attempt_id: int) -> Response:
        asked = sent(marking_answers.VersionRequest, request)
        return_mark(person(request), attempt_id, **dict(asked))
        return attempt_response(request, attempt_id)


class AnswerView(APIView):
    """Asking for another photo, or sending the coupon back to be welded again."""

    @extend_schema(
        operation_id="attempt_answer", request=marking_answers.AnswerRequest, responses=attempts_answers.Attempt
    )
    def post(self, request: Request, attempt_id: int) -> Response:
        asked = sent(marking_answers.AnswerRequest, request)
        answer_attempt(person(request), attempt_id, **dict(asked))
        return attempt_response(request, attempt_id)


class TakeBackView(APIView):
    """Taking one's own return or answer back, within seconds."""

    @extend_schema(operation_id="attempt_take_back", request=None, responses=attempts_answers.Attempt)
    def post(self, request: Request, attempt_id: int) -> Response:
        take_back(person(request), attempt_id)
        return attempt_response(request, attempt_id)


class TrySchemeView(APIView):
    """What a scheme would have made of the course's last marks; nothing is kept."""

    @extend_schema(
        operation_id="scheme_try", request=schemes_answers.SaveSchemeRequest, responses=schemes_answers.SchemeTrial
    )
    def post(self, request: Request, course_id: int) -> Response:
        asked = sent(schemes_answers.SaveSchemeRequest, request)
        rules = read_scheme(asked.scheme)
        return Response(scheme_trial(person(request), course_id, rules, asked.code))


class PhrasesView(APIView):
    """One's own phrases."""

    @extend_schema(operation_id="phrases_list", responses=list_of(marking_answers.Phrase))
    def get(self, request: Request) -> Response:
        mine = Phrase.objects.filter(user=person(request))
        return Response([marking_answers.Phrase.model_validate(one) for one in mine])

    @extend_schema(
        operation_id="phrases_keep", request=marking_answers.PhrasesRequest, responses=list_of(marking_answers.Phrase)
    )
    def put(self, request: Request) -> Response:
        asked = sent(marking_answers.PhrasesRequest, request)
        kept = save_phrases(person(request), asked.phrases)
        return Response([marking_answers.Phrase.model_validate(one) for one in kept])
