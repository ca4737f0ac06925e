"""Filling the demo course, attempt by attempt, through the same actions that people use.

The last session comes first, so that there is something on the desk at once; then all before it in the order of time. Each attempt is written whole or not at all: ended in the middle, the next start goes on where this one was.
"""

import os
from collections.abc import Iterator
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any

import numpy as np
from django.db import transaction
from django.utils import timezone

from judicum.camera.logbook import run_of
from judicum.core.photo.measure import measure_all
from judicum.core.setup import RUN
from judicum.demo.drawing import Weld, draw, habits_of, shaky
from judicum.demo.extras import add_machine_log, add_trial, add_views, correct_by_hand
from judicum.demo.load import assignments_of, begin_of, plans
from judicum.demo.mail import write_mail
from judicum.demo.marking import find_by_hand, leave_one_for_second, mark, save_references
from judicum.demo.sessions import plan_ahead
from judicum.demo.stock import fill_store
from judicum.demo.trust import ask_callipers, check_phones, hold_callipers
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.coupons.setup import card_for, checklist_for
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.record.attempts.actions.answer import answer_attempt
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.actions.open_attempt import open_attempt
from judicum.server.record.attempts.actions.tick_preparation import tick_preparation
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.states import OPEN, AttemptState
from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.actions.store_measurement import MeasuredBead, store_measurement
from judicum.server.record.photos.models import Measurement

NOT_MARKED = 8
"""Of the last session: they wait on the desk."""
FOR_THE_WORKER = 3
"""The very last: their photos are left to the worker, so that measuring can be seen."""
BUSY_STEPS = 5
"""Attempts of somebody in a hurry: each so-manieth list is not ticked to its end."""

CALLIPERED = 4
"""Of the marked attempts each so-manieth was measured with callipers, too."""

Job = tuple[Weld, dict[str, Any], bool, bool]
"""An attempt, its student, whether it is measured here, whether it was marked."""
Drawn = list[tuple[bytes, list[MeasuredBead] | None]]


@dataclass(frozen=True)
class Cast:
    """The course with its people and assignments, in the scenario's order."""

    scenario: dict[str, Any]
    course: Course
    staff: list[User]
    students: list[User]
    assignments: list[Assignment]


def cast_of(scenario: dict[str, Any]) -> Cast:
    """The people and assignments of the demo course that is there."""
    course = Course.objects.get(join_code=scenario["course"]["join_code"])
    people = {user.username: user for user in User.objects.filter(memberships__course=course)}
    return Cast(
        scenario,
        course,
        [people[p["username"]] for p in scenario["staff"]],
        [people[p["username"]] for p in scenario["students"]],
        assignments_of(course),
    )


def prepare(job: Job) -> Drawn:
    """Draw one attempt's photos (two where the first is shaken and somebody asked for another) and, unless the worker is to do it, measure them.

    Runs in a process of its own, after whoever looks at a page.
    """
    plan, person, measured, marked = job
    photos = [draw(plan, person)]
    if marked and shaky(plan, person):
        photos.append(draw(plan, person, again=True))
    return [
        (jpeg, [MeasuredBead.of(one) for one in measure_all(jpeg, "bead.jpg")] if measured else None) for jpeg in photos
    ]


def fill(scenario: dict[str, Any]) -> int:
    """Bring in every attempt that is not there yet; returns how many were."""
    cast = cast_of(scenario)
    every = plans(scenario)
    last = len(every) - len(scenario["students"])
    # An attempt comes after the ones before it at the same coupon.
    newest_first = sorted(enumerate(every), key=lambda one: one[0] < last or one[1].number > 1)
    todo = [(k, plan) for k, plan in newest_first if not _is_there(cast, plan)]
    there = len(every) - len(todo)
    jobs = [
        (plan, scenario["students"][plan.student], k < len(every) - FOR_THE_WORKER, k < len(every) - NOT_MARKED)
        for k, plan in todo
    ]
    for count, ((k, plan), drawn) in enumerate(zip(todo, _drawn(jobs), strict=True), 1):
        with transaction.atomic():
            _write(cast, plan, drawn, marked=k < len(every) - NOT_MARKED)
            Course.objects.filter(pk=cast.course.pk).update(filling={"done": there + count, "total": len(every)})
    with transaction.atomic():
        _extras(cast)
        Course.objects.filter(pk=cast.course.pk).update(filling=None)
    return len(todo)


def _drawn(jobs: list[Job]) -> Iterator[Drawn]:
    with ProcessPoolExecutor(os.cpu_count(), initializer=_behind) as pool:
        yield from pool.map(prepare, jobs)


def _behind() -> None:
    os.nice(10)


def _is_there(cast: Cast, plan: Weld) -> bool:
    mine = Attempt.objects.filter(
        assignment=cast.assignments[plan.assignment], student=cast.students[plan.student], number=plan.number
    )
    return mine.exclude(state=AttemptState.ASSIGNED).exists()


