"""Makes what a release leaves behind for the tests of all later ones: a backup of its tables, and an archive of its format.

    JUDICUM_GOLDEN=tests/golden ./judicum test tests/golden/make.py

Nothing here is collected by name; the files of a version that is out are never made again.
"""

import io
import os
from pathlib import Path
from types import SimpleNamespace
from typing import Any

import pytest
from django.utils import timezone
from PIL import Image

import tests.drawn
import tests.measured
from judicum import __version__
from judicum.server.exchange.archive.versions import VERSION
from judicum.server.exchange.archive.write import archive_of
from judicum.server.exchange.backup import back_up
from judicum.server.follow.sessions.models import Attendance, Booth, BoothSlot, Session
from judicum.server.follow.stock.models import Bottle, GaugeReading, Item, Movement
from judicum.server.record.causes.actions.judge_cause import judge_cause
from judicum.server.record.marking.actions.ask_second import ask_second
from judicum.server.record.marking.actions.mark_attempt import set_mark
from tests.people import Course, create_course
from tests.server.exchange.test_archive import SCORES, fill

SMALL = 38
"""JPEG quality of the photo: these files lie in the repository for good."""


@pytest.fixture
def small_photos(monkeypatch: pytest.MonkeyPatch) -> None:
    out = io.BytesIO()
    with Image.open(io.BytesIO(tests.drawn.bead_photo().jpeg)) as picture:
        picture.save(out, "JPEG", quality=SMALL)
    small = SimpleNamespace(jpeg=out.getvalue())
    monkeypatch.setattr(tests.measured, "bead_photo", lambda *_: small)


def filled(course: Course) -> None:
    """Something in nearly every table."""
    fill(course)
    second = tests.measured.measured_attempt(course)
    judge_cause(course.instructor, second.pk, "draught", "ruled_out")
    second.refresh_from_db()
    set_mark(course.assistant, second.pk, second.version, SCORES, "Second.", "Slow down.", cause="flow_low")
    second.refresh_from_db()
    ask_second(course.assistant, second.pk, second.version)
    now, session, booth = timezone.now(), Session.objects.get(), Booth.objects.get()
    slot: dict[str, Any] = {
        "assignment": course.assignment,
        "student": course.other,
        "start": 30,
        "minutes": 20,
        "kept": True,
    }
    BoothSlot.objects.create(session=session, booth=booth, **slot)
    Attendance.objects.create(session=session, user=course.other, there=True, at=now)
    gas = Item.objects.create(course=course.row, kind="gas", name="Argon 20", spec={"bottle_l": 20})
    Movement.objects.create(item=gas, kind="delivered", amount=2, at=now, by=course.instructor, note="from the quay")
    bottle = Bottle.objects.create(course=course.row, item=gas, name="A", size_l=20, opened_at=now)
    GaugeReading.objects.create(bottle=bottle, at=now, bar=140, off_bar=5, how="typed", by=course.student)


@pytest.mark.django_db(transaction=True)
def test_make(small_photos: None) -> None:
    folder = Path(os.environ["JUDICUM_GOLDEN"])
    course = create_course()
    filled(course)
    archive = folder / f"course-v{VERSION}.zip"
    if not archive.exists():
        archive.write_bytes(b"".join(archive_of(course.row.pk)))
    back_up(folder / f"backup-{__version__}.zip", timezone.now())
