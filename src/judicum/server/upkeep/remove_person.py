"""Taking away what tells who somebody was: name and photos go, figures stay, the log keeps its order."""

import re
from collections.abc import Callable, Iterable
from typing import Any

from django.db import connection, models, transaction
from django.db.models import Q
from django.utils import timezone

from judicum.server.follow.eye.models import EyeCard, EyeRound
from judicum.server.follow.notices.models import NotificationPreference
from judicum.server.follow.sessions.models import Attendance, BoothSlot, CalendarSubscription
from judicum.server.follow.trust.models import PhoneCheck, RepeatStudy
from judicum.server.people.accounts.actions.second_factor import drop_second
from judicum.server.people.accounts.models import Token, User
from judicum.server.people.courses.models import Membership
from judicum.server.people.workshops.actions.set_person import check_one_owner
from judicum.server.people.workshops.queries import person_of
from judicum.server.read.reports.actions.drop_reports import drop_reports
from judicum.server.record.attempts.models import Attempt, Event, Run
from judicum.server.record.marking.models import Mark, Phrase, Reference, SecondMark
from judicum.server.record.photos.files import release_pictures, release_strips, release_uploads
from judicum.server.record.photos.models import Photo
from judicum.words.catalogue import t

MIN_LETTERS = 3
"""A part of a name shorter than this is looked for only with the whole name: it is a word, or within words."""


@transaction.atomic
def remove_person(owner: User, person_id: int) -> None:
    """Remove somebody of one's workshop for good. It cannot be taken back.

    Gone: name, login name, password, address, second factor, tokens, sessions, photos and strips of their coupons, their
    notes, plans ahead, calendars, reports about them; their name in what was written to them. Kept without a name: figures,
    marks, what they marked, and the log in its order.

    Raises:
        WrongState: the last owner. NotFound, NotAllowed: not an owner's own person.
    """
    person = person_of(owner, person_id)
    check_one_owner(person, still=False)
    _take_name_out(person)
    release_uploads(person)
    release_pictures(Photo.objects.filter(attempt__student=person))
    release_strips(Attempt.objects.filter(student=person))
    drop_reports(person)
    Photo.objects.filter(attempt__student=person).update(name="")
    Run.objects.filter(attempt__student=person).update(note="")
    for model in (
        Attendance,
        CalendarSubscription,
        EyeCard,
        EyeRound,
        NotificationPreference,
        PhoneCheck,
        Phrase,
        Token,
    ):
        model.objects.filter(user=person).delete()
    BoothSlot.objects.filter(student=person).delete()
    Membership.objects.filter(user=person).delete()
    drop_second(person)
    person.username = f"removed-{person.pk}"
    person.skeleton, person.display_name, person.email = (
        person.username,
        t("server-removed-person", id=str(person.pk)),
        "",
    )
    person.set_unusable_password()
    person.owns, person.is_active, person.signed_out = False, False, person.signed_out + 1
    person.removed_at = timezone.now()
    person.save()


def _take_name_out(person: User) -> None:
    """Their name, wherever somebody wrote it to or about them; what they noted themselves goes whole."""
    without = _without_names(person)
    mine = Q(attempt__student=person)
    for model, fields in ((Mark, ("comment", "next_change")), (SecondMark, ("comment",)), (Reference, ("comment",))):
        _rewrite(model.objects.filter(mine), fields, without)
    _rewrite(Attempt.objects.filter(student=person), ("answer",), without)
    for study in RepeatStudy.objects.filter(course__workshop=person.workshop):
        named = [without(name) for name in study.people]
        if named != study.people:
            RepeatStudy.objects.filter(pk=study.pk).update(people=named)
    # The log refuses changes; of this one it lets the words pass, and nothing else (migration attempts.0011).
    with connection.cursor() as cursor:
        cursor.execute("SET LOCAL judicum.removing = 'on'")
        for event in Event.objects.filter(attempt__student=person):
            cleaned = _clean(event.data, without)
            if cleaned != event.data:
                Event.objects.filter(pk=event.pk).update(data=cleaned)
        cursor.execute("SET LOCAL judicum.removing = 'off'")


def _without_names(person: User) -> Callable[[str], str]:
    parts = [part for part in person.display_name.split() if len(part) >= MIN_LETTERS]
    names = sorted({person.display_name, person.username, *parts}, key=len, reverse=True)
    pattern = re.compile(r"(?<!\w)(?:" + "|".join(map(re.escape, names)) + r")(?!\w)", re.IGNORECASE)
    return lambda text: pattern.sub(t("server-the-student"), text)


def _rewrite(rows: models.QuerySet[Any], fields: Iterable[str], without: Callable[[str], str]) -> None:
    for row in rows:
        changed = {name: text for name in fields if (text := without(getattr(row, name))) != getattr(row, name)}
        if changed:
            type(row).objects.filter(pk=row.pk).update(**changed)


def _clean(value: Any, without: Callable[[str], str], key: str = "") -> Any:
    """The same data of an event without names, and without what the person noted."""
    if isinstance(value, dict):
        return {k: _clean(v, without, k) for k, v in value.items()}
    if isinstance(value, list):
        return [_clean(v, without, key) for v in value]
    if not isinstance(value, str):
        return value
    return "" if key == "note" else without(value)
