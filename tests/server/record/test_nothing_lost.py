"""Nothing lost and nothing stuck: uploads whose end was cut off, rows without a job, half files, a full disk, double taps."""

import errno
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from datetime import timedelta
from pathlib import Path
from typing import Any

import pytest
from django.core.files.storage import default_storage
from django.db import IntegrityError, connection, connections, transaction
from django.test import Client
from django.utils import timezone
from procrastinate.contrib.django.models import ProcrastinateJob

from judicum.core.errors import UnreadablePicture, WrongState
from judicum.server.platform import storage
from judicum.server.platform.storage import store_file
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.actions.open_attempt import weld_another
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.photos.actions import receive_upload
from judicum.server.record.photos.actions.receive_upload import begin_upload, finish_whole, receive_piece
from judicum.server.record.photos.actions.reconcile_jobs import MAX_JOBS, reconcile
from judicum.server.record.photos.actions.request_measurement import measure_again, request_measurement
from judicum.server.record.photos.jobs import LIVE, has_job
from judicum.server.record.photos.models import Measurement, Photo, Upload
from judicum.server.record.photos.pieces import drop_pieces, save_piece, uploads_with_pieces
from tests.drawn import bead_photo
from tests.measured import measured_attempt
from tests.people import RUN, Course, create_course, logged

CUT = 100_000


def begun(course: Course) -> tuple[Upload, bytes]:
    """An upload of which all but the last piece has arrived."""
    logged(course)
    data = bead_photo().jpeg
    upload = begin_upload(course.student, course.attempt.pk, len(data), "bead.jpg")
    return receive_piece(course.student, upload.pk, 0, data[:CUT]), data[CUT:]


def test_the_whole_length_is_said_only_once_the_photo_is_there(course: Course, monkeypatch: pytest.MonkeyPatch) -> None:
    upload, last = begun(course)

    def dies(*_: object, **__: object) -> None:
        raise ConnectionError("the database went away")

    with monkeypatch.context() as patched:
        patched.setattr(receive_upload, "add_photo", dies)
        with pytest.raises(ConnectionError):
            receive_piece(course.student, upload.pk, CUT, last)
    upload.refresh_from_db()
    assert (upload.received, upload.photo) == (CUT, None)
    done = receive_piece(course.student, upload.pk, CUT, last)
    assert done.received == done.size
    assert Photo.objects.get() == done.photo


def test_a_last_piece_that_is_sent_twice_is_answered_as_the_first_time(
    course: Course, client_of: Callable[..., Client]
) -> None:
    upload, last = begun(course)
    first = receive_piece(course.student, upload.pk, CUT, last)
    again = client_of(course.student).patch(
        f"/api/uploads/{upload.pk}", last, "application/offset+octet-stream", headers={"Upload-Offset": str(CUT)}
    )
    assert again.status_code == 204
    assert again["Judicum-Photo"] == str(first.photo_id)
    assert Photo.objects.count() == 1


def test_a_whole_file_whose_sender_never_came_back_is_finished(course: Course) -> None:
    upload, last = begun(course)
    save_piece(upload, CUT, last)
    assert finish_whole() == 1
    upload.refresh_from_db()
    assert upload.photo is not None
    assert uploads_with_pieces() == []
    assert finish_whole() == 0


def test_an_upload_whose_pieces_are_gone_begins_anew(course: Course, client_of: Callable[..., Client]) -> None:
    upload, last = begun(course)
    drop_pieces(str(upload.pk))
    client, url = client_of(course.student), f"/api/uploads/{upload.pk}"

    def send(offset: int, piece: bytes) -> Any:
        return client.patch(url, piece, "application/offset+octet-stream", headers={"Upload-Offset": str(offset)})

    lost = send(CUT, last)
    assert (lost.status_code, lost.json()["code"]) == (409, "offset_conflict")
    assert client.head(url)["Upload-Offset"] == "0", "the phone goes on from there"
    assert send(0, bead_photo().jpeg[:CUT]).status_code == 204
    assert send(CUT, last).status_code == 204
    assert Photo.objects.count() == 1


