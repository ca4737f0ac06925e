"""Playing a round: ten beads are asked for, and answered one after another."""

from dataclasses import asdict

import numpy as np
from django.db import transaction
from django.utils import timezone
from procrastinate.contrib.django import app

from judicum.camera.habits import HABITS
from judicum.core import eye
from judicum.core.errors import InvalidValue, WrongState, one_of, said
from judicum.server.follow.eye.models import EyeBead, EyeCard, EyeRound
from judicum.server.follow.eye.queries import round_of
from judicum.server.people.accounts.models import User

TASK = "eye.draw"
QUEUE = "reports"
"""The task is deferred by name: who asks for a round does not load what draws it."""
SHOWN = tuple(code for code, habit in HABITS.items() if habit.bead is not None)
"""Causes that can be seen in a picture."""


@transaction.atomic
def start_round(user: User) -> EyeRound:
    """A new round, or the one that is not finished yet; its beads are being drawn."""
    User.objects.select_for_update().get(pk=user.pk)
    found = EyeRound.objects.filter(user=user, finished_at=None).first()
    if found is None:
        last = EyeRound.objects.filter(user=user).first()
        level = eye.next_level(last.level, last.score) if last else 1
        dice = np.random.default_rng()
        due = dict(EyeCard.objects.filter(user=user).values_list("cause", "due"))
        asked = [eye.question(cause, level, dice, SHOWN) for cause in eye.choose(due, SHOWN, timezone.now(), dice)]
        questions = [asdict(one) for one in asked]
        EyeBead.objects.filter(round__user=user).delete()
        found = EyeRound.objects.create(user=user, level=level, questions=questions, started_at=timezone.now())
    app.configure_task(TASK, queue=QUEUE).defer(round_id=found.pk)
    return found


@transaction.atomic
def answer_question(user: User, round_id: int, number: int, given: dict[str, str]) -> EyeRound:
    """Answer the next bead of one's own round: what is wrong, why, and what is to change; the cause comes back accordingly.

    Raises:
        NotFound: no round of one's own. WrongState: another bead is next. InvalidValue: none of what may be answered.
    """
    round_of(user, round_id)
    found = EyeRound.objects.select_for_update().get(pk=round_id)
    if number != len(found.answers) + 1 or found.finished_at is not None:
        raise WrongState(said("refused-another-bead-is-next"))
    of = eye.Question.from_json(found.questions[number - 1])
    for key, allowed in (("symptom", of.symptoms), ("cause", of.causes), ("change", of.changes)):
        if given[key] not in allowed:
            raise InvalidValue(key, given[key], one_of(allowed))
    parts = eye.points(of, **given)
    found.answers = [*found.answers, given]
    found.score += eye.total(parts)
    now = timezone.now()
    if of.cause != eye.SOUND:
        before = EyeCard.objects.filter(user=user, cause=of.cause).first()
        card, due = eye.review(before.card if before else None, parts["cause"], now)
        EyeCard.objects.update_or_create(user=user, cause=of.cause, defaults={"card": card, "due": due})
    if len(found.answers) == len(found.questions):
        found.finished_at = now
    found.save()
    return found
