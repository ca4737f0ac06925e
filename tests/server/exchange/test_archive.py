"""A course's archive: out, in, out again; what is refused; what a person takes along."""

import hashlib
import io
import json
import zipfile
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any
from uuid import uuid4

import pytest
from django.apps import apps
from django.core.files.storage import default_storage
from django.db import connection
from django.test import Client
from django.utils import timezone
from jsonschema import Draft202012Validator

from judicum.core.errors import InvalidValue
from judicum.core.marking import SCHEMES, USUAL_SCHEME
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.exchange.archive.actions.import_course import import_course
from judicum.server.exchange.archive.records import RECORDS
from judicum.server.exchange.archive.schemas import texts
from judicum.server.exchange.archive.tables import LEFT_OUT, TABLES
from judicum.server.exchange.archive.versions import FIELDS_OF_1, IMPORTERS
from judicum.server.exchange.archive.write import archive_of
from judicum.server.follow.sessions.actions.set_booth import set_booth
from judicum.server.follow.sessions.models import Booth, Session, WeldedAt
from judicum.server.follow.stock.actions.save_item import save_item
from judicum.server.follow.trials.actions.change_trial import begin_trial, take_start
from judicum.server.follow.trust.actions.take_callipers import take_callipers
from judicum.server.people.accounts.models import User, Workshop
from judicum.server.people.courses.models import Course as CourseRow
from judicum.server.record.attempts.models import Attempt, Event
from judicum.server.record.causes.models import Verdict
from judicum.server.record.marking.actions.mark_attempt import return_mark, set_mark
from judicum.server.record.marking.actions.references import save_reference
from judicum.server.record.marking.models import SelfTest
from judicum.server.record.photos.actions.correct_measurement import correct_measurement
from judicum.server.record.photos.models import Measurement, StoredPicture
from tests.measured import measured_attempt
from tests.people import Course

pytestmark = pytest.mark.django_db
DOCS = Path(__file__).resolve().parents[3] / "docs" / "archive"
SCORES = dict.fromkeys(SCHEMES[USUAL_SCHEME].keys, 8.0)


@pytest.fixture
def full(course: Course) -> Course:
    """A course with something in nearly every table."""
    fill(course)
    return course


def fill(course: Course) -> None:
    """Put something into nearly every table of a course."""
    attempt = measured_attempt(course)
    measurement = Measurement.objects.get(photo__attempt=attempt)
    correct_measurement(course.instructor, measurement.pk, {"step": "no_ripples"})
    attempt.refresh_from_db()
    set_mark(course.instructor, attempt.pk, attempt.version, scores=SCORES, comment="Calm.", next_change="", cause=None)
    attempt.refresh_from_db()
    return_mark(course.instructor, attempt.pk, attempt.version)
    save_reference(course.instructor, attempt.pk, "as it should be")
    reference = attempt.references.get()
    test = SelfTest.objects.create(
        course=course.row,
        user=course.assistant,
        started_at=attempt.created_at,
        given={str(reference.pk): {"total": 80}},
    )
    test.references.set([reference])
    set_booth(course.instructor, course.row.pk, None, "4", ["purge"], "pedal sticks")
    booth = Booth.objects.get()
    WeldedAt.objects.create(attempt=attempt, booth=booth)
    booth.closed.add(Session.objects.create(course=course.row, date="2031-01-01", start="18:00", minutes=60))
    save_item(course.instructor, course.row.pk, None, "cup", {"name": "Cup 8", "cup": 8})
    take_callipers(course.student, attempt.pk, {20.0: 4.5, 40.0: 4.4})
    fresh = Attempt.objects.get(student=course.other)
    trial = begin_trial(course.other, fresh.pk, {"varied": "current_a", "low": 40, "high": 60, "beads": 3})
    take_start(course.instructor, trial.pk, 52.0, "class")


def packed(course_id: int, at: Path) -> Path:
    at.write_bytes(b"".join(archive_of(course_id)))
    return at


def members(path: Path) -> dict[str, bytes]:
    with zipfile.ZipFile(path) as file:
        return {name: file.read(name) for name in file.namelist()}


def forget(course: Course, settings: Any, tmp_path: Path) -> Workshop:
    """Another server: none of the course's rows, people or files."""
    with unguarded():
        for table in reversed(TABLES):
            if table.name not in ("schemes", "designs"):
                rows = table.model._default_manager.all()
                rows._raw_delete(rows.db)
    settings.STORAGES = {
        **settings.STORAGES,
        "default": {**settings.STORAGES["default"], "OPTIONS": {"location": str(tmp_path / "other")}},
    }
    Scheme.objects.filter(course=None).update(created_at=timezone.now())  # each server put them in on a day of its own
    return Workshop.objects.create(name="New quay")


