"""Pieces of files on their way, in the same store as the pictures: any web server can take the next one."""

from django.core.files.base import ContentFile
from django.core.files.storage import default_storage

from judicum.server.platform.storage import room_or_words
from judicum.server.record.photos.models import Upload

FOLDER = "uploads"


def name_of(upload: Upload, offset: int) -> str:
    return f"{FOLDER}/{upload.pk}/{offset:09d}"


def save_piece(upload: Upload, offset: int, piece: bytes) -> None:
    """Store a piece whole or not at all; one that was sent before is written over. Raises NoRoom."""
    with room_or_words():
        default_storage.save(name_of(upload, offset), ContentFile(piece))


def last_piece_is_there(upload: Upload) -> bool:
    """Whether the piece that makes the file whole has arrived, though nothing was made of it yet."""
    name = name_of(upload, upload.received)
    rest = upload.size - upload.received
    return rest > 0 and default_storage.exists(name) and default_storage.size(name) == rest


def whole_file(upload: Upload) -> bytes:
    """All pieces together, the last one included. Raises FileNotFoundError where one is gone."""
    parts = []
    for offset in (*upload.offsets, upload.received):
        with default_storage.open(name_of(upload, offset)) as file:
            parts.append(file.read())
    return b"".join(parts)


def drop_pieces(upload_id: str) -> None:
    """Remove every piece of an upload, and its folder where the store has folders."""
    folder = f"{FOLDER}/{upload_id}"
    try:
        _, files = default_storage.listdir(folder)
    except FileNotFoundError:
        return
    for file in files:
        default_storage.delete(f"{folder}/{file}")
    default_storage.delete(folder)


def uploads_with_pieces() -> list[str]:
    """Ids of all uploads of which pieces are kept, whether their rows are there or not."""
    try:
        return list(default_storage.listdir(FOLDER)[0])
    except FileNotFoundError:
        return []
