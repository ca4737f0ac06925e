"""HTTPS in the hall: an authority that is made once, certificates that renew themselves, one port that leads plain HTTP over, the
name in the network, and a browser that trusts it or does not."""

import datetime as dt
import http.client
import os
import signal
import ssl
import subprocess
import sys
import urllib.request
from collections.abc import Iterator
from pathlib import Path
from types import SimpleNamespace
from typing import Any

import pytest
from cryptography import x509
from django.test import Client
from playwright.sync_api import Browser, Error, Playwright

from judicum.launch import https, install, proxy, serve
from judicum.launch.addresses import own_addresses
from judicum.launch.certificates import RENEW_DAYS, SERVER_DAYS, make_sure, names_of
from judicum.launch.children import Child
from judicum.launch.cluster import free_port
from judicum.launch.https import Tls
from judicum.launch.steps import Trouble
from tests.launch.test_proxy import first_answer
from tests.patience import until

NAMES = ["judicum.local", "192.0.2.7", "10.1.2.3", "fd00::5", "localhost", "127.0.0.1"]
NOW = dt.datetime(2031, 3, 1, tzinfo=dt.UTC)


@pytest.fixture
def folder(tmp_path: Path) -> Path:
    assert make_sure(tmp_path / "tls", NAMES, NOW) == "made"
    return tmp_path / "tls"


def read(file: Path) -> x509.Certificate:
    return x509.load_pem_x509_certificate(file.read_bytes())


def test_the_authority_stays_and_the_certificate_is_renewed_before_it_ends_or_when_a_name_comes(folder: Path) -> None:
    authority = (folder / "authority.pem").read_bytes()
    assert names_of(read(folder / "server.pem")) == set(NAMES)
    assert make_sure(folder, NAMES[:2], NOW + dt.timedelta(days=300)) == "kept"
    assert make_sure(folder, NAMES, NOW + dt.timedelta(days=SERVER_DAYS - RENEW_DAYS + 1)) == "renewed"
    assert make_sure(folder, [*NAMES, "10.9.9.9"], NOW) == "renewed"
    (folder / "server.key").unlink()
    assert make_sure(folder, NAMES, NOW) == "renewed"
    (folder / "server.pem").write_text("half a certif")
    assert make_sure(folder, NAMES, NOW) == "renewed"
    assert (folder / "authority.pem").read_bytes() == authority
    assert read(folder / "server.pem").not_valid_after_utc - NOW == dt.timedelta(days=SERVER_DAYS)
    assert {oct(file.stat().st_mode)[-3:] for file in folder.glob("*.key")} == {"600"}


def test_the_authority_speaks_for_no_site_of_the_internet(folder: Path) -> None:
    make_sure(folder, [*NAMES, "bank.example", "locale.example"], NOW)
    assert names_of(read(folder / "server.pem")) == set(NAMES), "it does not even try"
    limits = read(folder / "authority.pem").extensions.get_extension_for_class(x509.NameConstraints)
    assert limits.critical
    assert "local" in [one.value for one in limits.value.permitted_subtrees or []]


def test_files_of_ones_own_belong_together(folder: Path, tmp_path: Path) -> None:
    pair = https.tls_for(https.TlsOptions(folder / "server.pem", folder / "server.key"), [])
    assert (pair.authority, pair.certificate) == (None, folder / "server.pem")
    for certificate, key, said in (
        (folder / "server.pem", None, "both"),
        (folder / "server.pem", tmp_path / "none", "no file"),
        (folder / "authority.pem", folder / "server.key", "no certificate and its key"),
        (folder / "server.key", folder / "server.key", "no certificate and its key"),
    ):
        with pytest.raises(Trouble, match=said):
            https.tls_for(https.TlsOptions(certificate, key), [])


BACKEND = """
import sys
from wsgiref.simple_server import make_server, WSGIRequestHandler
class Quiet(WSGIRequestHandler):
    def log_message(self, *_): pass
KINDS = {"/": ("text/html", b"<!doctype html><title>hall</title>"), "/sw.js": ("text/javascript", b"self.addEventListener('fetch', () => {})")}
def answer(environ, start):
    kind, body = KINDS.get(environ["PATH_INFO"], ("text/plain", b""))
    start("200 OK", [("Content-Type", kind), ("X-Spoken", environ.get("HTTP_X_FORWARDED_PROTO", ""))])
    return [body]
make_server("127.0.0.1", int(sys.argv[1]), answer, handler_class=Quiet).serve_forever()
"""


