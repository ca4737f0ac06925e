"""Whether those who teach a course mark alike: second marks beside first ones, each marker over time, given beside suggested."""

from collections import Counter, defaultdict
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date, datetime

from judicum.core.marking import CRITERIA, agreement, read_scheme, total
from judicum.core.marking.scheme import HALF
from judicum.server.answers.agreement import Agreement, MonthOfCauses, SchemeOffer, SuggestedCause
from judicum.server.answers.marking import AgreementLine, Departure, Interval, Marker
from judicum.server.catalogue.schemes.queries import newest_schemes
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.server.record.causes.models import Verdict
from judicum.server.record.causes.queries import STANDING
from judicum.server.record.marking.models import Mark, SecondMark
from judicum.words.agreement import agreement_words, difference_words, line_words, severity_words
from judicum.words.catalogue import t
from judicum.words.names import named

MAX_MARKS = 2000
"""The newest marks of a course that are looked at."""
TOTAL = "total"
PASSED = "passed"
"""Keys beside the criteria."""


@dataclass(frozen=True)
class MarkRecord:
    """One mark as somebody gave it: by whom, when, and the evidence of the attempt it is of."""

    marker: int
    at: datetime
    scores: Mapping[str, float | None]
    total: float
    mark: Mark


def agreement_page(user: User, course_id: int) -> Agreement:
    """How alike a course is marked: agreement by criterion, total and pass; each marker's severity; departures from what was
    suggested; and versions of schemes that would have fitted better.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    course = staff_of(user, course_id).course
    seconds = {
        one.attempt_id: one
        for one in SecondMark.objects.filter(attempt__course_id=course_id).order_by("-asked_at")[:MAX_MARKS]
    }
    newest = Mark.objects.filter(attempt__course_id=course_id).exclude(suggested={}).prefetch_related("scheme")
    fields = ("attempt", "scheme", "scores", "suggested", "readings", "total", "marked_by", "marked_at")
    marks = list(newest.only(*fields).order_by("-marked_at", "-id")[:MAX_MARKS])
    given = _given(marks, seconds)
    verdicts = STANDING.filter(attempt__course_id=course_id).exclude(suggested="").exclude(beside=True)
    said = list(verdicts.order_by("-at")[:MAX_MARKS])
    return Agreement(
        share=course.second_share,
        lines=_lines([one for one in seconds.values() if one.marked_at is not None]),
        markers=_markers(given),
        departures=_departures(given),
        offers=_offers(course_id, given),
        causes=_causes(said),
        months=_months(said),
    )


def _causes(said: list[Verdict]) -> list[SuggestedCause]:
    """What was made of each cause that stood first, the most frequent first."""
    by_first: dict[str, list[Verdict]] = defaultdict(list)
    for one in said:
        by_first[one.suggested].append(one)
    rows = [_cause(code, mine) for code, mine in by_first.items()]
    return sorted(rows, key=lambda row: (-row.first, row.code))


def _cause(code: str, said: list[Verdict]) -> SuggestedCause:
    instead = Counter(one.cause for one in said if one.confirmed and one.cause != code)
    return SuggestedCause(
        code=code,
        words=named("cause", code),
        first=len({one.attempt_id for one in said}),
        confirmed=sum(one.confirmed and one.cause == code for one in said),
        ruled_out=sum(not one.confirmed and one.cause == code for one in said),
        instead=[
            t("causes-instead", cause=named("cause", other), count=count) for other, count in instead.most_common()
        ],
    )


def _months(said: list[Verdict]) -> list[MonthOfCauses]:
    """Share of right first guesses by month, the earliest first."""
    by_month: dict[date, list[bool]] = defaultdict(list)
    for one in said:
        if one.confirmed:
            by_month[one.at.date().replace(day=1)].append(one.cause == one.suggested)
    return [
        MonthOfCauses(month=month, judged=len(right), right=sum(right)) for month, right in sorted(by_month.items())
    ]


def agreement_line(key: str, found: agreement.Agreement) -> AgreementLine:
    """One line of an agreement, with what it means in words."""
    return AgreementLine(
        key=key,
        words=line_words(key),
        pairs=found.pairs,
        difference=_interval(found.difference),
        kappa=_interval(found.kappa),
        icc=_interval(found.icc),
        said=agreement_words(key, found),
    )


def _interval(found: agreement.Interval | None) -> Interval | None:
    return None if found is None else Interval(value=found.value, low=found.low, high=found.high)


def _given(marks: list[Mark], seconds: Mapping[int, SecondMark]) -> list[MarkRecord]:
    """What each marker gave by themselves, oldest first: of attempts marked twice the two marks, not what was agreed.

    While a second mark is asked for, the first one tells nobody anything.
    """
    found = []
    for mark in marks:
        second = seconds.get(mark.attempt_id)
        if second is None:
            found.append(MarkRecord(mark.marked_by_id, mark.marked_at, mark.scores, mark.total, mark))
            continue
        first = second.first
        if second.marked_at is not None and second.marked_by_id is not None and second.total is not None:
            found.append(MarkRecord(second.first_marker_id, second.asked_at, first["scores"], first["total"], mark))
            found.append(MarkRecord(second.marked_by_id, second.marked_at, second.scores, second.total, mark))
    return sorted(found, key=lambda one: one.at)


def _lines(seconds: list[SecondMark]) -> list[AgreementLine]:
    pairs: dict[str, list[tuple[float, float]]] = defaultdict(list)
    for one in seconds:
        for key, pair in agreement.scored_by_both(one.first["scores"], one.scores).items():
            pairs[key].append(pair)
        pairs[TOTAL].append((one.first["total"], one.total or 0.0))
        pairs[PASSED].append((float(one.first["passed"]), float(bool(one.passed))))
    steps: dict[str, float | None] = {TOTAL: None, PASSED: 1.0}
    return [
        agreement_line(
            key, agreement.agreement([a for a, _ in pairs[key]], [b for _, b in pairs[key]], steps.get(key, HALF))
        )
        for key in (*CRITERIA, TOTAL, PASSED)
        if pairs[key]
    ]


def _markers(given: list[MarkRecord]) -> list[Marker]:
    rules = {one.mark.scheme_id: one.mark.scheme for one in given}
    read = {pk: read_scheme(scheme.body) for pk, scheme in rules.items()}
    over: dict[int, list[float]] = defaultdict(list)
    for one in given:
        # The same lines on both sides: what was not suggested is left out of both.
        both = agreement.scored_by_both(one.scores, one.mark.suggested)
        if both:
            gave, suggested = ({key: pair[side] for key, pair in both.items()} for side in (0, 1))
            scheme = read[one.mark.scheme_id]
            over[one.marker].append(total(scheme, gave) - total(scheme, suggested))
    people = User.objects.filter(pk__in=over).order_by("display_name", "pk")
    return [_marker(one, len(over[one.pk]), agreement.severity(over[one.pk])) for one in people]


def _marker(user: User, marks: int, chart: agreement.Severity | None) -> Marker:
    return Marker(
        marker=user,
        marks=marks,
        usual=chart.usual if chart else None,
        moving=list(chart.moving) if chart else [],
        limits=list(chart.limits) if chart else [],
        drifts=chart.drifting if chart else False,
        said=severity_words(marks, chart),
    )


def _departures(given: list[MarkRecord]) -> list[Departure]:
    pairs: dict[str, list[tuple[float, float]]] = {key: [] for key in CRITERIA}
    for one in given:
        for key, pair in agreement.scored_by_both(one.mark.suggested, one.scores).items():
            pairs[key].append(pair)
    used = {key: rows for key, rows in pairs.items() if rows}
    return [
        Departure(
            criterion=key,
            words=named("criterion", key),
            marks=len(used[key]),
            difference=_interval(found),
            said=difference_words(found, "marker"),
        )
        for key, found in agreement.departures(used).items()
    ]


def _offers(course_id: int, given: list[MarkRecord]) -> list[SchemeOffer]:
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
                agreement.fitted_curve(tuple(map(tuple, line["curve"])), *zip(*read, strict=True))
                if read and line["curve"]
                else None
            )
            if curve is not None:
                line["curve"] = [list(point) for point in curve]
                changed.append(key)
        if changed:
            offers.append(
                SchemeOffer(
                    code=scheme.code,
                    title=scheme.body["title"],
                    version=scheme.version,
                    changed=[named("criterion", key) for key in changed],
                    scheme=body,
                )
            )
    return offers
