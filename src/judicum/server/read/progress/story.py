"""A student's whole story in a course: sequence, figures with where they are going, what was asked to change."""

from django.db.models import Avg, Count

from judicum.core.acceptance import BANDS
from judicum.core.choices import FINISH_LEVEL
from judicum.core.progress import good_in_a_row, trend_per_attempt
from judicum.core.progress.cone import cone
from judicum.server.answers.attempts import AttemptBrief
from judicum.server.answers.progress import Change, FigureOverTime, NextFigure, Progress, Propped, SequenceStep, Series
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.read.progress.forecasts import SHARES, sequence_of
from judicum.server.read.progress.queries import StudentRecord, student_record
from judicum.server.record.attempts.models import Run
from judicum.server.record.attempts.states import AttemptState
from judicum.server.record.causes.models import Verdict
from judicum.server.record.marking.models import Mark
from judicum.words.names import named, option_name
from judicum.words.progress import became_words, figure_words

TINT = "tint_level"
MARK = "total"
"""Figures beside the shares: the tint of the bead, and the mark."""
MIN_PROPPED = 2
"""Beads of a way of propping from which its mean is shown."""
MAX_CHANGES = 20
"""The newest that are told of."""
DONE = "done"
TRIED = "tried"
READY = "ready"
LOCKED = "locked"


def story(user: User, course_id: int, student_id: int) -> Progress:
    """All that a course has of a student, in one answer: each coupon's attempts and figures with the band and where they go,
    the sequence, and what was asked to change with what became of it.

    Raises:
        NotFound: not in the course. NotAllowed: a student asking for another.
    """
    record = student_record(user, course_id, student_id)
    series = [_series(group) for group in record.by_coupon()]
    return Progress(
        student=record.student,
        series=series,
        sequence=_steps(record.course, record.attempts, series),
        changes=_changes(record),
        propped=_propped(record),
    )


def _series(attempts: list[AttemptBrief]) -> Series:
    figures = [a.measurement for a in attempts if a.measurement]
    return Series(
        assignment=attempts[0].assignment,
        attempts=attempts,
        width_cv_trend=trend_per_attempt([f.width_cv for f in figures if f.width_cv is not None]),
        pitch_cv_trend=trend_per_attempt([f.pitch_cv for f in figures if f.pitch_cv is not None]),
        good_in_a_row=good_in_a_row([a.passed for a in attempts if a.passed is not None]),
        figures=_figures(attempts),
        engines=sorted({f.engine_version for f in figures}),
    )


def _figures(attempts: list[AttemptBrief]) -> list[FigureOverTime]:
    finish = attempts[-1].assignment.finish
    values: dict[str, list[float | None]] = {
        key: [getattr(a.measurement, key) if a.measurement else None for a in attempts] for key in (*SHARES, TINT)
    }
    values[MARK] = [a.mark_total for a in attempts]
    good = {**{key: BANDS[key].good for key in SHARES}, TINT: float(FINISH_LEVEL[finish]), MARK: None}
    return [
        FigureOverTime(
            key=key,
            words=named("figure", key),
            good=good[key],
            values=mine,
            formatted=[None if v is None else figure_words(key, v) for v in mine],
            cone=[NextFigure(**vars(step)) for step in cone([v for v in mine if v is not None])],
        )
        for key, mine in values.items()
    ]


def _steps(course: Course, attempts: list[AttemptBrief], series: list[Series]) -> list[SequenceStep]:
    given = dict(
        Assignment.objects.filter(pk__any={a.assignment.id for a in attempts}).values_list("pk", "design__code")
    )
    tried = {a.assignment.id for a in attempts if a.state != AttemptState.ASSIGNED}
    stand = {one.assignment.id: one for one in series}
    steps, before_done = [], True
    for design in sequence_of(course):
        here = [pk for pk, code in given.items() if code == design.code]
        inside = [stand[pk] for pk in here if pk in stand]
        done = any(one.good_in_a_row >= one.assignment.good_in_a_row for one in inside)
        state = DONE if done else TRIED if set(here) & tried else READY if here or before_done else LOCKED
        assignment = max(here) if here else None
        steps.append(SequenceStep(title=design.title, state=state, words=named("step", state), assignment=assignment))
        before_done = done
    return steps


def _propped(record: StudentRecord) -> list[Propped]:
    """Toe waviness by what the hand was propped on, steadiest first, where two ways were welded often enough."""
    rows = (
        Run.objects.filter(
            attempt__id__any=[a.id for a in record.attempts],
            prop__isnull=False,
            attempt__summary__toe_waviness__isnull=False,
        )
        .values("prop")
        .annotate(count=Count("attempt_id", distinct=True), mean=Avg("attempt__summary__toe_waviness"))
        .filter(count__gte=MIN_PROPPED)
        .order_by("mean")
    )
    found = [
        Propped(
            prop=one["prop"],
            words=option_name("prop", one["prop"]),
            count=one["count"],
            toe_waviness=one["mean"],
            formatted=figure_words("toe_waviness", one["mean"]),
        )
        for one in rows
    ]
    return found if len(found) > 1 else []


def _changes(record: StudentRecord) -> list[Change]:
    """What was asked to change, newest first, with what the next attempt showed; only of marks that this person sees."""
    seen = {a.id: a for a in record.attempts if a.mark_total is not None}
    asked = dict(
        Mark.objects.filter(attempt__id__any=seen).exclude(next_change="").values_list("attempt_id", "next_change")
    )
    newest = [a for a in reversed(seen.values()) if a.id in asked][:MAX_CHANGES]
    standing = Verdict.objects.filter(attempt__id__any=[a.id for a in newest], confirmed=True, beside=False)
    causes = {pk: rest for pk, *rest in standing.values_list("attempt_id", "cause", "done", "gone")}
    last_seen = {a.assignment.id: a.number for a in sorted(seen.values(), key=lambda a: a.number)}
    found = []
    for attempt in newest:
        cause, done, gone = causes.get(attempt.id, (None, "", ""))
        if last_seen[attempt.assignment.id] <= attempt.number:
            # What became of it is written down with the next mark, which this person does not see yet.
            done, gone = "", ""
        found.append(
            Change(
                attempt=attempt.id,
                title=attempt.assignment.design.title,
                number=attempt.number,
                at=attempt.created_at,
                text=asked[attempt.id],
                cause=named("cause", cause) if cause and record.policy.teaches else None,
                became=became_words(done, gone),
            )
        )
    return found
