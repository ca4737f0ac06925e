"""A course's booths: making one, what it has, what is broken, when it is closed."""

from collections.abc import Mapping, Sequence

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import InvalidValue, NotFound, said, some_of
from judicum.core.planning.booths import FEATURES
from judicum.core.setup.machine import known_of, read_machine
from judicum.server.follow.sessions.models import Booth, BoothNote, Session
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import membership_of, staff_of

MAX_NAME = 40
"""Characters of a booth's name: one line of the plan."""
MAX_BROKEN = 200
"""Characters of what is broken there: a sentence."""


@transaction.atomic
def set_booth(
    user: User,
    course_id: int,
    booth_id: int | None,
    name: str,
    has: Sequence[str],
    broken: str = "",
    closed: Sequence[int] = (),
    machine: Mapping[str, object] | None = None,
) -> Booth:
    """Make a booth (`booth_id` None) or change one; slots in a session it is now closed in are taken out. `machine` None: as it is.

    Raises:
        InvalidValues: a machine that there is none of. InvalidValue: a name that is taken or too long, unknown features, sessions that are none of the course's.
        NotFound, NotAllowed: not a course one teaches, no such booth.
    """
    course = staff_of(user, course_id).course
    if not 1 <= len(name.strip()) <= MAX_NAME:
        raise InvalidValue("name", name, said("allowed-1-to-characters", most=MAX_NAME))
    if len(broken) > MAX_BROKEN:
        raise InvalidValue("broken", f"{len(broken)} characters", said("allowed-at-most-characters", most=MAX_BROKEN))
    if unknown := [one for one in has if one not in FEATURES]:
        raise InvalidValue("has", unknown[0], some_of(FEATURES))
    sessions = list(Session.objects.filter(course=course, pk__in=closed))
    if len(sessions) != len(set(closed)):
        raise InvalidValue("closed", list(closed), said("allowed-sessions-of-this-course"))
    profile = None if machine is None else known_of(read_machine(machine))
    booth = Booth(course=course) if booth_id is None else Booth.objects.filter(course=course, pk=booth_id).first()
    if booth is None:
        raise NotFound(said("refused-there-is-no-booth-in-this", booth_id=booth_id))
    if Booth.objects.filter(course=course, name=name.strip()).exclude(pk=booth.pk).exists():
        raise InvalidValue("name", name, said("allowed-a-name-that-no-other-booth"))
    before = booth.broken
    booth.name, booth.has, booth.broken = name.strip(), list(dict.fromkeys(has)), broken.strip()
    booth.machine = booth.machine if profile is None else profile
    booth.save()
    if booth.broken != before:
        _save_note(booth, user)
    booth.closed.set(sessions)
    booth.slots.filter(session__in=sessions).delete()
    return booth


@transaction.atomic
def report_broken(user: User, course_id: int, booth_id: int, text: str) -> Booth:
    """Somebody who stands at a booth says what does not work there.

    Raises:
        InvalidValue: no words, or too many. NotFound: not in the course, no such booth.
    """
    course = membership_of(user, course_id).course
    booth = Booth.objects.select_for_update().filter(course=course, pk=booth_id).first()
    if booth is None:
        raise NotFound(said("refused-there-is-no-booth-in-this", booth_id=booth_id))
    if not 1 <= len(text.strip()) <= MAX_BROKEN:
        raise InvalidValue("text", f"{len(text)} characters", said("allowed-1-to-characters", most=MAX_BROKEN))
    booth.broken = text.strip()
    booth.save(update_fields=["broken"])
    _save_note(booth, user)
    return booth


def _save_note(booth: Booth, user: User) -> None:
    """What was noted before is over; what is noted now begins."""
    now = timezone.now()
    booth.notes.filter(mended_at=None).update(mended_at=now)
    if booth.broken:
        BoothNote.objects.create(booth=booth, text=booth.broken, at=now, by=user)
