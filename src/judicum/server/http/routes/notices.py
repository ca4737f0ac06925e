"""Mail: what one is told of, what was written, a forgotten password."""

from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.permissions import AllowAny
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.answers import people as people_answers
from judicum.server.answers.base import list_of
from judicum.server.follow.notices.actions.save_preference import save_preference
from judicum.server.follow.notices.actions.send_digests import mail_reset
from judicum.server.follow.notices.models import NotificationPreference
from judicum.server.http.authentication import SessionOnly
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.throttles import DoorThrottle
from judicum.server.people.accounts.queries import owned_by
from judicum.server.platform.outbox import written


class NotificationPreferenceView(APIView):
    """What one is told of by mail."""

    authentication_classes = (SessionOnly,)

    @extend_schema(operation_id="wish_read", responses=people_answers.NotificationPreference)
    def get(self, request: Request) -> Response:
        user = person(request)
        preference = NotificationPreference.objects.filter(user=user).first()
        return Response(
            people_answers.NotificationPreference(email=user.email, kinds=preference.kinds if preference else [])
        )

    @extend_schema(
        operation_id="wish_set",
        request=people_answers.NotificationPreferenceRequest,
        responses=people_answers.NotificationPreference,
    )
    def put(self, request: Request) -> Response:
        preference = save_preference(
            person(request), **dict(sent(people_answers.NotificationPreferenceRequest, request))
        )
        return Response(people_answers.NotificationPreference(email=person(request).email, kinds=preference.kinds))


class MailView(APIView):
    """What the stand-in for a mail server wrote for the workshop, for its owners; a reset link is not shown to them."""

    authentication_classes = (SessionOnly,)

    @extend_schema(operation_id="mail_list", responses=list_of(people_answers.Mail))
    def get(self, request: Request) -> Response:
        return Response([people_answers.Mail.model_validate(one) for one in written(owned_by(person(request)).pk)])


class ForgottenView(APIView):
    """A link for a new password by mail; the answer is the same whoever asks."""

    permission_classes = (AllowAny,)
    throttle_classes = (DoorThrottle,)

    @extend_schema(
        operation_id="password_forgotten", request=people_answers.ForgottenPasswordRequest, responses={204: None}
    )
    def post(self, request: Request) -> Response:
        mail_reset(sent(people_answers.ForgottenPasswordRequest, request).username, request.build_absolute_uri("/"))
        return Response(status=status.HTTP_204_NO_CONTENT)
