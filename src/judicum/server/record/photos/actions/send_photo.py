"""Sending a picture in one piece, unpacked in this very process: for programs that drew it (demo, benchmarks, tests).

What a stranger sends arrives by `receive_upload`, which unpacks in the sandbox.
"""

from datetime import datetime

from judicum.core.photo.ingest import ingest
from judicum.server.people.accounts.models import User
from judicum.server.record.photos.actions.add_photo import add_photo, check_size
from judicum.server.record.photos.models import Photo, PhotoKind
from judicum.server.record.photos.pictures import store_picture


def send_photo(
    user: User,
    attempt_id: int,
    data: bytes,
    name: str = "",
    at: datetime | None = None,
    measure: bool = True,
    kind: str = PhotoKind.BEAD,
    run: int | None = None,
) -> Photo:
    """Store a picture and add it to one's own attempt.

    Raises:
        UnreadablePicture: no picture. InvalidValue: over 25 MB. Otherwise as `add_photo`.
    """
    check_size(len(data))
    return add_photo(user, attempt_id, store_picture(data, ingest), name, at, measure, kind, run)
