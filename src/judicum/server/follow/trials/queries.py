"""Reading trials for a person, and the settings that an attempt is to be started with."""

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from django.db.models import Q

from judicum.core.errors import NotFound, said
from judicum.core.setup import read_coupon
from judicum.core.setup.coupon import Coupon
from judicum.core.trial import VARIED, carried, plan_trial
from judicum.core.trial import Trial as Planned
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.coupons.setup import coupon_of
from judicum.server.follow.sessions.models import WeldedAt
from judicum.server.follow.trials.models import StartValue, Trial
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import visible_to


def trial_for(user: User, trial_id: int) -> Trial:
    """One trial of an attempt that the person may see. Raises NotFound."""
    found = (
        Trial.objects.select_related(
            "attempt__assignment__design", "attempt__assignment__course", "attempt__course", "attempt__student"
        )
        .filter(pk=trial_id, attempt__in=visible_to(user))
        .first()
    )
    if found is None:
        raise NotFound(said("refused-no-trial", trial_id=trial_id))
    return found


def planned(trial: Trial) -> Planned:
    """The trial as it is scribed."""
    design = trial.attempt.assignment.design
    return plan_trial(
        VARIED[trial.varied], trial.values, trial.blank_length_mm, trial.blank_width_mm, design.tube_od_mm
    )


@dataclass(frozen=True)
class Start:
    """A setting to start with: whose it is (`student`, `booth`, `class`), and the coupon it was carried over from, if any."""

    key: str
    value: float | str
    whose: str
    row: StartValue
    carried_from: str | None = None


def starts_of(attempt: Attempt) -> list[Start]:
    """What was found for this coupon, one setting for each figure: the student's own before the booth's before the class's, found
    on this coupon before carried over from another of its joint, the newest first."""
    goal = attempt.assignment
    booth = WeldedAt.objects.filter(attempt=attempt).values("booth")
    rows = StartValue.objects.filter(
        Q(student=attempt.student_id) | Q(student=None, booth=None) | Q(student=None, booth__in=booth),
        assignment__course_id=attempt.course_id,
        assignment__design__joint=goal.design.joint,
    ).select_related("assignment__design", "assignment__course", "booth")
    return _first_of_each(_starts(goal, rows))


def _starts(goal: Assignment, rows: Iterable[StartValue]) -> Iterable[tuple[tuple[Any, ...], Start]]:
    """Every setting that can be had, with what it is ranked by."""
    here = read_coupon(coupon_of(goal))
    for row in rows:
        whose, rank = ("student", 0) if row.student_id else ("booth", 1) if row.booth_id else ("class", 2)
        same = row.assignment.design.code == goal.design.code
        value = row.value if same else _carried(row, here)
        if value is not None:
            title = None if same else row.assignment.design.title
            yield (not same, rank, -row.at.timestamp()), Start(row.key, value, whose, row, title)


def _carried(row: StartValue, here: Coupon) -> float | str | None:
    return carried(row.key, row.value, read_coupon(coupon_of(row.assignment)), here)


def _first_of_each(ranked: Iterable[tuple[tuple[Any, ...], Start]]) -> list[Start]:
    found: dict[str, Start] = {}
    for _, start in sorted(ranked, key=lambda one: one[0]):
        found.setdefault(start.key, start)
    return list(found.values())
