"""The worker's task: drawing the beads of a round, one after another, so that the first is there while the rest are drawn."""

from dataclasses import replace

import cv2
import numpy as np
from procrastinate.contrib.django import app

from judicum.camera import Scene, take_photo
from judicum.camera.welders import Welder, case_of
from judicum.core.eye import SOUND, Question
from judicum.server.follow.eye.models import EyeBead, EyeRound

SIZE = (2000, 1500)
"""Pixels of the photo of which the bead is cut out."""
AROUND_MM = 14.0
"""Plate around the bead: as far as heat colours it."""
QUALITY = 88


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
            jpeg = _close(replace(scene, view=replace(scene.view, size=SIZE)))
            EyeBead.objects.get_or_create(round=found, number=number, defaults={"jpeg": jpeg, "case": case})


def _close(scene: Scene) -> bytes:
    """The photo of a bead with the plate around it, as a JPEG."""
    assert scene.bead is not None
    photo = take_photo(scene)
    along = np.deg2rad(scene.angle_deg)
    ends = np.array([scene.start_mm, scene.start_mm + scene.bead.length_mm * np.array([np.cos(along), np.sin(along)])])
    low, high = ends.min(axis=0) - AROUND_MM, ends.max(axis=0) + AROUND_MM
    corners = np.array([[low, (high[0], low[1]), high, (low[0], high[1])]])
    seen = cv2.perspectiveTransform(corners.astype(np.float64), photo.to_px)[0]
    whole = cv2.imdecode(np.frombuffer(photo.jpeg, np.uint8), cv2.IMREAD_COLOR)
    assert whole is not None
    (left, top), (right, bottom) = np.clip([seen.min(axis=0), seen.max(axis=0)], 0, whole.shape[1::-1]).astype(int)
    _, cut = cv2.imencode(".jpg", whole[top:bottom, left:right], [cv2.IMWRITE_JPEG_QUALITY, QUALITY])
    return cut.tobytes()
