"""Receiving a file piece by piece, so that a lost connection loses nothing already sent."""

import os
from datetime import datetime, timedelta
from pathlib import Path
from uuid import UUID

from django.conf import settings
from django.db import transaction

from judicum.core.errors import InvalidValue, NotAllowed, WrongState
from judicum.server.accounts.models import User
from judicum.server.attempts.queries import attempt_for
from judicum.server.attempts.states import allowed
from judicum.server.photos.actions.send_photo import check_size, send_photo, step_for
from judicum.server.photos.models import PhotoKind, Upload
from judicum.server.photos.queries import upload_for

MAX_PIECE = 4 * 1024 * 1024
ABANDONED = timedelta(days=2)
"""A phone that has not gone on with an upload for so long has given it up."""


class OffsetConflict(WrongState):
    """A piece that does not begin where the last one ended."""

    code = "offset_conflict"


def begin_upload(user: User, attempt_id: int, size: int, name: str, kind: str = PhotoKind.BEAD) -> Upload:
    """Announce a file for one's own attempt.

    Raises:
        InvalidValue: empty, over 25 MB or of no known kind. WrongState: photos cannot be added now.
        NotFound, NotAllowed: not one's own attempt.
    """
    check_size(size)
    attempt = attempt_for(user, attempt_id)
    if attempt.student_id != user.pk:
        raise NotAllowed("Only the student who welds the coupon may do this.")
    if not allowed(attempt, step_for(kind)):
        raise WrongState(
            f"The attempt is {attempt.state}; log the run before its photo, and a marked one takes no more."
        )
    return Upload.objects.create(attempt=attempt, user=user, size=size, name=name[:200], kind=kind)


def receive_piece(user: User, upload_id: UUID, offset: int, piece: bytes) -> Upload:
    """Append a piece; the last one turns the upload into a photo.

    Raises:
        OffsetConflict: the piece does not begin at `received`. InvalidValue: more than announced.
        UnreadablePicture: the whole file is no picture; the upload is then discarded.
        NotFound: no such upload of this person.
    """
    with transaction.atomic():
        upload = upload_for(user, upload_id)
        upload = Upload.objects.select_for_update().get(pk=upload.pk)
        if offset != upload.received:
            raise OffsetConflict(f"The piece begins at {offset}; {upload.received} bytes have arrived.")
        if offset + len(piece) > upload.size:
            raise InvalidValue("Upload-Offset", offset + len(piece), f"at most the announced {upload.size} bytes")
        with _part(upload).open("r+b" if offset else "wb") as part:
            part.seek(offset)
            part.write(piece)
            part.truncate()
            part.flush()
            os.fsync(part.fileno())
        upload.received = offset + len(piece)
        upload.save(update_fields=["received"])
    return _finish(user, upload) if upload.received == upload.size and upload.photo_id is None else upload


def _finish(user: User, upload: Upload) -> Upload:
    part = _part(upload)
    try:
        upload.photo = send_photo(user, upload.attempt_id, part.read_bytes(), upload.name, kind=upload.kind)
    except Exception:
        upload.delete()
        part.unlink(missing_ok=True)
        raise
    upload.save(update_fields=["photo"])
    part.unlink(missing_ok=True)
    return upload


def _part(upload: Upload) -> Path:
    folder = Path(settings.UPLOAD_DIR)
    folder.mkdir(parents=True, exist_ok=True)
    return folder / f"{upload.pk}.part"


def clear_abandoned(now: datetime) -> int:
    """Remove uploads that nobody went on with for ABANDONED, their part files, and part files without an upload.

    Returns how many uploads went. One that has become a photo is only a row and goes too.
    """
    old = Upload.objects.filter(started_at__lt=now - ABANDONED)
    gone = [str(pk) for pk in old.values_list("pk", flat=True)]
    old.delete()
    for pk in gone:
        (Path(settings.UPLOAD_DIR) / f"{pk}.part").unlink(missing_ok=True)
    known = {str(pk) for pk in Upload.objects.values_list("pk", flat=True)}
    folder = Path(settings.UPLOAD_DIR)
    for part in folder.glob("*.part") if folder.exists() else ():
        if part.stem not in known and part.stat().st_mtime < (now - ABANDONED).timestamp():
            part.unlink(missing_ok=True)
    return len(gone)
