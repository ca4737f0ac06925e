"""HTTPS in the hall: by the workshop's own authority, by certificate files of one's own, or by a public name.

| way | who vouches | what it needs |
|---|---|---|
| authority | the workshop's own (`certificates`), trusted once on every phone | nothing |
| files | whoever made them | `--certificate FILE --key FILE`, renewed by whoever makes them: a changed file is taken within a minute |
| public name | a public authority by ACME (RFC 8555), asked by Debian's certbot; nginx answers its challenge | `--public-name NAME`, port 80 reachable under that name |
"""

import hashlib
import os
import ssl
from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path

from judicum.launch import install
from judicum.launch.places import PYTHON, ROOT, VAR
from judicum.launch.steps import Trouble, run, step

FOLDER = VAR / "tls"
OURS = {**os.environ, "PYTHONPATH": str(ROOT / "src")}
NAME = os.environ.get("JUDICUM_NAME", "judicum")
LOCAL_NAMES = (f"{NAME}.local", *(f"{NAME}-{k}.local" for k in range(2, 5)))
"""Names by which the network may know this machine (`announce`): the second where another one has the first already, and so on."""
LOOK_AGAIN_S = 12 * 3600
"""s between two looks at whether the certificate is to be renewed, where no name has changed."""


@dataclass(frozen=True)
class TlsOptions:
    """What was asked for on the command line."""

    certificate: Path | None = None
    key: Path | None = None
    public_name: str | None = None


@dataclass(frozen=True)
class Tls:
    """The files that nginx reads; `authority` is what phones are to trust, where it is the workshop's own; `challenge` is the folder
    from which a public authority's questions are answered."""

    certificate: Path
    key: Path
    authority: Path | None = None
    challenge: Path | None = None

    @property
    def digest(self) -> str:
        """Another one when a file has changed."""
        return hashlib.sha256(self.certificate.read_bytes() + self.key.read_bytes()).hexdigest()


def tls_for(asked: TlsOptions, names: Sequence[str]) -> Tls:
    """The certificate for this machine's names, made, renewed or looked at. Raises Trouble."""
    if asked.certificate or asked.key:
        return _own_files(asked)
    if asked.public_name:
        return _public(asked.public_name)
    command = [PYTHON, "-m", "judicum.launch.certificates", FOLDER, *names]
    run(command, why="the machine's certificate cannot be made", env=OURS)
    return Tls(FOLDER / "server.pem", FOLDER / "server.key", FOLDER / "authority.pem")


def _own_files(asked: TlsOptions) -> Tls:
    if not (asked.certificate and asked.key):
        raise Trouble("a certificate and its key belong together: give both --certificate and --key")
    check_pair(asked.certificate, asked.key)
    return Tls(asked.certificate.resolve(), asked.key.resolve())


def check_pair(certificate: Path, key: Path) -> None:
    """Raises Trouble where either cannot be read, or they do not belong together."""
    for file in (certificate, key):
        if not file.is_file():
            raise Trouble(f"there is no file {file}")
    try:
        ssl.SSLContext(ssl.PROTOCOL_TLS_SERVER).load_cert_chain(certificate, key, password=lambda: b"")
    except (ssl.SSLError, OSError, ValueError) as error:
        raise Trouble(
            f"{certificate} and {key} are no certificate and its key (PEM, without a password): {error}"
        ) from error


def challenge_folder() -> Path:
    """Where certbot puts what a public authority asks for; nginx serves it."""
    folder = FOLDER / "challenge"
    (folder / ".well-known" / "acme-challenge").mkdir(parents=True, exist_ok=True)
    return folder


def _public(name: str) -> Tls:
    """The certificate of a public name as certbot keeps it; until it has one, the workshop's own authority vouches."""
    kept = FOLDER / "certbot" / "live" / name
    if (kept / "fullchain.pem").exists():
        return Tls(kept / "fullchain.pem", kept / "privkey.pem", challenge=challenge_folder())
    own = tls_for(TlsOptions(), [name, *LOCAL_NAMES])
    return Tls(own.certificate, own.key, challenge=challenge_folder())


def ask_public(name: str, certbot: Path | None = None) -> None:
    """Ask the public authority for a certificate, or for the next one where the last ends within a month; nginx must be up.

    Raises:
        Trouble: certbot is missing, or the authority did not reach this machine under that name.
    """
    command = [
        certbot or install.certbot(), "certonly", "--webroot", "-w", challenge_folder(), "-d", name, "--non-interactive", "--agree-tos",
        "--register-unsafely-without-email", "--keep-until-expiring", "--config-dir", FOLDER / "certbot", "--work-dir", FOLDER / "certbot-work",
        "--logs-dir", VAR / "log" / "certbot",
    ]  # fmt: skip
    with step(f"asking for a certificate of {name}"):
        run(command, why=f"there is no certificate for {name}")
