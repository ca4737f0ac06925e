"""What the eye trainer asks, counts and brings back."""

from datetime import UTC, datetime, timedelta

import numpy as np
import pytest

from judicum.camera.habits import HABITS
from judicum.core import eye
from judicum.core.causes import CAUSES

KNOWN = [code for code, habit in HABITS.items() if habit.bead is not None]
NOW = datetime(2026, 12, 1, 19, 0, tzinfo=UTC)
DICE = np.random.default_rng


@pytest.mark.parametrize("level", range(1, eye.LEVELS + 1))
@pytest.mark.parametrize("cause", [*KNOWN, eye.SOUND])
def test_every_question_has_its_answer_among_others(cause: str, level: int) -> None:
    one = eye.question(cause, level, DICE(level), KNOWN)
    assert cause in one.causes
    assert eye.SOUND in one.causes
    assert sorted(one.causes) == sorted(one.changes)
    assert set(one.right) & set(one.symptoms)
    assert len(set(one.causes)) == len(one.causes) == eye.OPTIONS[level - 1]
    assert len(set(one.symptoms)) == len(one.symptoms) > 1
    assert eye.points(one, one.right[0], cause, cause) == {"symptom": True, "cause": True, "change": True}
    wrong = next(code for code in one.causes if code != cause)
    assert eye.total(eye.points(one, "none", wrong, wrong)) == 0


def test_later_levels_ask_between_causes_that_look_alike_and_show_less() -> None:
    similar = []
    for level in (1, 5):
        asked = [eye.question(code, level, DICE(k), KNOWN) for k, code in enumerate(KNOWN)]
        shared = [bool(set(CAUSES[c].shows) & set(CAUSES[q.cause].shows)) for q in asked for c in q.causes if c not in (q.cause, eye.SOUND)]  # fmt: skip
        similar.append(np.mean(shared))
        assert {q.bad for q in asked} == {eye.BAD[level - 1]}
    assert similar[0] < 0.1
    assert similar[1] > 0.6


def test_what_is_due_comes_first_and_new_ones_a_few_at_a_time() -> None:
    first = eye.choose({}, KNOWN, NOW, DICE(1))
    assert len(first) == eye.ROUND
    assert first.count(eye.SOUND) == eye.SOUND_BEADS
    due = {code: NOW + timedelta(days=k - 3) for k, code in enumerate(KNOWN[:20])}
    chosen = eye.choose(due, KNOWN, NOW, DICE(2))
    late = {code for code, at in due.items() if at <= NOW}
    assert late <= set(chosen)
    assert len(set(chosen) - set(due) - {eye.SOUND}) == eye.NEW_AT_ONCE


def test_a_single_cause_fills_a_round() -> None:
    assert set(eye.choose({}, KNOWN[:1], NOW, DICE(3))) == {KNOWN[0], eye.SOUND}


def test_what_was_known_comes_back_later_each_time_and_what_was_missed_soon() -> None:
    card, due = eye.review(None, True, NOW)
    gaps = []
    for _ in range(3):
        gaps.append(due)
        card, due = eye.review(card, True, due)
    assert timedelta(hours=12) < gaps[0] - NOW < gaps[1] - gaps[0] < gaps[2] - gaps[1]
    _, missed = eye.review(card, False, due)
    assert missed - due < gaps[1] - gaps[0]


def test_questions_are_told_and_read() -> None:
    from dataclasses import asdict

    one = eye.question(KNOWN[0], 2, DICE(4), KNOWN)
    assert eye.Question.from_json({**asdict(one), "causes": list(one.causes)}) == one
