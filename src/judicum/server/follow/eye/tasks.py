"""The worker's task: drawing the beads of a round, one after another, so that the first is there while the rest are drawn."""

from dataclasses import replace

from procrastinate.contrib.django import app

from judicum.camera import take_photo
from judicum.camera.welders import Welder, case_of
from judicum.core.eye import SOUND, Question
from judicum.server.follow.eye.models import EyeBead, EyeRound

SIZE = (1280, 960)
"""Pixels of a photo: as wide as a page shows it."""
QUALITY = 85


@app.task(name="eye.draw", queue="reports")
def draw_round(round_id: int) -> None:
    """Draw what is not drawn yet; nothing where the round is over."""
    found = EyeRound.objects.filter(pk=round_id, finished_at=None).first()
    if found is None:
        return
    drawn = set(found.beads.values_list("number", flat=True))
    for number, raw in enumerate(found.questions, 1):
        if number not in drawn:
            of = Question.from_json(raw)
            scene, case = case_of(Welder(() if of.cause == SOUND else (of.cause,), of.seed, bad=of.bad))
            view = replace(scene.view, size=SIZE, jpeg_quality=QUALITY)
            jpeg = take_photo(replace(scene, view=view)).jpeg
            EyeBead.objects.get_or_create(round=found, number=number, defaults={"jpeg": jpeg, "case": case})
