"""What a class gets wrong this week beside the month before, and where everybody stands with each figure."""

from collections import Counter
from collections.abc import Iterable
from datetime import datetime, timedelta
from typing import Any

from django.db.models import BooleanField, Count, ExpressionWrapper, Q
from django.utils import timezone

from judicum.core.acceptance import BANDS
from judicum.server.answers.people import Person
from judicum.server.answers.progress import Spread, StandsAt, Week, WeekShare
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.server.read.attempts import newest_keys
from judicum.server.read.progress.forecasts import SHARES
from judicum.server.read.progress.queries import desk
from judicum.server.record.attempts.models import Attempt
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
    measured = Attempt.objects.filter(course_id=course_id, summary__refusal_code="")
    newest = measured.order_by("-created_at").values_list("created_at", flat=True).first()
    end = min(now or timezone.now(), newest) if newest else now or timezone.now()
    since = end - WEEK
    figures = MeasurementSummary.objects.filter(
        attempt__course_id=course_id,
        refusal_code="",
        attempt__created_at__gt=since - MONTH,
        attempt__created_at__lte=end,
    )
    this_week: Any = ExpressionWrapper(Q(attempt__created_at__gt=since), BooleanField())
    counted = figures.aggregate(beads=Count("pk"), new=Count("pk", filter=Q(attempt__created_at__gt=since)))
    # Most beads have no fault: of these the number alone is read.
    faulty = figures.exclude(faults=[]).values_list(this_week, "faults")
    seen = [(recent, {fault["kind"] for fault in faults}) for recent, faults in faulty]
    confirmed = verdicts_seen(user, course_id).filter(
        attempt__created_at__gt=since - MONTH,
        attempt__created_at__lte=end,
        confirmed=True,
    )
    causes = [(recent, {cause}) for recent, cause in confirmed.values_list(this_week, "cause")]
    return Week(
        since=since,
        until=end,
        faults=_shares(seen, counted["new"], counted["beads"], "fault"),
        causes=_shares(causes, counted["new"], counted["beads"], "cause"),
        resting=[one for one in desk(user, course_id).students if one.stuck],
        figures=_spreads(course_id),
    )


def _shares(seen: Iterable[tuple[bool, set[str]]], new: int, beads: int, kind: str) -> list[WeekShare]:
    """In how many beads each thing was seen, what grew most first; `seen` says of each bead whether it is of this week, `new` how many
    of all `beads` are."""
    now: Counter[str] = Counter()
    before: Counter[str] = Counter()
    for recent, kinds in seen:
        (now if recent else before).update(kinds)

    def growth(key: str) -> float:
        """Share of this week's beads over that of the month before; beads are few, so each side counts one bead more."""
        return (now[key] + 1) / (new + 2) - (before[key] + 1) / (beads - new + 2)

    return [
        WeekShare(
            words=named(kind, key),
            now=now[key],
            now_of=new,
            before=before[key],
            before_of=beads - new,
            said=share_words(now[key], new, before[key], beads - new),
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
