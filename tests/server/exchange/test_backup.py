"""Backups: of one moment while everything goes on, back byte by byte, and the old state where one is killed half-way."""

import os
import random
import shutil
import signal
import subprocess
import sys
import time
import zipfile
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

import psycopg
import pytest
from django.core.files.base import ContentFile
from django.core.files.storage import default_storage
from django.db import connection

from judicum.core.errors import InvalidValue
from judicum.server.exchange import nights
from judicum.server.exchange.archive.write import archive_of
from judicum.server.exchange.backup import Backup, CannotBackUp, back_up
from judicum.server.exchange.check import check_data
from judicum.server.exchange.nights import Keep, kept, last_night, save_night
from judicum.server.exchange.sealed import make_key, recipient_file
from judicum.server.exchange.stored import named_files
from judicum.server.record.attempts.models import Attempt, Event
from judicum.server.record.photos.models import StoredPicture
from tests.measured import measured_attempt
from tests.patience import until
from tests.people import Course, create_course

AT = datetime(2031, 3, 4, 2, 0, tzinfo=UTC)
KILLS = 2
"""Of a restore at random moments."""


@pytest.fixture
def course(transactional_db: None) -> Course:
    """Committed, so that PostgreSQL's own programs see it."""
    made = create_course()
    measured_attempt(made)
    return made


def old(name: str) -> None:
    """As if it had been there for an hour."""
    hour_ago = time.time() - 3600
    os.utime(default_storage.path(name), (hour_ago, hour_ago))


def program(env: dict[str, str], *what: str) -> "subprocess.Popen[str]":
    command = [sys.executable, "-m", "django", *what]
    return subprocess.Popen(command, env=env, stdout=subprocess.PIPE, stderr=subprocess.PIPE, text=True)


def asked(env: dict[str, str], sql: str) -> list[Any]:
    with psycopg.connect(env["JUDICUM_DATABASE_URL"]) as there:
        return there.execute(sql).fetchall()  # type: ignore[arg-type]


def tree(folder: Path) -> dict[str, bytes]:
    return {str(p.relative_to(folder)): p.read_bytes() for p in folder.rglob("*") if p.is_file()}


def test_killed_at_random_a_restore_leaves_nothing_and_done_it_leaves_everything(
    course: Course, empty: dict[str, str], tmp_path: Path
) -> None:
    path = tmp_path / "all.zip"
    response = back_up(path, AT)
    assert response["missing"] == []
    assert response["files"] == len(named_files()) == 3
    rows = list(Event.objects.order_by("pk").values_list("id", "kind", "at", "data"))
    Attempt.objects.all().update(answer="written after the backup")
    tables = "SELECT count(*) FROM information_schema.tables WHERE table_schema = 'public'"
    media_there = tmp_path / "other" / "media"
    for k in range(KILLS):
        shutil.rmtree(media_there, ignore_errors=True)
        begun = program(empty, "restore", str(path))
        while not media_there.exists() and begun.poll() is None:
            time.sleep(0.01)
        time.sleep(random.Random(k).uniform(0.0, 0.35))  # while files, then rows, come in
        begun.send_signal(signal.SIGKILL)
        begun.wait()
        until_quiet(empty)
        if asked(empty, tables) != [(0,)]:
            assert asked(empty, "SELECT count(*) FROM attempts_event") == [(len(rows),)], "whole or not at all"
            break
    else:
        done = program(empty, "restore", str(path))
        assert done.wait() == 0, done.stderr and done.stderr.read()
    assert asked(empty, "SELECT id, kind, at, data FROM attempts_event ORDER BY id") == rows
    assert asked(empty, "SELECT DISTINCT answer FROM attempts_attempt") == [("",)], "of the moment it was made"
    media = tree(Path(default_storage.path("")))
    assert tree(media_there) == media
    again = program(empty, "restore", str(path))
    assert again.wait() == 1
    assert again.stderr is not None
    assert "never overwrites" in again.stderr.read()


