"""Writing a course's archive: a zip that is sent while it is made, whatever its size."""

import hashlib
import io
import json
import os
import re
import zipfile
from collections.abc import Callable, Iterable, Iterator, Set
from dataclasses import dataclass
from functools import partial
from pathlib import Path, PurePosixPath
from typing import Any

from django.core.files.storage import default_storage
from django.db import connection, transaction
from django.db.models import FileField
from django.utils import timezone

from judicum.server.exchange.archive.rows import written
from judicum.server.exchange.archive.tables import TABLES, Table
from judicum.server.exchange.archive.versions import VERSION
from judicum.server.exchange.stored import PICTURES, digest_of
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.visibility import blind_to

FORMAT = "judicum-course"
BY_CONTENT = re.compile(rf"^({'|'.join(PICTURES)})/[0-9a-f]{{2}}/([0-9a-f]{{64}})\.(jpg|png|heic)$")
"""A file's name says what it holds: SHA-256 of its bytes."""
CHUNK = 1 << 20
ONE_TIME = (1980, 1, 1, 0, 0, 0)
"""Of every entry: the same rows make the same bytes."""


def archive_of(course_id: int, reader: User | None = None) -> Iterator[bytes]:
    """The archive of a course, chunk by chunk; rows are of one moment.

    Args:
        reader: who it is for: attempts that they are to mark blind are written as not marked yet, and the manifest says how
            many (`withheld`). None for whoever runs the server: all of it.

    The caller has looked whether whoever asks may have it.
    """
    outermost = not connection.in_atomic_block
    with transaction.atomic():
        if outermost:
            with connection.cursor() as cursor:
                cursor.execute("SET TRANSACTION ISOLATION LEVEL REPEATABLE READ, READ ONLY")
        withheld = set(Attempt.objects.filter(blind_to(reader), course_id=course_id).values_list("pk", flat=True)) if reader else set()  # fmt: skip
        tables, files = _rows(course_id, reader, withheld)
    more = {"withheld": len(withheld)} if withheld else {}
    yield from zipped(tables, files, {"course": json.loads(tables["course"])["name"], **more})


def _rows(course_id: int, reader: User | None, withheld: Set[int]) -> tuple[dict[str, bytes], dict[str, str]]:
    """Every table's lines, and the store's name of each file by its name in the archive."""
    chosen = [(table, table.rows(course_id, reader)) for table in TABLES]
    numbers: dict[str, dict[Any, int]] = {}
    for table, rows in chosen:
        keys = rows.values_list("pk", flat=True)
        numbers[table.name] = {key: number for number, key in enumerate(keys, 1)}
    files: dict[str, str] = {}
    lines: dict[str, bytes] = {}
    for table, rows in chosen:
        out = io.BytesIO()
        for number, row in enumerate(rows.prefetch_related(*(one.name for one in table.lists)), 1):
            if isinstance(row, Attempt) and row.pk in withheld:
                row.state = row.shown_state
            names = _names(table, row)
            files |= {inside: stored for stored, inside in names.items()}
            line = written(table, row, number, numbers, names)
            out.write(json.dumps(line, ensure_ascii=False, separators=(",", ":")).encode() + b"\n")
        lines[table.name] = out.getvalue()
    return lines, files


def _names(table: Table, row: object) -> dict[str, str]:
    """The archive's name of each file of a row, by the store's."""
    stored = [str(getattr(row, field.name)) for field in table.fields if isinstance(field, FileField)]
    return {name: by_content(name) for name in stored if name}


def by_content(name: str) -> str:
    """The name that says what a file holds; files of earlier days have others."""
    if BY_CONTENT.match(name):
        return name
    digest, path = digest_of(name), PurePosixPath(name)
    folder = path.parts[0] if path.parts[0] in PICTURES else "strips"
    return f"{folder}/{digest[:2]}/{digest}{path.suffix}"


@dataclass(frozen=True)
class Entry:
    """A file that goes into a zip: its name there, how its bytes are opened, whether they are worth packing."""

    name: str
    opened: Callable[[], Any]
    packed: bool = False


def zipped(tables: dict[str, bytes], files: dict[str, str], more: dict[str, object]) -> Iterator[bytes]:
    """Tables and files of an archive, then its manifest."""
    lines = [Entry(f"tables/{name}.jsonl", partial(io.BytesIO, data), packed=True) for name, data in tables.items()]
    entries = [*lines, *(stored_entry(inside, stored) for inside, stored in sorted(files.items()))]
    about = {"format": FORMAT, "version": VERSION, "exported_at": timezone.now().isoformat(), **more}
    yield from zip_of(entries, about)


def stored_entry(inside: str, stored: str) -> Entry:
    """A file of the store."""
    return Entry(f"files/{inside}", lambda: default_storage.open(stored))


def zip_of(entries: Iterable[Entry], about: dict[str, object]) -> Iterator[bytes]:
    """A zip, chunk by chunk as it is made; last in it is `manifest.json`: `about`, and every file with its checksum."""
    sink = _Sink()
    listed: list[dict[str, Any]] = []
    with zipfile.ZipFile(sink, "w") as archive:
        for one in entries:
            total, size = hashlib.sha256(), 0
            how = zipfile.ZIP_DEFLATED if one.packed else zipfile.ZIP_STORED
            with one.opened() as file, archive.open(_info(one.name, how), "w", force_zip64=True) as entry:
                while piece := file.read(CHUNK):
                    entry.write(piece)
                    total.update(piece)
                    size += len(piece)
                    yield sink.take()
            listed.append({"name": one.name, "bytes": size, "sha256": total.hexdigest()})
        manifest = json.dumps({**about, "files": listed}, indent=1)
        archive.writestr(_info("manifest.json", zipfile.ZIP_DEFLATED), manifest)
    yield sink.take()


def write_whole(target: Path, chunks: Iterable[bytes]) -> None:
    """Write a file that is there whole or not at all: aside, flushed, then renamed."""
    aside = target.with_name(f".{target.name}.part")
    try:
        with aside.open("wb") as out:
            out.writelines(chunks)
            out.flush()
            os.fsync(out.fileno())
        aside.replace(target)
    finally:
        aside.unlink(missing_ok=True)


class _Sink(io.RawIOBase):
    """What the zip writes, to be taken piece by piece."""

    def __init__(self) -> None:
        self.parts: list[bytes] = []

    def writable(self) -> bool:
        return True

    def write(self, data: Any) -> int:
        self.parts.append(bytes(data))
        return len(data)

    def take(self) -> bytes:
        made, self.parts = b"".join(self.parts), []
        return made


def _info(name: str, how: int) -> zipfile.ZipInfo:
    info = zipfile.ZipInfo(name, ONE_TIME)
    info.compress_type = how
    info.external_attr = 0o644 << 16
    return info
