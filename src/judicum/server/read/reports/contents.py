"""What stands in a student report, in words and figures as the page shows them."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from judicum.core.photo.strip_frame import OVERHANG_MM
from judicum.core.progress.cone import Next
from judicum.server.answers.attempts import AttemptBrief
from judicum.server.answers.progress import Series
from judicum.server.answers.reports import StudentReport
from judicum.server.people.accounts.units import units_of
from judicum.server.read.progress.forecasts import forecasts_of
from judicum.server.read.progress.story import LOCKED, story
from judicum.server.read.reports.models import Report
from judicum.server.record.photos.models import Measurement
from judicum.words import Units
from judicum.words.catalogue import t
from judicum.words.names import named, option_name
from judicum.words.progress import figure_words, forecast_to_student
from judicum.words.units import date_words, format_figure

SHOWN = ("width_cv", "pitch_cv", "toe_waviness", "tint_level")
"""Figures that a coupon's table has a column for, beside the width."""


def headings() -> tuple[str, ...]:
    """What the columns of a coupon's table are called."""
    first = (t("heading-date"), t("heading-attempt"), t("heading-mark"), t("heading-width"))
    return (*first, *(named("figure", key) for key in SHOWN), t("heading-faults"))


@dataclass(frozen=True)
class StripShown:
    """A strip with what stands under it; `wide_mm` of the plate are in the picture."""

    caption: str
    jpeg: bytes
    wide_mm: float


@dataclass(frozen=True)
class FigureShown:
    """A figure over the attempts: what is good, its values with their dates, where it goes."""

    words: str
    good: float | None
    values: Sequence[float | None]
    cone: Sequence[Next]
    now: str


@dataclass(frozen=True)
class CouponShown:
    title: str
    goal: str
    standing: str
    rows: list[tuple[str, ...]]
    strips: list[StripShown]
    figures: list[FigureShown]


@dataclass(frozen=True)
class StudentShown:
    """All of one student's report."""

    name: str
    course: str
    period: str
    steps: list[tuple[str, str]]
    coupons: list[CouponShown]
    work_on: list[str]


def contents_of(report: Report, student_id: int) -> StudentShown:
    """One student's part of a report, as the person who asked for it may see it.

    Raises:
        NotFound, NotAllowed: as `story`.
    """
    found = story(report.asked_by, report.course_id, student_id)
    units = units_of(report.asked_by)
    words = {
        one.pk: forecast_to_student(forecast, one.good_in_a_row)
        for one, forecast in forecasts_of(report.asked_by, report.course_id, student_id)
        if forecast.attempts
    }
    coupons = [shown for one in reversed(found.series) if (shown := _coupon(one, report, words, units)) is not None]
    work_on = [
        t(
            "print-change-became" if one.became else "print-change",
            title=one.title,
            number=one.number,
            text=one.text,
            became=one.became,
        )
        for one in found.changes
        if _inside(one.at.date(), report)
    ]
    return StudentShown(
        found.student.display_name,
        report.course.name,
        period_words(report.since, report.until),
        [(one.title, one.words) for one in found.sequence if one.state != LOCKED],
        coupons,
        work_on[:5],
    )


def period_words(since: date | None, until: date | None) -> str:
    """The period of a report."""
    if since and until:
        return t("print-period", since=date_words(since), until=date_words(until))
    if since:
        return t("print-since", since=date_words(since))
    return t("print-until", until=date_words(until)) if until else t("print-whole-course")


def finish_words(code: str) -> str:
    """A finish as it is called."""
    return option_name("finish", code)


def _inside(day: date, report: Report) -> bool:
    return (report.since is None or day >= report.since) and (report.until is None or day <= report.until)


def _coupon(series: Series, report: Report, words: dict[int, str], units: Units) -> CouponShown | None:
    kept = [k for k, one in enumerate(series.attempts) if _inside(one.created_at.date(), report)]
    if not kept:
        return None
    attempts = [series.attempts[k] for k in kept]
    goal = attempts[-1].assignment
    figures = [
        FigureShown(
            one.words,
            one.good,
            values := [one.values[k] for k in kept],
            [Next(step.low, step.mid, step.high) for step in one.cone],
            next((figure_words(one.key, v, units) for v in reversed(values) if v is not None), t("print-not-measured")),
        )
        for one in series.figures
    ]
    standing = t("print-standing", have=series.good_in_a_row, needed=goal.good_in_a_row)
    return CouponShown(
        goal.design.title,
        t(
            "print-coupon-goal",
            width=format_figure(goal.target_width_mm, "length", units),
            finish=finish_words(goal.finish),
            passes=goal.good_in_a_row,
        ),
        f"{standing} {words.get(goal.id, '')}".strip(),
        [_row(one, units) for one in attempts],
        _strips(attempts),
        figures,
    )


def _row(attempt: AttemptBrief, units: Units) -> tuple[str, ...]:
    mark = (
        named("state", attempt.state)
        if attempt.mark_total is None
        else figure_words("total", attempt.mark_total, units)
    )
    figures = attempt.measurement
    shown = [
        figure_words(key, value, units) if figures and (value := getattr(figures, key)) is not None else "–"
        for key in ("width_mean_mm", *SHOWN)
    ]
    kinds = dict.fromkeys(named("fault", fault.kind) for fault in (figures.faults if figures else []))
    return (date_words(attempt.created_at.date()), str(attempt.number), mark, *shown, ", ".join(kinds) or "–")


def _strips(attempts: list[AttemptBrief]) -> list[StripShown]:
    """The first and the last strip."""
    measured = [(one, one.measurement) for one in attempts if one.measurement and one.measurement.strip]
    ends = measured[:1] + measured[-1:] if len(measured) > 1 else measured
    kept = Measurement.objects.select_related("chosen").prefetch_related("corrections")
    found = {one.pk: one for one in kept.filter(pk__in=[figures.id for _, figures in ends])}
    shown = []
    for one, figures in ends:
        with found[figures.id].shown_strip.open("rb") as file:
            jpeg = file.read()
        caption = t("print-attempt-caption", date=date_words(one.created_at.date()), number=one.number)
        shown.append(StripShown(caption, jpeg, (figures.length_mm or 0.0) + 2 * OVERHANG_MM))
    return shown


def report_answer(report: Report) -> StudentReport:
    """A report that was asked for and how far it is."""
    return StudentReport(
        id=report.pk,
        student=report.student,
        paper=report.paper,
        period=period_words(report.since, report.until),
        asked_at=report.asked_at,
        state=report.state,
        done=report.done,
        total=report.total,
    )