def test_killed_at_random_an_import_leaves_nothing(course: Course, empty: dict[str, str], tmp_path: Path) -> None:
    path, everything = tmp_path / "course.zip", tmp_path / "all.zip"
    path.write_bytes(b"".join(archive_of(course.row.pk)))
    back_up(everything, AT)
    assert program(empty, "restore", str(everything)).wait() == 0
    with psycopg.connect(empty["JUDICUM_DATABASE_URL"]) as there:
        there.execute("UPDATE courses_course SET key = gen_random_uuid()")  # a server that does not have it
    workshop = course.row.workshop.name
    count = "SELECT (SELECT count(*) FROM courses_course), (SELECT count(*) FROM attempts_event)"
    before = asked(empty, count)
    for k in range(KILLS - 1):
        begun = program(empty, "import_course", str(path), workshop)
        time.sleep(random.Random(k).uniform(1.5, 3.0))
        begun.send_signal(signal.SIGKILL)
        begun.wait()
        until_quiet(empty)
        if asked(empty, count) != before:
            break
    else:
        assert program(empty, "import_course", str(path), workshop).wait() == 0
    courses, events = before[0]
    assert asked(empty, count) == [(courses + 1, 2 * events)], "whole or not at all"


def until_quiet(env: dict[str, str]) -> None:
    """Until what a killed program had begun in the database has ended there too."""
    others = "SELECT count(*) FROM pg_stat_activity WHERE datname = current_database() AND pid <> pg_backend_pid()"
    until(lambda: asked(env, others) == [(0,)], "what was begun in the database has ended")


