"""Receiving a file in pieces, so that a lost connection costs at most one piece."""

from contextlib import suppress
from datetime import datetime, timedelta
from uuid import UUID, uuid4

from django.conf import settings
from django.core.cache import cache
from django.db import transaction
from django.db.models import Q, Sum

from judicum.core.errors import Busy, InvalidValue, JudicumError, Named, NoRoom, TooMuch, WrongState, said
from judicum.server.people.accounts.models import User
from judicum.server.platform import request_id
from judicum.server.platform.sandbox import ingest_in_sandbox
from judicum.server.record.attempts.actions.accept_once import REMEMBERED, Change
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import own_attempt
from judicum.server.record.attempts.transitions import allowed, state_for
from judicum.server.record.photos.actions.add_photo import add_photo, check_run, check_size, step_for
from judicum.server.record.photos.models import Photo, PhotoKind, Upload
from judicum.server.record.photos.pictures import store_picture
from judicum.server.record.photos.pieces import (
    drop_pieces,
    last_piece_is_there,
    save_piece,
    uploads_with_pieces,
    whole_file,
)
from judicum.server.record.photos.queries import upload_for

MAX_PIECE = 4 * 1024 * 1024
ABANDONED = timedelta(days=2)
"""A phone that has not gone on with an upload for so long has given it up."""
MAX_OPEN = 20
"""Uploads that one person may have under way: what a phone collects in a session without a connection."""
MAX_PHOTOS = 40
"""Photos of one attempt: the bead a few times over, its back, the setup, the torch."""
COUNTED_S = 300
"""A course's bytes are counted anew after this: the limit is there for the disk, not for the last photo."""


PASSING = (NoRoom, Busy)
"""What may be otherwise a little later: the upload waits for it."""


class OffsetConflict(WrongState):
    """A piece that does not begin where the last one ended."""

    code = "offset_conflict"


def begin_upload(
    user: User,
    attempt_id: int,
    size: int,
    name: str,
    kind: str = PhotoKind.BEAD,
    run: int | None = None,
    change: Change | None = None,
) -> Upload:
    """Announce a file for one's own attempt; announced again by the same `change`, it is the same upload.

    Raises:
        InvalidValue: empty, over 25 MB, of no known kind or of no run. WrongState: photos cannot be added now.
        TooMuch: a limit of the person, the attempt or the course is reached. NotFound, NotAllowed: not one's own attempt.
    """
    check_size(size)
    if change is not None and Upload.objects.filter(pk=change.id).exists():
        return upload_for(user, change.id)
    attempt = own_attempt(user, attempt_id)
    if not allowed(attempt, step_for(kind)):
        raise WrongState(said("refused-photo-now", state=Named("state", state_for(attempt, user))))
    check_run(kind, run)
    _check_room(user, attempt, size)
    made, is_new = Upload.objects.get_or_create(
        pk=change.id if change else uuid4(),
        defaults={
            "attempt": attempt,
            "user": user,
            "size": size,
            "name": name[:200],
            "kind": kind,
            "run": run,
            "taken_at": change.happened_at(attempt.created_at) if change else None,
            "request_id": request_id.current(),
        },
    )
    return made if is_new else upload_for(user, made.pk)


def receive_piece(user: User, upload_id: UUID, offset: int, piece: bytes) -> Upload:
    """Append a piece; the last one turns the upload into a photo.

    The whole length is told only once the photo is stored and its row committed: until then the upload stands where the
    last piece began, and the phone sends that one again. One that was sent twice is answered as it was the first time.

    Raises:
        OffsetConflict: the piece does not begin at `received`. InvalidValue: more than announced.
        UnreadablePicture: the whole file is no picture; the upload is then discarded.
        NoRoom: the disk is full; nothing of the piece is kept. NotFound: no such upload of this person.
        NotAllowed, WrongState: let go from the course, or archived, since it began.
    """
    with transaction.atomic():
        upload = upload_for(user, upload_id)
        own_attempt(user, upload.attempt_id)
        upload = Upload.objects.select_for_update().get(pk=upload.pk)
        end = offset + len(piece)
        if upload.photo_id is not None and end == upload.size:
            return upload
        if offset != upload.received:
            raise OffsetConflict(
                said("refused-the-piece-begins-at-bytes-have", offset=offset, received=upload.received)
            )
        if end > upload.size:
            raise InvalidValue("Upload-Offset", end, said("allowed-at-most-the-announced-bytes", size=upload.size))
        save_piece(upload, offset, piece)
        if end < upload.size:
            upload.received, upload.offsets = end, [*upload.offsets, offset]
            upload.save(update_fields=["received", "offsets"])
            return upload
    return _finish(upload)


