"""Pictures with their labels, for teaching networks: what people looked at, of those who agreed, without who, where and when.

A zip of pictures and `truth.json`, as `judicum.training` reads it: a list of {name, must_refuse, truth}, `truth` with the keys of
`./judicum measure` (bead, profile, ripple, tint, defects) as corrected by hand, and `callipers_mm`, [place, width] each.
"""

import json
from collections.abc import Iterator
from functools import partial
from io import BytesIO
from pathlib import PurePosixPath
from typing import Any

from django.core.files.storage import default_storage
from django.db.models import Prefetch

from judicum.server.exchange.archive.write import Entry, zip_of
from judicum.server.people.accounts.models import Workshop
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.photos.models import Correction

FORMAT = "judicum-labels"
VERSION = 1
PARTS = ("bead", "profile", "ripple", "tint", "defects")
"""Parts of a report that are labels."""


def labels_of(workshop: Workshop) -> Iterator[bytes]:
    """The zip of a workshop's labelled pictures, chunk by chunk: marked beads whose students agreed, with the picture still kept."""
    rows = _rows(workshop)
    entries, truth = [], []
    # By what the pictures hold, so that their order says nothing of who or when.
    for number, (_, stored, labels) in enumerate(sorted(rows, key=lambda row: row[0]), 1):
        name = f"bead-{number:05d}{PurePosixPath(stored).suffix}"
        truth.append({"name": name, "must_refuse": None, "truth": labels})
        entries.append(Entry(name, partial(default_storage.open, stored)))
    lines = json.dumps(truth, indent=1).encode()
    yield from zip_of(
        [Entry("truth.json", partial(BytesIO, lines), packed=True), *entries], {"format": FORMAT, "version": VERSION}
    )


def _rows(workshop: Workshop) -> list[tuple[str, str, dict[str, Any]]]:
    """Digest, place in the store, and labels of each picture; of pictures sent twice the one that was marked last."""
    attempts = (
        Attempt.objects.filter(
            course__workshop=workshop,
            student__shares_pictures=True,
            mark__isnull=False,
            summary__refusal_code="",
            summary__measurement__photo__picture__cleaned=True,
        )
        .select_related("summary__measurement__chosen", "summary__measurement__photo__picture")
        .prefetch_related(
            "callipers", Prefetch("summary__measurement__corrections", Correction.objects.defer("overlay"))
        )
        .order_by("mark__marked_at")
    )
    found: dict[str, tuple[str, str, dict[str, Any]]] = {}
    for attempt in attempts:
        measurement = attempt.summary.measurement
        picture, report = measurement.photo.picture, measurement.result
        if picture is None or not picture.original.name or not report or not report.get("bead"):
            continue
        labels = {part: report[part] for part in PARTS}
        labels["callipers_mm"] = [[one.s_mm, one.width_mm] for one in attempt.callipers.all()]
        found[picture.pk] = (picture.pk, picture.original.name, labels)
    return list(found.values())
