"""Archives of every version that was ever written come in, and a program that stands alone reads them."""

import csv
import io
import json
import subprocess
import sys
import zipfile
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest
from django.core.management import call_command
from django.test import Client

from judicum.core.errors import InvalidValue
from judicum.server.catalogue.coupons.library import load_library
from judicum.server.exchange.archive.actions.import_course import import_course
from judicum.server.exchange.archive.tables import TABLES
from judicum.server.exchange.archive.versions import IMPORTERS, VERSION
from judicum.server.exchange.archive.workshop import import_workshop, workshop_archive
from judicum.server.exchange.archive.write import archive_of
from judicum.server.people.accounts.models import User, Workshop
from judicum.server.people.courses.models import Course
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.causes.models import Verdict
from judicum.server.record.photos.models import Measurement
from tests.server.exchange.test_archive import unguarded

pytestmark = pytest.mark.django_db
GOLDEN = sorted((Path(__file__).resolve().parents[2] / "golden").glob("course-v*.zip"))
READER = Path(__file__).resolve().parents[3] / "docs" / "archive" / "read_archive.py"
each_archive = pytest.mark.parametrize("path", GOLDEN, ids=lambda path: path.stem)


def test_there_is_an_archive_of_every_version() -> None:
    assert [path.name for path in GOLDEN] == [f"course-v{version}.zip" for version in range(1, VERSION + 1)]
    assert sorted(IMPORTERS) == list(range(1, VERSION + 1))


@each_archive
def test_an_archive_of_before_comes_in_and_is_worked_with(path: Path, client_of: Callable[..., Client]) -> None:
    load_library()
    found = import_course(path, Workshop.objects.create(name="Quay"))
    assert (found.new, found.aside) == (True, [])
    staff = found.course.memberships.get(role="instructor").user
    client = client_of(staff)
    returned = Attempt.objects.get(course=found.course, state="returned")
    whole = client.get(f"/api/attempts/{returned.pk}").json()
    assert (whole["mark"]["total"], whole["mark"]["comment"]) == (80.0, "Calm.")
    assert 4 < whole["measurement"]["width_mean_mm"] < 6
    strip = client.get(whole["measurement"]["strip"]["url"])
    assert b"".join(strip.streaming_content).startswith(b"\xff\xd8")  # type: ignore[attr-defined]
    blind = Attempt.objects.get(course=found.course, state="second_asked")
    assert blind.shown_state == "measured", "nothing tells the student of the mark"
    assert {(one.cause, one.confirmed) for one in Verdict.objects.filter(attempt=blind)} == {
        ("draught", False),
        ("flow_low", True),
    }
    for page in ("desk", "wall", "week", "standings", "stock", "sessions", "agreement"):
        assert client.get(f"/api/courses/{found.course.pk}/{page}").status_code == 200, page
    photo = Measurement.objects.filter(photo__attempt=returned).latest("id").photo_id
    assert client.post(f"/api/photos/{photo}/measure-again").status_code == 202
    assert b"".join(archive_of(found.course.pk))


@each_archive
def test_a_program_of_its_own_makes_tables_of_it(path: Path, tmp_path: Path) -> None:
    lines = len(READER.read_text().splitlines())
    assert lines <= 50
    done = subprocess.run(
        [sys.executable, "-I", "-S", str(READER), str(path), str(tmp_path)], capture_output=True, text=True
    )
    assert done.returncode == 0, done.stderr
    with zipfile.ZipFile(path) as archive:
        for name in (n for n in archive.namelist() if n.endswith(".jsonl")):
            rows = [json.loads(line) for line in archive.read(name).splitlines()]
            with (tmp_path / name).with_suffix(".csv").open(encoding="utf-8-sig", newline="") as file:
                read = list(csv.DictReader(file))
            assert len(read) == len(rows), name
            assert all(set(one) == set(row) for one, row in zip(read, rows, strict=True)), name
    assert len(list((tmp_path / "files").rglob("*.jpg"))) == 4


def test_the_program_refuses_what_was_altered(tmp_path: Path) -> None:
    odd = tmp_path / "odd.zip"
    with zipfile.ZipFile(GOLDEN[-1]) as good, zipfile.ZipFile(odd, "w") as out:
        for name in good.namelist():
            out.writestr(name, good.read(name) + (b" " if name.endswith("marks.jsonl") else b""))
    done = subprocess.run([sys.executable, str(READER), str(odd), str(tmp_path / "x")], capture_output=True, text=True)
    assert done.returncode != 0
    assert "marks.jsonl is not what it was" in done.stderr