def test_what_was_altered_or_cut_short_is_not_restored(course: Course, tmp_path: Path) -> None:
    path = tmp_path / "all.zip"
    back_up(path, AT)
    assert len(Backup(path).names) == 3
    data = bytearray(path.read_bytes())
    data[len(data) // 2] ^= 1
    for odd in (bytes(data), path.read_bytes()[:-60], b"no zip"):
        path.write_bytes(odd)
        with pytest.raises(InvalidValue):
            Backup(path)


def test_a_full_disk_leaves_no_half_backup(course: Course, tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("judicum.server.exchange.backup.os.fsync", _full)
    with pytest.raises(Exception, match="no-room-for-backup"):
        back_up(tmp_path / "all.zip", AT)
    assert list(tmp_path.glob("*all*")) == []


def _full(_: int) -> None:
    raise OSError(28, "No space left on device")


def test_each_night_one_more_the_files_shared_and_so_many_kept(course: Course, tmp_path: Path) -> None:
    folder = tmp_path / "nights"
    for day in range(3):
        night = save_night(folder, AT + timedelta(days=day), Keep(2))
        assert (night.sound, night.offsite, last_night(folder)) == (True, "", night)
    stay = sorted(folder.glob("*.zip"))
    assert [path.name for path in stay] == ["judicum-20310305-020000.zip", "judicum-20310306-020000.zip"]
    assert sum(1 for p in (folder / "files").rglob("*") if p.is_file()) == 3
    with zipfile.ZipFile(stay[0]) as file:
        assert file.namelist() == ["database.dump", "manifest.json"]
    assert Backup(stay[0]).names == sorted(named_files())
    # What no kept backup names goes; one whose file was lost says so.
    (folder / "files" / "strips").joinpath("left").write_bytes(b"x")
    save_night(folder, AT + timedelta(days=3), Keep(2))
    assert not (folder / "files" / "strips" / "left").exists()
    shutil.rmtree(folder / "files" / "strips")
    with pytest.raises(InvalidValue, match="beside-the-backup"):
        Backup(sorted(folder.glob("*.zip"))[-1])


def test_backups_stay_by_days_weeks_and_months() -> None:
    nights = [AT + timedelta(days=day) for day in range(400)]
    names = [f"judicum-{night:%Y%m%d-%H%M%S}.zip" for night in nights]
    stay = sorted(kept(names, Keep(7, 4, 12)))
    days = {night.date() for night in nights if f"judicum-{night:%Y%m%d-%H%M%S}.zip" in stay}
    newest = nights[-1].date()
    assert {newest - timedelta(days=k) for k in range(7)} <= days
    assert len({f"{day:%G-%V}" for day in days if day > newest - timedelta(days=28)}) >= 4
    assert len({f"{day:%Y-%m}" for day in days}) == 12
    assert len(stay) <= 7 + 4 + 12
    assert kept(names[:3], Keep(7, 4, 12)) == set(names[:3])


def test_a_restore_that_gives_other_rows_is_said(
    course: Course, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    real = nights.rows_of
    monkeypatch.setattr(nights, "rows_of", lambda cursor: {**real(cursor), "attempts_attempt": "0 0"})
    assert save_night(tmp_path, AT, Keep(2)).differs == ["attempts_attempt"]
    monkeypatch.setattr(nights, "postgres", lambda *_, **__: _fails())
    night = save_night(tmp_path, AT + timedelta(days=1), Keep(2))
    assert (night.sound, night.failed) == (False, "pg_restore: broken")
    with connection.cursor() as cursor:
        cursor.execute("SELECT count(*) FROM pg_database WHERE datname LIKE '%%_tried'")
        assert cursor.fetchone() == (0,), "what was tried is thrown away"


def _fails() -> None:
    raise CannotBackUp("pg_restore: broken")


def test_sealed_backups_are_read_by_nobody_without_the_owners_key(
    course: Course, empty: dict[str, str], tmp_path: Path
) -> None:
    key, to = make_key()
    recipient_file().write_text(to)
    folder = tmp_path / "nights"
    night = save_night(folder, AT, Keep(2))
    assert (night.sound, night.file) == (True, "judicum-20310304-020000.zip.age")
    everything = b"".join(tree(folder).values())
    for secret in (b"Sanne", b"PK\x03\x04", b"\xff\xd8\xff", b"attempts_attempt"):
        assert secret not in everything
    save_night(folder, AT + timedelta(days=1), Keep(1))
    assert len([name for name in tree(folder) if name.startswith("files/")]) == 3, "each file once, sealed once"
    last = folder / last_night(folder).file  # type: ignore[union-attr]
    other = tmp_path / "other.key"
    other.write_text(make_key()[0])
    for more in ((), ("--key", str(other))):
        refused = program(empty, "restore", str(last), *more)
        assert refused.wait() == 1
        assert refused.stderr is not None
        assert "backup-key" in refused.stderr.read()
    mine = tmp_path / "my.key"
    mine.write_text(key + "\n")
    done = program(empty, "restore", str(last), "--key", str(mine))
    assert done.wait() == 0, done.stderr and done.stderr.read()
    assert tree(tmp_path / "other" / "media") == tree(Path(default_storage.path("")))
    assert asked(empty, "SELECT count(*) FROM attempts_event") == [(Event.objects.count(),)]


def test_each_night_is_copied_off_the_site_and_thinned_there_too(course: Course, tmp_path: Path, settings: Any) -> None:
    there = tmp_path / "elsewhere"
    settings.STORAGES = {**settings.STORAGES, "offsite": {"BACKEND": "judicum.server.platform.storage.WholeFiles", "OPTIONS": {"location": str(there)}}}  # fmt: skip
    folder = tmp_path / "nights"
    for day in range(3):
        at = AT + timedelta(days=day)
        assert save_night(folder, at, Keep(2)).offsite == at.isoformat()
    (folder / "last.json").unlink()
    assert tree(there) == tree(folder)
    shutil.rmtree(there)
    there.write_text("no folder any more")
    assert "Error" in save_night(folder, AT + timedelta(days=3), Keep(2)).offsite, (
        "told, and the backup is kept all the same"
    )


def test_data_are_checked(course: Course) -> None:
    assert list(check_data()) == []
    picture = StoredPicture.objects.get()
    default_storage.delete(str(picture.shown))
    with Path(default_storage.path(str(picture.original))).open("r+b") as file:
        file.write(b"\0\0")
    default_storage.save("strips/aa/left-behind.jpg", ContentFile(b"x"))
    old("strips/aa/left-behind.jpg")
    default_storage.save("strips/aa/on-its-way.jpg", ContentFile(b"x"))
    attempt = Attempt.objects.order_by("pk").first()
    assert attempt is not None
    with connection.cursor() as cursor:
        cursor.execute("SET session_replication_role = 'replica'")
        cursor.execute("UPDATE attempts_attempt SET assignment_id = 999999 WHERE id = %s", [attempt.pk])
        cursor.execute("SET session_replication_role = 'origin'")
    found = {(one.kind, one.where) for one in check_data()}
    assert found == {
        ("missing", str(picture.shown)),
        ("altered", str(picture.original)),
        ("orphaned", "strips/aa/left-behind.jpg"),
        ("reference", f"attempts.Attempt {attempt.pk}: assignment"),
    }
    with connection.cursor() as cursor:
        cursor.execute("SET session_replication_role = 'replica'")
        cursor.execute("UPDATE attempts_attempt SET assignment_id = %s", [course.assignment.pk])
        cursor.execute("SET session_replication_role = 'origin'")
