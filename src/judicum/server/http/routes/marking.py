"""Marking: what is suggested, setting a mark, giving it back, answers beside it, phrases."""

from typing import Any

from drf_spectacular.utils import extend_schema
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import NotAllowed
from judicum.core.marking import KNOCK_OUTS, back_from, read_scheme
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.routes.attempts import shown
from judicum.server.http.serializers.attempts import AttemptSerializer
from judicum.server.http.serializers.marking import (
    AnswerSerializer,
    KeepPhrasesSerializer,
    PhraseSerializer,
    ProposalSerializer,
    ReturnMarkSerializer,
    SetMarkSerializer,
    TriedSerializer,
)
from judicum.server.http.serializers.schemes import SaveSchemeSerializer
from judicum.server.people.accounts.units import units_of
from judicum.server.record.attempts.actions.answer import answer_attempt
from judicum.server.record.attempts.actions.note_findings import findings_asked_for
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import attempt_for, sight_of
from judicum.server.record.marking.actions.keep_phrases import keep_phrases
from judicum.server.record.marking.actions.mark_attempt import return_mark, set_mark
from judicum.server.record.marking.actions.take_back import take_back
from judicum.server.record.marking.models import Phrase
from judicum.server.record.marking.queries import Proposal, pass_mark_of, propose, tried_on
from judicum.server.record.photos.queries import back_seen
from judicum.words.marking import because, figure_told, finding, placeholder_values
from judicum.words.units import Units


class SuggestionsView(APIView):
    """What the coupon's scheme suggests, for those who teach the course."""

    @extend_schema(operation_id="mark_suggestions", responses=ProposalSerializer)
    def get(self, request: Request, attempt_id: int) -> Response:
        attempt = attempt_for(person(request), attempt_id)
        if not sight_of(person(request), attempt).suggestions():
            raise NotAllowed("Only the course's instructor and assistants see suggestions.")
        return Response(ProposalSerializer(told_proposal(attempt, propose(attempt), units_of(request.user))).data)


def told_proposal(attempt: Attempt, proposal: Proposal, units: Units) -> dict[str, Any]:
    """A proposal as `ProposalSerializer` describes it."""
    rules = proposal.rules
    lines = [
        {
            "criterion": one.criterion,
            "words": line.criterion.words,
            "weight": rules.share(one.criterion),
            "score": one.score,
            "applies": one.applies,
            "reason": one.reason,
            "because": because(one, units),
            "figure": one.figure if isinstance(one.figure, int | float) else None,
            "figure_told": figure_told(one, units),
            "figure_name": line.criterion.figure,
            "curve": line.curve,
            "needs": line.criterion.needs,
        }
        for one, line in zip(proposal.suggestions, rules.lines, strict=True)
    ]
    goal = attempt.assignment
    return {
        "scheme": f"{rules.title}, version {proposal.scheme.version}",
        "pass_mark": pass_mark_of(attempt, rules),
        "lines": lines,
        "knocked": [{"key": key, "words": KNOCK_OUTS[key]} for key in proposal.minded],
        "findings": [finding(key) for key in _findings(attempt, rules.time_limit_s)],
        "found": attempt.by_hand,
        "back_seen": back_from(back, goal.finish) if (back := back_seen(attempt)) else None,
        "placeholders": placeholder_values(proposal.report, goal.target_width_mm, attempt.student.display_name, units),
    }


def _findings(attempt: Attempt, time_limit_s: float | None) -> list[str]:
    """The time taken is asked after only where it counts."""
    return [key for key in findings_asked_for(attempt.assignment) if key != "time_taken_s" or time_limit_s]


class MarkView(APIView):
    """The mark of an attempt."""

    @extend_schema(operation_id="mark_set", request=SetMarkSerializer, responses=AttemptSerializer)
    def put(self, request: Request, attempt_id: int) -> Response:
        asked = sent(SetMarkSerializer, request)
        set_mark(person(request), attempt_id, **asked)
        return shown(request, attempt_id)


class ReturnView(APIView):
    """Giving the mark back to the student."""

    @extend_schema(operation_id="mark_return", request=ReturnMarkSerializer, responses=AttemptSerializer)
    def post(self, request: Request, attempt_id: int) -> Response:
        asked = sent(ReturnMarkSerializer, request)
        return_mark(person(request), attempt_id, **asked)
        return shown(request, attempt_id)


class AnswerView(APIView):
    """Asking for another photo, or sending the coupon back to be welded again."""

    @extend_schema(operation_id="attempt_answer", request=AnswerSerializer, responses=AttemptSerializer)
    def post(self, request: Request, attempt_id: int) -> Response:
        asked = sent(AnswerSerializer, request)
        answer_attempt(person(request), attempt_id, **asked)
        return shown(request, attempt_id)


class TakeBackView(APIView):
    """Taking one's own return or answer back, within seconds."""

    @extend_schema(operation_id="attempt_take_back", request=None, responses=AttemptSerializer)
    def post(self, request: Request, attempt_id: int) -> Response:
        take_back(person(request), attempt_id)
        return shown(request, attempt_id)


class TrySchemeView(APIView):
    """What a scheme would have made of the course's last marks; nothing is kept."""

    @extend_schema(operation_id="scheme_try", request=SaveSchemeSerializer, responses=TriedSerializer)
    def post(self, request: Request, course_id: int) -> Response:
        asked = sent(SaveSchemeSerializer, request)
        rules = read_scheme(asked["scheme"])
        return Response(TriedSerializer(tried_on(person(request), course_id, rules, asked["code"])).data)


class PhrasesView(APIView):
    """One's own phrases."""

    @extend_schema(operation_id="phrases_list", responses=PhraseSerializer(many=True))
    def get(self, request: Request) -> Response:
        return Response(PhraseSerializer(Phrase.objects.filter(user=person(request)), many=True).data)

    @extend_schema(operation_id="phrases_keep", request=KeepPhrasesSerializer, responses=PhraseSerializer(many=True))
    def put(self, request: Request) -> Response:
        asked = sent(KeepPhrasesSerializer, request)
        kept = keep_phrases(person(request), asked["phrases"])
        return Response(PhraseSerializer(kept, many=True).data)
