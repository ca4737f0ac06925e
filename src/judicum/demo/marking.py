"""How the demo's staff mark: as suggested, with the likeliest cause taken as what to change next."""

from collections.abc import Mapping, Sequence
from datetime import datetime, timedelta

import numpy as np

from judicum.core.causes import explain_case
from judicum.core.marking.scheme import HALF, HIGHEST
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.actions.set_share import set_share
from judicum.server.people.courses.models import Course
from judicum.server.record.attempts.actions.note_findings import findings_asked_for, note_findings
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.states import AttemptState
from judicum.server.record.causes.actions.judge_cause import RULED_OUT, judge_cause
from judicum.server.record.causes.queries import case_of
from judicum.server.record.marking.actions.ask_second import ask_second
from judicum.server.record.marking.actions.mark_attempt import return_mark, set_mark
from judicum.server.record.marking.actions.mark_second import agree, set_second_mark
from judicum.server.record.marking.actions.references import save_reference
from judicum.server.record.marking.models import Mark
from judicum.server.record.marking.queries import propose
from judicum.words.causes import advice
from judicum.words.progress import figure_words

BY_EYE = 6.5
"""Score of a line that nothing measured."""
TAKEN_FROM = 0.3
"""A likeliest cause with at least this share is taken; of the others nobody is sure enough."""
ASIDE_EVERY = 9
"""Each so-manieth time the second cause is looked at and set aside."""
GOOD = 8.0
KINDER = 1.0
"""Points of ten."""
LEG_MM = 3.2


def find_by_hand(marker: User, attempt: Attempt, habit: dict[str, object], at: datetime) -> None:
    """What the marker measures with gauge and straight edge, where the coupon has legs."""
    asked = findings_asked_for(attempt.assignment)
    if "leg_upper_mm" not in asked or attempt.assignment.scheme != "fillet":
        return
    rng = np.random.default_rng(attempt.pk)
    upper, lower = (round(float(rng.normal(LEG_MM, 0.15)), 1) for _ in range(2))
    found = {
        "leg_upper_mm": upper,
        "leg_lower_mm": lower,
        "throat_mm": round(0.72 * min(upper, lower), 1),
        "face": "flat",
    }
    note_findings(marker, attempt.pk, {k: v for k, v in (found | habit).items() if k in asked}, at)


def scores_of(attempt: Attempt, hand: int) -> dict[str, float | None]:
    """What somebody gives: as suggested, half a point off here and there; the second of the staff (`hand` 1) is kinder to toes."""
    lines = propose(attempt).suggestions
    rng = np.random.default_rng(97 * attempt.number + 13 * attempt.student_id + attempt.assignment_id + 7919 * hand)
    scores: dict[str, float | None] = {}
    for one in lines:
        score = one.score if one.score is not None or not one.applies else BY_EYE
        off = HALF * float(rng.choice([-1, 0, 0, 0, 1])) + (
            KINDER if hand and one.criterion == "straight_toes" else 0.0
        )
        scores[one.criterion] = None if score is None else min(HIGHEST, max(0.0, score + off))
    return scores


def mark(
    staff: Sequence[User],
    hand: int,
    attempt: Attempt,
    remarks: dict[str, dict[str, str]],
    at: datetime,
    twice: bool = False,
) -> None:
    """Set and return the mark of an attempt by one of the staff; `twice` with a blind second mark by the other, agreed between."""
    attempt.refresh_from_db()
    marker, scores = staff[hand], scores_of(attempt, hand)
    ranked = explain_case(case_of(attempt)).causes
    confirmed = ranked[0] if ranked and ranked[0].share >= TAKEN_FROM else None
    if len(ranked) > 1 and attempt.pk % ASIDE_EVERY == 0:
        judge_cause(marker, attempt.pk, ranked[1].code, RULED_OUT, at)
        attempt.refresh_from_db()
    given = {key: score for key, score in scores.items() if score is not None}
    weakest = min(given, key=lambda key: given[key])
    remark = remarks[weakest if given[weakest] < GOOD and weakest in remarks else "overall"]
    change = advice(confirmed) if confirmed else remark["next"]
    cause = confirmed.code if confirmed else None
    set_mark(marker, attempt.pk, attempt.version, scores, remark["comment"], change, at, cause=cause)
    if twice:
        _second(staff, hand, attempt, (scores, remark["comment"], change), at)
    attempt.refresh_from_db()
    return_mark(marker, attempt.pk, attempt.version, at + timedelta(minutes=1))


def _second(
    staff: Sequence[User], hand: int, attempt: Attempt, first: tuple[Mapping[str, float | None], str, str], at: datetime
) -> None:
    """A blind second mark by the other of the staff, and the middle of both agreed."""
    scores, comment, change = first
    ask_second(staff[hand], attempt.pk, _version(attempt), at)
    other = scores_of(attempt, 1 - hand)
    set_second_mark(staff[1 - hand], attempt.pk, _version(attempt), other, at=at + timedelta(minutes=20))
    both = {
        key: None if one is None or other[key] is None else round(one + (other[key] or 0.0)) / 2
        for key, one in scores.items()
    }
    agree(staff[hand], attempt.pk, _version(attempt), both, comment, change, at=at + timedelta(minutes=30))


def _version(attempt: Attempt) -> int:
    attempt.refresh_from_db()
    return attempt.version


REFERENCES = 6
SHARE = 20
"""Percent of marks that go to a second marker from now on."""


def save_references(instructor: User, course: Course) -> None:
    """Returned marks from the worst to the best as a measure for markers, with a word on what each shows."""
    marks = list(Mark.objects.filter(attempt__course=course, returned_at__isnull=False).order_by("total", "pk"))
    for k in range(min(REFERENCES, len(marks))):
        one = marks[k * (len(marks) - 1) // max(REFERENCES - 1, 1)]
        save_reference(instructor, one.attempt_id, f"a {figure_words('total', one.total)}: {one.comment}"[:300])


def leave_one_for_second(staff: Sequence[User], course: Course) -> None:
    """The assistant marked one and asked for a second mark: it waits for the instructor; and from now on the lot is drawn."""
    waits = Attempt.objects.filter(course=course, state=AttemptState.MEASURED).order_by("pk").first()
    # Once only: a fill that went on where another ended has the share already.
    if waits is not None and not Course.objects.get(pk=course.pk).second_share:
        set_mark(staff[1], waits.pk, waits.version, scores_of(waits, 1), "", "Hold the beat to the end.")
        ask_second(staff[1], waits.pk, _version(waits))
    set_share(staff[0], course.pk, "second_share", SHARE)
