"""A course's booths: making one, what it has, what is broken, when it is closed."""

from collections.abc import Sequence

from django.db import transaction

from judicum.core.errors import InvalidValue, NotFound
from judicum.core.planning.booths import FEATURES
from judicum.server.accounts.models import User
from judicum.server.courses.queries import staff_of
from judicum.server.evenings.models import Booth, Session

MOST_NAME, MOST_BROKEN = 40, 200


@transaction.atomic
def set_booth(
    user: User,
    course_id: int,
    booth_id: int | None,
    name: str,
    has: Sequence[str],
    broken: str = "",
    closed: Sequence[int] = (),
) -> Booth:
    """Make a booth (`booth_id` None) or change one; sittings in a session it is now closed in are taken out.

    Raises:
        InvalidValue: a name that is taken or too long, unknown features, sessions that are none of the course's.
        NotFound, NotAllowed: not a course one teaches, no such booth.
    """
    course = staff_of(user, course_id).course
    if not 1 <= len(name.strip()) <= MOST_NAME:
        raise InvalidValue("name", name, f"1 to {MOST_NAME} characters")
    if len(broken) > MOST_BROKEN:
        raise InvalidValue("broken", f"{len(broken)} characters", f"at most {MOST_BROKEN} characters")
    if unknown := [one for one in has if one not in FEATURES]:
        raise InvalidValue("has", unknown[0], "some of " + ", ".join(FEATURES))
    sessions = list(Session.objects.filter(course=course, pk__in=closed))
    if len(sessions) != len(set(closed)):
        raise InvalidValue("closed", list(closed), "sessions of this course")
    booth = Booth(course=course) if booth_id is None else Booth.objects.filter(course=course, pk=booth_id).first()
    if booth is None:
        raise NotFound(f"There is no booth {booth_id} in this course.")
    if Booth.objects.filter(course=course, name=name.strip()).exclude(pk=booth.pk).exists():
        raise InvalidValue("name", name, "a name that no other booth has")
    booth.name, booth.has, booth.broken = name.strip(), list(dict.fromkeys(has)), broken
    booth.save()
    booth.closed.set(sessions)
    booth.sittings.filter(session__in=sessions).delete()
    return booth
