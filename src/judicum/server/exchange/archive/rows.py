"""A row as JSON and back: references are the numbers that rows have within the archive."""

import datetime as dt
import uuid
from collections.abc import Mapping
from typing import Any

from django.db.models import DateTimeField, FileField, Model

from judicum.server.exchange.archive.tables import BY_MODEL, Table

Numbers = Mapping[str, Mapping[Any, Any]]
"""By table: from a row's key to its number in the archive when written, the other way round when read."""
WITHIN = {"events": ("data", {"measurement": "measurements", "photo": "photos"})}
"""Columns of JSON in which rows of other tables are named: table to column, and in it key to table."""
KEYED = {"self_tests": ("given", "references")}
"""Columns of JSON whose keys are rows of another table."""


def number_of(table: Table, key: object, numbers: Numbers) -> Any:
    """A picture is known by its hash everywhere; every other row by its number."""
    return key if table.name == "pictures" else numbers[table.name][key]


def written(table: Table, row: Model, number: int, numbers: Numbers, names: Mapping[str, str]) -> dict[str, Any]:
    """One row of a table; `names` are those of its files in the archive by those in the store."""
    made: dict[str, Any] = {} if table.name == "pictures" else {"id": number}
    for field in table.fields:
        value = getattr(row, field.attname)
        if field.is_relation and value is not None:
            other = BY_MODEL[field.related_model]  # type: ignore[index]
            value = number_of(other, value, numbers)
        elif isinstance(field, FileField):
            value = names[str(value)] if value else ""
        made[field.name] = _plain(value)
    if made.get("course", 0) is None:
        made |= table.as_shipped
    for several in table.lists:
        other = BY_MODEL[several.related_model]
        made[several.name] = sorted(numbers[other.name][one.pk] for one in getattr(row, several.name).all())
    if table.name == "figures":
        made["strip_query"] = _strip_within(made["strip_query"], numbers)
    return _named_within(table, made, numbers)


def _strip_within(query: str, numbers: Numbers) -> str:
    """Which strip counts, of a correction by its number here; who reads it makes it anew (`import_course`)."""
    what, _, key = query.partition("=")
    return f"{what}={numbers['corrections'][int(key)]}" if what == "correction" else query


def _plain(value: object) -> Any:
    if isinstance(value, dt.datetime):
        return value.astimezone(dt.UTC).isoformat()
    if isinstance(value, dt.date | dt.time):
        return value.isoformat()
    return str(value) if isinstance(value, uuid.UUID) else value


def read(table: Table, given: Mapping[str, object], numbers: Numbers) -> tuple[Model, dict[str, Any]]:
    """A row that is not saved yet, and what is set once others are there: lists, and references to later tables."""
    row, rest = table.model(), {}
    given = _named_within(table, dict(given), numbers)
    for field in table.fields:
        value = given[field.name]
        if field.is_relation:
            if field.name in table.later:
                rest[field.name] = value
                continue
            other = BY_MODEL[field.related_model]  # type: ignore[index]
            setattr(row, field.attname, None if value is None else number_of(other, value, numbers))
        elif isinstance(field, FileField):
            setattr(row, field.name, value)
        else:
            setattr(row, field.attname, _from_plain(field, value))
    rest |= {several.name: given[several.name] for several in table.lists}
    return row, rest


def _from_plain(field: Any, value: Any) -> Any:
    if field.get_internal_type() == "JSONField" or value is None:
        return value
    read_value = field.to_python(value)
    if isinstance(field, DateTimeField) and read_value is not None and read_value.tzinfo is None:
        return read_value.replace(tzinfo=dt.UTC)
    return read_value


def _named_within(table: Table, made: dict[str, Any], numbers: Numbers) -> dict[str, Any]:
    """With the rows that a column of JSON names numbered anew; one that is not there is left out."""
    if table.name in WITHIN:
        column, places = WITHIN[table.name]
        data = dict(made[column])
        for key, other in places.items():
            if key in data:
                data[key] = numbers[other].get(data[key])
        made[column] = data
    if table.name in KEYED:
        column, other = KEYED[table.name]
        known = {str(key): str(number) for key, number in numbers[other].items()}
        made[column] = {known[key]: value for key, value in made[column].items() if key in known}
    return made
