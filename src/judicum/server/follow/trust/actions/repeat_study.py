"""A repeat study of a course: planning it, measuring its photos one by one, dropping it."""

import secrets
from collections.abc import Sequence
from dataclasses import astuple
from typing import Any

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import InvalidValue, NotFound, UnreadablePicture, said
from judicum.core.photo.refuse import NotMeasured
from judicum.core.photo.strip_frame import OVERHANG_MM
from judicum.core.trust.repeat import BEADS, MAX_TURNS, PEOPLE, PHONES, PHOTOS, turns
from judicum.server.follow.trust.models import RepeatStudy, StudyPhoto
from judicum.server.follow.trust.queries import study_for
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.server.platform.sandbox import run_in_sandbox
from judicum.server.record.photos.actions.add_photo import check_size
from judicum.server.record.photos.engines import measuring_for
from judicum.words.photo import refusal

MAX_NAME = 40
MAX_STUDIES = 20
"""Of a course: each keeps its strips."""


def start_study(
    user: User, course_id: int, beads: int, people: Sequence[str], phones: Sequence[str], photos: int
) -> RepeatStudy:
    """Plan a study in a random order, for a course one teaches.

    Raises:
        InvalidValue: too few or too many of anything, or names that are empty, too long or twice. NotFound, NotAllowed: not one's own
        course.
    """
    course = staff_of(user, course_id).course
    for field, given, (least, most) in (
        ("beads", beads, BEADS),
        ("people", len(people), PEOPLE),
        ("phones", len(phones), PHONES),
        ("photos", photos, PHOTOS),
    ):
        if not least <= given <= most:
            raise InvalidValue(field, given, said("allowed-from-to", low=least, high=most))
    for field, names in (("people", people), ("phones", phones)):
        for name in names:
            if not 1 <= len(name) <= MAX_NAME:
                raise InvalidValue(field, name[:MAX_NAME], said("allowed-1-to-characters", most=MAX_NAME))
        if len(set(names)) < len(names):
            raise InvalidValue(field, ", ".join(names), said("allowed-names-once"))
    count = beads * len(people) * len(phones) * photos
    if count > MAX_TURNS:
        raise InvalidValue("photos", count, said("allowed-at-most-of-them", most=MAX_TURNS))
    if RepeatStudy.objects.filter(course=course).count() >= MAX_STUDIES:
        raise InvalidValue("studies", MAX_STUDIES, said("allowed-at-most-of-them", most=MAX_STUDIES))
    order = turns(beads, len(people), len(phones), photos, secrets.randbits(32))
    return RepeatStudy.objects.create(
        course=course,
        beads=beads,
        people=list(people),
        phones=list(phones),
        turns=[astuple(turn) for turn in order],
        started_by=user,
        started_at=timezone.now(),
    )


def take_study_photo(user: User, study_id: int, turn: int, data: bytes) -> RepeatStudy:
    """Measure the photo of a turn, in a process of its own, and keep its figures; taken again, the newer one counts.

    Raises:
        InvalidValue: no such turn, or a file too large. UnreadablePicture: no picture, or the bead cannot be measured.
        Busy: no slot came free. NotFound, NotAllowed: no study of a course one teaches.
    """
    study = study_for(user, study_id)
    if not 0 <= turn < len(study.turns):
        raise InvalidValue("turn", turn, said("allowed-from-to", low=0, high=len(study.turns) - 1))
    check_size(len(data), "photo")
    with measuring_for(user.workshop_id):
        made, strip = run_in_sandbox("measure", data)
    if made["refusal"] is not None:
        why = made["refusal"].pop("why")
        refused = NotMeasured(**made["refusal"], why=said(why["name"], **why["variables"]) if why else None)
        raise UnreadablePicture(said("refused-study-photo", why=refusal(refused)))
    report = made["report"]
    with transaction.atomic():
        if not RepeatStudy.objects.select_for_update().filter(pk=study.pk).exists():
            raise NotFound(said("refused-there-is-no-study", study_id=study_id))
        StudyPhoto.objects.update_or_create(
            study=study,
            turn=turn,
            defaults={
                "figures": _figures(report),
                "strip": strip,
                "wide_mm": report["bead"]["length_mm"] + 2 * OVERHANG_MM,
                "at": timezone.now(),
            },
        )
    return study


def _figures(report: dict[str, Any]) -> dict[str, Any]:
    """What of a measurement a study compares."""
    ripple, tint = report["ripple"] or {}, report["tint"]
    return {
        "width_mm": report["bead"]["width_mm"]["mean"],
        "width_cv": report["bead"]["width_mm"]["cv"],
        "pitch_mm": ripple.get("pitch_mm"),
        "pitch_cv": ripple.get("cv"),
        "tint": tint["bead"]["name"] if tint else "",
        "faults": sorted({fault["kind"] for fault in report["defects"] or []}),
    }


def drop_study(user: User, study_id: int) -> None:
    """Delete a study with its photos. NotFound, NotAllowed: no study of a course one teaches."""
    study_for(user, study_id).delete()
