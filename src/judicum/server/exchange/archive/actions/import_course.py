"""Bringing a course's archive into this server."""

from collections.abc import Callable
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any
from uuid import UUID, uuid4

from django.db import transaction

from judicum.core.errors import InvalidValue, said
from judicum.server.catalogue.coupons.models import Design
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.exchange.archive.read import Archive, opened
from judicum.server.exchange.archive.rows import read
from judicum.server.exchange.archive.tables import BY_MODEL, TABLES, Table
from judicum.server.people.accounts.models import User, Workshop
from judicum.server.people.accounts.names import skeleton
from judicum.server.people.courses.codes import fresh_code
from judicum.server.people.courses.models import Course
from judicum.server.platform.storage import store_file
from judicum.server.record.photos.models import MeasurementSummary, StoredPicture

AT_ONCE = 500
"""Rows in one statement."""

Numbers = dict[str, dict[Any, Any]]


@dataclass(frozen=True)
class Imported:
    """A course that came in, whether it is new, and what of its archive is not known here (read.Archive)."""

    course: Course
    new: bool
    aside: list[dict[str, Any]] = field(default_factory=list)


def import_course(path: Path, workshop: Workshop) -> Imported:
    """Bring a course in, all of it or nothing. Twice is the same as once.

    People of the workshop are matched by their key; others are made without a password, under another login name where
    theirs is taken.

    Raises:
        InvalidValue: no archive, cut short, altered, of a later version, or with a row that is none: names file and line.
        NoRoom: the disk is full.
    """
    with opened(path) as archive:
        key = UUID(next(iter(archive.rows("course")), {"key": str(uuid4())})["key"])
        there = Course.objects.filter(key=key).first()
        if there is not None:
            if there.workshop_id != workshop.pk:
                raise InvalidValue("course", there.key, said("allowed-a-course-that-no-other-workshop"))
            return Imported(there, new=False)
        # Files first: a row never names one that is not there. Without its rows a file is found by ./judicum check-data.
        for name in archive.files:
            folder, _, last = name.split("/")
            store_file(folder, last.rpartition(".")[2], archive.bytes_of(name))
        with transaction.atomic():
            course = _rows(archive, workshop)
        return Imported(course, True, archive.aside)


def _rows(archive: Archive, workshop: Workshop) -> Course:
    numbers: Numbers = {table.name: {} for table in TABLES}
    later: list[tuple[Table, Any, dict[str, Any]]] = []
    course: Course | None = None
    for table in TABLES:
        read_rows = [(given, *_read(table, given, numbers)) for given in archive.rows(table.name)]
        for _, row, _ in read_rows:
            if isinstance(row, User | Course):
                row.workshop = workshop
        kept = [row for _, row, _ in read_rows]
        if table.name in MAKE:
            kept = [MAKE[table.name](row, course) for row in kept]
        else:
            table.model._default_manager.bulk_create(kept, batch_size=AT_ONCE)
        for (given, _, rest), row in zip(read_rows, kept, strict=True):
            numbers[table.name][given.get("id", row.pk)] = row.pk
            if rest:
                later.append((table, row, rest))
        if table.model is Course:
            if len(kept) != 1:
                raise InvalidValue("tables/course.jsonl", f"{len(kept)} rows", said("allowed-one-course"))
            course = kept[0]
    for table, row, rest in later:
        _set_later(table, row, rest, numbers)
    assert course is not None
    _name_strips(course)
    return course


def _name_strips(course: Course) -> None:
    """Which strip of a measurement counts is named by a correction's key, which is another on every server."""
    rows = MeasurementSummary.objects.filter(attempt__course=course).exclude(strip_query="")
    for row in rows.select_related("measurement__chosen").prefetch_related("measurement__corrections"):
        row.strip_query = row.measurement.strip_query
        row.save(update_fields=["strip_query"])


def _read(table: Table, given: dict[str, object], numbers: Numbers) -> tuple[Any, dict[str, Any]]:
    try:
        return read(table, given, numbers)
    except (KeyError, TypeError, ValueError) as error:
        at = f"tables/{table.name}.jsonl row {given.get('id')}"
        raise InvalidValue(at, str(error), said("allowed-rows-of-this-archive-alone")) from error


def _course(course: Any, none: None) -> Course:
    course.join_code = fresh_code()
    return _saved(course)


def person_of_archive(user: Any, none: None) -> User:
    """The person of the workshop with this key, else a new one."""
    there = User.objects.filter(key=user.key, workshop=user.workshop).first()
    if there is not None:
        return there
    if User.objects.filter(key=user.key).exists():
        user.key = uuid4()
    name, k = user.username, 1
    while User.objects.filter(skeleton=skeleton(user.username)).exists():
        k += 1
        user.username = f"{name[:50]}-{k}"
    user.skeleton = skeleton(user.username)
    user.set_unusable_password()
    user.save()
    return user


def _picture(picture: Any, course: Any) -> StoredPicture:
    """Stored once, whoever sends it."""
    return StoredPicture.objects.filter(pk=picture.pk).first() or _saved(picture)


def _saved(row: Any) -> Any:
    row.save(force_insert=True)
    return row


def _design(design: Any, course: Any) -> Design:
    """The library's coupon where it is the same here; else the course's own, under a code that is free."""
    there = Design.objects.filter(course=None, code=design.code, version=design.version).first()
    if design.course_id is None and there is not None and _same(there, design):
        return there
    design.course = course
    code, k = design.code, 1
    while Design.objects.filter(code=design.code, version=design.version).exists():
        k += 1
        design.code = f"{code[:34]}-{k}"
    return _saved(design)


def _scheme(scheme: Any, course: Any) -> Scheme:
    """The scheme that ships where it is the same here; else the course's own."""
    there = Scheme.objects.filter(course=None, code=scheme.code, version=scheme.version).first()
    if scheme.course_id is None and there is not None and there.body == scheme.body:
        return there
    scheme.course = course
    return _saved(scheme)


def _same(one: Design, other: Design) -> bool:
    names = [field.attname for field in Design._meta.concrete_fields if field.name not in ("id", "course")]
    return all(getattr(one, name) == getattr(other, name) for name in names)


MAKE: dict[str, Callable[[Any, Any], Any]] = {
    "people": person_of_archive,
    "course": _course,
    "pictures": _picture,
    "designs": _design,
    "schemes": _scheme,
}
"""Tables whose rows may be on this server already, or are made one by one."""


def _set_later(table: Table, row: Any, rest: dict[str, Any], numbers: Numbers) -> None:
    for name, value in rest.items():
        field = table.model._meta.get_field(name)
        other = BY_MODEL[field.related_model].name  # type: ignore[index]
        try:
            if isinstance(value, list):
                getattr(row, name).set([numbers[other][one] for one in value])
            elif value is not None:
                type(row).objects.filter(pk=row.pk).update(**{name: numbers[other][value]})
        except KeyError as error:
            raise InvalidValue(
                f"tables/{table.name}.jsonl", f"{name} {error}", said("allowed-a-row-of", other=other)
            ) from error
