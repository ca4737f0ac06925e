"""Pictures that somebody sends: looked into apart, a few at a time, within limits that are telling in words."""

import hashlib
import io
import resource
import struct
import subprocess
import sys
import zipfile
import zlib
from collections.abc import Callable
from typing import Any

import pytest
from django.core.cache import cache
from django.test import Client
from PIL import Image

from judicum.core.errors import Busy, TooMuch, UnreadablePicture
from judicum.core.photo.bead import Bead
from judicum.core.photo.decode import encode_jpeg
from judicum.core.photo.ingest import ingest
from judicum.core.photo.measure import measure_photo
from judicum.core.photo.precheck import precheck_file
from judicum.core.photo.strip import cut_strip
from judicum.server.exchange.archive.write import archive_of
from judicum.server.platform import sandbox
from judicum.server.platform.storage import store_file
from judicum.server.record.photos.actions import receive_upload
from judicum.server.record.photos.actions.receive_upload import begin_upload, receive_piece
from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.models import Photo, StoredPicture, Upload
from judicum.server.upkeep.clean_pictures import clean_pictures
from tests.drawn import bead_photo
from tests.people import Course, logged


def grey_png(width: int, height: int, bits: int = 8, colour: int = 0) -> bytes:
    """A PNG of one colour, a few kilobytes however many pixels it has."""

    def chunk(kind: bytes, data: bytes) -> bytes:
        return struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data))

    row = b"\0" + b"\x80" * (width * (3 if colour == 2 else 1) * bits // 8)
    packed = zlib.compressobj(1)
    body = b"".join(packed.compress(row) for _ in range(height)) + packed.flush()
    header = struct.pack(">IIBBBBB", width, height, bits, colour, 0, 0, 0)
    return b"\x89PNG\r\n\x1a\n" + chunk(b"IHDR", header) + chunk(b"IDAT", body) + chunk(b"IEND", b"")


def test_what_comes_back_from_apart_is_what_is_seen_here() -> None:
    assert sandbox.ingest_in_sandbox(bead_photo().jpeg) == ingest(bead_photo().jpeg)


def test_an_archive_carries_no_place_and_no_owner_of_a_photo(course: Course) -> None:
    exif = Image.Exif()
    exif[0x013B] = "Sanne at home"
    exif.get_ifd(0x8825).update({1: "N", 2: (48.0, 12.0, 30.0)})
    sent = io.BytesIO()
    with Image.open(io.BytesIO(bead_photo().jpeg)) as picture:
        picture.save(sent, "JPEG", exif=exif, quality=95)
    attempt = logged(course)
    photo = send_photo(course.student, attempt.pk, sent.getvalue())
    assert photo.picture is not None
    with photo.picture.original.open() as kept:
        assert b"Sanne at home" not in kept.read()
    with zipfile.ZipFile(io.BytesIO(b"".join(archive_of(course.row.pk)))) as archive:
        names = [name for name in archive.namelist() if name.startswith("files/originals")]
        assert len(names) == 1
        with Image.open(io.BytesIO(archive.read(names[0]))) as picture:
            assert not picture.getexif().get_ifd(0x8825)
    again = send_photo(course.student, attempt.pk, sent.getvalue())
    assert again.picture == photo.picture, "the same photo is kept once"


def test_a_picture_of_before_is_cleaned_by_night_and_its_photos_with_it(course: Course) -> None:
    exif = Image.Exif()
    exif.get_ifd(0x8825).update({1: "N", 29: "at home"})
    telling = io.BytesIO()
    with Image.open(io.BytesIO(bead_photo().jpeg)) as picture:
        picture.save(telling, "JPEG", exif=exif)
    photo = send_photo(course.student, logged(course).pk, telling.getvalue())
    before = StoredPicture.objects.get()
    digest = hashlib.sha256(telling.getvalue()).hexdigest()
    StoredPicture.objects.create(pk=digest, media_type=before.media_type, bytes=1, width_px=before.width_px, height_px=before.height_px, original=store_file("originals", "jpg", telling.getvalue()), shown=before.shown)  # fmt: skip
    Photo.objects.update(picture=digest)
    before.delete()
    assert clean_pictures() == 1
    photo.refresh_from_db()
    kept = photo.picture
    assert kept is not None
    assert (kept.cleaned, StoredPicture.objects.count(), kept.shown.name) == (True, 1, before.shown.name)
    with kept.original.open() as file:
        assert b"at home" not in file.read()
    assert clean_pictures() == 0


@pytest.mark.parametrize("data", [b"no picture", bead_photo().jpeg[:9000], b""])
def test_what_is_no_picture_is_refused_in_words(data: bytes) -> None:
    with pytest.raises(UnreadablePicture, match=r"picture|jpeg"):
        sandbox.ingest_in_sandbox(data)


@pytest.mark.parametrize("size", [(20000, 1), (1, 20000), (1, 1)])
def test_odd_shapes_keep_a_copy_to_show(size: tuple[int, int]) -> None:
    arrived = sandbox.ingest_in_sandbox(grey_png(*size))
    assert (arrived.width_px, arrived.height_px) == size
    assert arrived.shown.startswith(b"\xff\xd8")


def test_the_largest_picture_takes_half_a_gigabyte_apart_and_nothing_here() -> None:
    before = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss
    data = grey_png(7680, 7680, 16, 2)
    made = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss
    assert sandbox.ingest_in_sandbox(data).width_px == 7680
    assert resource.getrusage(resource.RUSAGE_SELF).ru_maxrss - max(before, made) < 20_000  # kB: the copy to show
    watch = "import resource,subprocess,sys; subprocess.run(sys.argv[1:], stdin=open(sys.argv[0].replace('-c','/dev/stdin')), stdout=-3); print(resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss)"
    response = subprocess.run(
        [sys.executable, "-c", watch, sys.executable, "-m", "judicum.core.photo.sandboxed", "ingest"],
        input=b"{}\n" + data,
        capture_output=True,
    )
    assert 200_000 < int(response.stdout) < 560_000


def test_where_no_place_comes_free_the_phone_is_said_to_send_again(
    course: Course, client_of: Callable[..., Client], monkeypatch: pytest.MonkeyPatch
) -> None:
    logged(course)
    data = bead_photo().jpeg
    upload = begin_upload(course.student, course.attempt.pk, len(data), "bead.jpg")
    client = client_of(course.student)

    def send() -> Any:
        return client.patch(
            f"/api/uploads/{upload.pk}", data, "application/offset+octet-stream", headers={"Upload-Offset": "0"}
        )

    with sandbox.slot("sandbox", 2), sandbox.slot("sandbox", 2):
        with pytest.raises(Busy), sandbox.slot("sandbox", 2, 0.2):
            pass
        monkeypatch.setattr(receive_upload, "ingest_in_sandbox", lambda data: refuse())
        answer = send()
    assert (answer.status_code, answer.json()["code"]) == (503, "busy")
    monkeypatch.setattr(receive_upload, "ingest_in_sandbox", sandbox.ingest_in_sandbox)
    assert send().status_code == 204
    assert Photo.objects.count() == 1


def refuse() -> None:
    with sandbox.slot("sandbox", 2, 0.1):
        pass


@pytest.mark.parametrize(("signal", "error"), [(15, Busy), (9, Busy), (11, UnreadablePicture), (24, UnreadablePicture)])
def test_being_stopped_says_nothing_about_the_picture_and_breaking_does(
    monkeypatch: pytest.MonkeyPatch, signal: int, error: type[Exception]
) -> None:
    def ends(*_: object, **__: object) -> subprocess.CompletedProcess[bytes]:
        return subprocess.CompletedProcess([], -signal, b"", b"")

    monkeypatch.setattr(sandbox.subprocess, "run", ends)
    with pytest.raises(error):
        sandbox.ingest_in_sandbox(bead_photo().jpeg)


def test_a_large_picture_has_the_machine_s_one_place_for_such() -> None:
    small, large = grey_png(100, 100), grey_png(6000, 4000)
    with sandbox.large_picture_slot(large):
        with sandbox.large_picture_slot(small, 0.1):
            pass
        with pytest.raises(Busy), sandbox.large_picture_slot(large, 0.1):
            pass
    with sandbox.large_picture_slot(large, 0.1):
        pass


def test_limits_of_a_person_an_attempt_and_a_course_are_said(
    course: Course, settings: Any, monkeypatch: pytest.MonkeyPatch
) -> None:
    logged(course)
    data = bead_photo().jpeg

    def begin() -> Upload:
        return begin_upload(course.student, course.attempt.pk, len(data), "bead.jpg")

    monkeypatch.setattr(receive_upload, "MAX_OPEN", 2)
    first = begin()
    begin()
    with pytest.raises(TooMuch, match="under-way-let most=2"):
        begin()
    receive_piece(course.student, first.pk, 0, data)
    settings.MAX_BYTES_OF_PERSON = 2 * len(data) - 1
    with pytest.raises(TooMuch, match="your-photos-take"):
        begin()
    cache.clear()
    settings.MAX_BYTES_OF_PERSON, settings.MAX_BYTES_OF_COURSE = 10**9, len(data)
    with pytest.raises(TooMuch, match="courses-photos-take"):
        begin()
    settings.MAX_BYTES_OF_COURSE = 10**9
    monkeypatch.setattr(receive_upload, "MAX_PHOTOS", 1)
    with pytest.raises(TooMuch, match=r"attempt-has-photos.* most=1"):
        begin()


def test_a_precheck_and_a_strip_from_the_sandbox_are_those_made_here() -> None:
    jpeg = bead_photo().jpeg
    assert sandbox.precheck_in_sandbox(jpeg, 900) == precheck_file(jpeg, 900)
    measured = measure_photo(jpeg)
    assert measured.bead is not None
    assert measured.picture is not None
    kept = measured.bead.as_json()
    assert sandbox.strip_in_sandbox(jpeg, kept) == encode_jpeg(cut_strip(measured.picture, Bead.from_json(kept)))


def test_a_copy_that_claims_more_pixels_than_a_page_sends_is_not_unpacked() -> None:
    with pytest.raises(UnreadablePicture, match="millions=12"):
        sandbox.precheck_in_sandbox(grey_png(4000, 3200), None)
