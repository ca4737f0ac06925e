"""The page itself, its files and headers."""

import gzip
import re

import pytest
from django.conf import settings
from django.test import Client

from tests.people import Course

pytestmark = pytest.mark.django_db


@pytest.mark.parametrize("path", ["/", "/sign-in", "/course/1/desk", "/nowhere/at/all"])
def test_every_address_of_the_page_is_the_page(path: str) -> None:
    answer = Client().get(path)
    body = b"".join(answer.streaming_content)
    assert answer.status_code == 200
    assert b'<div id="root">' in body
    assert answer["Cache-Control"] == "no-cache"


def test_nothing_from_elsewhere_may_run_or_frame_the_page() -> None:
    answer = Client().get("/")
    assert answer["X-Frame-Options"] == "DENY"
    policy = answer["Content-Security-Policy"]
    assert "default-src 'self'" in policy
    assert "frame-ancestors 'none'" in policy
    assert "http" not in policy


def test_the_built_files_name_no_address_outside() -> None:
    for file in (settings.WEB_DIST / "assets").glob("*.css"):
        assert "url(http" not in file.read_text()
    page = (settings.WEB_DIST / "index.html").read_text()
    assert "http" not in page


def test_hashed_files_are_kept_by_the_browser_for_good() -> None:
    file = next((settings.WEB_DIST / "assets").glob("index-*.js"))
    answer = Client().get(f"/assets/{file.name}")
    assert answer.status_code == 200
    assert "immutable" in answer["Cache-Control"]


def test_cookies_are_kept_from_scripts_and_other_sites(course: Course) -> None:
    course.student.set_password("blue-fountain-7")
    course.student.save()
    answer = Client().post("/api/session", {"username": "sanne", "password": "blue-fountain-7"}, "application/json")
    cookie = answer.cookies[settings.SESSION_COOKIE_NAME]
    assert cookie["httponly"]
    assert cookie["samesite"] == "Lax"


@pytest.mark.parametrize("path", ["/../../etc/passwd", "/assets/../../../judicum", "/%2e%2e/%2e%2e/README.md"])
def test_no_file_outside_the_page_is_served(path: str) -> None:
    answer = Client().get(path)
    body = b"".join(answer.streaming_content) if answer.streaming else answer.content
    assert b"root:" not in body
    assert b"#!/usr" not in body
    assert b"# Judicum" not in body


@pytest.mark.parametrize(
    "body", [b"", b"{", b"[]", b'"x"', b"null", b"\xff\xfe", b'{"username": 1}', b'{"username": "x", "password": null}']
)
def test_a_broken_sign_in_is_a_plain_refusal(body: bytes) -> None:
    answer = Client().generic("POST", "/api/session", body, "application/json")
    assert answer.status_code == 400
    assert answer["Content-Type"] == "application/problem+json"
    assert answer.json()["code"]


@pytest.mark.parametrize("kind", ["text/plain", "application/xml", "multipart/form-data; boundary=x"])
def test_another_media_type_is_refused(kind: str) -> None:
    answer = Client().generic("POST", "/api/session", b"username=x", kind)
    assert answer.status_code == 415
    assert answer.json()["code"] == "unsupported_media_type"


def test_a_method_that_is_not_there_is_a_problem(course: Course) -> None:
    client = Client()
    client.force_login(course.student, backend="django.contrib.auth.backends.ModelBackend")
    answer = client.delete(f"/api/courses/{course.row.pk}/designs")
    assert (answer.status_code, answer.json()["code"]) == (405, "method_not_allowed")


def test_the_first_load_stays_light() -> None:
    dist = settings.WEB_DIST
    html = (dist / "index.html").read_text()
    loaded = re.findall(r'(?:src|href)="/(assets/[^"]+\.(?:js|css))"', html)
    packed = sum(len(gzip.compress((dist / name).read_bytes())) for name in loaded)
    assert len(loaded) >= 2
    # React, its router and queries 140 kB; the catalogue of every view, the bench's methods too, and what reads it 43 kB.
    assert packed < 190_000, f"{packed} bytes gzipped"


def test_no_line_of_the_page_is_longer_than_120() -> None:
    source = settings.WEB_DIST.parent / "src"
    typed = [p for p in source.rglob("*.ts*") if not p.name.startswith("generated")]
    long = [f"{p.name}:{k}" for p in typed for k, line in enumerate(p.read_text().splitlines(), 1) if len(line) > 120]
    assert len(typed) > 100
    assert long == []


@pytest.mark.parametrize("path", ["/", "/index.html", "/mark.svg", "/desk"])
def test_every_file_of_the_page_carries_the_security_headers(path: str) -> None:
    answer = Client().get(path)
    assert answer.status_code == 200
    assert answer["X-Frame-Options"] == "DENY"
    assert "default-src 'self'" in answer["Content-Security-Policy"]
    assert answer["X-Content-Type-Options"] == "nosniff"


@pytest.mark.parametrize("path", ["/assets/index-00000000.js", "/favicon.ico", "/robots.txt"])
def test_a_file_that_is_not_there_is_no_page(path: str) -> None:
    answer = Client().get(path)
    assert answer.status_code == 404
    assert b"<div" not in answer.content