def _write(cast: Cast, plan: Weld, drawn: Drawn, marked: bool) -> None:
    person, student = cast.scenario["students"][plan.student], cast.students[plan.student]
    at = begin_of(cast.course, cast.scenario) + timedelta(weeks=plan.week, minutes=7 * plan.student)
    assignment = cast.assignments[plan.assignment]
    there = Attempt.objects.filter(assignment=assignment, student=student, number=plan.number).first()
    attempt = there or open_attempt(assignment, student, by=student, at=at)
    habits = habits_of(plan, person)
    skipped = {step for _, habit, _ in habits for step in habit.skipped}
    if plan.seed % BUSY_STEPS == 0:
        skipped.add("practised_on_scrap")
    steps = [step for step in checklist_for(assignment) if step not in skipped]
    tick_preparation(student, attempt.pk, steps, at)
    log_run(student, attempt.pk, _run(plan, assignment, habits), at)
    later = at + timedelta(minutes=4)
    for number, (jpeg, found) in enumerate(drawn):
        if number:  # the first was shaken: somebody asked for another
            attempt.refresh_from_db()
            why = "The photo is shaken: rest the phone on the bench and take it again."
            answer_attempt(cast.staff[1], attempt.pk, attempt.version, "another_photo", why, later + timedelta(hours=1))
            later += timedelta(hours=20)
        _photo(student, attempt, jpeg, found, later)
    if marked:
        if (plan.student + plan.assignment + plan.number) % CALLIPERED == 1:
            hold_callipers(student, attempt, plan, person)
        find_by_hand(cast.staff[0], attempt, {k: v for _, habit, _ in habits for k, v in habit.by_hand.items()}, later)
        twice = plan.number == 2 and plan.student % 2 == 0
        mark(
            cast.staff,
            int(plan.student % 3 == 2),
            attempt,
            cast.scenario["remarks"],
            max(later, at + timedelta(days=1)),
            twice,
        )


def _photo(student: User, attempt: Attempt, jpeg: bytes, found: list[MeasuredBead] | None, at: datetime) -> None:
    photo = send_photo(student, attempt.pk, jpeg, "bead.jpg", at, measure=found is None)
    if found is not None:
        made = Measurement.objects.create(photo=photo, requested_at=at)
        store_measurement(made.pk, found, at + timedelta(minutes=1))


def _run(plan: Weld, assignment: Assignment, habits: list[Any]) -> dict[str, Any]:
    """The run as it is logged: figures of the card but for the habit, and what was noticed."""
    rng = np.random.default_rng(plan.seed + 5)
    card = card_for(assignment)
    run = run_of(rng, card, [(habit, bad) for _, habit, bad in habits])
    run["machine_a"] = round(run["current_a"] + 8)
    run |= {
        "polarity": card.polarity,
        "electrode_kind": "lanthanated_2",
        "electrode_mm": card.electrode.diameter_mm,
    }
    run |= {"technique": assignment.design.technique}
    if card.filler:
        run["filler_alloy"] = card.filler.alloy
    for _, habit, _ in habits:
        run |= habit.looks
    rounded = {key: round(value, 1) if isinstance(value, float) else value for key, value in run.items()}
    return {key: value for key, value in rounded.items() if key in RUN.keys}


def _to_weld(cast: Cast, student: User) -> Attempt | None:
    """The newest attempt that the student still works at."""
    mine = Attempt.objects.filter(course=cast.course, student=student, state__in=(AttemptState.ASSIGNED, *OPEN))
    return mine.order_by("state", "-created_at").first()


def _extras(cast: Cast) -> None:
    """The back of a coupon and the torch in place, and a correction by hand, at the newest attempts."""
    newest = {a.student_id: a for a in Attempt.objects.filter(course=cast.course, state=AttemptState.MEASURED)}
    for person, student in zip(cast.scenario["students"], cast.students, strict=True):
        attempt = newest.get(student.pk)
        if attempt and person.get("shows_torch"):
            add_views(student, attempt, timezone.now())
        if attempt and (pumps := person.get("pumps")):
            add_machine_log(student, attempt, *pumps)
        if (asked := person.get("tries")) and (fresh := _to_weld(cast, student)):
            add_trial(student, fresh, asked, timezone.now())
        if attempt and person.get("corrected"):
            correct_by_hand(cast.staff[0], attempt)
    ask_callipers(cast.staff[0], cast.course)
    check_phones(cast.students, begin_of(cast.course, cast.scenario))
    save_references(cast.staff[0], cast.course)
    leave_one_for_second(cast.staff, cast.course)
    plan_ahead(cast.staff, cast.course, cast.scenario)
    fill_store(cast.staff, cast.students, cast.course, cast.scenario, begin_of(cast.course, cast.scenario))
    write_mail([*cast.staff[:1], *cast.students[:2]])