@pytest.mark.django_db(transaction=True)
def test_the_same_bytes_from_three_sides_at_once_are_a_photo_for_each_that_was_promised_one(
    client_of: Callable[..., Client],
) -> None:
    course = create_course()
    mine = logged(course)
    theirs = log_run(course.other, Attempt.objects.get(student=course.other).pk, RUN)
    data = bead_photo().jpeg
    sides = [(course.student, mine), (course.student, mine), (course.other, theirs)]
    uploads = [(who, begin_upload(who, attempt.pk, len(data), "bead.jpg")) for who, attempt in sides]

    def send(side: tuple[Any, Upload]) -> Any:
        who, upload = side
        try:
            return client_of(who).patch(
                f"/api/uploads/{upload.pk}", data, "application/offset+octet-stream", headers={"Upload-Offset": "0"}
            )
        finally:
            connections.close_all()

    with ThreadPoolExecutor(6) as pool:
        answers = list(pool.map(send, [*uploads, *uploads]))  # each of them twice, as from a slow line
    assert {answer.status_code for answer in answers} <= {204, 409}
    promised = [int(answer["Judicum-Photo"]) for answer in answers if answer.status_code == 204]
    assert set(promised) == set(Photo.objects.values_list("pk", flat=True))
    assert len(set(promised)) == 3
    assert all(default_storage.exists(str(photo.picture.original)) for photo in Photo.objects.all() if photo.picture)
    # Kept once, and said: to those who teach of whoever sent it, to a student of themselves.
    staff = client_of(course.instructor).get(f"/api/attempts/{theirs.pk}").json()["photos"][0]["same_as"]
    assert [(one["attempt"], one["student"]) for one in staff] == [(mine.pk, "Sanne")]
    assert client_of(course.other).get(f"/api/attempts/{theirs.pk}").json()["photos"][0]["same_as"] == []


def test_what_is_no_picture_is_discarded_and_a_fault_of_ours_is_not(course: Course) -> None:
    logged(course)
    upload = begin_upload(course.student, course.attempt.pk, 6, "x.jpg")
    with pytest.raises(UnreadablePicture):
        receive_piece(course.student, upload.pk, 0, b"nobead")
    assert not Upload.objects.exists()
    assert uploads_with_pieces() == []


def full(*_: object, **__: object) -> None:
    raise OSError(errno.ENOSPC, "No space left on device")


def test_a_full_disk_answers_in_words_and_leaves_nothing_behind(
    course: Course, client_of: Callable[..., Client], monkeypatch: pytest.MonkeyPatch
) -> None:
    upload, last = begun(course)
    client = client_of(course.student)
    before = sorted(Path(default_storage.location).rglob("*"))

    def send() -> Any:
        return client.patch(
            f"/api/uploads/{upload.pk}", last, "application/offset+octet-stream", headers={"Upload-Offset": str(CUT)}
        )

    for where, name in ((storage.os, "fsync"), (storage.tempfile, "mkstemp")):
        with monkeypatch.context() as patched:
            patched.setattr(where, name, full)
            answer = send()
        assert answer.status_code == 507
        assert answer.json()["code"] == "no_room"
        assert "full" in answer.json()["detail"]
    assert [p for p in Path(default_storage.location).rglob("*") if p.is_file()] == [p for p in before if p.is_file()]
    assert send().status_code == 204


def test_half_a_file_is_not_trusted_for_its_name() -> None:
    name = store_file("strips", "jpg", b"a whole strip")
    Path(default_storage.path(name)).write_bytes(b"a whole")
    assert store_file("strips", "jpg", b"a whole strip") == name
    assert Path(default_storage.path(name)).read_bytes() == b"a whole strip"
    Path(default_storage.path(name)).write_bytes(b"another strip")
    store_file("strips", "jpg", b"a whole strip")
    assert Path(default_storage.path(name)).read_bytes() == b"a whole strip"
    assert [p.name for p in Path(default_storage.path(name)).parent.iterdir()] == [Path(name).name]


