"""Whether those who teach a course mark alike: second marks beside first ones, each marker over time, given beside suggested."""

from collections import defaultdict
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from judicum.core.marking import CRITERIA, read_scheme, total
from judicum.core.marking.agreement import Agreement, Interval, Severity, agreement, departures, fitted_curve, severity
from judicum.core.marking.scheme import HALF
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.catalogue.schemes.queries import newest_schemes
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.server.record.marking.models import Mark, SecondMark

MOST_MARKS = 2000
"""The newest marks of a course that are looked at."""
TOTAL, PASSED = "total", "passed"
"""Keys beside the criteria."""


@dataclass(frozen=True)
class Given:
    """One mark as somebody gave it: by whom, when, and the evidence of the attempt it is of."""

    marker: int
    at: datetime
    scores: Mapping[str, float | None]
    total: float
    mark: Mark


@dataclass(frozen=True)
class Offer:
    """A scheme with curves bent to what was given: its newest version, the criteria that changed, and the new body."""

    scheme: Scheme
    changed: list[str]
    body: dict[str, Any]


@dataclass(frozen=True)
class Alike:
    """All of it: agreement by criterion, total and pass; each marker's severity; departures from what was suggested."""

    share: int
    lines: dict[str, Agreement]
    markers: list[tuple[User, int, Severity | None]]
    departures: dict[str, tuple[int, Interval | None]]
    offers: list[Offer]


def alike(user: User, course_id: int) -> Alike:
    """How alike a course is marked.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    course = staff_of(user, course_id).course
    seconds = {
        one.attempt_id: one
        for one in SecondMark.objects.filter(attempt__course_id=course_id).order_by("-asked_at")[:MOST_MARKS]
    }
    newest = Mark.objects.filter(attempt__course_id=course_id).exclude(suggested={}).prefetch_related("scheme")
    told = ("attempt", "scheme", "scores", "suggested", "readings", "total", "marked_by", "marked_at")
    marks = list(newest.only(*told).order_by("-marked_at", "-id")[:MOST_MARKS])
    given = _given(marks, seconds)
    return Alike(
        course.second_share,
        _lines([one for one in seconds.values() if one.marked_at is not None]),
        _markers(given),
        _departures(given),
        _offers(course_id, given),
    )


def _given(marks: list[Mark], seconds: Mapping[int, SecondMark]) -> list[Given]:
    """What each marker gave by themselves, oldest first: of attempts marked twice the two marks, not what was agreed.

    While a second mark is asked for, the first one tells nobody anything.
    """
    found = []
    for mark in marks:
        second = seconds.get(mark.attempt_id)
        if second is None:
            found.append(Given(mark.marked_by_id, mark.marked_at, mark.scores, mark.total, mark))
            continue
        first = second.first
        if second.marked_at is not None and second.marked_by_id is not None and second.total is not None:
            found.append(Given(second.first_marker_id, second.asked_at, first["scores"], first["total"], mark))
            found.append(Given(second.marked_by_id, second.marked_at, second.scores, second.total, mark))
    return sorted(found, key=lambda one: one.at)


def _lines(seconds: list[SecondMark]) -> dict[str, Agreement]:
    pairs: dict[str, list[tuple[float, float]]] = defaultdict(list)
    for one in seconds:
        for key, score in one.first["scores"].items():
            if score is not None and one.scores.get(key) is not None:
                pairs[key].append((score, one.scores[key]))
        pairs[TOTAL].append((one.first["total"], one.total or 0.0))
        pairs[PASSED].append((float(one.first["passed"]), float(bool(one.passed))))
    steps: dict[str, float | None] = {TOTAL: None, PASSED: 1.0}
    return {
        key: agreement([a for a, _ in pairs[key]], [b for _, b in pairs[key]], steps.get(key, HALF))
        for key in (*CRITERIA, TOTAL, PASSED)
        if pairs[key]
    }


def _markers(given: list[Given]) -> list[tuple[User, int, Severity | None]]:
    rules = {one.mark.scheme_id: one.mark.scheme for one in given}
    read = {pk: read_scheme(scheme.body) for pk, scheme in rules.items()}
    over: dict[int, list[float]] = defaultdict(list)
    for one in given:
        # The same lines on both sides: what was not suggested is left out of both.
        both = [k for k, score in one.mark.suggested.items() if score is not None and one.scores.get(k) is not None]
        if both:
            scheme = read[one.mark.scheme_id]
            gave, suggested = ({k: scores[k] for k in both} for scores in (one.scores, one.mark.suggested))
            over[one.marker].append(total(scheme, gave) - total(scheme, suggested))
    people = User.objects.filter(pk__in=over).order_by("display_name", "pk")
    return [(one, len(over[one.pk]), severity(over[one.pk])) for one in people]


def _departures(given: list[Given]) -> dict[str, tuple[int, Interval | None]]:
    pairs: dict[str, list[tuple[float, float]]] = {key: [] for key in CRITERIA}
    for one in given:
        for key, suggested in one.mark.suggested.items():
            if suggested is not None and (score := one.scores.get(key)) is not None:
                pairs[key].append((suggested, score))
    used = {key: rows for key, rows in pairs.items() if rows}
    return {key: (len(used[key]), found) for key, found in departures(used).items()}


def _offers(course_id: int, given: list[Given]) -> list[Offer]:
    """Of each scheme in use the version that would have fitted better, where one would."""
    offers = []
    for scheme in newest_schemes(course_id):
        mine = [one for one in given if one.mark.scheme.code == scheme.code]
        body = {**scheme.body, "lines": [dict(line) for line in scheme.body["lines"]]}
        changed = []
        for line in body["lines"]:
            key = line["criterion"]
            read = [
                (one.mark.readings[key], score)
                for one in mine
                if isinstance(one.mark.readings.get(key), int | float) and (score := one.scores.get(key)) is not None
            ]
            curve = (
                fitted_curve(tuple(map(tuple, line["curve"])), *zip(*read, strict=True))
                if read and line["curve"]
                else None
            )
            if curve is not None:
                line["curve"] = [list(point) for point in curve]
                changed.append(key)
        if changed:
            offers.append(Offer(scheme, changed, body))
    return offers
