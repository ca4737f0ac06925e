"""The stand-in for a mail server: every message becomes a file under var/mail, in the folder of its workshop."""

import hashlib
import time
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from email import message_from_bytes, policy
from email.message import EmailMessage as Parsed
from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.files.base import ContentFile
from django.core.mail.backends.base import BaseEmailBackend
from django.core.mail.message import EmailMessage

from judicum.server.platform.storage import WholeFiles

WORKSHOP = "X-Judicum-Workshop"
"""Header that says whose mail it is; set for every message by `mail.send`."""
PRIVATE = "X-Judicum-Private"
"""Header of what only its reader may see, such as a link for a new password."""
FOR_ITS_READER = "(for its reader alone)"
MAX_SHOWN = 100


def _folder() -> Path:
    return Path(settings.VAR) / "mail"


class Outbox(BaseEmailBackend):
    """Django's mail backend that writes messages instead of sending them."""

    def send_messages(self, email_messages: Sequence[EmailMessage]) -> int:
        store = WholeFiles(location=str(_folder()))
        for mail in email_messages:
            data = mail.message().as_bytes()
            name = f"{time.time_ns()}-{hashlib.sha256(data).hexdigest()[:8]}.eml"
            store.save(f"{int(mail.extra_headers.get(WORKSHOP, 0))}/{name}", ContentFile(data))
        return len(email_messages)


@dataclass(frozen=True)
class Written:
    """One message of the outbox."""

    at: datetime | None
    to: str
    subject: str
    text: str


def written(workshop_id: int) -> list[Written]:
    """The newest messages of a workshop that the stand-in wrote, newest first."""
    files = sorted((_folder() / str(workshop_id)).glob("*.eml"), reverse=True)[:MAX_SHOWN]
    return [_read(file) for file in files]


def _read(file: Path) -> Written:
    mail: Any = message_from_bytes(file.read_bytes(), Parsed, policy=policy.default)
    text = FOR_ITS_READER if mail[PRIVATE] else mail.get_body(("plain",)).get_content()
    return Written(mail["date"].datetime if mail["date"] else None, mail["to"], mail["subject"], text)
