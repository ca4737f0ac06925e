"""One attempt with all that belongs to it, and the attempts of a course as its pages show them."""

from collections.abc import Sequence
from datetime import datetime
from typing import Any

import numpy as np
from django.contrib.postgres.expressions import ArraySubquery
from django.db.models import Exists, Max, OuterRef, Prefetch, QuerySet, prefetch_related_objects

from judicum.core.causes.copied import figure_to_read_off
from judicum.core.datalog import along_bead, swings_of
from judicum.core.errors import NotFound, said
from judicum.core.photo.report import Report
from judicum.core.setup import Checked, read_coupon, real_travel_mm_s, run_from_card, runs_from_card, worked
from judicum.core.setup.card import card_of
from judicum.core.setup.kit import Part, is_worn_as, kit
from judicum.core.setup.run import check_run
from judicum.server.answers.attempts import (
    Attempt as AttemptAnswer,
)
from judicum.server.answers.attempts import (
    AttemptBrief,
    AttemptEvent,
    EarlierAttempt,
    Goal,
    LastRuns,
    MachineTrace,
    NumberedRun,
    PreparationStep,
    Run,
    Setup,
    WallRow,
    Worked,
)
from judicum.server.answers.coupons import Design, RunCheck, SetupCheck
from judicum.server.answers.people import Person
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.coupons.setup import check_for, checklist_for, coupon_of
from judicum.server.follow.stock.queries import wear_in
from judicum.server.people.accounts.models import User
from judicum.server.people.accounts.units import units_of
from judicum.server.people.courses.models import Membership
from judicum.server.people.courses.queries import members
from judicum.server.people.roles import STAFF, Role
from judicum.server.read.briefs import MARK, SUMMARY, briefs, facts_of, in_brief, summary_of
from judicum.server.read.causes import requested_change
from judicum.server.read.marking import mark_answer, second_mark_answer
from judicum.server.read.photos import photo_answer, same_pictures
from judicum.server.read.trials import start_figures
from judicum.server.record.attempts import models
from judicum.server.record.attempts.loggers import known_loggers
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import NO_ATTEMPT, attempt_for, visible_events, visible_to
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.visibility import VisibilityPolicy
from judicum.server.record.causes.queries import asked_before
from judicum.server.record.photos.counting import UNDER_WAY
from judicum.server.record.photos.models import Correction, Measurement, MeasurementSummary, Photo, SeenBead
from judicum.server.record.photos.queries import measured_run
from judicum.words import Units
from judicum.words import setup as words

PEOPLE = ("student", "mark__marked_by", "second__first_marker", "second__marked_by")
LOGS_LOOKED_AT = 3
"""Attempts back that say how somebody logs."""
UNSHOWN = tuple(f.name for f in User._meta.concrete_fields if f.name not in ("id", "display_name"))
"""What of a person an attempt does not show."""


def attempt_page(user: User, attempt_id: int) -> AttemptAnswer:
    """One attempt with all of it that the person may see, in a fixed number of queries. Raises NotFound."""
    attempt, policy = loaded(user, attempt_id)
    goal, summary, mark = attempt.assignment, getattr(attempt, "summary", None), getattr(attempt, "mark", None)
    measuring = any(m.state in UNDER_WAY for photo in attempt.photos.all() for m in photo.measurements.all())
    facts = facts_of(
        {**vars(attempt), "measuring": measuring}, policy, [getattr(mark, name) for name in MARK] if mark else None
    )
    second = getattr(attempt, "second", None)
    before, same = earlier_measured(attempt), same_pictures(attempt, policy)
    return AttemptAnswer(
        student=Person(id=attempt.student_id, display_name=attempt.student.display_name),
        assignment=_goal(goal),
        measurement=summary_of({name: getattr(summary, name) for name in SUMMARY}) if summary else None,
        runs=[NumberedRun.model_validate(run) for run in attempt.runs.all()],
        preparation=_preparation(attempt, units_of(user)),
        photos=[photo_answer(photo, same) for photo in attempt.photos.all()],
        mark=mark_answer(mark)
        if mark and policy.sees_mark(attempt.state, mark.returned_at, mark.marked_by_id)
        else None,
        second=second_mark_answer(second, attempt.mark, policy.blind(attempt.state, attempt.mark.marked_by_id))
        if second and policy.teaches
        else None,
        earlier=EarlierAttempt(id=before.pk, number=before.number) if before else None,
        answer=attempt.answer,
        asked=requested_change(asked_before(attempt)),
        **facts,
    )


def _goal(goal: Assignment) -> Goal:
    return Goal(
        id=goal.pk,
        design=Design.model_validate(goal.design),
        target_width_mm=goal.target_width_mm,
        finish=goal.finish,
        good_in_a_row=goal.good_in_a_row,
        due_on=goal.due_on,
    )


