"""Receiving a file piece by piece, so that a lost connection loses nothing already sent."""

import os
from contextlib import suppress
from datetime import datetime, timedelta
from pathlib import Path
from uuid import UUID

from django.conf import settings
from django.db import transaction

from judicum.core.errors import InvalidValue, JudicumError, NoRoom, NotAllowed, WrongState
from judicum.server.accounts.models import User
from judicum.server.attempts.queries import attempt_for
from judicum.server.attempts.states import allowed
from judicum.server.photos.actions.send_photo import check_size, send_photo, step_for
from judicum.server.photos.models import PhotoKind, Upload
from judicum.server.photos.queries import upload_for
from judicum.server.photos.storage import room_or_words, store_picture

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

    The whole length is told only once the photo is stored and its row committed: until then the upload stands where the
    last piece began, and the phone sends that one again. One that was sent twice is answered as it was the first time.

    Raises:
        OffsetConflict: the piece does not begin at `received`. InvalidValue: more than announced.
        UnreadablePicture: the whole file is no picture; the upload is then discarded.
        NoRoom: the disk is full; nothing of the piece is kept. NotFound: no such upload of this person.
    """
    with transaction.atomic():
        upload = upload_for(user, upload_id)
        upload = Upload.objects.select_for_update().get(pk=upload.pk)
        end = offset + len(piece)
        if upload.photo_id is not None and end == upload.size:
            return upload
        if offset != upload.received:
            raise OffsetConflict(f"The piece begins at {offset}; {upload.received} bytes have arrived.")
        if end > upload.size:
            raise InvalidValue("Upload-Offset", end, f"at most the announced {upload.size} bytes")
        with room_or_words():
            _append(_part(upload), offset, piece)
        if end < upload.size:
            upload.received = end
            upload.save(update_fields=["received"])
            return upload
        whole = _part(upload).read_bytes()
    return _finish(upload, whole)


def _append(part: Path, offset: int, piece: bytes) -> None:
    """Write a piece at its place and flush it; where that fails the file is as it was."""
    with part.open("r+b" if offset else "wb") as file:
        try:
            file.seek(offset)
            file.write(piece)
            file.truncate()
            file.flush()
            os.fsync(file.fileno())
        except OSError:
            file.truncate(offset)
            raise


def _finish(upload: Upload, whole: bytes) -> Upload:
    """Store a whole file and make its photo, in one step with the upload's last offset.

    A file that is no picture, or that may not be added any more, is discarded; whatever else goes wrong leaves the
    upload as it was.
    """
    user, part = upload.user, _part(upload)
    try:
        check_size(len(whole))
        store_picture(whole)  # decoded before any row is held; again by send_photo it is only looked up
        with transaction.atomic():
            upload = Upload.objects.select_for_update().get(pk=upload.pk)
            if upload.photo_id is None:
                upload.photo = send_photo(user, upload.attempt_id, whole, upload.name, kind=upload.kind)
                upload.received = upload.size
                upload.save(update_fields=["photo", "received"])
    except NoRoom:
        raise
    except JudicumError:
        upload.delete()
        part.unlink(missing_ok=True)
        raise
    part.unlink(missing_ok=True)
    return upload


def finish_whole() -> int:
    """Make the photos of files that have wholly arrived and whose sender never came back; returns how many.

    The last piece of such a file was written when the server or the database went away.
    """
    finished = 0
    for upload in Upload.objects.filter(photo=None).select_related("user"):
        part = _part(upload)
        if part.exists() and part.stat().st_size == upload.size:
            with suppress(JudicumError):
                _finish(upload, part.read_bytes())
                finished += 1
    return finished


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
