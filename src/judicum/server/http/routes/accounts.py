"""Signing in and out, and one's own settings."""

from urllib.parse import parse_qs, urlsplit
from uuid import UUID

from django.contrib.auth import logout, update_session_auth_hash
from django.utils.decorators import method_decorator
from django.views.decorators.csrf import ensure_csrf_cookie
from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.permissions import AllowAny, IsAuthenticated
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.throttling import BaseThrottle
from rest_framework.views import APIView

from judicum.server.answers import people as people_answers
from judicum.server.answers.base import list_of
from judicum.server.http.authentication import SessionOnly
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.throttles import DoorThrottle
from judicum.server.people.accounts.actions.change_preferences import change_preferences
from judicum.server.people.accounts.actions.second_factor import MISSING, begin_second, confirm_second, turn_off_second
from judicum.server.people.accounts.actions.set_password import change_password, reset_password, sign_out_everywhere
from judicum.server.people.accounts.actions.sign_in import sign_in
from judicum.server.people.accounts.actions.tokens import end_token, make_token
from judicum.server.people.accounts.links import for_camera
from judicum.server.people.accounts.models import Token
from judicum.server.read.people import signed_in


@method_decorator(ensure_csrf_cookie, name="dispatch")
class SessionView(APIView):
    """The session of this browser; whoever asks gets the token that changes need: the page itself may come from the phone's own store."""

    without_second = True

    def get_permissions(self) -> list[AllowAny | IsAuthenticated]:
        return [AllowAny()] if self.request.method == "POST" else [IsAuthenticated()]

    def get_throttles(self) -> list[BaseThrottle]:
        return [DoorThrottle()] if self.request.method == "POST" else super().get_throttles()

    @extend_schema(operation_id="session_read", responses=people_answers.SignedIn)
    def get(self, request: Request) -> Response:
        return Response(signed_in(person(request)))

    @extend_schema(operation_id="session_open", request=people_answers.SignInRequest, responses=people_answers.SignedIn)
    def post(self, request: Request) -> Response:
        asked = sent(people_answers.SignInRequest, request)
        user = sign_in(request._request, asked.username, asked.password, asked.code)
        return Response(signed_in(user))

    @extend_schema(operation_id="session_close", request=None, responses={204: None})
    def delete(self, request: Request) -> Response:
        logout(request._request)
        return Response(status=status.HTTP_204_NO_CONTENT)


class PasswordView(APIView):
    """One's own password: this browser stays signed in, every other is signed out."""

    authentication_classes = (SessionOnly,)

    @extend_schema(operation_id="password_change", request=people_answers.ChangePasswordRequest, responses={204: None})
    def put(self, request: Request) -> Response:
        asked = sent(people_answers.ChangePasswordRequest, request)
        user = change_password(person(request), **dict(asked))
        update_session_auth_hash(request._request, user)
        return Response(status=status.HTTP_204_NO_CONTENT)


class EverywhereView(APIView):
    """Signing out in every browser."""

    authentication_classes = (SessionOnly,)
    without_second = True

    @extend_schema(operation_id="sessions_close", request=None, responses={204: None})
    def delete(self, request: Request) -> Response:
        sign_out_everywhere(person(request))
        logout(request._request)
        return Response(status=status.HTTP_204_NO_CONTENT)


class SecondFactorView(APIView):
    """One's own second factor: begun (POST), put in force by its first code (PUT)."""

    authentication_classes = (SessionOnly,)
    without_second = True

    @extend_schema(operation_id="second_factor_begin", request=None, responses=people_answers.SecondFactorBegun)
    def post(self, request: Request) -> Response:
        address = begin_second(person(request))
        secret = parse_qs(urlsplit(address).query)["secret"][0]
        return Response(people_answers.SecondFactorBegun(address=address, picture=for_camera(address), secret=secret))

    @extend_schema(
        operation_id="second_factor_confirm", request=people_answers.CodeRequest, responses=people_answers.RecoveryCodes
    )
    def put(self, request: Request) -> Response:
        codes = confirm_second(person(request), sent(people_answers.CodeRequest, request).code)
        request._request.session.pop(MISSING, None)
        return Response(people_answers.RecoveryCodes(codes=codes))


class SecondFactorOffView(APIView):
    """Turning one's own second factor off, by the password."""

    authentication_classes = (SessionOnly,)

    @extend_schema(operation_id="second_factor_off", request=people_answers.PasswordRequest, responses={204: None})
    def post(self, request: Request) -> Response:
        turn_off_second(person(request), sent(people_answers.PasswordRequest, request).password)
        return Response(status=status.HTTP_204_NO_CONTENT)


class TokensView(APIView):
    """One's own tokens, for programs; none makes another."""

    authentication_classes = (SessionOnly,)

    @extend_schema(operation_id="tokens_list", responses=list_of(people_answers.Token))
    def get(self, request: Request) -> Response:
        return Response(
            [people_answers.Token.model_validate(one) for one in Token.objects.filter(user=person(request))]
        )

    @extend_schema(
        operation_id="token_make", request=people_answers.CreateTokenRequest, responses=people_answers.CreatedToken
    )
    def post(self, request: Request) -> Response:
        token, secret = make_token(person(request), **dict(sent(people_answers.CreateTokenRequest, request)))
        return Response(people_answers.CreatedToken(secret=secret, token=token), status=status.HTTP_201_CREATED)


class TokenView(APIView):
    """Ending a token."""

    authentication_classes = (SessionOnly,)

    @extend_schema(operation_id="token_end", responses={204: None})
    def delete(self, request: Request, token_id: UUID) -> Response:
        end_token(person(request), token_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


class ResetPasswordView(APIView):
    """A new password by the one-time link that was handed over."""

    permission_classes = (AllowAny,)
    throttle_classes = (DoorThrottle,)

    @extend_schema(operation_id="password_reset", request=people_answers.ResetPasswordRequest, responses={204: None})
    def post(self, request: Request) -> Response:
        given = sent(people_answers.ResetPasswordRequest, request)
        reset_password(given.person, given.token, given.password)
        return Response(status=status.HTTP_204_NO_CONTENT)


class PreferencesView(APIView):
    """The units one thinks in and the locale one is spoken to in."""

    @extend_schema(
        operation_id="preferences_change", request=people_answers.PreferencesRequest, responses=people_answers.SignedIn
    )
    def patch(self, request: Request) -> Response:
        asked = sent(people_answers.PreferencesRequest, request)
        user = change_preferences(person(request), asked.model_dump())
        return Response(signed_in(user))