def _preparation(attempt: Attempt, units: Units) -> list[PreparationStep]:
    solvent = attempt.assignment.course.solvent
    return [
        PreparationStep(
            step=step, words=words.step(step, solvent, units), done=step in attempt.prepared, how=words.how_to(step)
        )
        for step in checklist_for(attempt.assignment)
    ]


def loaded(user: User, attempt_id: int) -> tuple[Attempt, VisibilityPolicy]:
    """One attempt with all that belongs to it, and the person's policy, in a fixed number of queries.

    Raises:
        NotFound: there is none.
    """
    staff = Membership.objects.filter(user=user, course_id=OuterRef("course_id"), role__in=STAFF)
    # What there is at most one of is joined: asking for each by itself takes the server longer than the database.
    rows = Attempt.objects.annotate(taught=Exists(staff)).select_related(
        "assignment__design", "assignment__course", "summary", "mark__scheme", *PEOPLE
    )  # fmt: skip
    attempt = rows.defer(*(f"{one}__{name}" for one in PEOPLE for name in UNSHOWN)).filter(pk=attempt_id).first()
    if attempt is None or not (attempt.taught or attempt.student_id == user.pk):
        raise NotFound(said(NO_ATTEMPT, attempt_id=attempt_id))
    measurements = (
        Measurement.objects.order_by("-requested_at", "-id")
        .defer("bead", "chosen__bead")
        .select_related("requested_by", "chosen")
        .prefetch_related(
            Prefetch("corrections", Correction.objects.filter(undone_at=None).select_related("by")),
            Prefetch("beads", SeenBead.objects.defer("bead", "report")),
        )
    )
    photos = (
        Photo.objects.select_related("picture")
        .prefetch_related(Prefetch("measurements", measurements))
        .order_by("-sent_at", "-id")
    )
    prefetch_related_objects([attempt], "runs", Prefetch("photos", photos))
    return attempt, VisibilityPolicy(user, attempt.taught)


def policy_in(mine: Membership) -> VisibilityPolicy:
    """How a member of a course sees its attempts."""
    return VisibilityPolicy(mine.user, mine.role in STAFF)


def last_runs(user: User, attempt_id: int) -> LastRuns:
    """The student's runs to start from: those of the latest attempt at the same design that passed, else of the
    latest that was logged; and whether it passed. Only of courses that the person who asks may look into. Raises NotFound."""
    attempt = attempt_for(user, attempt_id)
    logged = (
        visible_to(user)
        .filter(
            student_id=attempt.student_id,
            assignment__design__code=attempt.assignment.design.code,
            runs__isnull=False,
        )
        .exclude(pk=attempt.pk)
        .prefetch_related("runs")
        .order_by("-created_at")
    )
    passed = logged.filter(mark__passed=True, mark__returned_at__isnull=False).first()
    found = passed or logged.first()
    runs = [Run.model_validate(run) for run in found.runs.all()] if found else []
    return LastRuns(passed=passed is not None, runs=runs)


def setup_of(user: User, attempt_id: int) -> Setup:
    """The setup card of an attempt's coupon, each logged run beside it, and what worked in this course; in words.

    Raises:
        NotFound: not visible.
    """
    attempt, units = attempt_for(user, attempt_id), units_of(user)
    coupon = read_coupon(coupon_of(attempt.assignment))
    card = card_of(coupon)
    runs = list(models.Run.objects.filter(attempt=attempt).values())
    return Setup(
        card=words.card_in_words(card, units),
        card_run=Run.model_validate(run_from_card(card)),
        starts=start_figures(attempt, units),
        planned_runs=[Run.model_validate(run) for run in runs_from_card(card)],
        checks=[RunCheck(number=run["number"], **_check(check_for(attempt.assignment, run), units)) for run in runs],
        worked=worked_here(attempt.assignment),
        cautions=words.cautions(card.cautions),
        last_run_at=_last_run_at(attempt),
        kit=words.kit_words(_kit(attempt, kit(coupon, card)), units),
        loggers=list(known_loggers()),
        read_off=_read_off(attempt),
        real_travel_mm_s=real_travel_mm_s(_measured_length_mm(attempt), [run["arc_s"] for run in runs]),
    )


def _read_off(attempt: Attempt) -> str | None:
    """A figure to be read off the machine once in a while by somebody whose last logs repeat the card."""
    before = (
        Attempt.objects.filter(
            course_id=attempt.course_id, student_id=attempt.student_id, created_at__lt=attempt.created_at
        )
        .select_related("assignment__design", "assignment__course")
        .prefetch_related("runs")
        .order_by("-created_at", "-id")[:LOGS_LOOKED_AT]
    )
    logs = [
        (
            card_of(read_coupon(coupon_of(one.assignment))),
            [check_run(Run.model_validate(run).model_dump()) for run in one.runs.all()],
        )
        for one in before
    ]
    return figure_to_read_off(attempt.number, logs)


