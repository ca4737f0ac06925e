"""Stored files are named by what is in them; given-up uploads go; which measurement counts; a correction holds no row long."""

import hashlib
from collections.abc import Callable
from datetime import timedelta
from pathlib import Path
from typing import Any
from uuid import uuid4

import pytest
from django.core.files.base import ContentFile
from django.core.files.storage import default_storage
from django.db import connection
from django.test import Client
from django.utils import timezone

from judicum.core.errors import EditConflict
from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.server.platform.storage import store_file
from judicum.server.record.marking.queries import propose
from judicum.server.record.photos.actions import correct_measurement as correcting
from judicum.server.record.photos.actions.receive_upload import begin_upload, clear_abandoned, receive_piece
from judicum.server.record.photos.actions.save_summary import save_summary
from judicum.server.record.photos.models import Correction, Measurement, Upload
from judicum.server.record.photos.pieces import uploads_with_pieces
from judicum.server.record.photos.queries import measurement_that_counts
from tests.measured import measured_attempt
from tests.people import Course, logged


def test_every_stored_file_is_named_by_the_hash_of_its_content(course: Course) -> None:
    made = measured_attempt(course).photos.get().measurements.get()
    correcting.correct_measurement(course.instructor, made.pk, {"step": "no_ripples"})
    names = [made.strip.name, Correction.objects.get().strip.name, made.photo.picture.shown.name]
    for name in names:
        with default_storage.open(name) as file:
            assert Path(name).stem == hashlib.sha256(file.read()).hexdigest()


def test_a_strip_left_by_another_row_is_never_served(course: Course, client_of: Callable[..., Client]) -> None:
    # As after a restore: row numbers begin again, and files of other beads lie about.
    default_storage.save("strips/1-2.2.jpg", ContentFile(b"other"))
    made = measured_attempt(course).photos.get().measurements.get()
    served = client_of(course.student).get(f"/api/measurements/{made.pk}/strip")
    data = b"".join(served.streaming_content) if served.streaming else served.content
    assert hashlib.sha256(data).hexdigest() in made.strip.name
    assert store_file("strips", "jpg", data) == made.strip.name


def test_uploads_that_were_given_up_go_with_their_files_and_others_stay(course: Course) -> None:
    logged(course)
    old, fresh = (begin_upload(course.student, course.attempt.pk, 10, "x.jpg") for _ in range(2))
    for upload in (old, fresh):
        receive_piece(course.student, upload.pk, 0, b"12345")
    default_storage.save(f"uploads/{uuid4()}/000000000", ContentFile(b"left behind"))
    Upload.objects.filter(pk=old.pk).update(started_at=timezone.now() - timedelta(days=3))
    assert clear_abandoned(timezone.now()) == 1
    assert [u.pk for u in Upload.objects.all()] == [fresh.pk]
    assert uploads_with_pieces() == [str(fresh.pk)]
    assert clear_abandoned(timezone.now() + timedelta(days=3)) == 1
    assert uploads_with_pieces() == []


@pytest.mark.parametrize(
    ("done", "counts"),
    [
        ([("good", 0), ("refused", 1)], 0),
        ([("refused", 0), ("refused", 1), ("waiting", 2)], 1),
        ([("refused", 0), ("failed", 1)], 0),
        ([("waiting", 0)], None),
    ],
)
def test_which_measurement_counts_is_one_answer_everywhere(
    course: Course, done: list[tuple[str, int]], counts: int | None
) -> None:
    attempt = measured_attempt(course)
    photo = attempt.photos.get()
    good = photo.measurements.get()
    begun = timezone.now()
    rows = [
        Measurement.objects.create(
            photo=photo, requested_at=begun + timedelta(minutes=k), report=good.report if sort == "good" else None,
            state=sort if sort in ("waiting", "failed") else "done", refusal_code="blurred" if sort == "refused" else "",
        )
        for sort, k in done
    ]  # fmt: skip
    good.delete()
    save_summary(attempt.pk)
    assert measurement_that_counts(attempt) == (None if counts is None else rows[counts])


@pytest.mark.parametrize("kind", FAULT_KINDS)
def test_every_fault_kind_is_suggested_for_without_falling_over(course: Course, kind: str) -> None:
    attempt = measured_attempt(course)
    made = attempt.photos.get().measurements.get()
    fault = {"kind": kind, "s_mm": 20, "n_mm": 0, "x_mm": 1, "y_mm": 1, "size_mm": 2, "confidence": 0.9}
    made.report["defects"] = [fault]
    made.save()
    faults = next(s for s in propose(attempt).suggestions if s.criterion == "faults")
    assert faults.counts == {kind: 1}


def test_the_picture_is_decoded_before_any_row_is_held(
    course: Course, monkeypatch: pytest.MonkeyPatch, client_of: Callable[..., Client]
) -> None:
    made = measured_attempt(course).photos.get().measurements.get()
    held: list[bool] = []
    whole = correcting.store_file
    depth = len(connection.savepoint_ids)

    def watched(*given: Any) -> str:
        held.append(len(connection.savepoint_ids) > depth)
        return whole(*given)

    monkeypatch.setattr(correcting, "store_file", watched)
    correcting.correct_measurement(course.instructor, made.pk, {"step": "no_ripples"})
    assert held == [False]


def test_two_corrections_at_once_do_not_overwrite_each_other(course: Course, monkeypatch: pytest.MonkeyPatch) -> None:
    made = measured_attempt(course).photos.get().measurements.get()
    whole = correcting.store_file

    def meanwhile(*given: Any) -> str:
        monkeypatch.setattr(correcting, "store_file", whole)
        correcting.correct_measurement(course.assistant, made.pk, {"step": "add_front", "s_mm": 11.11})
        return whole(*given)

    monkeypatch.setattr(correcting, "store_file", meanwhile)
    with pytest.raises(EditConflict, match="somebody-else-corrected"):
        correcting.correct_measurement(course.instructor, made.pk, {"step": "no_ripples"})
    assert [c.step["step"] for c in Correction.objects.all()] == ["add_front"]