def members_of_each() -> list[tuple[str, list[tuple[object, str]]]]:
    """Each course's name and who is in it; two courses may have one name."""
    return sorted((one.name, sorted(one.memberships.values_list("user__key", "role"))) for one in Course.objects.all())


def test_a_whole_workshop_goes_out_and_in(tmp_path: Path, settings: Any) -> None:
    load_library()
    there = Workshop.objects.create(name="Quay", second_factor=True, photo_retention_days=400)
    for path in GOLDEN:
        assert import_course(path, there).new
    User.objects.filter(workshop=there, username="ilka").update(owns=True)
    User.objects.create_user("nobody-yet", None, workshop=there)
    file = tmp_path / "workshop.zip"
    call_command("export_workshop", str(file))
    before = members_of_each()
    people = set(User.objects.values_list("key", "display_name", "owns"))
    # Another server: nothing of the first is there.
    with unguarded():
        for table in reversed(TABLES):
            if table.name not in ("schemes", "designs"):
                table.model._default_manager.all()._raw_delete("default")
        Workshop.objects.all()._raw_delete("default")
    settings.STORAGES = {
        **settings.STORAGES,
        "default": {**settings.STORAGES["default"], "OPTIONS": {"location": str(tmp_path / "other")}},
    }
    out = io.StringIO()
    call_command("import_course", str(file), stdout=out)
    assert "Quay" in out.getvalue()
    here = Workshop.objects.get()
    assert (here.name, here.second_factor, here.photo_retention_days) == ("Quay", True, 400)
    assert set(User.objects.values_list("key", "display_name", "owns")) == people
    assert members_of_each() == before
    assert Course.objects.count() == len(GOLDEN)
    count = Attempt.objects.count()
    call_command("import_course", str(file), stdout=out)
    assert (Course.objects.count(), Attempt.objects.count()) == (len(GOLDEN), count), "twice is the same as once"


def test_an_altered_workshop_is_refused(tmp_path: Path) -> None:
    load_library()
    import_course(GOLDEN[-1], there := Workshop.objects.create(name="Quay"))
    good, odd = tmp_path / "good.zip", tmp_path / "odd.zip"
    good.write_bytes(b"".join(workshop_archive(there)))
    with zipfile.ZipFile(good) as file, zipfile.ZipFile(odd, "w") as out:
        for name in file.namelist():
            out.writestr(
                name, file.read(name).replace(b"Quay", b"Mine") if name == "workshop.json" else file.read(name)
            )
    with pytest.raises(InvalidValue, match=r"workshop\.json"):
        import_workshop(odd)
    assert Workshop.objects.count() == 1


BACKUPS = sorted((Path(__file__).resolve().parents[2] / "golden").glob("backup-*.zip"))
LOOK = """
import django; django.setup()
from django.test import Client
from judicum import __version__
from judicum.server.people.accounts.models import Release, User
from judicum.server.people.courses.models import Course
from judicum.server.record.attempts.models import Attempt
course = Course.objects.get(name="Test course")
client = Client(headers={"Host": "localhost"})
client.force_login(User.objects.get(username="ilka"), backend="django.contrib.auth.backends.ModelBackend")
for page in ("attempts", "desk", "wall", "week", "standings", "stock", "sessions", "agreement", "members", "archive.zip"):
    assert client.get(f"/api/courses/{course.pk}/{page}").status_code == 200, page
for attempt in Attempt.objects.filter(course=course):
    assert client.get(f"/api/attempts/{attempt.pk}").status_code == 200
held = Attempt.objects.get(course=course, state="second_asked")
assert (held.shown_state, held.shown_version < held.version) == ("measured", True)
assert Release.objects.latest("id").version == __version__
print("all is there")
"""


@pytest.mark.parametrize("path", BACKUPS, ids=lambda path: path.stem)
def test_a_backup_of_every_version_that_was_released_is_brought_up(path: Path, empty: dict[str, str]) -> None:
    def django(*what: str) -> str:
        done = subprocess.run([sys.executable, "-m", "django", *what], env=empty, capture_output=True, text=True)
        assert done.returncode == 0, done.stderr
        return done.stdout

    assert "Restored" in django("restore", str(path))
    django("migrate", "--noinput", "-v0")
    assert "Every file is there" in django("check_data")
    done = subprocess.run([sys.executable, "-c", LOOK], env=empty, capture_output=True, text=True)
    assert "all is there" in done.stdout, done.stderr[-2000:]