def _kit(attempt: Attempt, parts: Sequence[Part]) -> list[tuple[Part, float | None]]:
    """The parts, and how many sessions one of each lasts in this course by its stock."""
    wear = wear_in(attempt.assignment.course)
    return [
        (part, next((sessions for item, sessions in wear if is_worn_as(part, item.kind, item.spec)), None))
        for part in parts
    ]


def _last_run_at(attempt: Attempt) -> datetime | None:
    logs = models.Event.objects.filter(attempt=attempt, kind=AttemptStep.LOG)
    return logs.aggregate(at=Max("at"))["at"]


def _measured_length_mm(attempt: Attempt) -> float | None:
    return MeasurementSummary.objects.filter(attempt=attempt).values_list("length_mm", flat=True).first()


def machine_trace(user: User, attempt_id: int, number: int) -> MachineTrace:
    """The current of one run's weld, to be drawn. Raises NotFound: not visible, no data log."""
    attempt = attempt_for(user, attempt_id)
    found = models.MachineLog.objects.filter(run__attempt=attempt, run__number=number).select_related("run").first()
    if found is None:
        raise NotFound(said("refused-no-data-log", number=number))
    measured = measured_run(attempt, number)
    report = Report.from_json((measured.result if measured else None) or {})
    share, current = (np.array(found.series[key]) for key in ("share", "current_a"))
    fronts = report.ripple.positions_mm if report.ripple else []
    length = report.bead.length_mm if report.bead else None
    place, by_dabs = along_bead(share, current, swings_of(found.run.machine), fronts, length)
    return MachineTrace(name=found.name, share=list(place), current_a=list(current), by_dabs=by_dabs)


def check_of(user: User, attempt_id: int, run: dict[str, object]) -> SetupCheck:
    """A run beside the card before it is saved. Raises NotFound, InvalidValues."""
    attempt = attempt_for(user, attempt_id)
    return SetupCheck(**_check(check_for(attempt.assignment, run), units_of(user)))


def _check(found: Checked, units: Units) -> dict[str, Any]:
    """A checked run in words; `besides` are the warnings that say more than its deviations."""
    return {**dict(words.check_in_words(found, units)), "besides": words.besides(found)}


def worked_here(assignment: Assignment) -> Worked:
    """Settings of the attempts at this coupon that passed in this course: how many, and each figure's spread."""
    passed = models.Run.objects.filter(
        attempt__course_id=assignment.course_id,
        attempt__assignment__design__code=assignment.design.code,
        attempt__mark__passed=True,
        attempt__mark__returned_at__isnull=False,
    ).values()
    rows = list(passed)
    return Worked(attempts=len({row["attempt_id"] for row in rows}), figures=worked(rows))


def events_of(user: User, attempt_id: int) -> list[AttemptEvent]:
    """The log of an attempt as this person may read it, oldest first. Raises NotFound."""
    return [AttemptEvent.model_validate(one) for one in visible_events(user, attempt_for(user, attempt_id))]


def newest_keys(course_id: int, count: int) -> list[tuple[User, list[int]]]:
    """Every student of a course that has measured attempts, by name, with the keys of the newest of them, newest first."""
    measured = Attempt.objects.filter(course_id=course_id, student_id=OuterRef("user_id"), summary__refusal_code="")
    newest = measured.order_by("-created_at", "-id").values("pk")[:count]
    # One look into the index for each student; ranking all attempts would read the whole course.
    students = members(course_id, Role.STUDENT).annotate(newest=ArraySubquery(newest))
    return [(one.user, one.newest) for one in students if one.newest]


def wall_of(mine: Membership, count: int) -> list[WallRow]:
    """The newest measured attempts of every student of a course one teaches, newest first."""
    rows = newest_keys(mine.course_id, count)
    every = in_brief(Attempt.objects.filter(pk__any=[pk for _, newest in rows for pk in newest]))
    found = {one.id: one for one in briefs(every, policy_in(mine))}
    return [WallRow(student=user, attempts=[found[pk] for pk in newest]) for user, newest in rows]


def briefs_of(attempts: QuerySet[Attempt], policy: VisibilityPolicy) -> dict[int, AttemptBrief]:
    """Briefs of attempts by their key."""
    return {one.id: one for one in briefs(in_brief(attempts), policy)}


def earlier_measured(attempt: Attempt) -> Attempt | None:
    """The student's last measured attempt at the same assignment before this one."""
    if attempt.number == 1:
        return None
    before = Attempt.objects.filter(
        assignment_id=attempt.assignment_id,
        student_id=attempt.student_id,
        number__lt=attempt.number,
        summary__refusal_code="",
    )
    return before.order_by("-number").only("number").first()
