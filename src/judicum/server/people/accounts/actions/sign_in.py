"""Signing in."""

from axes.handlers.proxy import AxesProxyHandler
from django.contrib.auth import authenticate, login
from django.http import HttpRequest
from rest_framework.exceptions import AuthenticationFailed, Throttled

from judicum.server.people.accounts.actions.second_factor import MISSING, check_second, lacks_second
from judicum.server.people.accounts.lockout import WAIT
from judicum.server.people.accounts.models import User
from judicum.server.people.accounts.names import skeleton


class WrongPassword(AuthenticationFailed):
    """Name and password do not go together; which of the two is not said."""

    default_code = "wrong_password"


def sign_in(request: HttpRequest, username: str, password: str, code: str = "") -> User:
    """Check the password and open a session.

    Raises:
        WrongPassword: no such pair. SecondFactorNeeded, WrongCode: the person has a second factor.
        Throttled: too many wrong passwords; try again after the pause.
    """
    # However the name was typed, it is one door: capitals do not open another one to guess at.
    known = User.objects.filter(skeleton=skeleton(username)).values_list("username", flat=True).first()
    credentials = {"username": known or skeleton(username), "password": password}
    if not AxesProxyHandler.is_allowed(request, credentials):
        raise Throttled(wait=WAIT.total_seconds())
    user = authenticate(request, **credentials)
    if not isinstance(user, User):
        raise WrongPassword()
    check_second(user, code)
    login(request, user)
    if lacks_second(user):
        request.session[MISSING] = True
    return user