@pytest.fixture(scope="module")
def hall(tmp_path_factory: pytest.TempPathFactory) -> Iterator[SimpleNamespace]:
    """nginx with a certificate of the workshop's authority, on one port of every address of this machine."""
    folder = tmp_path_factory.mktemp("hall")
    address = next(iter(own_addresses()), "127.0.0.1")
    make_sure(folder / "tls", ["judicum.local", "127.0.0.1", address])
    tls = Tls(folder / "tls/server.pem", folder / "tls/server.key", folder / "tls/authority.pem", folder)
    inner, outer = free_port(), free_port(host="0.0.0.0")
    (folder / ".well-known/acme-challenge").mkdir(parents=True)
    (folder / ".well-known/acme-challenge/asked").write_text("answered")
    file = proxy.write(f"0.0.0.0:{outer}", [f"127.0.0.1:{inner}"], folder / "nginx", (), tls)
    backend = subprocess.Popen([sys.executable, "-c", BACKEND, str(inner)])
    nginx = subprocess.Popen([str(install.nginx()), "-e", "stderr", "-p", str(file.parent), "-c", str(file)])
    first_answer(outer, 200)
    yield SimpleNamespace(port=outer, address=address, tls=tls, folder=folder, nginx=nginx)
    for one in (nginx, backend):
        one.terminate()
        one.wait(10)


def test_one_port_speaks_both_and_the_application_knows_which(hall: SimpleNamespace) -> None:
    def spoken(connection: http.client.HTTPConnection) -> str | None:
        connection.request("GET", "/")
        return connection.getresponse().headers["X-Spoken"]

    trusting = ssl.create_default_context(cafile=hall.tls.authority)
    assert spoken(http.client.HTTPConnection("127.0.0.1", hall.port)) == "http"
    assert spoken(http.client.HTTPSConnection(hall.address, hall.port, context=trusting)) == "https"
    with pytest.raises(ssl.SSLCertVerificationError):
        spoken(http.client.HTTPSConnection(hall.address, hall.port, context=ssl.create_default_context()))
    asked = f"https://127.0.0.1:{hall.port}/.well-known/acme-challenge/asked"
    assert urllib.request.urlopen(asked, context=trusting).read() == b"answered"


def test_a_renewed_certificate_is_taken_while_it_runs(hall: SimpleNamespace, monkeypatch: pytest.MonkeyPatch) -> None:
    def serial() -> int:
        pem = ssl.get_server_certificate(("127.0.0.1", hall.port))
        return x509.load_pem_x509_certificate(pem.encode()).serial_number

    names = ["judicum.local", "127.0.0.1", hall.address]
    how = serve.Start(host="0.0.0.0", https=https.TlsOptions())
    monkeypatch.setattr(serve, "names_of", lambda _: [*names, "10.7.7.7"])
    monkeypatch.setattr(https, "tls_for", lambda _, names_now: make_sure(hall.folder / "tls", names_now))
    following = serve.Names(how, names, hall.tls)
    web = Child("web-1", ["sleep", "60"], {"JUDICUM_HOSTS": "127.0.0.1"})
    web.start()
    children = [Child("proxy", [], {}, process=hall.nginx), web]
    before = serial()
    monkeypatch.setattr(os, "killpg", lambda pid, number: os.kill(pid, number))
    following.follow(children)
    assert serial() == before, "it looks twice a minute"
    following._next_look = 0.0
    following.follow(children)
    until(lambda: serial() != before, "nginx shows the renewed certificate")
    assert web.env["JUDICUM_HOSTS"].endswith("10.7.7.7")
    assert web.process is not None
    assert web.process.wait(10) == -signal.SIGTERM, "it is started again with the names of now"


PHONE = {"width": 390, "height": 844}
USED = """async () => {
    const sound = await navigator.mediaDevices.getUserMedia({ audio: true });
    const worker = await navigator.serviceWorker.register("/sw.js");
    await navigator.serviceWorker.ready;
    return [isSecureContext, sound.getAudioTracks().length, worker.scope];
}"""


@pytest.fixture
def home(tmp_path: Path, hall: SimpleNamespace) -> Path:
    """A home whose browser trusts the authority, as a phone does that was walked through it."""
    store = tmp_path / ".pki" / "nssdb"
    store.mkdir(parents=True)
    for command in (["-N", "--empty-password"], ["-A", "-t", "C,,", "-n", "workshop", "-i", str(hall.tls.authority)]):
        subprocess.run(["certutil", "-d", f"sql:{store}", *command], check=True)
    return tmp_path


def opened(playwright: Playwright, home: Path) -> Browser:
    args = [
        "--no-sandbox", "--disable-gpu", "--use-fake-device-for-media-stream", "--use-fake-ui-for-media-stream",
        "--host-resolver-rules=MAP judicum.local 127.0.0.1",
    ]  # fmt: skip
    return playwright.chromium.launch(
        executable_path=str(install.chromium()), args=args, env={**os.environ, "HOME": str(home)}
    )


@pytest.mark.parametrize("by", ["name", "address"])
def test_a_phone_that_trusts_the_authority_uses_microphone_and_service_worker(
    hall: SimpleNamespace, home: Path, playwright: Playwright, by: str
) -> None:
    browser = opened(playwright, home)
    page = browser.new_context(viewport=PHONE, is_mobile=True).new_page()
    site = f"https://{hall.address if by == 'address' else 'judicum.local'}:{hall.port}/"
    page.goto(site)
    assert page.evaluate(USED) == [True, 1, site]
    browser.close()


