"""What a class gets wrong this week beside the month before, and where everybody stands with each figure."""

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any

from django.db.models import BooleanField, ExpressionWrapper, Q
from django.utils import timezone

from judicum.core.acceptance import BANDS
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.server.read.attempts import newest_keys
from judicum.server.read.progress.forecasts import SEEN, SHARES
from judicum.server.read.progress.queries import desk
from judicum.server.record.causes.models import Verdict
from judicum.server.record.photos.models import Figures

WEEK, MONTH = timedelta(days=7), timedelta(days=28)
NEWEST = 3
"""Beads of a student whose middle is where they stand now."""


@dataclass(frozen=True)
class Share:
    """How many beads showed something this week and in the month before, of how many."""

    key: str
    now: int
    now_of: int
    before: int
    before_of: int

    @property
    def more(self) -> float:
        """Share of the beads this week over that of the month before; beads are few, so each side counts one bead more."""
        return (self.now + 1) / (self.now_of + 2) - (self.before + 1) / (self.before_of + 2)


@dataclass(frozen=True)
class Place:
    """Where one student stands with one figure."""

    student: User
    value: float


@dataclass(frozen=True)
class Week:
    """Faults and causes, those that grew most first; who has not welded for STUCK_DAYS (rows of `desk`); figures with everybody's
    place, best first."""

    since: datetime
    until: datetime
    faults: list[Share]
    causes: list[Share]
    resting: list[dict[str, Any]]
    figures: dict[str, tuple[float, list[Place]]]


def week_of(user: User, course_id: int, now: datetime | None = None) -> Week:
    """The class this week, counted from the newest bead if the course has rested.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    staff_of(user, course_id)
    figures = Figures.objects.filter(attempt__course_id=course_id, refusal_code="")
    newest = figures.order_by("-attempt__created_at").values_list("attempt__created_at", flat=True).first()
    end = min(now or timezone.now(), newest) if newest else now or timezone.now()
    since = end - WEEK
    rows = figures.filter(attempt__created_at__gt=since - MONTH, attempt__created_at__lte=end)
    this_week: Any = ExpressionWrapper(Q(attempt__created_at__gt=since), BooleanField())
    told = list(rows.values_list("attempt_id", this_week, SEEN))
    new = {attempt for attempt, recent, _ in told if recent}
    seen = [(attempt, {fault["kind"] for fault in faults or []}) for attempt, _, faults in told]
    taken = Verdict.objects.filter(
        attempt__course_id=course_id, attempt__created_at__gt=since - MONTH, attempt__created_at__lte=end, taken=True
    )
    causes = [(attempt, {cause}) for attempt, cause in taken.values_list("attempt_id", "cause")]
    return Week(
        since,
        end,
        _shares(seen, new, len(told)),
        _shares(causes, new, len(told)),
        [one for one in desk(user, course_id)["students"] if one["stuck"]],
        _places(course_id),
    )


def _shares(seen: Iterable[tuple[int, set[str]]], new: set[int], beads: int) -> list[Share]:
    now: Counter[str] = Counter()
    before: Counter[str] = Counter()
    for attempt, kinds in seen:
        (now if attempt in new else before).update(kinds)
    shares = [Share(key, now[key], len(new), before[key], beads - len(new)) for key in sorted(set(now) | set(before))]
    return sorted(shares, key=lambda one: (-one.more, one.key))


def _places(course_id: int) -> dict[str, tuple[float, list[Place]]]:
    newest = newest_keys(course_id, NEWEST)
    rows = Figures.objects.filter(attempt__id__any=[pk for _, keys in newest for pk in keys]).values("pk", *SHARES)
    shares = {row["pk"]: row for row in rows}
    found = {}
    for key in SHARES:
        places = []
        for student, keys in newest:
            values = sorted(shares[pk][key] for pk in keys if shares[pk][key] is not None)
            if values:
                places.append(Place(student, values[len(values) // 2]))
        found[key] = (BANDS[key].good, sorted(places, key=lambda place: place.value))
    return found
