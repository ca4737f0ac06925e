"""Marking: what is suggested, setting a mark, giving it back."""

from drf_spectacular.utils import extend_schema
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import NotAllowed
from judicum.core.marking import CRITERIA
from judicum.server.api.person import person, units_of
from judicum.server.attempts.api.serializers import AttemptSerializer
from judicum.server.attempts.api.views import shown
from judicum.server.attempts.queries import attempt_for
from judicum.server.attempts.visibility import sight_of
from judicum.server.marking.actions.mark_attempt import return_mark, set_mark
from judicum.server.marking.api.serializers import ReturnMarkSerializer, SetMarkSerializer, SuggestionSerializer
from judicum.server.marking.queries import suggestions
from judicum.words.marking import because


class SuggestionsView(APIView):
    """Suggested scores, for those who teach the course."""

    @extend_schema(operation_id="mark_suggestions", responses=SuggestionSerializer(many=True))
    def get(self, request: Request, attempt_id: int) -> Response:
        attempt = attempt_for(person(request), attempt_id)
        if not sight_of(person(request), attempt).suggestions():
            raise NotAllowed("Only the course's instructor and assistants see suggestions.")
        lines = {c.key: c for c in CRITERIA}
        units = units_of(request.user)
        rows = [
            {
                "criterion": s.criterion,
                "words": lines[s.criterion].words,
                "weight": lines[s.criterion].weight,
                "score": s.score,
                "reason": s.reason,
                "because": because(s, units),
                "figures": s.figures,
                "counts": s.counts,
                "off": s.off,
            }
            for s in suggestions(attempt)
        ]
        return Response(SuggestionSerializer(rows, many=True).data)


class MarkView(APIView):
    """The mark of an attempt."""

    @extend_schema(operation_id="mark_set", request=SetMarkSerializer, responses=AttemptSerializer)
    def put(self, request: Request, attempt_id: int) -> Response:
        asked = SetMarkSerializer(data=request.data)
        asked.is_valid(raise_exception=True)
        set_mark(person(request), attempt_id, **asked.validated_data)
        return shown(request, attempt_id)


class ReturnView(APIView):
    """Giving the mark back to the student."""

    @extend_schema(operation_id="mark_return", request=ReturnMarkSerializer, responses=AttemptSerializer)
    def post(self, request: Request, attempt_id: int) -> Response:
        asked = ReturnMarkSerializer(data=request.data)
        asked.is_valid(raise_exception=True)
        return_mark(person(request), attempt_id, **asked.validated_data)
        return shown(request, attempt_id)