def test_a_phone_that_does_not_is_warned_and_without_https_has_neither(
    hall: SimpleNamespace, tmp_path: Path, playwright: Playwright
) -> None:
    browser = opened(playwright, tmp_path)
    page = browser.new_page()
    with pytest.raises(Error, match="ERR_CERT_AUTHORITY_INVALID"):
        page.goto(f"https://judicum.local:{hall.port}/")
    page = browser.new_page()
    page.goto(f"http://judicum.local:{hall.port}/")
    assert page.evaluate("[isSecureContext, !!navigator.mediaDevices, 'serviceWorker' in navigator]") == [
        False,
        False,
        False,
    ]
    browser.close()


ASK = """
import sys, zeroconf
with zeroconf.Zeroconf(interfaces=["127.0.0.1"]) as network:
    asked = zeroconf.AddressResolver(sys.argv[1])
    asked.request(network, 5000)
    print(*asked.parsed_addresses())
"""


def test_the_network_is_told_the_name_and_a_second_machine_has_another(tmp_path: Path) -> None:
    env = {**os.environ, "JUDICUM_NAME": "hall-test"}
    announce = [sys.executable, "-m", "judicum.launch.announce", "8443", "TLS"]
    first = subprocess.Popen([*announce, "127.0.0.1"], stdout=subprocess.PIPE, text=True, env=env)
    second = None
    try:
        assert first.stdout is not None
        assert first.stdout.readline() == "hall-test.local\n"
        asked = subprocess.run(
            [sys.executable, "-c", ASK, "hall-test.local."], capture_output=True, text=True, check=True
        )
        assert asked.stdout.split() == ["127.0.0.1"]
        second = subprocess.Popen([*announce, "127.0.0.2"], stdout=subprocess.PIPE, text=True, env=env)
        assert second.stdout is not None
        assert second.stdout.readline() == "hall-test-2.local\n"
    finally:
        for one in (first, second):
            if one:
                one.kill()
                one.wait(10)


def test_a_public_name_is_asked_for_and_until_it_is_there_the_authority_vouches(
    monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    """certbot's part is played by a script: the question lies where nginx answers it, the certificate where certbot keeps it."""
    monkeypatch.setattr(https, "FOLDER", tmp_path / "tls")
    certbot = tmp_path / "certbot"
    certbot.write_text(
        """#!/bin/sh
        echo "$@" > "$0.asked"
        mkdir -p "$CONFIG/live/hall.example"
        cp "$CONFIG/../server.pem" "$CONFIG/live/hall.example/fullchain.pem"
        cp "$CONFIG/../server.key" "$CONFIG/live/hall.example/privkey.pem"
        """
    )
    certbot.chmod(0o755)
    monkeypatch.setenv("CONFIG", str(tmp_path / "tls" / "certbot"))
    before = https.tls_for(https.TlsOptions(public_name="hall.example"), [])
    assert (before.certificate, before.authority) == (tmp_path / "tls" / "server.pem", None)
    assert before.challenge is not None
    https.ask_public("hall.example", certbot)
    asked = (tmp_path / "certbot.asked").read_text()
    assert f"--webroot -w {before.challenge} -d hall.example" in asked
    after = https.tls_for(https.TlsOptions(public_name="hall.example"), [])
    assert after.certificate.name == "fullchain.pem"
    assert " 0.0.0.0:80;" in proxy.configuration("0.0.0.0:443", ["127.0.0.1:1"], tmp_path, (), after), (
        "asked for on port 80"
    )


@pytest.fixture
def secured(settings: Any, folder: Path) -> Client:
    settings.HTTPS = settings.SECURE_SSL_REDIRECT = settings.SESSION_COOKIE_SECURE = settings.CSRF_COOKIE_SECURE = True
    settings.SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https")
    settings.SECURE_HSTS_SECONDS = 1000
    settings.AUTHORITY = str(folder / "authority.pem")
    return Client()


@pytest.mark.django_db
def test_plain_http_leads_over_but_for_what_a_phone_needs_first(secured: Client, folder: Path, settings: Any) -> None:
    for path in ("/", "/api/session", "/course/1/desk"):
        answer = secured.get(path)
        assert (answer.status_code, answer["Location"]) == (301, f"https://testserver{path}")
    plain = secured.get("/api/trust").json()
    digest = x509.load_pem_x509_certificate((folder / "authority.pem").read_bytes()).fingerprint(
        __import__("cryptography.hazmat.primitives.hashes", fromlist=["SHA256"]).SHA256()
    )
    assert plain["fingerprint"].replace(" ", "") == digest.hex().upper()
    assert (plain["address"], plain["secure"]) == ("https://testserver/", False)
    file = secured.get("/authority.crt")
    assert file["Content-Type"] == "application/x-x509-ca-cert"
    assert x509.load_der_x509_certificate(file.content) == read(folder / "authority.pem")
    assert b"PRIVATE" not in file.content
    assert secured.get("/trust").status_code == 200
    assert "Strict-Transport-Security" not in secured.get("/health")
    over = secured.get("/api/trust", headers={"X-Forwarded-Proto": "https"})
    assert (over.json()["secure"], over["Strict-Transport-Security"]) == (True, "max-age=1000")
    settings.AUTHORITY = ""
    assert secured.get("/api/trust").status_code == 404
    assert secured.get("/authority.crt").status_code == 404
