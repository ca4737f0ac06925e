"""Writing the demo course into the database, through the same actions that people use."""

import os
from concurrent.futures import ProcessPoolExecutor
from datetime import datetime, time, timedelta
from typing import Any

import numpy as np
from django.db import transaction
from django.utils import timezone

from judicum.core.photo.measure import measure_all
from judicum.demo.drawing import Weld, draw
from judicum.demo.extras import add_views, correct_by_hand
from judicum.demo.scenario import PASSWORD
from judicum.server.accounts.models import User
from judicum.server.attempts.actions.log_run import log_run
from judicum.server.attempts.actions.open_attempt import open_attempt
from judicum.server.attempts.actions.tick_preparation import tick_preparation
from judicum.server.attempts.models import Attempt
from judicum.server.coupons.actions.assign_coupon import assign_coupon
from judicum.server.coupons.library import load_library
from judicum.server.coupons.models import Assignment, Design
from judicum.server.coupons.setup import checklist_for
from judicum.server.courses.models import Course, Membership, Role
from judicum.server.marking.actions.mark_attempt import return_mark, set_mark
from judicum.server.marking.queries import propose
from judicum.server.photos.actions.send_photo import send_photo
from judicum.server.photos.actions.store_measurement import Found, store_measurement
from judicum.server.photos.models import Measurement

Drawn = tuple[bytes, list[Found] | None]


def plans(told: dict[str, Any]) -> list[Weld]:
    """Every attempt of the scenario, in the order of time."""
    designs = {d.code: d for d in Design.objects.filter(version=1)}
    made = []
    for k, assignment in enumerate(told["assignments"]):
        design = designs[assignment["design"]]
        for number in range(1, assignment["attempts"] + 1):
            week = _week(assignment, number)
            made += [
                Weld(i, k, number, week / told["course"]["weeks"], design.target_width_mm, design.joint)
                for i in range(len(told["students"]))
            ]
    return made


def _week(assignment: dict[str, Any], number: int) -> float:
    return float(
        assignment["week"] + (number - 0.5) * (assignment["due_week"] - assignment["week"]) / assignment["attempts"]
    )


def prepare(job: tuple[Weld, dict[str, Any], bool]) -> Drawn:
    """Draw one attempt and, unless the worker is to do it, measure it; runs in a process of its own."""
    plan, person, measure = job
    jpeg = draw(plan, person)
    if not measure:
        return jpeg, None
    return jpeg, [Found.of(one) for one in measure_all(jpeg, "bead.jpg")]


