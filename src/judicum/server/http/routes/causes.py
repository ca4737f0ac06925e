"""Why a bead looks as it does, for those who teach."""

from drf_spectacular.utils import extend_schema
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import NotAllowed
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.serializers.causes import ExplanationSerializer, JudgeSerializer, told_asked
from judicum.server.people.accounts.units import units_of
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import attempt_for, marks_blind, sight_of
from judicum.server.record.causes.actions.judge_cause import ASIDE, TAKEN, judge_cause
from judicum.server.record.causes.queries import explanation_of
from judicum.words.causes import cause_card, followed_words, symptom_card
from judicum.words.units import Units


class CausesView(APIView):
    """Symptoms of an attempt, its causes ranked by evidence, and what became of the last change."""

    @extend_schema(operation_id="causes_read", responses=ExplanationSerializer)
    def get(self, request: Request, attempt_id: int) -> Response:
        attempt = _explainable(request, attempt_id)
        return Response(_told(attempt, units_of(request.user), marks_blind(person(request), attempt)))


class CauseView(APIView):
    """Taking one cause, or setting it aside."""

    @extend_schema(operation_id="cause_judge", request=JudgeSerializer, responses=ExplanationSerializer)
    def put(self, request: Request, attempt_id: int, cause: str) -> Response:
        asked = sent(JudgeSerializer, request)
        judge_cause(person(request), attempt_id, cause, asked["verdict"])
        return Response(_told(_explainable(request, attempt_id), units_of(request.user)))


def _explainable(request: Request, attempt_id: int) -> Attempt:
    attempt = attempt_for(person(request), attempt_id)
    if not sight_of(person(request), attempt).suggestions():
        raise NotAllowed("Only the course's instructor and assistants see causes.")
    return attempt


def _told(attempt: Attempt, units: Units, blind: bool = False) -> dict[str, object]:
    explanation = explanation_of(attempt, blind)
    found = explanation.found
    verdicts = {code: TAKEN if taken else ASIDE for code, taken in explanation.verdicts.items()}
    asked = told_asked(explanation.asked)
    if asked and (after := explanation.followed):
        asked |= {"followed": followed_words(after), "done": after.done, "gone": after.gone}
    told = {
        "symptoms": [symptom_card(seen) for seen in found.symptoms],
        "causes": [{**cause_card(one, found, units), "verdict": verdicts.get(one.code)} for one in found.causes],
        "sound": found.sound,
        "asked": asked,
    }
    return dict(ExplanationSerializer(told).data)
