"""Training the eye: beads with a hidden cause, what is asked of one, how an answer counts, and when a cause comes back.

Which cause comes next is a matter of spaced repetition; a kept scheduler decides (fsrs, an open model of forgetting [src: ye-2022]).
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any

import numpy as np

from judicum.core.causes import CAUSES

SOUND = "sound"
"""Stands for a cause where nothing is wrong."""
ROUND = 10
"""Beads in a round: five minutes."""
SOUND_BEADS = 2
"""Of them without a cause, so that inventing one costs."""
NEW_AT_ONCE = 4
"""Causes in a round that were never shown: more are not kept apart."""
LEVELS = 5
BAD = (1.0, 0.8, 0.6, 0.45, 0.3)
"""How bad a habit is at each level, 0 to 1: later ones show less of it."""
OPTIONS = (3, 4, 4, 5, 6)
"""Causes to choose from at each level."""
HARDER = 0.8
"""Share of a round's points from which the next is a level harder, …"""
EASIER = 0.5
"""…and under which it is easier."""
POINTS = {"symptom": 1, "cause": 2, "change": 1}
"""What each part of an answer is worth: the cause decides what is changed."""
FULL_SCORE = ROUND * sum(POINTS.values())


@dataclass(frozen=True)
class Question:
    """One bead: its cause (SOUND: none), how bad (0 to 1), the dice it is drawn by, and what may be answered, in the order shown.

    `right` are the symptoms that count; causes and changes are codes of causes.
    """

    cause: str
    bad: float
    seed: int
    symptoms: tuple[str, ...]
    causes: tuple[str, ...]
    changes: tuple[str, ...]
    right: tuple[str, ...]

    @classmethod
    def from_json(cls, raw: Mapping[str, Any]) -> "Question":
        """The question that `dataclasses.asdict` told."""
        read: dict[str, Any] = {key: tuple(value) if isinstance(value, list) else value for key, value in raw.items()}
        return cls(**read)


def choose(due: Mapping[str, datetime], known: Sequence[str], now: datetime, dice: np.random.Generator) -> list[str]:
    """The causes of the next round, in a shuffled order: what is due first, then new ones, the usual ones of a shop before the rare.

    Args:
        due: when each cause that was shown before is due. known: causes that a picture can show.
    """
    again = sorted((code for code in due if code in known), key=lambda code: due[code])
    new = sorted((code for code in known if code not in due), key=lambda code: -CAUSES[code].base)
    late = [code for code in again if due[code] <= now]
    early = [code for code in again if due[code] > now]
    wanted = ROUND - SOUND_BEADS
    chosen = [*late, *new[:NEW_AT_ONCE], *early, *new[NEW_AT_ONCE:]][:wanted]
    chosen += [chosen[k % len(chosen)] for k in range(wanted - len(chosen))]
    return [str(code) for code in dice.permutation([*chosen, *[SOUND] * SOUND_BEADS])]


def question(cause: str, level: int, dice: np.random.Generator, known: Sequence[str]) -> Question:
    """Ask after a cause at a level (1 to LEVELS): from the third on the other causes are those that look alike.

    Raises:
        KeyError: no such cause.
    """
    count = OPTIONS[level - 1] - 1
    others = _others(cause, level, dice, known)[:count]
    causes = [cause, *others] if cause == SOUND else [cause, *others[: count - 1], SOUND]
    shown = [] if cause == SOUND else [c for c, _ in sorted(CAUSES[cause].shows.items(), key=lambda item: -item[1])]
    right = tuple(shown) or (SOUND,)
    wrong = dict.fromkeys(
        code for other in causes if other != SOUND for code in list(CAUSES[other].shows)[:2] if code not in right
    )
    symptoms = [right[0], *list(wrong)[: OPTIONS[level - 1] - 1]]
    if SOUND not in symptoms:
        symptoms.append(SOUND)
    seen, why, change = (tuple(str(one) for one in dice.permutation(some)) for some in (symptoms, causes, causes))
    return Question(cause, BAD[level - 1], int(dice.integers(2**31)), seen, why, change, right)


def _others(cause: str, level: int, dice: np.random.Generator, known: Sequence[str]) -> list[str]:
    """Causes to choose from beside it, shuffled: at first those that show nothing it shows, later those that do."""
    mixed = [str(code) for code in dice.permutation([code for code in known if code != cause])]
    if cause == SOUND:
        return mixed
    own = set(CAUSES[cause].shows)
    similar = level > 2
    return sorted(mixed, key=lambda code: bool(own & set(CAUSES[code].shows)) != similar)


def points(of: Question, symptom: str, cause: str, change: str) -> dict[str, bool]:
    """Which parts of an answer are right."""
    return {"symptom": symptom in of.right, "cause": cause == of.cause, "change": change == of.cause}


def total(parts: Mapping[str, bool]) -> int:
    """What an answer is worth, of the sum of POINTS.

    >>> total({"symptom": True, "cause": False, "change": False})
    1
    """
    return sum(POINTS[part] for part, right in parts.items() if right)


def next_level(level: int, score: int) -> int:
    """The level of the round after one with so many points of FULL_SCORE.

    >>> next_level(1, 36), next_level(3, 25), next_level(3, 10), next_level(5, 40)
    (2, 3, 2, 5)
    """
    share = score / FULL_SCORE
    return min(LEVELS, level + 1) if share >= HARDER else max(1, level - 1) if share < EASIER else level


def review(card: Mapping[str, Any] | None, right: bool, at: datetime) -> tuple[dict[str, Any], datetime]:
    """A cause's card (None: its first showing) after an answer, and when it is due again."""
    from fsrs import Card, Rating, Scheduler  # slow to import, and only needed here

    # A class meets once a week: steps of minutes would all be over before the next round.
    scheduler = Scheduler(learning_steps=(), relearning_steps=(), enable_fuzzing=False)
    before = Card.from_dict(dict(card)) if card else Card()  # type: ignore[arg-type]
    after, _ = scheduler.review_card(before, Rating.Good if right else Rating.Again, at)
    return dict(after.to_dict()), after.due