@contextmanager
def unguarded() -> Iterator[None]:
    """Rows may be deleted whatever points at them, the log too."""
    with connection.cursor() as cursor:
        cursor.execute("SET session_replication_role = 'replica'")
        for rest in ("evenings_booth_closed", "marking_selftest_references"):
            cursor.execute(f"DELETE FROM {rest}")
        yield
        cursor.execute("SET session_replication_role = 'origin'")


def test_every_table_is_in_the_archive_or_it_is_said_why_not() -> None:
    ours = {m._meta.label for m in apps.get_models() if m.__module__.startswith("judicum")}
    there = {table.model._meta.label for table in TABLES}
    assert ours == there | set(LEFT_OUT)
    assert not there & set(LEFT_OUT)


def test_every_column_is_a_records_field_or_said_to_stay_and_every_code_is_one_of_its() -> None:
    """A new column needs a word here: a field with a default in the records, or a name in `without`."""
    assert list(RECORDS) == [table.name for table in TABLES]
    for table in TABLES:
        own = {f.name for f in (*table.model._meta.concrete_fields, *table.model._meta.many_to_many)}
        recorded = {f.name for f in table.record.own}
        assert own - recorded - {"id"} == set(table.without), table.name
        for f in table.fields:
            codes = {key for key, _ in f.choices or ()}
            schema = next(one.schema for one in table.record.own if one.name == f.name)
            assert codes <= set(schema.get("enum", codes)), (table.name, f.name)


def test_the_schemas_that_ship_are_those_of_the_tables() -> None:
    shipped = {file.name: file.read_text() for file in DOCS.glob("*.schema.json")}
    assert shipped == texts(), "python -m judicum.server.exchange.archive.schemas docs/archive"


def test_out_and_in_and_out_again_is_the_same(full: Course, settings: Any, tmp_path: Path) -> None:
    first = members(packed(full.row.pk, tmp_path / "first.zip"))
    rows = {name: first[f"tables/{name}.jsonl"].decode().splitlines() for name in (t.name for t in TABLES)}
    empty = {name for name, lines in rows.items() if not lines}
    assert empty == {
        "beads", "verdicts", "second_marks", "attendance", "slots", "stock_moves", "bottles", "gauge_readings",
    }  # fmt: skip
    for name, lines in rows.items():
        check = Draft202012Validator(json.loads((DOCS / f"{name}.schema.json").read_text()))
        for line in lines:
            check.validate(json.loads(line))
    workshop = forget(full, settings, tmp_path)
    found = import_course(tmp_path / "first.zip", workshop)
    course = found.course
    assert (found.new, found.aside) == (True, [])
    second = members(packed(course.pk, tmp_path / "second.zip"))
    for one in (first, second):
        one["manifest.json"] = json.dumps({**json.loads(one["manifest.json"]), "exported_at": ""}).encode()
    assert first == second
    # It is alive: read, marked, corrected as before, and nobody can sign in without a new password.
    attempt = Attempt.objects.get(course=course, state="returned")
    assert attempt.mark.total > 0
    assert not User.objects.get(username="sanne").has_usable_password()
    strip = attempt.photos.get().measurements.get().shown_strip
    assert default_storage.open(strip.name).read().startswith(b"\xff\xd8")
    measured = Event.objects.get(attempt=attempt, kind="measure")
    assert measured.data["measurement"] == attempt.photos.get().measurements.get().pk
    assert list(SelfTest.objects.get().given) == [str(attempt.references.get().pk)]


def test_an_archive_of_version_1_comes_in_with_its_fields_named_as_now(
    full: Course, settings: Any, tmp_path: Path
) -> None:
    Verdict.objects.create(attempt=Attempt.objects.get(course=full.row, state="returned"), cause="flow_low", confirmed=True, by=full.instructor, at=timezone.now())  # fmt: skip
    path = packed(full.row.pk, tmp_path / "course.zip")

    def as_before(parts: dict[str, bytes]) -> None:
        parts["manifest.json"] = parts["manifest.json"].replace(b'"version": 2', b'"version": 1')
        for table, names in FIELDS_OF_1.items():
            rows = [json.loads(line) for line in parts[f"tables/{table}.jsonl"].splitlines()]
            before = {now: then for then, now in names.items()}
            old = [{before.get(key, key): value for key, value in row.items()} for row in rows]
            parts[f"tables/{table}.jsonl"] = b"".join(json.dumps(row).encode() + b"\n" for row in old)
        for now, then in IMPORTERS[1].tables.items():
            parts[f"tables/{then}.jsonl"] = parts.pop(f"tables/{now}.jsonl")

    old = altered(path, as_before)
    assert json.loads(members(old)["manifest.json"])["version"] == 1
    assert b'"taken"' in members(old)["tables/verdicts.jsonl"]
    workshop = forget(full, settings, tmp_path)
    course = import_course(old, workshop).course
    again = members(packed(course.pk, tmp_path / "again.zip"))
    now = members(path)
    assert {name: data for name, data in again.items() if name != "manifest.json"} == {
        name: data for name, data in now.items() if name != "manifest.json"
    }