def adrift(course: Course) -> Measurement:
    """A measurement that says it is under way, and whose job was given up."""
    photo = measured_attempt(course).photos.get()
    mine = request_measurement(photo)
    Measurement.objects.filter(pk=mine.pk).update(state="measuring", requested_at=timezone.now() - timedelta(minutes=5))
    give_up(mine)
    return mine


def give_up(mine: Measurement) -> None:
    with connection.cursor() as cursor:
        cursor.execute(
            "UPDATE procrastinate_jobs SET status = 'failed' WHERE args->>'measurement_id' = %s", [str(mine.pk)]
        )


def test_a_row_without_a_job_is_started_again_and_in_the_end_given_up(course: Course) -> None:
    mine = adrift(course)
    for _ in range(MAX_JOBS - 1):
        assert reconcile(timezone.now()) == [mine.pk]
        mine.refresh_from_db()
        assert mine.state == "waiting"
        assert has_job(mine.pk)
        assert reconcile(timezone.now()) == []
        give_up(mine)
    reconcile(timezone.now())
    mine.refresh_from_db()
    assert mine.state == "failed"
    assert ProcrastinateJob.objects.filter(args__measurement_id=mine.pk).count() == MAX_JOBS


def test_a_row_whose_job_is_on_its_way_is_left_alone(course: Course) -> None:
    mine = request_measurement(measured_attempt(course).photos.get())
    assert reconcile(timezone.now()) == []
    assert reconcile(timezone.now() + timedelta(minutes=5)) == []
    assert ProcrastinateJob.objects.filter(args__measurement_id=mine.pk).count() == 1


def test_a_dead_row_does_not_block_measuring_again(course: Course) -> None:
    mine = adrift(course)
    again = measure_again(course.instructor, mine.photo_id)
    assert again.pk == mine.pk
    assert ProcrastinateJob.objects.filter(args__measurement_id=mine.pk, status__in=LIVE).count() == 1


def test_the_database_lets_a_photo_wait_once_and_a_student_weld_one_at_a_time(course: Course) -> None:
    photo = measured_attempt(course).photos.get()
    request_measurement(photo)
    with pytest.raises(IntegrityError), transaction.atomic():
        Measurement.objects.create(photo=photo, requested_at=timezone.now())
    weld_another(course.student, course.assignment)
    with pytest.raises(WrongState):
        weld_another(course.student, course.assignment)
    with pytest.raises(IntegrityError), transaction.atomic():
        Attempt.objects.create(
            assignment=course.assignment,
            student=course.student,
            number=9,
            created_at=timezone.now(),
            updated_at=timezone.now(),
            shown_at=timezone.now(),
        )


@pytest.mark.django_db(transaction=True)
def test_six_taps_at_once_are_one(client_of: Callable[..., Client]) -> None:
    course = create_course()
    photo = measured_attempt(course).photos.get()

    def tap(who: Any, url: str) -> int:
        try:
            return client_of(who).post(url).status_code
        finally:
            connections.close_all()

    with ThreadPoolExecutor(6) as pool:
        again = list(pool.map(lambda _: tap(course.instructor, f"/api/photos/{photo.pk}/measure-again"), range(6)))
        weld = list(
            pool.map(lambda _: tap(course.student, f"/api/assignments/{course.assignment.pk}/attempts"), range(6))
        )
    assert again == [202] * 6
    assert sorted(weld) == [201, *[409] * 5]
    assert Measurement.objects.filter(state__in=["waiting", "measuring"]).count() == 1
    assert Attempt.objects.filter(student=course.student, state="assigned").count() == 1
