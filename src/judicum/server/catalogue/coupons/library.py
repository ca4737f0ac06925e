"""The coupon designs that ship with the product: data/library.json, and putting them into the database.

Two sequences order them: stainless first, and carbon steel first (cheaper, forgiving) with the same
steps on stainless after it.
"""

import json
from pathlib import Path
from typing import Any

from judicum.server.catalogue.coupons.models import Design

FILE = Path(__file__).with_name("library.json")
PLACE = ("stainless_step", "carbon_step", "title", "purpose", "usual_faults")
"""What may change on a design that is there: where it stands and what is said of it, never what is welded."""


def library() -> list[dict[str, Any]]:
    """The designs of library.json, each with its step on either sequence (None: not on it)."""
    entries = json.loads(FILE.read_text())
    steps = {name: {code: k for k, code in enumerate(codes, 1)} for name, codes in entries["sequences"].items()}
    return [
        {
            **design,
            "stainless_step": steps["stainless"].get(design["code"]),
            "carbon_step": steps["carbon"].get(design["code"]),
        }
        for design in entries["designs"]
    ]


def load_library() -> None:
    """Add the designs that are not there yet; those that are keep what is welded."""
    entries = library()
    there = {row.code: row for row in Design.objects.filter(code__in=[one["code"] for one in entries], version=1)}
    missing = [Design(**one) for one in entries if one["code"] not in there]
    # Two servers that start at once both add them; the first one's stay.
    Design.objects.bulk_create(missing, ignore_conflicts=True)
    for one in entries:
        row = there.get(one["code"])
        if row is not None and any(getattr(row, key) != one.get(key, "") for key in PLACE):
            Design.objects.filter(pk=row.pk).update(**{key: one.get(key, "") for key in PLACE})
