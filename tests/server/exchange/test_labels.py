"""Labelled pictures to teach from: of those who agreed alone, without who, where and when, as corrected."""

import io
import json
import zipfile
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest
from django.core.management import call_command
from django.test import Client
from django.utils import timezone
from PIL import Image

from judicum.core.errors import InvalidValue
from judicum.server.exchange.labels import labels_of
from judicum.server.follow.trust.models import Calliper
from judicum.server.people.accounts.models import User, Workshop
from judicum.server.record.photos.models import Correction, Measurement
from tests.measured import bead_measured, measured_attempt
from tests.people import Course
from tests.server.follow.test_corrections import mark

pytestmark = pytest.mark.django_db


def read(workshop: Workshop) -> tuple[zipfile.ZipFile, list[dict[str, Any]]]:
    archive = zipfile.ZipFile(io.BytesIO(b"".join(labels_of(workshop))))
    return archive, json.loads(archive.read("truth.json"))


def test_only_marked_beads_of_those_who_agreed_go_out(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = measured_attempt(course)
    workshop = course.row.workshop
    client = client_of(course.student)
    assert client.get("/api/session").json()["shares_pictures"] is False
    body = json.dumps({"shares_pictures": True})
    assert client.patch("/api/session/preferences", body, "application/json").json()["shares_pictures"] is True
    assert read(workshop)[1] == [], "nobody has looked at it yet"
    mark(course, attempt)
    assert len(read(workshop)[1]) == 1
    User.objects.filter(pk=course.student.pk).update(shares_pictures=False)
    assert read(workshop)[1] == []


def test_labels_are_as_corrected_and_name_nobody(course: Course) -> None:
    attempt = measured_attempt(course)
    User.objects.filter(pk=course.student.pk).update(shares_pictures=True)
    mark(course, attempt)
    measurement = Measurement.objects.get(photo__attempt=attempt)
    report = bead_measured().measured.report
    corrected = report.replace(defects=[], ripple=None).as_json()
    Correction.objects.create(
        measurement=measurement, step={"step": "no_ripples"}, report=corrected, overlay={}, by=course.instructor, at=timezone.now()
    )  # fmt: skip
    Calliper.objects.create(attempt=attempt, s_mm=20.0, width_mm=4.5, by=course.student, at=timezone.now())
    archive, (entry,) = read(course.row.workshop)
    assert set(archive.namelist()) == {"truth.json", entry["name"], "manifest.json"}
    assert (entry["truth"]["ripple"], entry["truth"]["callipers_mm"]) == (None, [[20.0, 4.5]])
    assert entry["truth"]["bead"] == report.as_json()["bead"]
    picture = archive.read(entry["name"])
    assert dict(Image.open(io.BytesIO(picture)).getexif()) == {}
    text = archive.read("truth.json").decode() + archive.read("manifest.json").decode()
    for name in (course.student.display_name, course.student.username, course.row.name, "bead.jpg", "2026"):
        assert name not in text


def test_the_command_writes_the_zip_whole_or_says_which_workshops_there_are(course: Course, tmp_path: Path) -> None:
    call_command("export_labels", str(tmp_path / "labels.zip"), course.row.workshop.name)
    assert zipfile.ZipFile(tmp_path / "labels.zip").testzip() is None
    with pytest.raises((InvalidValue, SystemExit)):
        call_command("export_labels", str(tmp_path / "none.zip"), "Nowhere")
    assert not (tmp_path / "none.zip").exists()
