"""Backups of everything: the database by its own dump, and the files it names, of one moment.

A backup is a zip: `database.dump` (PostgreSQL's custom format), files under `files/`, and `manifest.json` with a checksum of
each, and a checksum of each table's rows. Those that are made daily share their files: these lie beside them in `files/`, each once.
Where the owner keeps a key, all of it is sealed (`sealed`).
"""

import hashlib
import json
import os
import shutil
import subprocess
import tempfile
import zipfile
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import datetime
from pathlib import Path
from typing import Any

import psycopg
from django.core.files.storage import default_storage
from django.db import connection, transaction

from judicum.core.errors import InvalidValue, said
from judicum.server.exchange.archive.write import Entry, stored_entry, write_whole, zip_of
from judicum.server.exchange.sealed import SUFFIX, copied, recipient, unseal, unsealed
from judicum.server.exchange.stored import FOLDERS, digest_of, files_there, named_files
from judicum.server.platform.file_lock import files_stay
from judicum.server.platform.storage import room_or_words

FORMAT = "judicum-backup"
VERSION = 1
DUMP = "database.dump"
NO_ROOM = "refused-no-room-for-backup"
NOT_DUMPED = ("cache", "photos_upload")
"""Tables whose rows are not worth keeping: what is counted at the door, and photos of which only pieces have arrived."""


class CannotBackUp(Exception):
    """A program of PostgreSQL failed; the message is its last line."""


def back_up(target: Path, at: datetime, pool: Path | None = None, all_files: bool = False) -> dict[str, Any]:
    """Write a backup while everything runs; returns its manifest, without the list of files but with how many.

    Args:
        target: the zip; it is there whole or not at all. pool: the folder in which its files lie beside it; None for within.
        all_files: every file of the store, named by a row or not: of tables that belong to another version.

    Raises:
        CannotBackUp: the database cannot be dumped. NoRoom: the disk is full.
    """
    with room_or_words(NO_ROOM), files_stay(), _dumped(all_files) as (dump, names, rows):
        missing = [name for name in sorted(names) if not default_storage.exists(name)]
        there = sorted(names - set(missing))
        entries = [Entry(DUMP, lambda: dump.open("rb"))]
        about: dict[str, Any] = {
            "format": FORMAT, "version": VERSION, "at": at.isoformat(), "missing": missing, "rows": rows,
            "beside": [] if pool is None else _pooled(pool, there),
        }  # fmt: skip
        if pool is None:
            entries += [stored_entry(name, name) for name in there]
        write_whole(target, zip_of(entries, about))
    return {"missing": missing, "files": len(there), "bytes": target.stat().st_size}


@contextmanager
def _dumped(all_files: bool) -> Iterator[tuple[Path, set[str], dict[str, str]]]:
    """The database's dump in a file of its own, the names of files and what every table holds, all of the same moment."""
    with tempfile.TemporaryDirectory(prefix="judicum-dump-") as folder, transaction.atomic():
        with connection.cursor() as cursor:
            cursor.execute("SET TRANSACTION ISOLATION LEVEL REPEATABLE READ, READ ONLY")
            cursor.execute("SELECT pg_export_snapshot()")
            snapshot = cursor.fetchone()[0]
            rows = rows_of(cursor)
        dump = Path(folder) / DUMP
        without = [f"--exclude-table-data={name}" for name in NOT_DUMPED]
        postgres("pg_dump", "--format=custom", "--no-owner", f"--snapshot={snapshot}", *without, "-f", str(dump))
        yield dump, {name for folder in FOLDERS for name in files_there(folder)} if all_files else named_files(), rows


def rows_of(cursor: Any) -> dict[str, str]:
    """What every table holds, in short: how many rows, and the sum of their hashes."""
    cursor.execute("SELECT tablename FROM pg_tables WHERE schemaname = 'public' ORDER BY 1")
    tables = [name for (name,) in cursor.fetchall() if name not in NOT_DUMPED]
    found = {}
    for name in tables:
        cursor.execute(f'SELECT count(*), coalesce(sum(hashtextextended(t::text, 0)::numeric), 0) FROM "{name}" t')
        count, total = cursor.fetchone()
        found[name] = f"{count} {total}"
    return found


def postgres(program: str, *arguments: str, database: str | None = None) -> str:
    """Run one of PostgreSQL's programs on our database, or on another beside it. Raises CannotBackUp."""
    newest = sorted(Path("/usr/lib/postgresql").glob(f"*/bin/{program}"), key=lambda p: int(p.parts[-3]))
    where = connection.settings_dict
    env = {**os.environ, "PGPASSWORD": where["PASSWORD"] or ""}
    at = ["-h", where["HOST"], "-p", str(where["PORT"]), "-U", where["USER"], "-d", database or where["NAME"]]
    command = [str(newest[-1] if newest else program), *at, *arguments]
    done = subprocess.run(command, env=env, capture_output=True, text=True, stdin=subprocess.DEVNULL)
    if done.returncode:
        said = done.stderr.strip().splitlines()
        raise CannotBackUp(f"{program}: {said[-1] if said else done.returncode}")
    return done.stdout


