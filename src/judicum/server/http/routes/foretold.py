"""What would come of other settings, and where settings give beads as wanted."""

from drf_spectacular.utils import extend_schema
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.answers import foretold as answers
from judicum.server.answers.attempts import Attempt
from judicum.server.follow.trials.actions.change_trial import take_foretold
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.routes.attempts import attempt_response
from judicum.server.read.foretold import foretold, settings_map


class ForetellView(APIView):
    """What would come of an attempt's settings with some of them changed; nothing is kept."""

    @extend_schema(operation_id="foretell", request=answers.ForetellRequest, responses=answers.Foretold)
    def post(self, request: Request, attempt_id: int) -> Response:
        asked = sent(answers.ForetellRequest, request)
        return Response(foretold(person(request), attempt_id, asked.model_dump()))


class SettingsMapView(APIView):
    """Where between currents and speeds beads come out as wanted."""

    @extend_schema(operation_id="settings_map", responses=answers.SettingsMap)
    def get(self, request: Request, attempt_id: int) -> Response:
        return Response(settings_map(person(request), attempt_id))


class StartsView(APIView):
    """Taking foretold settings as what the coupon is started with."""

    @extend_schema(operation_id="foretold_take", request=answers.StartsRequest, responses=Attempt)
    def post(self, request: Request, attempt_id: int) -> Response:
        user, asked = person(request), sent(answers.StartsRequest, request)
        take_foretold(user, attempt_id, asked.model_dump(exclude={"whose"}), asked.whose)
        return attempt_response(request, attempt_id)
