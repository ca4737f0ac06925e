"""What a class gets wrong this week beside the month before, and where everybody stands with each figure."""

from collections import Counter
from collections.abc import Iterable
from datetime import datetime, timedelta
from typing import Any

from django.db.models import BooleanField, ExpressionWrapper, Q
from django.utils import timezone

from judicum.core.acceptance import BANDS
from judicum.server.answers.people import Person
from judicum.server.answers.progress import Spread, StandsAt, Week, WeekShare
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.server.read.attempts import newest_keys
from judicum.server.read.progress.forecasts import SEEN, SHARES
from judicum.server.read.progress.queries import desk
from judicum.server.record.causes.queries import verdicts_seen
from judicum.server.record.photos.models import MeasurementSummary
from judicum.words.names import named
from judicum.words.progress import share_words

WEEK = timedelta(days=7)
MONTH = timedelta(days=28)
NEWEST = 3
"""Beads of a student whose middle is where they stand now."""


def week_of(user: User, course_id: int, now: datetime | None = None) -> Week:
    """The class this week, counted from the newest bead if the course has rested.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    staff_of(user, course_id)
    figures = MeasurementSummary.objects.filter(attempt__course_id=course_id, refusal_code="")
    newest = figures.order_by("-attempt__created_at").values_list("attempt__created_at", flat=True).first()
    end = min(now or timezone.now(), newest) if newest else now or timezone.now()
    since = end - WEEK
    rows = figures.filter(attempt__created_at__gt=since - MONTH, attempt__created_at__lte=end)
    this_week: Any = ExpressionWrapper(Q(attempt__created_at__gt=since), BooleanField())
    rows_seen = list(rows.values_list("attempt_id", this_week, SEEN))
    new = {attempt for attempt, recent, _ in rows_seen if recent}
    seen = [(attempt, {fault["kind"] for fault in faults or []}) for attempt, _, faults in rows_seen]
    confirmed = verdicts_seen(user, course_id).filter(
        attempt__created_at__gt=since - MONTH,
        attempt__created_at__lte=end,
        confirmed=True,
    )
    causes = [(attempt, {cause}) for attempt, cause in confirmed.values_list("attempt_id", "cause")]
    return Week(
        since=since,
        until=end,
        faults=_shares(seen, new, len(rows_seen), "fault"),
        causes=_shares(causes, new, len(rows_seen), "cause"),
        resting=[one for one in desk(user, course_id).students if one.stuck],
        figures=_spreads(course_id),
    )


def _shares(seen: Iterable[tuple[int, set[str]]], new: set[int], beads: int, kind: str) -> list[WeekShare]:
    """In how many beads each thing was seen, what grew most first."""
    now: Counter[str] = Counter()
    before: Counter[str] = Counter()
    for attempt, kinds in seen:
        (now if attempt in new else before).update(kinds)

    def growth(key: str) -> float:
        """Share of this week's beads over that of the month before; beads are few, so each side counts one bead more."""
        return (now[key] + 1) / (len(new) + 2) - (before[key] + 1) / (beads - len(new) + 2)

    return [
        WeekShare(
            words=named(kind, key),
            now=now[key],
            now_of=len(new),
            before=before[key],
            before_of=beads - len(new),
            said=share_words(now[key], len(new), before[key], beads - len(new)),
        )
        for key in sorted(set(now) | set(before), key=lambda key: (-growth(key), key))
    ]


def _spreads(course_id: int) -> list[Spread]:
    newest = newest_keys(course_id, NEWEST)
    rows = MeasurementSummary.objects.filter(attempt__id__any=[pk for _, keys in newest for pk in keys]).values(
        "pk", *SHARES
    )
    shares = {row["pk"]: row for row in rows}
    found = []
    for key in SHARES:
        places = []
        for student, keys in newest:
            values = sorted(shares[pk][key] for pk in keys if shares[pk][key] is not None)
            if values:
                person = Person(id=student.pk, display_name=student.display_name)
                places.append(StandsAt(student=person, value=values[len(values) // 2]))
        places.sort(key=lambda place: place.value)
        found.append(Spread(key=key, words=named("figure", key), good=BANDS[key].good, places=places))
    return found
