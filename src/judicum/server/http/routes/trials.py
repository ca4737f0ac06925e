"""Trials: what may be tried, planning one, tapping through it, its scribe sheet, and taking what it found."""

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.answers import trials as trials_answers
from judicum.server.follow.trials.actions.change_trial import (
    begin_trial,
    count_beads,
    drop_trial,
    take_start,
    tap_beads,
)
from judicum.server.follow.trials.queries import trial_for
from judicum.server.follow.trials.scribe import PAPERS
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.read.trials import scribe_of, trials_of


def trials_response(request: Request, attempt_id: int, code: int = status.HTTP_200_OK) -> Response:
    """All trials of an attempt, as they then are."""
    return Response(trials_of(person(request), attempt_id), status=code)


class TrialsView(APIView):
    """Trials of an attempt."""

    @extend_schema(operation_id="trials_read", responses=trials_answers.Trials)
    def get(self, request: Request, attempt_id: int) -> Response:
        return trials_response(request, attempt_id)

    @extend_schema(
        operation_id="trial_begin", request=trials_answers.TrialRequest, responses={201: trials_answers.Trials}
    )
    def post(self, request: Request, attempt_id: int) -> Response:
        asked = sent(trials_answers.TrialRequest, request)
        begin_trial(person(request), attempt_id, asked.model_dump(exclude_none=True))
        return trials_response(request, attempt_id, status.HTTP_201_CREATED)


class TrialView(APIView):
    """One trial."""

    @extend_schema(
        operation_id="trial_change", request=trials_answers.TrialChangeRequest, responses=trials_answers.Trials
    )
    def put(self, request: Request, trial_id: int) -> Response:
        user, asked = person(request), sent(trials_answers.TrialChangeRequest, request)
        trial = trial_for(user, trial_id)
        if asked.welded is not None:
            tap_beads(user, trial_id, asked.welded)
        if asked.counted is not None or asked.by_place:
            counted = None if asked.counted is None else dict(enumerate(asked.counted, 1))
            count_beads(
                user, trial_id, None if counted is None else {k: v for k, v in counted.items() if v is not None}
            )
        return trials_response(request, trial.attempt_id)

    @extend_schema(operation_id="trial_drop", responses={200: trials_answers.Trials})
    def delete(self, request: Request, trial_id: int) -> Response:
        trial = trial_for(person(request), trial_id)
        drop_trial(person(request), trial_id)
        return trials_response(request, trial.attempt_id)


class StartValueView(APIView):
    """Taking a setting of a trial."""

    @extend_schema(operation_id="trial_take", request=trials_answers.StartRequest, responses=trials_answers.Trials)
    def post(self, request: Request, trial_id: int) -> Response:
        user, asked = person(request), sent(trials_answers.StartRequest, request)
        made = take_start(user, trial_id, asked.value, asked.whose)
        assert made.trial is not None
        return trials_response(request, made.trial.attempt_id)


class ScribeView(APIView):
    """The scribe sheet of a trial, at scale."""

    @extend_schema(
        operation_id="trial_scribe",
        responses={(200, "application/pdf"): OpenApiTypes.BINARY},
        parameters=[OpenApiParameter("paper", OpenApiTypes.STR, enum=list(PAPERS))],
    )
    def get(self, request: Request, trial_id: int) -> HttpResponse:
        file = scribe_of(person(request), trial_id, request.query_params.get("paper", "a4"))
        return HttpResponse(
            file,
            content_type="application/pdf",
            headers={"Content-Disposition": f'inline; filename="trial-{trial_id}.pdf"'},
        )
