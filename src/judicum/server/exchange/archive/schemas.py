"""The JSON Schema of every table of an archive (draft 2020-12), made from the models.

python -m judicum.server.exchange.archive.schemas docs/archive    writes one file a table (so does ./judicum openapi)
"""

import json
import sys
from pathlib import Path
from typing import Any

TYPES = {
    "BooleanField": {"type": "boolean"},
    "FloatField": {"type": "number"},
    "DateField": {"type": "string", "format": "date"},
    "DateTimeField": {"type": "string", "format": "date-time"},
    "TimeField": {"type": "string", "format": "time"},
    "UUIDField": {"type": "string", "format": "uuid"},
    "JSONField": {},
}
WHOLE = ("IntegerField", "PositiveIntegerField", "PositiveSmallIntegerField", "SmallIntegerField", "BigIntegerField")


def schema_of(table: Any) -> dict[str, Any]:
    """The schema of one line of `tables/NAME.jsonl`."""
    properties: dict[str, Any] = {} if table.name == "pictures" else {"id": _id()}
    for field in table.fields:
        properties[field.name] = _column(field)
    for several in table.lists:
        properties[several.name] = {"type": "array", "items": _reference(several)}
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": table.name,
        "description": table.about,
        "type": "object",
        "properties": properties,
        "required": list(properties),
        "additionalProperties": False,
    }


def _id() -> dict[str, Any]:
    return {"type": "integer", "minimum": 1, "description": "Number of the row within this archive."}


def _reference(field: Any) -> dict[str, Any]:
    from judicum.server.exchange.archive.tables import BY_MODEL

    other = BY_MODEL[field.related_model].name
    description = f"A row of {other}."
    if other == "pictures":
        return {"type": "string", "pattern": "^[0-9a-f]{64}$", "description": description}
    return {"type": "integer", "minimum": 1, "description": description}


def _column(field: Any) -> dict[str, Any]:
    kind = field.get_internal_type()
    if field.is_relation:
        made = _reference(field)
    elif kind == "FileField":
        made = {"type": "string", "description": "A file under files/, or nothing."}
    elif kind in WHOLE:
        made = {"type": "integer"}
    elif kind in TYPES:
        made = dict(TYPES[kind])
    else:
        made = {"type": "string", **({"maxLength": field.max_length} if field.max_length else {})}
        if field.choices:
            made["enum"] = [key for key, _ in field.choices] + ([""] if field.blank else [])
    if field.null and "type" in made:
        made["type"] = [made["type"], "null"]
        if "enum" in made:
            made["enum"].append(None)
    return made


def texts() -> dict[str, str]:
    """Every schema file's text by its name."""
    from judicum.server.exchange.archive.tables import TABLES

    return {f"{table.name}.schema.json": json.dumps(schema_of(table), indent=2) + "\n" for table in TABLES}


if __name__ == "__main__":
    import django

    django.setup()
    folder = Path(sys.argv[1])
    folder.mkdir(parents=True, exist_ok=True)
    for old in folder.glob("*.schema.json"):
        old.unlink()
    for name, text in texts().items():
        (folder / name).write_text(text)
