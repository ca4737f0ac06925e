"""What those who run the server see: health, readiness, metrics, and one id from the phone to the measurement."""

import json
import logging
import os
import subprocess
import sys
from collections.abc import Callable
from typing import Any

import pytest
from django.db import connection
from django.test import Client
from pythonjsonlogger.json import JsonFormatter

from judicum import __version__
from judicum.server.people.accounts.models import Release
from judicum.server.people.accounts.releases import forget, record_release
from judicum.server.platform import request_id
from judicum.server.platform.storage import WholeFiles
from judicum.server.record.photos import tasks
from judicum.server.record.photos.actions.receive_upload import begin_upload, finish_whole
from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.models import Measurement, Photo
from judicum.server.record.photos.pieces import save_piece
from tests.drawn import bead_photo
from tests.people import Course, logged

pytestmark = pytest.mark.django_db
REQUEST_ID = "phone-0123456789abcdef"


def test_a_living_server_says_so_and_one_that_can_serve_says_that(client: Client) -> None:
    assert client.get("/health").json() == {"status": "alive", "version": __version__}
    answer = client.get("/ready")
    assert (answer.status_code, answer.json()) == (
        200,
        {"status": "ready", "database": "ok", "tables": "ok", "store": "ok", "version": "ok"},
    )


def test_what_is_missing_is_said(client: Client, monkeypatch: pytest.MonkeyPatch) -> None:
    def gone(*_: object) -> None:
        raise ConnectionError("http://secret-store")

    monkeypatch.setattr(WholeFiles, "exists", gone)
    with connection.cursor() as cursor:
        cursor.execute("DELETE FROM django_migrations WHERE app = 'photos' AND name LIKE '0008%%'")
    answer = client.get("/ready")
    assert answer.status_code == 503
    assert answer.json()["store"] == "ConnectionError"
    assert answer.json()["tables"] == "1 migrations are missing"
    assert "secret" not in answer.content.decode()


def test_metrics_count_answers_by_pattern_and_tell_what_waits(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.student)
    client.get(f"/api/courses/{course.row.pk}/attempts")
    Measurement.objects.create(photo=sent(course), requested_at="2020-01-01T00:00:00Z")
    answer = client.get("/metrics").content.decode()
    assert 'judicum_answers_total{method="GET",route="api/courses/<int:course_id>/attempts",status="200"}' in answer
    assert "judicum_measurements_waiting 1.0" in answer
    assert "judicum_oldest_measurement_seconds" in answer
    assert str(course.row.pk) + "/attempts" not in answer


def sent(course: Course) -> Photo:
    """A photo whose pieces came under TRAIL and whose last answer never reached the phone."""
    logged(course)
    with request_id.bound(REQUEST_ID):
        upload = begin_upload(course.student, course.attempt.pk, len(bead_photo().jpeg), "bead.jpg")
    save_piece(upload, 0, bead_photo().jpeg)
    assert finish_whole() == 1
    Measurement.objects.all().delete()
    return Photo.objects.get()


def test_an_id_follows_a_photo_from_the_phone_to_its_measurement(
    course: Course, caplog: pytest.LogCaptureFixture, monkeypatch: pytest.MonkeyPatch
) -> None:
    photo = sent(course)
    assert photo.request_id == REQUEST_ID
    mine = Measurement.objects.create(photo=photo, requested_at="2020-01-01T00:00:00Z")
    caplog.handler.addFilter(request_id.add_to_record)
    with caplog.at_level(logging.INFO):
        tasks.measure(mine.pk)
    answer = next(record for record in caplog.records if record.getMessage() == "measured")
    line = json.loads(JsonFormatter("%(request_id)s %(message)s").format(answer))
    assert line["request_id"] == REQUEST_ID
    assert line["photo"] == photo.pk
    assert request_id.current() == ""


@pytest.mark.parametrize("given", [None, "short", "no spaces here", "x" * 65])
def test_an_id_that_is_none_is_replaced(client: Client, given: str | None) -> None:
    headers: Any = {"X-Request-Id": given} if given else {}
    answer = client.get("/health", headers=headers)[request_id.HEADER]
    assert answer != given
    assert len(answer) == 32


def test_a_request_s_own_id_comes_back(client: Client) -> None:
    assert client.get("/health", headers={"X-Request-Id": REQUEST_ID})[request_id.HEADER] == REQUEST_ID


def test_behind_tls_nothing_is_left_to_be_desired() -> None:
    env = {k: v for k, v in os.environ.items() if k != "DJANGO_ALLOW_ASYNC_UNSAFE"}
    env |= {"JUDICUM_HTTPS": "1", "JUDICUM_SECRET_KEY": "".join(map(chr, range(40, 110)))}
    command = [sys.executable, "-m", "django", "check", "--deploy", "--fail-level", "INFO"]
    done = subprocess.run(command, env=env, capture_output=True, text=True)
    assert done.returncode == 0, done.stderr


def test_a_server_of_another_version_refuses_in_words_and_goes_on_when_the_tables_are_its_own(
    course: Course, client_of: Callable[..., Client]
) -> None:
    student = client_of(course.student)
    assert Release.objects.latest("id").version == __version__, "the last migration said so"
    newer = Release.objects.create(version="9.9.9")
    forget()
    refused = student.get("/api/session")
    assert (refused.status_code, refused.json()["code"], refused["Retry-After"]) == (503, "other_version", "60")
    assert "9.9.9" in refused.json()["detail"]
    assert b"9.9.9" in student.get("/course/1/desk").content
    assert student.get("/health").status_code == 200
    assert "9.9.9" in student.get("/ready").json()["version"]
    photo = send_photo(course.student, logged(course).pk, bead_photo().jpeg)
    waiting = photo.measurements.get()
    tasks.measure(waiting.pk)
    waiting.refresh_from_db()
    assert waiting.state == "waiting", "left to a worker of that version"
    newer.delete()
    assert student.get("/api/session").status_code == 503, "it looks every few seconds"
    forget()
    assert student.get("/api/session").json()["version"] == __version__
    record_release()
    assert Release.objects.count() == 1


def test_a_web_process_of_another_version_does_not_start(empty: dict[str, str]) -> None:
    start = [sys.executable, "-c", "import judicum.server.config.wsgi"]
    for command in (
        ["migrate", "-v0"],
        [
            "shell",
            "-v0",
            "-c",
            "from judicum.server.people.accounts.models import Release as R; R.objects.create(version='9.9.9')",
        ],
    ):
        subprocess.run([sys.executable, "-m", "django", *command], env=empty, check=True)
    done = subprocess.run(start, env=empty, capture_output=True, text=True)
    assert done.returncode == 1
    assert "belong to version 9.9.9" in done.stderr
