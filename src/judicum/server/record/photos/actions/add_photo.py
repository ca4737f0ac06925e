"""Adding a whole photo to an attempt and asking for its measurement."""

from datetime import datetime

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import InvalidValue, one_of, said
from judicum.core.photo.picture_file import MAX_BYTES
from judicum.server.people.accounts.models import User
from judicum.server.platform import request_id
from judicum.server.record.attempts.actions.log_run import MAX_RUNS
from judicum.server.record.attempts.queries import held_own
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance
from judicum.server.record.photos.actions.request_measurement import (
    AT_ONCE,
    measure_in_two_lights,
    request_measurement,
)
from judicum.server.record.photos.models import Photo, PhotoKind, StoredPicture

NUMBERED = (PhotoKind.RUN, PhotoKind.TRIAL)
"""Kinds of photo that say of which run, or of which trial, they are."""


def check_size(size: int, field: str = "size") -> None:
    """Raises InvalidValue, of this field, for an empty file or one over 25 MB."""
    if not 0 < size <= MAX_BYTES:
        raise InvalidValue(field, size, said("allowed-1-to-bytes-mb", most=MAX_BYTES, most_2=MAX_BYTES >> 20))


def step_for(kind: str) -> AttemptStep:
    """The step that a photo of this kind takes: the bead moves the attempt on, other views only join it.

    Raises:
        InvalidValue: no such kind.
    """
    if kind not in PhotoKind.values:
        raise InvalidValue("kind", kind, one_of(PhotoKind.values))
    return AttemptStep.ADD_PHOTO if kind == PhotoKind.BEAD else AttemptStep.ADD_VIEW


def check_run(kind: str, run: int | None) -> None:
    """Raises InvalidValue unless a photo of a run or a trial names which, and no other names one."""
    if (kind in NUMBERED) != (run is not None) or (run is not None and not 1 <= run <= MAX_RUNS):
        raise InvalidValue("run", run, said("allowed-run-of-photo", most=MAX_RUNS))


def add_photo(
    user: User,
    attempt_id: int,
    picture: StoredPicture,
    name: str = "",
    at: datetime | None = None,
    measure: bool = True,
    kind: str = PhotoKind.BEAD,
    run: int | None = None,
) -> Photo:
    """Add a stored picture to one's own attempt; one of the bead, a run or a trial is measured in the background.

    Raises:
        InvalidValue: as `check_run`. WrongState: nothing logged yet, or already marked. NotFound, NotAllowed: not one's own attempt.
    """
    check_run(kind, run)
    with transaction.atomic():
        attempt = held_own(user, attempt_id)
        if attempt.answer and kind == PhotoKind.BEAD:  # what was asked for has come
            attempt.answer = ""
            attempt.save(update_fields=["answer"])
        advance(attempt, step_for(kind), user, at, sha256=picture.pk, kind=kind)
        photo = Photo.objects.create(
            attempt=attempt,
            picture=picture,
            kind=kind,
            run=run,
            name=name[:200],
            sent_by=user,
            sent_at=at or timezone.now(),
            request_id=request_id.current(),
        )
        if measure and kind in AT_ONCE:
            request_measurement(photo)
        if measure and kind == PhotoKind.LAMP:
            measure_in_two_lights(attempt)
    return photo
