"""Opening an archive: nothing of it is believed before it was checked."""

import hashlib
import json
import re
import zipfile
from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from functools import cached_property
from itertools import islice
from pathlib import Path
from typing import Any

from jsonschema import Draft202012Validator

from judicum.core.errors import InvalidValue, said
from judicum.core.photo.report import Report
from judicum.server.exchange.archive.tables import BY_NAME
from judicum.server.exchange.archive.versions import IMPORTERS, VERSION
from judicum.server.exchange.archive.write import BY_CONTENT, CHUNK, FORMAT

MAX_ROW_BYTES = 4_000_000_000
"""Of all tables together, unpacked: a course of 200,000 attempts has less than half of it."""
TABLE = re.compile(r"^tables/([a-z_]{1,40})\.jsonl$")
MAX_ASIDE = 100_000
"""Lines that are kept aside; of more than these one will look into the archive itself."""
REPORTED = ("measurements", "beads", "corrections")
"""Tables with a `report`, which the core's own reader must understand."""


def checked_members(opened: zipfile.ZipFile, manifest: Mapping[str, Any]) -> list[dict[str, Any]]:
    """What the manifest of a zip lists of every other member: all are there, none else is, and each has the bytes it says.

    Raises:
        InvalidValue: names the member.
    """
    there = [info.filename for info in opened.infolist()]
    listed: dict[str, dict[str, Any]] = {one["name"]: one for one in manifest["files"]}
    if sorted(there) != sorted({*listed, "manifest.json"}):
        odd = sorted(set(there) ^ {*listed, "manifest.json"}) or there
        raise InvalidValue("archive", odd[:3], said("allowed-the-files-that-its-manifest-lists"))
    for name, one in listed.items():
        total, size = hashlib.sha256(), 0
        try:
            with opened.open(name) as file:
                while size <= one["bytes"] and (piece := file.read(CHUNK)):
                    total.update(piece)
                    size += len(piece)
        except (zipfile.BadZipFile, EOFError, OSError, NotImplementedError, RuntimeError) as error:
            raise InvalidValue(name, str(error), said("allowed-a-file-that-can-be-unpacked")) from error
        if size != one["bytes"] or total.hexdigest() != one["sha256"]:
            raise InvalidValue(name, f"{size} bytes", said("allowed-what-the-manifest-says-it-was"))
    return list(listed.values())