def load(told: dict[str, Any]) -> None:
    """Load the demo course: all of it or nothing."""
    load_library()
    todo = plans(told)
    last = len(told["students"])
    # The newest photos are left to the worker, so that measuring can be seen.
    jobs = [(plan, told["students"][plan.student], k < len(todo) - last // 2) for k, plan in enumerate(todo)]
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        drawn = list(pool.map(prepare, jobs))
    with transaction.atomic():
        _write(told, todo, drawn)


def _write(told: dict[str, Any], todo: list[Weld], drawn: list[Drawn]) -> None:
    begin = datetime.combine(
        timezone.now().date() - timedelta(weeks=told["course"]["weeks"]),
        time(18, 30),
        tzinfo=timezone.get_current_timezone(),
    )
    course = Course.objects.create(name=told["course"]["name"], join_code=told["course"]["join_code"])
    staff = [_person(p, course, p["role"]) for p in told["staff"]]
    students = [_person(p, course, Role.STUDENT) for p in told["students"]]
    assignments = [
        assign_coupon(
            staff[0],
            course.pk,
            design_id=Design.objects.get(code=a["design"], version=1).pk,
            good_in_a_row=a["good_in_a_row"],
            finish=a["finish"],
            target_width_mm=Design.objects.get(code=a["design"], version=1).target_width_mm,
            due_on=(begin + timedelta(weeks=a["due_week"])).date(),
            at=begin + timedelta(weeks=a["week"]),
        )
        for a in told["assignments"]
    ]
    for k, (plan, (jpeg, measured)) in enumerate(zip(todo, drawn, strict=True)):
        at = begin + timedelta(weeks=_week(told["assignments"][plan.assignment], plan.number), minutes=7 * plan.student)
        attempt = _attempt(assignments[plan.assignment], students[plan.student], plan.number, at)
        tick_preparation(students[plan.student], attempt.pk, _prepared(plan, attempt), at)
        log_run(students[plan.student], attempt.pk, _run(plan, told["students"][plan.student]), at)
        photo = send_photo(
            students[plan.student], attempt.pk, jpeg, "bead.jpg", at + timedelta(minutes=4), measure=measured is None
        )
        if measured is None:
            continue
        made = Measurement.objects.create(photo=photo, requested_at=at + timedelta(minutes=4))
        store_measurement(made.pk, measured, at + timedelta(minutes=5))
        # The last evening is not marked yet.
        if k < len(todo) - len(students):
            _mark(staff[plan.student % 3 == 2], attempt, told["remarks"], at + timedelta(days=1))

    newest = {a.student_id: a for a in Attempt.objects.filter(state="measured")}
    for person in told["students"]:
        last_one = newest.get(User.objects.get(username=person["username"]).pk)
        if last_one and person.get("shows_torch"):
            add_views(last_one.student, last_one, timezone.now())
        if last_one and person.get("corrected"):
            correct_by_hand(staff[0], last_one)


def _person(told: dict[str, Any], course: Course, role: str) -> User:
    user = User.objects.create_user(told["username"], PASSWORD, told["name"])
    Membership.objects.create(course=course, user=user, role=role)
    return user


def _attempt(assignment: Assignment, student: User, number: int, at: datetime) -> Attempt:
    there = Attempt.objects.filter(assignment=assignment, student=student, number=number).first()
    return there or open_attempt(assignment, student, by=student, at=at)


def _prepared(plan: Weld, attempt: Attempt) -> list[str]:
    """Everything ticked, but for what somebody in a hurry skips."""
    steps = checklist_for(attempt.assignment)
    return steps if plan.seed % 3 else [s for s in steps if s not in ("rod_wiped", "practised_on_scrap")]


def _run(plan: Weld, person: dict[str, Any]) -> dict[str, Any]:
    rng = np.random.default_rng(plan.seed + 5)
    hot = float(person["from"]["bead"] * (1 - plan.share) + person["to"]["bead"] * plan.share)
    current = round(48 + 3.5 * hot + float(rng.normal(0, 2)))
    return {
        "current_a": current,
        "machine_a": current + 8,
        "polarity": "DCEN",
        "cup": 10,
        "gas_part": "gas_lens",
        "gas_l_min": round(float(rng.normal(11, 0.8)) * 2) / 2,
        "stickout_mm": 9,
        "electrode_kind": "lanthanated_2",
        "electrode_mm": 1.6,
        "filler_alloy": "308L",
        "filler_mm": 1.2,
        "preflow_s": 0.5,
        "downslope_s": 4,
        "postflow_s": 5 if hot > 3.5 else 8,
        "work_angle_deg": 90,
        "travel_angle_deg": 15,
        "travel_mm_s": round(2.6 - 0.15 * hot, 1),
        "technique": "dab",
    }


def _mark(marker: User, attempt: Attempt, remarks: dict[str, dict[str, str]], at: datetime) -> None:
    attempt.refresh_from_db()
    scores = {one.criterion: one.score if one.applies else None for one in propose(attempt).suggestions}
    given = {key: score for key, score in scores.items() if score is not None}
    weakest = min(given, key=lambda key: given[key])
    key = weakest if given[weakest] < 8 and weakest in remarks else "overall"
    set_mark(marker, attempt.pk, attempt.version, scores, remarks[key]["comment"], remarks[key]["next"], at)
    attempt.refresh_from_db()
    return_mark(marker, attempt.pk, attempt.version, at)
