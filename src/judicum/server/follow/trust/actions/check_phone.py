"""Measuring a photo of the check target, in a process of its own, and keeping what it said."""

from datetime import datetime, timedelta
from typing import Any

from django.utils import timezone

from judicum.core.errors import InvalidValue, said
from judicum.server.follow.trust.models import PhoneCheck
from judicum.server.people.accounts.models import User
from judicum.server.platform.sandbox import run_in_sandbox
from judicum.server.record.photos.actions.add_photo import check_size
from judicum.server.record.photos.engines import measuring_for

MAX_NAME = 60
ASKED_AGAIN = timedelta(days=365)
"""A phone that was checked longer ago is checked anew: its camera's program has changed since."""


def check_phone(user: User, phone: str, data: bytes, at: datetime | None = None) -> PhoneCheck:
    """Measure a photo of the check target and keep the figures under the phone's name; the photo is not kept.

    Raises:
        InvalidValue: no name, too long a one, or a file too large. UnreadablePicture: no picture. Busy: no slot came free.
    """
    name = phone.strip()
    if not 1 <= len(name) <= MAX_NAME:
        raise InvalidValue("phone", phone[:MAX_NAME], said("allowed-1-to-characters", most=MAX_NAME))
    check_size(len(data), "photo")
    with measuring_for(user.workshop_id):
        figures: dict[str, Any] = run_in_sandbox("phone", data)[0]
    uncertainty = figures.pop("uncertainty_mm")
    return PhoneCheck.objects.create(
        user=user, phone=name, figures=figures, uncertainty_mm=uncertainty, at=at or timezone.now()
    )
