"""Why a bead looks as it does, for those who teach."""

from drf_spectacular.utils import extend_schema
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.answers import causes as causes_answers
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.routes.attempts import RUN, number_asked
from judicum.server.people.accounts.units import units_of
from judicum.server.read.causes import explanation
from judicum.server.record.causes.actions.judge_cause import judge_cause


class CausesView(APIView):
    """Symptoms of an attempt, its causes ranked by evidence, and what became of the last change."""

    @extend_schema(operation_id="causes_read", responses=causes_answers.Explanation, parameters=[RUN])
    def get(self, request: Request, attempt_id: int) -> Response:
        return Response(explanation(person(request), attempt_id, units_of(request.user), number_asked(request, "run")))


class CauseView(APIView):
    """Confirming one cause, or ruling it out."""

    @extend_schema(
        operation_id="cause_judge", request=causes_answers.VerdictRequest, responses=causes_answers.Explanation
    )
    def put(self, request: Request, attempt_id: int, cause: str) -> Response:
        asked = sent(causes_answers.VerdictRequest, request)
        judge_cause(person(request), attempt_id, cause, asked.verdict)
        return Response(explanation(person(request), attempt_id, units_of(request.user)))
