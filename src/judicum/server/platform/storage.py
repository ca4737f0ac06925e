"""Files through Django's storage API, named by the hash of their bytes."""

import errno
import hashlib
import os
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from django.core.files.base import ContentFile
from django.core.files.storage import FileSystemStorage, default_storage

from judicum.core.errors import NoRoom, said


class WholeFiles(FileSystemStorage):
    """Files that are there whole or not at all: written aside, flushed, then renamed."""

    def _save(self, name: str, content: Any) -> str:
        target = Path(self.path(name))
        target.parent.mkdir(parents=True, exist_ok=True)
        handle, aside = tempfile.mkstemp(dir=target.parent, prefix=".", suffix=".part")
        try:
            with os.fdopen(handle, "wb") as file:
                for chunk in content.chunks():
                    file.write(chunk)
                file.flush()
                os.fsync(file.fileno())
            Path(aside).chmod(self.file_permissions_mode or 0o644)
            Path(aside).replace(target)
        except BaseException:
            Path(aside).unlink(missing_ok=True)
            raise
        folder = os.open(target.parent, os.O_RDONLY)
        try:
            os.fsync(folder)
        finally:
            os.close(folder)
        return name


NO_ROOM = "refused-no-room"
"""What is said where nothing else is."""


@contextmanager
def room_or_words(message: str = NO_ROOM) -> Iterator[None]:
    """Turns a full disk into words. Raises NoRoom."""
    try:
        yield
    except OSError as error:
        if error.errno not in (errno.ENOSPC, errno.EDQUOT):
            raise
        raise NoRoom(said(message)) from error


def store_file(folder: str, suffix: str, data: bytes) -> str:
    """Write bytes under the hash of their content; returns the name.

    A file that is there already is checked before it is trusted, and written again where it is not what its name says.
    What a name holds never changes, so that a row restored from a backup finds its own file or none.

    Raises:
        NoRoom: the disk is full; nothing is left behind.
    """
    digest = hashlib.sha256(data).hexdigest()
    name = f"{folder}/{digest[:2]}/{digest}.{suffix}"
    if not holds(name, digest, len(data)):
        with room_or_words():
            default_storage.delete(name)
            default_storage.save(name, ContentFile(data))
    return name


def holds(name: str, digest: str, size: int) -> bool:
    """Whether a file is there with the bytes that its name says."""
    if not default_storage.exists(name) or default_storage.size(name) != size:
        return False
    with default_storage.open(name) as file:
        return hashlib.file_digest(file, "sha256").hexdigest() == digest
