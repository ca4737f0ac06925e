"""Headers by which a phone names a change that it kept without a connection: its id, and how long ago it was made."""

import math
from collections.abc import Callable
from datetime import datetime
from uuid import UUID

from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter
from rest_framework.request import Request

from judicum.core.errors import InvalidValue, said
from judicum.server.http.person import person
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.actions.accept_once import Change, accept_once
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import attempt_for

ID = "Judicum-Change"
AGE = "Judicum-Age"
CHANGE = [
    OpenApiParameter(
        ID, OpenApiTypes.UUID, OpenApiParameter.HEADER, description="Sent again with it, a change is made once."
    ),
    OpenApiParameter(AGE, OpenApiTypes.FLOAT, OpenApiParameter.HEADER, description="Seconds since it was made."),
]


def change_in(request: Request) -> Change | None:
    """The change a request names, None where it names none.

    Raises:
        InvalidValue: an id that is no UUID, an age that is no number of seconds.
    """
    given = request.headers.get(ID)
    if given is None:
        return None
    try:
        name = UUID(given)
    except ValueError:
        raise InvalidValue(ID, given[:40], said("allowed-uuid")) from None
    try:
        age_s = float(request.headers.get(AGE, "0"))
    except ValueError:
        age_s = math.nan
    if not math.isfinite(age_s):
        raise InvalidValue(AGE, request.headers[AGE][:40], said("allowed-a-number-of-seconds"))
    return Change(name, age_s)


def accepted(
    request: Request, do: Callable[[User, datetime | None], Attempt], attempt_id: int | None = None
) -> Attempt:
    """Do once what a request asks for, with its person and the time it was made where a phone says so: never before the attempt it
    changes (None: one that it opens) was opened.

    Raises:
        InvalidValue: as `change_in`, `accept_once`. NotFound: no such attempt. Otherwise what `do` raises.
    """
    user, change = person(request), change_in(request)
    at = None
    if change is not None:
        at = change.happened_at(None if attempt_id is None else attempt_for(user, attempt_id).created_at)
    return accept_once(user, change, lambda: do(user, at))
