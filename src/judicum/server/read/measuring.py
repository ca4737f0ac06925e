"""How true measuring is here, as its pages show it."""

from collections import defaultdict

from django.utils import timezone

from judicum.core.photo.report import Report
from judicum.core.trust.callipers import Held, Pair, chart_of, held, measured_at, places_mm
from judicum.core.trust.corrections import MIN_BELOW, MIN_FOUND, MOVED_MM, WRONG_SHARE, kinds_of
from judicum.server.answers.measuring import (
    AgreementPoint,
    CalliperPlace,
    Callipers,
    CorrectionsTruth,
    DriftChart,
    FaultLimit,
    FaultTruth,
    HeldGroup,
    Measuring,
    PhoneCheck,
    PhoneChecks,
    PhoneFigures,
)
from judicum.server.follow.trust import models
from judicum.server.follow.trust.actions.check_phone import ASKED_AGAIN
from judicum.server.follow.trust.actions.take_callipers import is_asked
from judicum.server.follow.trust.queries import pairs_of, reviewed_of
from judicum.server.people.accounts.models import User
from judicum.server.people.accounts.units import units_of
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import staff_of
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import attempt_for
from judicum.server.record.photos.queries import measurement_that_counts
from judicum.words.catalogue import t
from judicum.words.names import named
from judicum.words.units import Units, format_figure

MAX_CHECKS = 20


def phone_checks(user: User) -> PhoneChecks:
    """One's own checks, the newest first."""
    rows = models.PhoneCheck.objects.filter(user=user)[:MAX_CHECKS]
    return PhoneChecks(checks=[phone_check(row, units_of(user)) for row in rows])


def phone_check(row: models.PhoneCheck, units: Units) -> PhoneCheck:
    """A check in words."""
    figures = PhoneFigures(**row.figures)
    words = [t(f"phone-say-{code}") for code in figures.say]
    if row.uncertainty_mm is not None:
        words.append(t("phone-true-to", width=format_figure(row.uncertainty_mm, "length", units, 2)))
    return PhoneCheck(
        id=row.pk,
        phone=row.phone,
        at=row.at,
        uncertainty_mm=row.uncertainty_mm,
        figures=figures,
        words=words,
        again=timezone.now() - row.at > ASKED_AGAIN,
    )


def callipers_of(user: User, attempt_id: int) -> Callipers:
    """Where to hold the callipers on an attempt's bead, and what was taken. Raises NotFound."""
    attempt = attempt_for(user, attempt_id)
    counts = measurement_that_counts(attempt)
    report = Report.from_json(counts.result) if counts and counts.result else Report()
    taken = dict(models.Calliper.objects.filter(attempt=attempt).values_list("s_mm", "width_mm"))
    places = sorted({*places_mm(report), *taken})
    checked = models.PhoneCheck.objects.filter(user=attempt.student_id).exclude(uncertainty_mm=None).first()
    return Callipers(
        asked=is_asked(attempt) and bool(places) and not taken,
        places=[
            CalliperPlace(
                s_mm=place,
                width_mm=taken.get(place),
                measured_mm=measured_at(report, place) if place in taken else None,
            )
            for place in places
        ],
        phone=checked.phone if checked else None,
        phone_mm=checked.uncertainty_mm if checked else None,
    )


def measuring_page(user: User, course_id: int) -> Measuring:
    """How true measuring is in a course one teaches. Raises NotFound, NotAllowed."""
    course = staff_of(user, course_id).course
    return _measuring(course, pairs_of(course), units_of(user))


def _measuring(course: Course, pairs: list[tuple[Attempt, Pair]], units: Units) -> Measuring:
    every = [pair for _, pair in pairs]
    by_group: dict[tuple[str, str], list[Pair]] = defaultdict(list)
    for pair in every:
        for group in pair.groups:
            by_group[group].append(pair)
    groups = [(key, found) for key, mine in sorted(by_group.items()) if (found := held(mine)) is not None]
    whole, chart = held(every), chart_of([pair.off_mm for pair in every])
    return Measuring(
        share=course.calliper_share,
        count=len(pairs),
        whole=_group("all", "", whole) if whole else None,
        groups=[_group(kind, name, found) for (kind, name), found in groups],
        points=[
            AgreementPoint(
                attempt=attempt.pk,
                mean_mm=(pair.measured_mm + pair.callipered_mm) / 2,
                off_mm=pair.off_mm,
                claimed_mm=pair.claimed_mm,
            )
            for attempt, pair in pairs
        ],
        chart=DriftChart(
            usual_mm=chart.usual_mm,
            moving_mm=list(chart.moving_mm),
            limits_mm=list(chart.limits_mm),
            drifts=chart.drifts,
        )
        if chart
        else None,
        said=_said(whole, chart is not None and chart.drifts, units),
        corrections=_corrections(course, units),
    )


def _corrections(course: Course, units: Units) -> CorrectionsTruth:
    """What people corrected, per kind of fault and in words."""
    beads = reviewed_of(course)
    rule = t("corrections-rule", found=MIN_FOUND, below=MIN_BELOW, share=f"{100 * WRONG_SHARE:.0f}")
    kinds = [
        FaultTruth(
            **{key: value for key, value in vars(one).items() if key != "limit"},
            name=named("fault", one.kind),
            limit=course.fault_limits.get(one.kind),
            spoken_for=FaultLimit(**vars(one.limit)) if one.limit else None,
        )
        for one in kinds_of(beads)
    ]
    if not beads:
        return CorrectionsTruth(beads=0, kinds=[], said=[t("corrections-none")], rule=rule)
    moved = [one.width_changed_mm for one in beads if abs(one.width_changed_mm) >= MOVED_MM]
    lines = [t("corrections-of", count=len(beads))]
    if moved:
        by = format_figure(sum(moved) / len(moved), "length", units, 2)
        lines.append(t("corrections-toes", count=len(moved), by=by))
    fronts = sum(one.fronts for one in beads)
    if fronts:
        removed, added = sum(one.fronts_removed for one in beads), sum(one.fronts_added for one in beads)
        lines.append(t("corrections-fronts", fronts=fronts, removed=removed, added=added))
    return CorrectionsTruth(beads=len(beads), kinds=kinds, said=lines, rule=rule)


def _group(kind: str, name: str, found: Held) -> HeldGroup:
    return HeldGroup(kind=named("held-by", kind), name=name, **vars(found))


def _said(whole: Held | None, drifts: bool, units: Units) -> list[str]:
    """What it means, in words."""
    if whole is None:
        return [t("measuring-too-few")]

    def mm(value: float) -> str:
        return format_figure(value, "length", units, 2)

    lines = [
        t(
            "measuring-bias",
            bias=mm(whole.bias_mm),
            low=mm(whole.bias_low_mm),
            high=mm(whole.bias_high_mm),
            count=whole.count,
        ),
        t("measuring-limits", lower=mm(whole.lower_mm), upper=mm(whole.upper_mm)),
        t("measuring-held", share=f"{100 * whole.held:.0f}"),
    ]
    if whole.factor > 1:
        lines.append(t("measuring-grown", factor=f"{whole.factor:.2f}"))
    if drifts:
        lines.append(t("measuring-drifts"))
    return lines
