"""nginx before the application, for real: slow senders, large bodies, an application that is not there."""

import gzip
import http.client
import json
import socket
import subprocess
import sys
import threading
import time
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import pytest

from judicum.launch import install, proxy
from judicum.launch.cluster import free_port
from tests.patience import until

BACKEND = """
import json, sys
from wsgiref.simple_server import make_server, WSGIRequestHandler
class Quiet(WSGIRequestHandler):
    def log_message(self, *_): pass
def answer(environ, start):
    body = environ["wsgi.input"].read(int(environ.get("CONTENT_LENGTH") or 0))
    told = {"got": len(body), "for": environ.get("HTTP_X_FORWARDED_FOR"), "id": environ.get("HTTP_X_REQUEST_ID"), "much": "x" * 5000}
    start("200 OK", [("Content-Type", "application/json")])
    return [json.dumps(told).encode()]
make_server("127.0.0.1", int(sys.argv[1]), answer, handler_class=Quiet).serve_forever()
"""
Answer = tuple[int, http.client.HTTPMessage, bytes]


@contextmanager
def nginx(inner: int, folder: Path) -> Iterator[int]:
    """nginx before a port; the port it listens on."""
    outer = free_port()
    file = proxy.write(f"127.0.0.1:{outer}", [f"127.0.0.1:{inner}"], folder)
    process = subprocess.Popen([str(install.nginx()), "-e", "stderr", "-p", str(folder), "-c", str(file)])
    try:
        yield outer
    finally:
        process.terminate()
        process.wait(10)


@pytest.fixture(scope="module")
def port(tmp_path_factory: pytest.TempPathFactory) -> Iterator[int]:
    """nginx before a server that serves one request at a time."""
    inner = free_port()
    backend = subprocess.Popen([sys.executable, "-c", BACKEND, str(inner)])
    with nginx(inner, tmp_path_factory.mktemp("proxy")) as outer:
        first_answer(outer, 200)
        yield outer
    backend.terminate()
    backend.wait(10)


def call(port: int, method: str, path: str, body: bytes = b"", **headers: str) -> Answer:
    connection = http.client.HTTPConnection("127.0.0.1", port, timeout=15)
    connection.request(method, path, body or None, headers)
    answer = connection.getresponse()
    return answer.status, answer.headers, answer.read()


def first_answer(port: int, status: int) -> Answer:
    """The first answer with this status; the processes may still be starting."""
    answers: list[Answer] = []

    def there() -> bool:
        answers.append(call(port, "GET", "/api/session"))
        return answers[-1][0] == status

    until(there, f"an answer {status}", passing=OSError)
    return answers[-1]


def test_fifty_slow_senders_hold_up_nobody(port: int) -> None:
    head = b"PATCH /api/uploads/x HTTP/1.1\r\nHost: localhost\r\nContent-Length: 4000000\r\n\r\n"
    slow = [socket.create_connection(("127.0.0.1", port)) for _ in range(50)]
    stop = threading.Event()

    def drip() -> None:
        while not stop.wait(0.5):
            for one in slow:
                one.send(b"x")

    for k, one in enumerate(slow):
        one.sendall(head if k % 2 else head[:40])
    dripping = threading.Thread(target=drip)
    dripping.start()
    try:
        took = []
        for _ in range(10):
            begun = time.monotonic()
            assert call(port, "GET", "/api/x")[0] == 200
            took.append(time.monotonic() - begun)
        assert max(took) < 0.5
    finally:
        stop.set()
        dripping.join()
        for one in slow:
            one.close()


HEAD = b" HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n"
ODD = {
    b"GET /api/a%00b" + HEAD: 400,
    b"GET /api/a%zzb" + HEAD: 400,
    b"GET /../../x" + HEAD: 400,
    b"GET /api/" + b"x" * 20_000 + HEAD: 414,
    b"GET /api/x" + HEAD + b"Cookie: " + b"x" * 40_000 + b"\r\n": 431,
    b"GET /api/x" + HEAD + b"Bad\x00Header: 1\r\n": 400,
    b"GET /api/x HTTP/1.1\r\nConnection: close\r\n": 400,
    b"TRACE /api/x" + HEAD: 405,
    b"CONNECT x:1" + HEAD: 400,
    b"GET /api/x HTTP/9.1\r\n": 505,
    b"POST /api/x" + HEAD + b"Transfer-Encoding: odd\r\n": 501,
    b"\x16\x03\x01": 400,
    b"GET /.refused/400" + HEAD: 404,
}


@pytest.mark.parametrize(("sent", "status"), ODD.items(), ids=lambda one: one[:24].decode("latin-1") if isinstance(one, bytes) else str(one))  # fmt: skip
def test_whatever_comes_first_is_refused_as_a_problem(port: int, sent: bytes, status: int) -> None:
    with socket.create_connection(("127.0.0.1", port), timeout=10) as caller:
        caller.sendall(sent + b"\r\n")
        answer = b"".join(iter(lambda: caller.recv(65_536), b""))
    head, _, body = answer.partition(b"\r\n\r\n")
    assert int(head.split()[1]) == status
    if status != 404:
        assert b"application/problem+json" in head
        assert json.loads(body)["status"] == status


def test_a_body_over_the_limit_is_refused_as_a_problem(port: int) -> None:
    status, headers, body = call(port, "PATCH", "/api/uploads/x", b"x" * (proxy.MAX_BODY_MB * 2**20 + 1))
    assert (status, headers["Content-Type"]) == (413, "application/problem+json")
    assert json.loads(body)["code"] == "too_large"
    assert call(port, "PATCH", "/api/uploads/x", b"x" * 4 * 2**20)[0] == 200


def test_large_answers_are_compressed_and_the_sender_is_said_on(port: int) -> None:
    _, headers, body = call(port, "GET", "/api/x", **{"Accept-Encoding": "gzip", "X-Forwarded-For": "203.0.113.9"})
    assert headers["Content-Encoding"] == "gzip"
    response = json.loads(gzip.decompress(body))
    # What a caller claims stands first; what counts is the last, which nginx wrote.
    assert response["for"] == "203.0.113.9, 127.0.0.1"
    assert len(response["id"]) == 32
    named = json.loads(call(port, "GET", "/api/x", **{"X-Request-Id": "phone-12345678"})[2])
    assert named["id"] == "phone-12345678"
    assert json.loads(call(port, "GET", "/api/x", **{"X-Request-Id": "a b"})[2])["id"] != "a b"


def test_an_application_that_is_not_there_is_said_in_words(tmp_path: Path) -> None:
    with nginx(free_port(), tmp_path) as outer:
        _, headers, body = first_answer(outer, 502)
    assert headers["Content-Type"] == "application/problem+json"
    assert "try again" in json.loads(body)["detail"]


@pytest.mark.parametrize("watcher", [(), ("10.1.0.0/16", "192.0.2.7")])
def test_metrics_are_for_this_machine_and_who_is_named(tmp_path: Path, watcher: tuple[str, ...]) -> None:
    file = proxy.write("127.0.0.1:1", ["127.0.0.1:2", "127.0.0.1:3"], tmp_path, watcher)
    part = file.read_text().partition("location = /metrics")[2].partition("}")[0]
    assert part.count("allow ") == 2 + len(watcher)
    assert part.index("deny all") > max(part.index(f"allow {one};") for one in ("127.0.0.1", *watcher))
    command = [str(install.nginx()), "-t", "-e", "stderr", "-p", str(tmp_path), "-c", str(file)]
    checked = subprocess.run(command, capture_output=True)
    assert checked.returncode == 0, checked.stderr
