import io
from collections.abc import Callable
from typing import Any

import pytest
from django.core.files.storage import default_storage
from django.test import Client
from PIL import Image
from procrastinate.contrib.django.models import ProcrastinateJob

from judicum.core.photo.engine import engine_version
from judicum.server.record.photos.actions.store_measurement import store_measurement
from judicum.server.record.photos.jobs import TASK
from judicum.server.record.photos.models import Measurement, Photo, StoredPicture, Upload
from judicum.server.record.photos.tasks import measure
from tests.drawn import bare_photo, bead_photo
from tests.measured import bead_measured, measured_attempt
from tests.people import Course, logged

pytestmark = pytest.mark.django_db

OCTETS = "application/offset+octet-stream"


def begin(client: Client, attempt_id: int, size: int) -> Any:
    return client.post(
        f"/api/attempts/{attempt_id}/uploads", headers={"Upload-Length": str(size), "Tus-Resumable": "1.0.0"}
    )


def piece(client: Client, url: str, offset: int, data: bytes) -> Any:
    return client.patch(url, data, OCTETS, headers={"Upload-Offset": str(offset), "Tus-Resumable": "1.0.0"})


def upload(client: Client, attempt_id: int, data: bytes) -> Any:
    started = begin(client, attempt_id, len(data))
    assert started.status_code == 201
    answer = None
    for offset in range(0, len(data), 100_000):
        answer = piece(client, started["Location"], offset, data[offset : offset + 100_000])
        if answer.status_code != 204:
            return answer
    return answer


