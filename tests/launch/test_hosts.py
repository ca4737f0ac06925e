"""Several hosts: two web servers and two groups of workers from folders of their own, sharing a database and a store."""

import http.client
import json
import os
import signal
import subprocess
import sys
from collections.abc import Iterator
from contextlib import ExitStack
from dataclasses import dataclass, field
from functools import partial
from pathlib import Path
from typing import Any
from urllib.parse import urlparse

import boto3
import psutil
import psycopg
import pytest

from judicum.launch.cluster import free_port
from judicum.launch.copy import copy_checkout
from judicum.launch.places import ROOT
from tests.drawn import bead_photo
from tests.patience import until
from tests.people import PASSWORD

PHOTOS = 4
PEOPLE = f"""
import django; django.setup()
from tests.people import create_course, logged, RUN
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.actions.open_attempt import open_attempt
course = create_course()
course.student.set_password("{PASSWORD}"); course.student.save()
ids = [logged(course).pk]
for _ in range({PHOTOS - 1}):
    ids.append(open_attempt(course.assignment, course.student, course.student).pk)
    log_run(course.student, ids[-1], RUN)
print(*ids)
"""


@dataclass
class Host:
    """A folder with the program, and what runs from it."""

    folder: Path
    env: dict[str, str]
    running: list["subprocess.Popen[bytes]"] = field(default_factory=list)

    @classmethod
    def made(cls, folder: Path, env: dict[str, str]) -> "Host":
        return cls(copy_checkout(folder), env)

    def run(self, *command: str) -> None:
        with (self.folder / f"{command[0]}.log").open("wb") as log:
            self.running.append(
                subprocess.Popen(
                    [sys.executable, "judicum", *command], cwd=self.folder, env=self.env, stdout=log, stderr=log
                )
            )

    def fall(self) -> None:
        """The power goes: everything that runs from here ends at once."""
        for process in self.running:
            if process.poll() is None:
                # The launcher first: it would start again what ends before it.
                launcher = psutil.Process(process.pid)
                launcher.send_signal(signal.SIGSTOP)
                for part in [*launcher.children(recursive=True), launcher]:
                    part.send_signal(signal.SIGKILL)
                process.wait(10)


@pytest.fixture
def hosts(tmp_path: Path) -> Iterator[tuple[Host, Host]]:
    """Two hosts, a database and a store; nothing runs on the hosts yet."""
    where = urlparse(os.environ["JUDICUM_DATABASE_URL"])
    name, port = f"hosts_{os.getpid()}", free_port()
    with psycopg.connect(where._replace(path="/postgres").geturl(), autocommit=True) as admin:
        # Where the test command has made the tables, theirs are a copy: making them takes longer than all of the rest.
        admin.execute(f"CREATE DATABASE {name} TEMPLATE {os.environ.get('JUDICUM_TEST_TEMPLATE', 'template1')}")
    key = {"aws_access_key_id": "key", "aws_secret_access_key": "secret", "region_name": "us-east-1"}
    env = {
        **{k: v for k, v in os.environ.items() if not k.startswith(("JUDICUM", "DJANGO", "PYTEST"))},
        "JUDICUM_DATABASE_URL": where._replace(path=f"/{name}").geturl(),
        "JUDICUM_SECRET_KEY": "shared-by-all-hosts",
        "JUDICUM_S3_BUCKET": "beads",
        "JUDICUM_S3_ENDPOINT": f"http://127.0.0.1:{port}",
        "JUDICUM_S3_KEY": "key",
        "JUDICUM_S3_SECRET": "secret",
        "JUDICUM_S3_REGION": "us-east-1",
    }
    with ExitStack() as closing:
        store = subprocess.Popen([sys.executable, "-m", "moto.server", "-p", str(port)], stdout=-3, stderr=-3)
        closing.callback(store.wait, 10)
        closing.callback(store.kill)
        client = boto3.client("s3", endpoint_url=env["JUDICUM_S3_ENDPOINT"], **key)
        until(lambda: client.create_bucket(Bucket="beads"), "the store is there", passing=Exception)
        both = Host.made(tmp_path / "north", env), Host.made(tmp_path / "south", env)
        for host in both:
            closing.callback(host.fall)
        yield both


