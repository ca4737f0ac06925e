"""A whole workshop as one archive: its people and rules, and the archive of every course as it is on its own."""

import json
import tempfile
import zipfile
from collections.abc import Iterator
from dataclasses import dataclass
from functools import partial
from pathlib import Path
from typing import Any
from uuid import UUID

from django.db import transaction

from judicum.core.errors import InvalidValue, said
from judicum.server.exchange.archive.actions.import_course import Imported, import_course, person_of_archive
from judicum.server.exchange.archive.read import checked_members
from judicum.server.exchange.archive.records import RECORDS
from judicum.server.exchange.archive.write import CHUNK, Entry, archive_of, zip_of
from judicum.server.people.accounts.models import User, Workshop
from judicum.server.people.courses.models import Course

FORMAT = "judicum-workshop"
VERSION = 1
RULES = ("name", "second_factor", "photo_retention_days")
PERSON = tuple(one.name for one in RECORDS["people"].own)
"""As in a course's archive."""


@dataclass(frozen=True)
class ImportedWorkshop:
    """A workshop that came in, whether it is new, and what came of each course."""

    workshop: Workshop
    new: bool
    courses: list[Imported]


def workshop_archive(workshop: Workshop) -> Iterator[bytes]:
    """The archive of a workshop, chunk by chunk; each course is of one moment."""
    people = User.objects.filter(workshop=workshop).order_by("key")
    about = {
        **{key: getattr(workshop, key) for key in RULES},
        "people": [{**{key: getattr(one, key) for key in PERSON}, "owns": one.owns} for one in people],
    }
    text = json.dumps(about, ensure_ascii=False, indent=1, default=str).encode()
    courses = Course.objects.filter(workshop=workshop).order_by("pk").values_list("pk", flat=True)
    entries = [Entry("workshop.json", partial(_spooled, [text]), packed=True)]
    entries += [Entry(f"courses/{pk}.zip", partial(_made, pk)) for pk in courses]
    yield from zip_of(entries, {"format": FORMAT, "version": VERSION, "workshop": workshop.name})


def _made(course_id: int) -> Any:
    return _spooled(archive_of(course_id))


def _spooled(chunks: Any) -> Any:
    """What is made chunk by chunk as a file of its own: on disk, since a course may have gigabytes of photos."""
    file = tempfile.TemporaryFile()  # noqa: SIM115
    file.writelines(chunks)
    file.seek(0)
    return file


def is_workshop(path: Path) -> bool:
    """Whether a file is a workshop's archive rather than a course's."""
    try:
        with zipfile.ZipFile(path) as file:
            return bool(json.loads(file.read("manifest.json")).get("format") == FORMAT)
    except (zipfile.BadZipFile, KeyError, ValueError, AttributeError):
        return False


def import_workshop(path: Path) -> ImportedWorkshop:
    """Bring a workshop in: its people, then course by course. Run again after it was cut short, it goes on.

    Raises:
        InvalidValue: no archive, altered, of a later version. NoRoom: the disk is full.
    """
    with zipfile.ZipFile(path) as file:
        manifest = json.loads(file.read("manifest.json"))
        if manifest["version"] > VERSION:
            raise InvalidValue(
                "version", manifest["version"], said("allowed-or-earlier-bring-this-server-up", version=VERSION)
            )
        checked_members(file, manifest)
        workshop, new = _people(json.loads(file.read("workshop.json")))
        courses = []
        for name in sorted(one["name"] for one in manifest["files"] if one["name"].startswith("courses/")):
            with tempfile.NamedTemporaryFile(suffix=".zip") as course, file.open(name) as source:
                while piece := source.read(CHUNK):
                    course.write(piece)
                course.flush()
                courses.append(import_course(Path(course.name), workshop))
    return ImportedWorkshop(workshop, new, courses)


@transaction.atomic
def _people(about: dict[str, Any]) -> tuple[Workshop, bool]:
    """The workshop of that name, made where there is none, with everybody of the archive."""
    workshop, new = Workshop.objects.get_or_create(name=about["name"], defaults={key: about[key] for key in RULES})
    for one in about["people"]:
        record = RECORDS["people"].filled({"id": 1, **one})
        made = person_of_archive(
            User(**{key: record[key] for key in PERSON if key != "key"}, key=UUID(record["key"]), workshop=workshop),
            None,
        )
        if new and one.get("owns"):
            User.objects.filter(pk=made.pk).update(owns=True)
    return workshop, new