def test_a_photo_arrives_in_pieces_and_waits_to_be_measured(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = logged(course)
    client = client_of(course.student)
    answer = upload(client, attempt.pk, bead_photo().jpeg)
    assert answer.status_code == 204
    photo = Photo.objects.get(pk=int(answer["Judicum-Photo"]))
    made = photo.measurements.get()
    assert made.state == "waiting"
    # Jobs of tests before this one stay: the queue's tables are not emptied.
    mine = ProcrastinateJob.objects.filter(task_name=TASK, args__measurement_id=made.pk, status="todo")
    assert mine.count() == 1
    shown = client.get(f"/api/attempts/{attempt.pk}").json()
    assert shown["state"] == "photographed"
    assert shown["photos"][0]["measurements"][0]["state"] == "waiting"


def test_a_lost_connection_goes_on_where_it_stopped(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = logged(course)
    client = client_of(course.student)
    data = bead_photo().jpeg
    url = begin(client, attempt.pk, len(data))["Location"]
    assert piece(client, url, 0, data[:70_000]).status_code == 204
    again = client_of(course.student)
    assert again.head(url)["Upload-Offset"] == "70000"
    assert piece(again, url, 0, data[:70_000]).json()["code"] == "offset_conflict"
    assert piece(again, url, 70_000, data[70_000:]).status_code == 204
    with StoredPicture.objects.get().original.open("rb") as file:
        assert file.read() == data


def test_another_students_upload_does_not_exist(course: Course, client_of: Callable[..., Client]) -> None:
    url = begin(client_of(course.student), logged(course).pk, 1000)["Location"]
    assert client_of(course.other).head(url).status_code == 404
    assert piece(client_of(course.instructor), url, 0, b"x").status_code == 404


@pytest.mark.parametrize("size", ["0", "26214401", "-5", "many", ""])
def test_a_size_of_no_sense_is_refused(course: Course, client_of: Callable[..., Client], size: str) -> None:
    answer = client_of(course.student).post(
        f"/api/attempts/{logged(course).pk}/uploads", headers={"Upload-Length": size}
    )
    assert answer.status_code == 400
    assert not Upload.objects.exists()


def test_more_than_was_announced_is_refused(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.student)
    url = begin(client, logged(course).pk, 10)["Location"]
    assert piece(client, url, 0, b"x" * 11).status_code == 400


def test_a_file_that_is_no_picture_is_refused_by_content_not_by_name(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = logged(course)
    answer = upload(client_of(course.student), attempt.pk, b"MZ this is a program called bead.jpg" * 40)
    assert answer.status_code == 400
    assert answer.json()["code"] == "unreadable"
    assert not Photo.objects.exists()
    assert not StoredPicture.objects.exists()
    attempt.refresh_from_db()
    assert attempt.state == "logged"


def test_the_run_is_logged_before_its_photo(course: Course, client_of: Callable[..., Client]) -> None:
    assert begin(client_of(course.student), course.attempt.pk, 1000).status_code == 409


def with_location(data: bytes) -> bytes:
    exif = Image.Exif()
    exif.get_ifd(0x8825)[2] = (52.0, 31.0, 12.0)
    exif[271] = "maker of the phone"
    out = io.BytesIO()
    Image.open(io.BytesIO(data)).save(out, "JPEG", exif=exif, quality=90)
    return out.getvalue()


def test_location_is_not_in_what_is_served(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.student)
    sent = with_location(bead_photo().jpeg)
    answer = upload(client, logged(course).pk, sent)
    served = client.get(f"/api/photos/{answer['Judicum-Photo']}/picture")
    body = b"".join(served.streaming_content)
    assert served["Content-Type"] == "image/jpeg"
    assert "private" in served["Cache-Control"]
    assert b"Exif" not in body
    assert not Image.open(io.BytesIO(body)).getexif()


def test_the_same_picture_is_stored_once(course: Course) -> None:
    first, second = measured_attempt(course), measured_attempt(course)
    assert first.pk != second.pk
    assert StoredPicture.objects.count() == 1
    assert len(default_storage.listdir("originals")[0]) == 1


def test_the_worker_measures_and_the_attempt_moves_on(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = logged(course)
    client = client_of(course.student)
    upload(client, attempt.pk, bead_photo().jpeg)
    waiting = Measurement.objects.get()
    measure(measurement_id=waiting.pk)
    shown = client.get(f"/api/attempts/{attempt.pk}").json()
    assert shown["state"] == "measured"
    got = shown["photos"][0]["measurements"][0]
    assert got["engine_version"] == engine_version()
    assert got["report"]["bead"]["length_mm"] == pytest.approx(80, abs=2)
    assert got["overlay"]["size"] == [1600, 1200]
    strip = client.get(got["strip"]["url"])
    with Image.open(io.BytesIO(b"".join(strip.streaming_content))) as image:
        assert image.width == pytest.approx((got["strip"]["to_mm"] - got["strip"]["from_mm"]) * 10, abs=12)


def test_a_refused_photo_says_why_and_another_can_be_sent(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = logged(course)
    client = client_of(course.student)
    upload(client, attempt.pk, bare_photo().jpeg)
    measure(measurement_id=Measurement.objects.get().pk)
    shown = client.get(f"/api/attempts/{attempt.pk}").json()
    assert shown["state"] == "photographed"
    assert shown["measurement"]["refusal_code"] == "no_bead"
    upload(client, attempt.pk, bead_photo().jpeg)
    measure(measurement_id=Measurement.objects.latest("pk").pk)
    assert client.get(f"/api/attempts/{attempt.pk}").json()["measurement"]["refusal_code"] == ""


def test_measuring_again_keeps_both_results(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = measured_attempt(course)
    photo = attempt.photos.get()
    client = client_of(course.instructor)
    again = client.post(f"/api/photos/{photo.pk}/measure-again")
    assert again.status_code == 202
    assert client.post(f"/api/photos/{photo.pk}/measure-again").json()["id"] == again.json()["id"]
    measure(measurement_id=again.json()["id"])
    assert [m.state for m in photo.measurements.all()] == ["done", "done"]
    assert client_of(course.student).post(f"/api/photos/{photo.pk}/measure-again").status_code == 403


def test_a_job_that_comes_twice_is_measured_once(course: Course) -> None:
    attempt = measured_attempt(course)
    done = Measurement.objects.get()
    events = attempt.events.count()
    measure(measurement_id=done.pk)
    assert not store_measurement(done.pk, [bead_measured()])
    assert attempt.events.count() == events


def test_a_measurement_that_breaks_down_says_so(course: Course, monkeypatch: pytest.MonkeyPatch) -> None:
    attempt = measured_attempt(course)
    broken = Measurement.objects.create(photo=attempt.photos.get(), requested_at="2030-01-01T00:00Z")

    def fail(*_: object) -> None:
        raise MemoryError("too much")

    monkeypatch.setattr("judicum.core.photo.measure.measure_all", fail)
    with pytest.raises(MemoryError):
        measure(measurement_id=broken.pk)
    broken.refresh_from_db()
    assert broken.state == "failed"


@pytest.mark.parametrize(
    ("kind", "paper", "code"),
    [("window", "a4", 200), ("strip", "letter", 200), ("round", "a4", 400), ("window", "a9", 400)],
)
def test_a_card_can_be_had_in_the_page(
    course: Course, client_of: Callable[..., Client], kind: str, paper: str, code: int
) -> None:
    answer = client_of(course.student).get(f"/api/scale-card/{kind}?paper={paper}")
    assert answer.status_code == code
    if code == 200:
        assert b"".join(answer.streaming_content).startswith(b"%PDF")