def test_what_is_not_known_is_kept_aside_and_told_and_what_is_not_there_has_its_default(
    full: Course, settings: Any, tmp_path: Path
) -> None:
    path = packed(full.row.pk, tmp_path / "course.zip")

    def of_another_day(parts: dict[str, bytes]) -> None:
        _line(parts, "runs", arc_volts=11.5)
        parts["tables/weather.jsonl"] = b'{"id": 1, "rain": true}\n'
        rows = [json.loads(line) for line in parts["tables/attempts.jsonl"].splitlines()]
        for row in rows:
            for name in ("shown_state", "shown_version", "shown_at", "answer", "prepared"):
                del row[name]
        parts["tables/attempts.jsonl"] = b"".join(json.dumps(row).encode() + b"\n" for row in rows)

    workshop = forget(full, settings, tmp_path)
    found = import_course(altered(path, of_another_day), workshop)
    assert found.aside == [
        {"table": "weather", "line": '{"id": 1, "rain": true}'},
        {"table": "runs", "id": 1, "fields": {"arc_volts": 11.5}},
    ]
    attempt = Attempt.objects.get(course=found.course, state="returned")
    assert (attempt.shown_state, attempt.shown_version, attempt.prepared, attempt.answer) == (
        "returned",
        attempt.version,
        [],
        "",
    )


def test_twice_is_the_same_as_once_and_people_are_matched_by_their_key(
    full: Course, settings: Any, tmp_path: Path
) -> None:
    path = packed(full.row.pk, tmp_path / "course.zip")
    workshop = forget(full, settings, tmp_path)
    people = [json.loads(line) for line in members(path)["tables/people.jsonl"].splitlines()]
    key = next(one["key"] for one in people if one["username"] == "asmus")
    known = User.objects.create_user("already-here", "x", workshop=workshop, key=key)
    taken = User.objects.create_user("sanne", "x", workshop=workshop)
    course = import_course(path, workshop).course
    before = {t.name: t.model._default_manager.count() for t in TABLES}
    again = import_course(path, workshop)
    assert (again.course, again.new) == (course, False)
    assert {t.name: t.model._default_manager.count() for t in TABLES} == before
    in_it = set(course.memberships.values_list("user__username", flat=True))
    assert known.username in in_it
    assert "sanne-2" in in_it
    assert taken.memberships.count() == 0
    with pytest.raises(InvalidValue, match="no-other-workshop"):
        import_course(path, Workshop.objects.create(name="Third"))


def altered(path: Path, change: Callable[[dict[str, bytes]], None], mend: bool = True) -> Path:
    """The archive with something changed, its checksums put right where `mend`."""
    parts = members(path)
    change(parts)
    manifest = json.loads(parts.get("manifest.json", b"{}"))
    if mend and isinstance(manifest.get("files"), list):
        manifest["files"] = [
            {"name": name, "bytes": len(data), "sha256": hashlib.sha256(data).hexdigest()}
            for name, data in parts.items()
            if name != "manifest.json"
        ]
        parts["manifest.json"] = json.dumps(manifest).encode()
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as file:
        for name, data in parts.items():
            file.writestr(name, data)
    made = path.with_name("altered.zip")
    made.write_bytes(out.getvalue())
    return made


def _line(parts: dict[str, bytes], table: str, **given: Any) -> None:
    name = f"tables/{table}.jsonl"
    lines = parts[name].splitlines()
    parts[name] = b"\n".join([json.dumps({**json.loads(lines[0]), **given}).encode(), *lines[1:]]) + b"\n"


def _picture(parts: dict[str, bytes]) -> str:
    return next(name for name in parts if name.startswith("files/originals"))


