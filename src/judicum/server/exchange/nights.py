"""Each night a backup that is tried: restored into a database of its own, compared with what it was made of, thrown away; then kept by
days, weeks and months, and copied off the site."""

import json
import tempfile
import time
from collections.abc import Iterable
from dataclasses import asdict, dataclass
from datetime import datetime
from pathlib import Path
from typing import Any

import psycopg
from django.core.files.base import File
from django.core.files.storage import storages
from django.db import connection

from judicum.server.exchange.backup import Backup, CannotBackUp, back_up, connected, postgres, rows_of
from judicum.server.exchange.sealed import SUFFIX, copied, recipient

STATUS = "last.json"
"""What came of the last night, for whoever looks after the server."""
OFFSITE = "offsite"
"""The store to which backups are copied, where one is named (settings.STORAGES)."""


@dataclass(frozen=True)
class Keep:
    """How many stay: the newest of so many days, of so many weeks, of so many months."""

    days: int
    weeks: int = 0
    months: int = 0


@dataclass(frozen=True)
class Night:
    """What came of a night: when, how large, how long the restore that was tried took (None: it came to nothing, as `failed` says), and
    the tables of which it gave other rows (`differs`)."""

    at: str
    file: str
    bytes: int
    tried_s: float | None
    failed: str
    differs: list[str]
    offsite: str
    """When it was copied off the site, or why not; nothing where there is no such store."""

    @property
    def sound(self) -> bool:
        """Whether what was restored is what was backed up."""
        return self.tried_s is not None and not self.differs


def save_night(folder: Path, at: datetime, keep: Keep) -> Night:
    """One more backup in a folder of them, tried, and the older ones thinned out.

    Raises:
        CannotBackUp: the database cannot be dumped. NoRoom: the disk is full.
    """
    pool = folder / "files"
    pool.mkdir(parents=True, exist_ok=True)
    name = f"judicum-{at:%Y%m%d-%H%M%S}.zip"
    to = recipient()
    with tempfile.TemporaryDirectory(prefix="judicum-night-") as aside:
        plain = Path(aside) / name
        back_up(plain, at, pool)
        seconds, failed, differs = _tried(plain, pool)
        names = Backup.listed(plain)
        final = folder / (name + (SUFFIX if to else ""))
        with plain.open("rb") as source:
            copied(source, final, to)
    # What a sealed backup holds cannot be asked of it: which files it shares stands beside it, by their hash.
    _names_beside(final).write_text("\n".join(names))
    _thin(folder, keep)
    night = Night(at.isoformat(), final.name, final.stat().st_size, seconds, failed, differs, _copy_off(folder, at))
    (folder / STATUS).write_text(json.dumps(asdict(night)))
    return night


def last_night(folder: Path) -> Night | None:
    """What came of the last night; None where none has passed."""
    try:
        return Night(**json.loads((folder / STATUS).read_text()))
    except (OSError, ValueError, TypeError):
        return None


def _tried(plain: Path, pool: Path) -> tuple[float | None, str, list[str]]:
    """Restore a backup into a database of its own and compare it: seconds it took, why it came to nothing, tables that differ."""
    begun = time.monotonic()
    try:
        differs = try_restore(plain, pool)
    except (CannotBackUp, psycopg.Error, OSError, ValueError) as error:
        return None, str(error).strip().splitlines()[0], []
    return round(time.monotonic() - begun, 1), "", differs


def try_restore(plain: Path, pool: Path) -> list[str]:
    """Bring a backup up beside our database, compare every table with what the manifest says it held, and drop it.

    Returns:
        tables that hold something else.
    """
    backup = Backup(plain, pool=pool)
    name = f"{connection.settings_dict['NAME']}_tried"
    with connected("postgres") as admin:
        admin.execute(f'DROP DATABASE IF EXISTS "{name}" WITH (FORCE)')
        admin.execute(f'CREATE DATABASE "{name}"')
        try:
            with tempfile.TemporaryDirectory(prefix="judicum-tried-") as folder:
                dump = Path(folder) / "database.dump"
                with backup.dump() as source:
                    copied(source, dump, None)
                postgres(
                    "pg_restore", "--single-transaction", "--exit-on-error", "--no-owner", str(dump), database=name
                )
            with connected(name) as tried, tried.cursor() as cursor:
                found = rows_of(cursor)
        finally:
            admin.execute(f'DROP DATABASE IF EXISTS "{name}" WITH (FORCE)')
    return sorted(table for table, rows in backup.manifest["rows"].items() if found.get(table) != rows)


def kept(names: Iterable[str], keep: Keep) -> set[str]:
    """Which of some backups stay, by the day in their name: the newest of each of the last days, weeks and months that have one."""
    stays: set[str] = set()
    newest_first = sorted(names, reverse=True)
    for count, period in ((keep.days, "%Y-%m-%d"), (keep.weeks, "%G-%V"), (keep.months, "%Y-%m")):
        of: dict[str, str] = {}
        for name in newest_first:
            of.setdefault(f"{_made(name):{period}}", name)
        stays.update(list(of.values())[:count])
    return stays


def _made(name: str) -> datetime:
    return datetime.strptime(name[:23], "judicum-%Y%m%d-%H%M%S")


def _names_beside(backup: Path) -> Path:
    return backup.with_name(f"{backup.name.removesuffix(SUFFIX)}.names")


def _thin(folder: Path, keep: Keep) -> None:
    """Let backups go that do not stay, and the files that none of the others names."""
    every = {path.name for path in folder.glob("judicum-*.zip*") if not path.name.endswith(".names")}
    stays = kept(every, keep)
    for name in every - stays:
        (folder / name).unlink()
        _names_beside(folder / name).unlink(missing_ok=True)
    needed: set[str] = set()
    for name in stays:
        beside = _names_beside(folder / name)
        needed.update(beside.read_text().splitlines() if beside.exists() else Backup.listed(folder / name))
    pool = folder / "files"
    for file in pool.rglob("*"):
        if file.is_file() and str(file.relative_to(pool)).removesuffix(SUFFIX) not in needed:
            file.unlink()


def _copy_off(folder: Path, at: datetime) -> str:
    """Copy what the other store does not have yet, and thin it as here; when, or why not."""
    if OFFSITE not in storages.backends:
        return ""
    try:
        there = storages[OFFSITE]
        here = {
            str(path.relative_to(folder)): path
            for path in folder.rglob("*")
            if path.is_file() and path.name != STATUS and path.name[0] != "."
        }
        # Files first: a backup never names one that is not there.
        for name, path in sorted(here.items(), key=lambda pair: (not pair[0].startswith("files/"), pair[0])):
            if not there.exists(name) or there.size(name) != path.stat().st_size:
                with path.open("rb") as file:
                    there.save(name, File(file))
        for name in _there(there, ""):
            if name not in here:
                there.delete(name)
    except Exception as error:  # whatever a store of somebody else's answers with
        return f"{type(error).__name__}: {error}"[:200]
    return at.isoformat()


def _there(store: Any, folder: str) -> Iterable[str]:
    """Names of all files of a store below a folder of ours."""
    folders, files = store.listdir(folder)
    for name in files:
        if folder or name.startswith("judicum-"):
            yield f"{folder}/{name}".lstrip("/")
    for inner in folders:
        if folder or inner == "files":
            yield from _there(store, f"{folder}/{inner}".lstrip("/"))