class Phone:
    """Somebody with a phone who reaches now one web server, now the other; signed in once."""

    def __init__(self) -> None:
        self.cookies: dict[str, str] = {}

    def call(self, port: int, method: str, path: str, body: bytes = b"", **headers: str) -> http.client.HTTPResponse:
        connection = http.client.HTTPConnection("127.0.0.1", port, timeout=60)
        own = {
            "Cookie": "; ".join(f"{k}={v}" for k, v in self.cookies.items()),
            "X-CSRFToken": self.cookies.get("judicum_csrf", ""),
            **headers,
        }
        connection.request(method, path, body, own)
        answer = connection.getresponse()
        for cookie in answer.headers.get_all("Set-Cookie") or ():
            key, _, value = cookie.partition(";")[0].partition("=")
            self.cookies[key] = value
        answer.response = answer.read()  # type: ignore[attr-defined]
        return answer

    def ready(self, port: int) -> bool:
        return self.call(port, "GET", "/ready").status == 200

    def sign_in(self, port: int) -> None:
        self.call(port, "GET", "/")
        body = json.dumps({"username": "sanne", "password": PASSWORD}).encode()
        assert self.call(port, "POST", "/api/session", body, **{"Content-Type": "application/json"}).status == 200

    def send(self, attempt: int, jpeg: bytes, ports: list[int]) -> None:
        """A photo in two pieces, by two servers where there are two."""
        begun = self.call(ports[0], "POST", f"/api/attempts/{attempt}/uploads", **{"Upload-Length": str(len(jpeg))})
        assert begun.status == 201
        half = len(jpeg) // 2
        for offset, piece, port in ((0, jpeg[:half], ports[-1]), (half, jpeg[half:], ports[0])):
            sent = self.call(port, "PATCH", begun.headers["Location"], piece, **{"Upload-Offset": str(offset), "Content-Type": "application/offset+octet-stream"})  # fmt: skip
            assert sent.status == 204, sent.response  # type: ignore[attr-defined]


def test_a_host_falls_and_every_photo_is_measured_once(hosts: tuple[Host, Host]) -> None:
    north = hosts[0]
    subprocess.run(
        [sys.executable, "judicum", "migrate"], cwd=north.folder, env=north.env, check=True, stdout=subprocess.PIPE
    )
    django = {**north.env, "PYTHONPATH": f"{ROOT / 'src'}:{ROOT}", "DJANGO_SETTINGS_MODULE": "judicum.server.config.settings"}  # fmt: skip
    response = subprocess.run([sys.executable, "-c", PEOPLE], env=django, stdout=subprocess.PIPE, text=True, check=True)
    attempts = [int(k) for k in response.stdout.split()]
    ports = [free_port(), free_port()]
    for host, port in zip(hosts, ports, strict=True):
        host.run("web", "--port", str(port))
        host.run("worker", "--count", "1")
    phone = Phone()
    for port in ports:
        until(partial(phone.ready, port), f"the web server on {port} is ready", 60, OSError)
    phone.sign_in(ports[0])

    with psycopg.connect(north.env["JUDICUM_DATABASE_URL"], autocommit=True) as database:

        def rows(query: str) -> list[Any]:
            return database.execute(query).fetchall()

        for attempt in attempts:
            phone.send(attempt, bead_photo().jpeg, ports)
        until(lambda: rows("SELECT 1 FROM photos_measurement WHERE state = 'measuring'"), "one is being measured", 60)
        north.fall()
        # The other host goes on alone, with the same session and the same pictures.
        until(
            lambda: rows("SELECT count(*) FROM photos_measurement WHERE state = 'done'") == [(PHOTOS,)],
            f"all are measured: {rows('SELECT state, count(*) FROM photos_measurement GROUP BY 1')}",
            120,
        )
        assert rows("SELECT count(*) FROM photos_photo") == [(PHOTOS,)]
        measured = rows("SELECT attempt_id, count(*) FROM attempts_event WHERE kind = 'measure' GROUP BY 1 ORDER BY 1")
        assert measured == [(attempt, 1) for attempt in sorted(attempts)]
    shown = json.loads(phone.call(ports[1], "GET", f"/api/attempts/{attempts[0]}").response)  # type: ignore[attr-defined]
    strip = phone.call(ports[1], "GET", shown["measurement"]["strip"]["url"])
    assert (strip.status, strip.headers["Content-Type"]) == (200, "image/jpeg")


@pytest.mark.parametrize("command", ["web", "worker", "migrate"])
def test_what_a_host_needs_to_know_is_asked_for_by_name(command: str) -> None:
    bare = {k: v for k, v in os.environ.items() if not k.startswith("JUDICUM")}
    done = subprocess.run([sys.executable, str(ROOT / "judicum"), command], env=bare, capture_output=True, text=True)
    assert done.returncode == 1
    for name in ("JUDICUM_DATABASE_URL", "JUDICUM_SECRET_KEY", "JUDICUM_S3_BUCKET"):
        assert name in done.stderr