def _check_room(user: User, attempt: Attempt, size: int) -> None:
    """Raises TooMuch where one more upload of `size` bytes would be over a limit."""
    if Upload.objects.filter(user=user, photo=None).count() >= MAX_OPEN:
        raise TooMuch(said("refused-you-have-photos-under-way-let", most=MAX_OPEN))
    if attempt.photos.count() >= MAX_PHOTOS:
        raise TooMuch(said("refused-this-attempt-has-photos-that-is", most=MAX_PHOTOS))
    mine = Photo.objects.filter(sent_by=user).aggregate(sum=Sum("picture__bytes"))["sum"] or 0
    if mine + size > settings.MAX_BYTES_OF_PERSON:
        most = settings.MAX_BYTES_OF_PERSON / 1e9
        raise TooMuch(said("refused-your-photos-take-gb-gb-is", mine=f"{mine / 1000000000.0:.1f}", most=f"{most:g}"))
    course = (
        cache.get_or_set(f"bytes-of-course-{attempt.course_id}", lambda: _bytes_of(attempt.course_id), COUNTED_S) or 0
    )
    if course + size > settings.MAX_BYTES_OF_COURSE:
        most = settings.MAX_BYTES_OF_COURSE / 1e9
        raise TooMuch(
            said("refused-the-courses-photos-take-gb-gb", course=f"{course / 1000000000.0:.1f}", most=f"{most:g}")
        )


def _bytes_of(course_id: int) -> int:
    return Photo.objects.filter(attempt__course_id=course_id).aggregate(sum=Sum("picture__bytes"))["sum"] or 0


def _finish(upload: Upload) -> Upload:
    """Make the photo of a file all of whose pieces have arrived, in one step with the upload's last offset.

    A file that is no picture, or that may not be added any more, is discarded; where the server is busy, the disk full or
    the database gone, the upload stays as it was.
    """
    try:
        with request_id.bound(upload.request_id):
            try:
                whole = whole_file(upload)
            except FileNotFoundError:
                return _again(upload.pk)
            check_size(len(whole))
            picture = store_picture(whole, ingest_in_sandbox)  # before any row is held
            with transaction.atomic():
                upload = Upload.objects.select_for_update().select_related("user").get(pk=upload.pk)
                if upload.photo_id is None:
                    upload.photo = add_photo(
                        upload.user,
                        upload.attempt_id,
                        picture,
                        upload.name,
                        at=upload.taken_at,
                        kind=upload.kind,
                        run=upload.run,
                    )
                    upload.received = upload.size
                    upload.save(update_fields=["photo", "received"])
    except (*PASSING, OffsetConflict):
        raise
    except JudicumError:
        drop_pieces(str(upload.pk))
        upload.delete()
        raise
    drop_pieces(str(upload.pk))
    return upload


def _again(upload_id: UUID) -> Upload:
    """What becomes of an upload whose pieces are gone: it is the photo that another sender of the last piece made of it meanwhile;
    else it begins anew.

    Raises:
        OffsetConflict: it begins anew; the phone goes on from 0.
    """
    with transaction.atomic():
        upload = Upload.objects.select_for_update().get(pk=upload_id)
        if upload.photo_id is not None:
            return upload
        upload.received, upload.offsets = 0, []
        upload.save(update_fields=["received", "offsets"])
    raise OffsetConflict(said("refused-pieces-gone"))


def finish_whole() -> int:
    """Make the photos of files that have wholly arrived and whose sender never came back; returns how many.

    The last piece of such a file was kept when the server or the database went away.
    """
    finished = 0
    for upload in Upload.objects.filter(photo=None):
        if last_piece_is_there(upload):
            with suppress(JudicumError):
                _finish(upload)
                finished += 1
    return finished


def clear_abandoned(now: datetime) -> int:
    """Remove uploads that nobody went on with for ABANDONED, and all pieces without an upload.

    Returns how many uploads went. One that has become a photo is only a row, by which its phone may ask once more; it goes
    after REMEMBERED.
    """
    there = uploads_with_pieces()
    old = Upload.objects.filter(Q(photo=None, started_at__lt=now - ABANDONED) | Q(started_at__lt=now - REMEMBERED))
    gone = [str(pk) for pk in old.values_list("pk", flat=True)]
    for pk in gone:
        drop_pieces(pk)
    old.delete()
    # Listed before the rows are: an upload that begins meanwhile is not among them.
    known = {str(pk) for pk in Upload.objects.values_list("pk", flat=True)}
    for pk in there:
        if pk not in known:
            drop_pieces(pk)
    return len(gone)