REFUSED: list[tuple[Callable[[dict[str, bytes]], None], bool, str]] = [
    (lambda p: p.update({"tables/runs.jsonl": p["tables/runs.jsonl"][:-9]}), False, "tables/runs.jsonl"),
    (lambda p: p.update({_picture(p): b"other bytes"}), True, "named-by-its-folder"),
    (lambda p: p.update({"files/../../etc/passwd": b"x"}), True, "passwd"),
    (lambda p: p.pop("tables/runs.jsonl"), True, "runs"),
    (lambda p: p.pop("manifest.json"), False, "KeyError|manifest"),
    (lambda p: _line(p, "attempts", state="perfect"), True, "tables/attempts.jsonl line 1"),
    (lambda p: _line(p, "attempts", student=999), True, "tables/attempts.jsonl row 1"),
    (lambda p: _line(p, "runs", note=7), True, "tables/runs.jsonl line 1"),
    (lambda p: _line(p, "measurements", strip="strips/aa/" + "a" * 64 + ".jpg"), True, "a-file-of-the-archive"),
    (lambda p: p.update({"tables/runs.jsonl": b"{"}), True, "tables/runs.jsonl line 1"),
    (lambda p: p.update({"tables/course.jsonl": b""}), True, "one-course"),
    (
        lambda p: p.update({"manifest.json": b'{"format": "judicum-course", "version": 99, "files": []}'}),
        False,
        "version",
    ),
]


@pytest.fixture(scope="module")
def whole_archive() -> dict[str, bytes]:
    """Bytes of one archive for all refusals, made by the first that needs it."""
    return {}


@pytest.mark.parametrize(("change", "mend", "said"), REFUSED)
def test_what_is_no_archive_is_refused_and_nothing_is_written(
    course: Course, tmp_path: Path, whole_archive: dict[str, bytes], change: Any, mend: bool, said: str
) -> None:
    path = tmp_path / "course.zip"
    if "zip" not in whole_archive:
        measured_attempt(course)
        whole_archive["zip"] = packed(course.row.pk, path).read_bytes()
    path.write_bytes(whole_archive["zip"])
    # On a server that does not have it yet.
    CourseRow.objects.filter(pk=course.row.pk).update(key=uuid4())
    before = {t.name: t.model._default_manager.count() for t in TABLES}
    with pytest.raises(InvalidValue, match=said):
        import_course(altered(path, change, mend), course.row.workshop)
    assert {t.name: t.model._default_manager.count() for t in TABLES} == before


def test_a_file_cut_short_is_no_archive(course: Course, tmp_path: Path) -> None:
    path = packed(course.row.pk, tmp_path / "course.zip")
    path.write_bytes(path.read_bytes()[:-40])
    with pytest.raises(InvalidValue, match="a-zip-file-whole"):
        import_course(path, course.row.workshop)


def test_the_button_gives_the_same_file(full: Course, client_of: Callable[..., Client]) -> None:
    answer = client_of(full.instructor).get(f"/api/courses/{full.row.pk}/archive.zip")
    assert answer["Content-Type"] == "application/zip"
    with zipfile.ZipFile(io.BytesIO(b"".join(answer.streaming_content))) as file:  # type: ignore[attr-defined]
        assert json.loads(file.read("manifest.json"))["course"] == "Test course"
        assert file.testzip() is None


def mine(client: Client) -> dict[str, list[dict[str, Any]]]:
    answer = client.get("/api/session/archive.zip")
    with zipfile.ZipFile(io.BytesIO(b"".join(answer.streaming_content))) as file:  # type: ignore[attr-defined]
        return {
            name.removeprefix("tables/").removesuffix(".jsonl"): [
                json.loads(line) for line in file.read(name).splitlines()
            ]
            for name in file.namelist()
            if name.startswith("tables/")
        } | {"files": [{"name": name} for name in file.namelist() if name.startswith("files/")]}


def test_a_person_takes_along_what_is_kept_and_no_mark_before_its_return(
    full: Course, client_of: Callable[..., Client]
) -> None:
    response = mine(client_of(full.student))
    assert response["person"][0]["username"] == "sanne"
    assert "password" not in response["person"][0]
    assert [one["total"] for one in response["marks"]] == [Attempt.objects.get(state="returned").mark.total]
    assert response["marks"][0]["marked_by"] == "Ilka"
    assert len(response["files"]) == 3, "the photo, its strip, and the strip as corrected"
    assert StoredPicture.objects.count() == 1
    other = measured_attempt(full)
    set_mark(full.instructor, other.pk, other.version, scores=SCORES, comment="Secret.", next_change="", cause=None)
    again = mine(client_of(full.student))
    assert len(again["marks"]) == 1
    assert "Secret" not in json.dumps(again)
    assert {one["state"] for one in again["attempts"]} == {"returned", "measured"}
    assert not [one for one in again["events"] if one["attempt"] == other.pk and one["kind"] == "mark"]
    theirs = mine(client_of(full.instructor))
    assert theirs["attempts"] == []
    assert {"mark", "return"} <= {one["kind"] for one in theirs["done"]}
    assert "Calm" not in json.dumps(theirs)