class Archive:
    """An archive whose members were checked against its manifest.

    `aside` is what is not known here: {table, id, fields} of lines with fields that no record has, and {table, line} of tables that
    are none. It is filled as rows are read.
    """

    def __init__(self, opened: zipfile.ZipFile) -> None:
        self._zip = opened
        self.aside: list[dict[str, Any]] = []
        self.manifest = self._manifest()
        self._importer = IMPORTERS[self.manifest["version"]]
        self._check_members()

    def _manifest(self) -> dict[str, Any]:
        try:
            listed = json.loads(self._zip.read("manifest.json"))
            kind, version = listed["format"], listed["version"]
            list(listed["files"])
        except (KeyError, TypeError, ValueError, zipfile.BadZipFile, zipfile.LargeZipFile) as error:
            raise InvalidValue("archive", str(error), said("allowed-the-archive-of-a-course-whole")) from error
        if kind != FORMAT or not isinstance(version, int) or version < 1:
            raise InvalidValue("archive", kind, said("allowed-an-archive-of-format", format=FORMAT))
        if version > VERSION:
            raise InvalidValue("version", version, said("allowed-or-earlier-bring-this-server-up", version=VERSION))
        return dict(listed)

    def _check_members(self) -> None:
        if sum(one.file_size for one in self._zip.infolist() if one.filename.startswith("tables/")) > MAX_ROW_BYTES:
            raise InvalidValue("archive", "its tables", said("allowed-at-most-bytes-of-rows", most=MAX_ROW_BYTES))
        missing = [
            name for name, table in BY_NAME.items() if not table.added and self._member(name) not in self._listed
        ]
        if missing:
            raise InvalidValue("archive", None, said("allowed-a-table", names=", ".join(missing)))
        for one in checked_members(self._zip, self.manifest):
            self._check_name(one["name"], one)

    def _check_name(self, name: str, one: Mapping[str, Any]) -> None:
        if name.startswith("files/"):
            by_content = BY_CONTENT.match(name.removeprefix("files/"))
            if by_content is None or by_content[2] != one["sha256"]:
                raise InvalidValue(name, one["sha256"], said("allowed-a-file-named-by-its-folder"))
        elif not TABLE.match(name):
            raise InvalidValue(name, name, said("allowed-a-table-of-this-format"))
        elif name not in map(self._member, BY_NAME):
            self._keep_aside(name)

    @property
    def files(self) -> list[str]:
        """Names of the files in the store's way."""
        return [n["name"].removeprefix("files/") for n in self.manifest["files"] if n["name"].startswith("files/")]

    @cached_property
    def _listed(self) -> set[str]:
        return {one["name"] for one in self.manifest["files"]}

    def _member(self, table: str) -> str:
        """The member of the zip that holds a table."""
        return f"tables/{self._importer.tables.get(table, table)}.jsonl"

    def _keep_aside(self, name: str) -> None:
        """A table of which nothing is known here."""
        with self._zip.open(name) as lines:
            for line in islice(lines, MAX_ASIDE - len(self.aside)):
                self.aside.append({"table": TABLE.sub(r"\1", name), "line": line.decode("utf-8", "replace").strip()})

    def bytes_of(self, name: str) -> bytes:
        return self._zip.read(f"files/{name}")

    def rows(self, name: str) -> Iterator[dict[str, Any]]:
        """The rows of a table, each checked, and whole by the defaults of its record. Raises InvalidValue: names table and line."""
        table = BY_NAME[name]
        check = Draft202012Validator(table.record.schema(name))
        files = set(self.files)
        stored = [f.name for f in table.fields if f.get_internal_type() == "FileField"]
        if self._member(name) not in self._listed:
            return
        with self._zip.open(self._member(name)) as lines:
            for number, line in enumerate(lines, 1):
                at = f"{self._member(name)} line {number}"
                try:
                    row = json.loads(line)
                    row = self._importer.line(name, row) if isinstance(row, dict) else row
                except ValueError as error:
                    raise InvalidValue(at, str(error), said("allowed-json")) from error
                wrong = next(check.iter_errors(row), None)
                if wrong is not None:
                    place = ".".join(map(str, wrong.absolute_path)) or "row"
                    raise InvalidValue(
                        at, f"{place}: {wrong.message}"[:200], said("allowed-docs-archive-schema-json", name=name)
                    )
                if len(self.aside) < MAX_ASIDE and (unknown := table.record.unknown(row)):
                    self.aside.append({"table": name, "id": row.get("id", row.get("sha256")), "fields": unknown})
                row = table.completed(table.record.filled(row))
                if name in REPORTED:
                    self._check_report(at, row["report"])
                absent = [row[column] for column in stored if row[column] and row[column] not in files]
                if absent:
                    raise InvalidValue(at, absent[0], said("allowed-a-file-of-the-archive"))
                yield row

    @staticmethod
    def _check_report(at: str, report: Any) -> None:
        if report is None:
            return
        try:
            Report.from_json(report)
        except Exception as error:
            raise InvalidValue(at, str(error)[:200], said("allowed-a-measurement-report")) from error


@contextmanager
def opened(path: Path) -> Iterator[Archive]:
    """An archive, checked whole. Raises InvalidValue, FileNotFoundError."""
    try:
        with zipfile.ZipFile(path) as file:
            yield Archive(file)
    except zipfile.BadZipFile as error:
        raise InvalidValue("archive", path.name, said("allowed-a-zip-file-whole")) from error