def connected(database: str) -> psycopg.Connection[Any]:
    """A connection to another database of our server; each statement stands for itself."""
    where = connection.settings_dict
    return psycopg.connect(
        host=where["HOST"], port=where["PORT"], user=where["USER"], password=where["PASSWORD"], dbname=database, autocommit=True
    )  # fmt: skip


def _pooled(pool: Path, names: list[str]) -> list[dict[str, Any]]:
    """Copy what the pool does not have yet; every file with its size and checksum."""
    to, listed = recipient(), []
    for name in names:
        size = default_storage.size(name)
        target = pool / (name + (SUFFIX if to else ""))
        # A sealed file's size says little, but its name says what it holds, and it was written whole.
        if not target.exists() or (to is None and target.stat().st_size != size):
            target.parent.mkdir(parents=True, exist_ok=True)
            with default_storage.open(name) as file:
                copied(file, target, to)
        listed.append({"name": name, "bytes": size, "sha256": digest_of(name), "sealed": to is not None})
    return listed


class Backup:
    """A backup that was opened and whose every byte was checked, but for what is sealed where there is no key.

    Args:
        pool: the folder of files beside it. key: the owner's identity, where they are sealed.
    """

    def __init__(self, path: Path, pool: Path | None = None, key: str | None = None) -> None:
        self._key = key
        try:
            self._zip = zipfile.ZipFile(path)
            self.manifest = json.loads(self._zip.read("manifest.json"))
            kind, version = self.manifest["format"], self.manifest["version"]
        except (zipfile.BadZipFile, KeyError, ValueError) as error:
            raise InvalidValue("backup", path.name, said("allowed-a-backup-whole")) from error
        if kind != FORMAT or version != VERSION:
            raise InvalidValue("backup", f"{kind} {version}", said("allowed-text", format=FORMAT, version=VERSION))
        self._pool = pool or path.parent / "files"
        inside = {one["name"].removeprefix("files/"): one for one in self.manifest["files"]}
        self._beside = {one["name"]: one for one in self.manifest["beside"]}
        self._inside = {name: one for name, one in inside.items() if name != DUMP}
        self._check(inside[DUMP], self.dump)
        for name, one in {**self._inside, **self._beside}.items():
            if key or not one.get("sealed"):
                self._check(one, lambda name=name: self.opened(name))
            elif not (self._pool / (name + SUFFIX)).exists():
                raise self._lost(name)

    @staticmethod
    def listed(path: Path) -> list[str]:
        """Names of the files that a backup has beside it."""
        with zipfile.ZipFile(path) as file:
            return [one["name"] for one in json.loads(file.read("manifest.json"))["beside"]]

    def _lost(self, name: str) -> InvalidValue:
        return InvalidValue(name, None, said("allowed-a-file-in-beside-the-backup", pool=str(self._pool)))

    @property
    def names(self) -> list[str]:
        return sorted({*self._inside, *self._beside})

    def dump(self) -> Any:
        return self._zip.open(DUMP)

    def opened(self, name: str) -> Any:
        """A file's bytes. Raises InvalidValue: it is not beside the backup any more."""
        if name in self._inside:
            return self._zip.open(f"files/{name}")
        try:
            if not self._beside[name].get("sealed"):
                return (self._pool / name).open("rb")
            opened = tempfile.TemporaryFile()  # noqa: SIM115
            with (self._pool / (name + SUFFIX)).open("rb") as source:
                unseal(source, opened, self._key or "")
            opened.seek(0)
        except FileNotFoundError as error:
            raise self._lost(name) from error
        return opened

    @staticmethod
    def _check(one: dict[str, Any], opened: Any) -> None:
        try:
            with opened() as file:
                digest = hashlib.file_digest(file, "sha256").hexdigest()
        except zipfile.BadZipFile as error:
            raise InvalidValue(one["name"], str(error), said("allowed-a-file-that-can-be-unpacked")) from error
        if digest != one["sha256"]:
            raise InvalidValue(one["name"], "other bytes", said("allowed-what-the-manifest-says-the-backup"))


def restore(path: Path, key: str | None = None) -> dict[str, Any]:
    """Put a backup into an empty database and store: all of it or, as far as the database goes, nothing.

    Files come first; a row never names one that is not there. The rows come in one transaction.

    Raises:
        InvalidValue: no backup, altered, cut short, sealed with another key, or there are tables already. CannotBackUp: the dump cannot be
            read.
    """
    with connection.cursor() as cursor:
        if connection.introspection.table_names(cursor):
            raise InvalidValue("database", "tables", said("allowed-an-empty-database-a-backup-is"))
    with unsealed(path, key) as plain:
        return _restore(Backup(plain, pool=path.parent / "files", key=key))


def _restore(backup: Backup) -> dict[str, Any]:
    for name in backup.names:
        with backup.opened(name) as file:
            default_storage.delete(name)
            default_storage.save(name, file)
    with tempfile.TemporaryDirectory(prefix="judicum-restore-") as folder:
        dump = Path(folder) / DUMP
        with backup.dump() as file, dump.open("wb") as out:
            shutil.copyfileobj(file, out)
        connection.close()
        postgres("pg_restore", "--single-transaction", "--exit-on-error", "--no-owner", str(dump))
    return {"at": backup.manifest["at"], "files": len(backup.names)}
