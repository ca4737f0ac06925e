"""How the demo's staff mark: as suggested, with the likeliest cause taken as what to change next."""

from datetime import datetime, timedelta
from typing import Any

import numpy as np

from judicum.core.causes import explain_case
from judicum.server.accounts.models import User
from judicum.server.attempts.actions.note_findings import findings_asked_for, note_findings
from judicum.server.attempts.models import Attempt
from judicum.server.causes.actions.judge_cause import ASIDE, judge_cause
from judicum.server.causes.queries import case_of
from judicum.server.marking.actions.mark_attempt import return_mark, set_mark
from judicum.server.marking.queries import propose
from judicum.words.causes import advice

BY_EYE = 6.5
"""Score of a line that nothing measured."""
TAKEN_FROM = 0.3
"""A likeliest cause with at least this share is taken; of the others nobody is sure enough."""
ASIDE_EVERY = 9
"""Each so-manieth time the second cause is looked at and set aside."""
GOOD = 8.0
LEG_MM = 3.2


def find_by_hand(marker: User, attempt: Attempt, habit: dict[str, Any], at: datetime) -> None:
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


def mark(marker: User, attempt: Attempt, remarks: dict[str, dict[str, str]], at: datetime) -> None:
    """Set and return the mark of an attempt."""
    attempt.refresh_from_db()
    lines = propose(attempt).suggestions
    scores = {one.criterion: one.score if one.score is not None or not one.applies else BY_EYE for one in lines}
    ranked = explain_case(case_of(attempt)).causes
    taken = ranked[0] if ranked and ranked[0].share >= TAKEN_FROM else None
    if len(ranked) > 1 and attempt.pk % ASIDE_EVERY == 0:
        judge_cause(marker, attempt.pk, ranked[1].code, ASIDE, at)
        attempt.refresh_from_db()
    given = {key: score for key, score in scores.items() if score is not None}
    weakest = min(given, key=lambda key: given[key])
    remark = remarks[weakest if given[weakest] < GOOD and weakest in remarks else "overall"]
    change = advice(taken) if taken else remark["next"]
    cause = taken.code if taken else None
    set_mark(marker, attempt.pk, attempt.version, scores, remark["comment"], change, at, cause=cause)
    attempt.refresh_from_db()
    return_mark(marker, attempt.pk, attempt.version, at + timedelta(minutes=1))
