"""All that is kept about one person, as a zip they can take along."""

import json
from collections.abc import Iterator
from typing import Any

from django.db.models import FileField, Q

from judicum.server.exchange.archive.tables import TABLES, Table
from judicum.server.exchange.archive.write import by_content, zipped
from judicum.server.follow.eye.models import EyeRound
from judicum.server.follow.notices.models import NotificationPreference
from judicum.server.follow.trust.models import PhoneCheck
from judicum.server.people.accounts.models import Token, User
from judicum.server.record.attempts.models import Attempt, Event
from judicum.server.record.attempts.queries import marks_blind
from judicum.server.record.attempts.visibility import SHOWN, VisibilityPolicy
from judicum.server.record.causes.models import Verdict
from judicum.server.record.causes.queries import became_of
from judicum.server.record.marking.models import Phrase

BELONGING = {
    "attempts": "pk",
    "runs": "attempt",
    "photos": "attempt",
    "measurements": "photo__attempt",
    "beads": "measurement__photo__attempt",
    "corrections": "measurement__photo__attempt",
    "figures": "attempt",
    "verdicts": "attempt",
    "marks": "attempt",
    "references": "attempt",
    "welded_at": "attempt",
    "stock_uses": "attempt",
    "trials": "attempt",
    "callipers": "attempt",
}
"""Tables whose rows belong to an attempt, and how they lead to it."""
AFTER_RETURN = ("verdicts", "marks", "references")
"""What tells of a mark: given once that is returned, as on the page. How two markers came to agree is theirs."""
OWN = {"memberships": "user", "attendance": "user", "slots": "student", "start_values": "student"}
NEVER = ("password", "skeleton", "last_login")


def personal_archive(user: User) -> Iterator[bytes]:
    """The archive of one person: what they welded, what was measured and marked of it, what else names them."""
    mine = Attempt.objects.filter(student=user)
    returned = mine.filter(mark__returned_at__isnull=False)
    tables = {"person": _lines([_person(user)])}
    files: dict[str, str] = {}
    for table in TABLES:
        if table.name in BELONGING:
            attempts = returned if table.name in AFTER_RETURN else mine
            rows = table.model._default_manager.filter(**{f"{BELONGING[table.name]}__in": attempts})
        elif table.name in OWN:
            rows = table.model._default_manager.filter(**{OWN[table.name]: user})
        else:
            continue
        tables[table.name] = _lines(_row(table, user, row, files) for row in rows.order_by("pk"))
    tables["events"] = _lines(_events(user, mine))
    tables["done"] = _lines(_done(user))
    yield from zipped(tables, files, {"person": user.display_name})


def _person(user: User) -> dict[str, Any]:
    values = {f.name: getattr(user, f.attname) for f in User._meta.concrete_fields if f.name not in NEVER}
    preference = NotificationPreference.objects.filter(user=user).first()
    return {
        **values,
        "workshop": user.workshop.name,
        "notified_of": preference.kinds if preference else [],
        "phrases": list(Phrase.objects.filter(user=user).values("key", "text")),
        "eye_rounds": list(EyeRound.objects.filter(user=user).values("level", "score", "started_at", "finished_at")),
        "phone_checks": list(PhoneCheck.objects.filter(user=user).values("phone", "figures", "at")),
        "tokens": list(Token.objects.filter(user=user).values("name", "scope", "created", "expiry")),
    }


def _row(table: Table, user: User, row: Any, files: dict[str, str]) -> dict[str, Any]:
    """A row as it is, people and files by name; an attempt as its student sees it."""
    values: dict[str, Any] = {f.name: getattr(row, f.attname) for f in row._meta.concrete_fields}
    for field in table.fields:
        if field.related_model is User:
            other = getattr(row, field.name)
            values[field.name] = other.display_name if other else None
        elif isinstance(field, FileField) and values[field.name]:
            values[field.name] = _file(str(values[field.name]), files)
    if table.name == "photos" and row.picture is not None:
        values["file"] = _file(str(row.picture.original), files)
    if isinstance(row, Verdict) and not became_of(row.attempt):
        values |= {"done": "", "gone": ""}
    if isinstance(row, Attempt):
        values |= {name: values.pop(shown) for name, shown in SHOWN.items()}
        values["coupon"], values["course"] = row.assignment.design.title, row.course.name
        if not hasattr(row, "mark") or row.mark.returned_at is None:
            del values["by_hand"]
    return values


def _file(stored: str, files: dict[str, str]) -> str:
    inside = by_content(stored)
    files[inside] = stored
    return f"files/{inside}"


def _events(user: User, mine: Any) -> Iterator[dict[str, Any]]:
    """The log of one's own attempts as one sees it."""
    policy = VisibilityPolicy(user, teaches=False)
    for attempt in mine.order_by("pk"):
        rows = list(Event.objects.filter(attempt=attempt).select_related("actor").order_by("at", "id"))
        for event in policy.events(rows, marks_blind(user, attempt)):
            who = event.actor.display_name if event.actor else None
            yield {"attempt": attempt.pk, "at": event.at, "kind": event.kind, "who": who, "data": event.data}


def _done(user: User) -> Iterator[dict[str, Any]]:
    """What one did to the coupons of others: when, and what kind of thing; what is in them is theirs."""
    for event in Event.objects.filter(~Q(attempt__student=user), actor=user).order_by("at", "id"):
        yield {"at": event.at, "kind": event.kind, "attempt": event.attempt_id}


def _lines(rows: Any) -> bytes:
    return b"".join(json.dumps(row, ensure_ascii=False, default=str).encode() + b"\n" for row in rows)
