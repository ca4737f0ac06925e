"""Backups that nobody reads without the owner's key: the age format (age-encryption.org/v1), by pyrage.

The server knows the recipient alone, by which it seals; the identity, which opens, is told once and kept by the owner.
"""

import shutil
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import IO, Any

import pyrage
from django.conf import settings
from pyrage import x25519

from judicum.core.errors import InvalidValue, said

SUFFIX = ".age"
BEGINS = b"age-encryption.org/v1"


def make_key() -> tuple[str, str]:
    """A new identity, to be kept by the owner, and the recipient that belongs to it."""
    made = x25519.Identity.generate()
    return str(made), str(made.to_public())


def recipient() -> Any | None:
    """To whom backups are sealed; None where they are not. Raises InvalidValue: what is set is no recipient."""
    given = settings.BACKUP_RECIPIENT or _kept()
    if not given:
        return None
    try:
        return x25519.Recipient.from_str(given)
    except pyrage.RecipientError as error:
        raise InvalidValue("JUDICUM_BACKUP_RECIPIENT", given, said("allowed-age-recipient")) from error


def recipient_file() -> Path:
    """Where the recipient is kept that was made here."""
    return Path(settings.VAR) / "backup.recipient"


def _kept() -> str:
    file = recipient_file()
    return file.read_text().strip() if file.is_file() else ""


def seal(source: IO[bytes], target: Path, to: Any) -> None:
    """Write what `source` holds so that only the identity of `to` opens it; whole or not at all."""
    aside = target.with_name(f".{target.name}.part")
    try:
        with aside.open("wb") as out:
            pyrage.encrypt_io(source, out, [to])
        aside.replace(target)
    finally:
        aside.unlink(missing_ok=True)


def is_sealed(path: Path) -> bool:
    """Whether a file is in the age format."""
    with path.open("rb") as file:
        return file.read(len(BEGINS)) == BEGINS


def unseal(source: IO[bytes], target: IO[bytes], key: str) -> None:
    """Open what was sealed. Raises InvalidValue: another key, or altered."""
    try:
        pyrage.decrypt_io(source, target, [x25519.Identity.from_str(key.strip())])
    except (pyrage.IdentityError, pyrage.DecryptError) as error:
        raise InvalidValue("key", None, said("allowed-the-key-of-this-backup")) from error


@contextmanager
def unsealed(path: Path, key: str | None) -> Iterator[Path]:
    """A backup that can be read: itself, or opened into a file of its own for as long as it is needed.

    Raises:
        InvalidValue: it is sealed, and there is no key or another one.
    """
    if not is_sealed(path):
        yield path
        return
    if not key:
        raise InvalidValue("key", None, said("allowed-the-key-of-this-backup"))
    with tempfile.TemporaryDirectory(prefix="judicum-backup-") as folder:
        opened = Path(folder) / path.name.removesuffix(SUFFIX)
        with path.open("rb") as source, opened.open("wb") as target:
            unseal(source, target, key)
        yield opened


def copied(source: IO[bytes], target: Path, to: Any | None) -> None:
    """Copy a file, sealed where there is somebody to seal it to."""
    if to is not None:
        seal(source, target, to)
        return
    with target.open("wb") as out:
        shutil.copyfileobj(source, out)
