"""The machine at a booth and its memory: which one an attempt is welded with, and what worked on it last."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from django.db import transaction

from judicum.core.errors import InvalidValue, said
from judicum.core.setup import read_coupon
from judicum.core.setup.card import card_of
from judicum.core.setup.machine import advice, read_machine
from judicum.core.setup.record import Advice
from judicum.server.catalogue.coupons.setup import coupon_of
from judicum.server.follow.sessions.models import Booth, BoothSlot, WeldedAt
from judicum.server.follow.sessions.queries import today_in
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.attempts.queries import attempt_for, held_own


@dataclass(frozen=True)
class Worked:
    """The newest run that passed at a machine with a coupon: when, and what was set."""

    at: datetime
    run: Mapping[str, Any]


@dataclass(frozen=True)
class Machine:
    """Where an attempt of a course is welded (None: nobody said, and no plan does), the booths there are, what worked there last, and
    what of the card its machine cannot do."""

    course_id: int
    booth: Booth | None
    booths: list[Booth]
    worked: Worked | None
    advice: tuple[Advice, ...] = ()


def machine_of(user: User, attempt_id: int) -> Machine:
    """The machine of an attempt, to whoever may see the attempt. Raises NotFound."""
    attempt = attempt_for(user, attempt_id)
    booths = list(Booth.objects.filter(course_id=attempt.course_id))
    said = WeldedAt.objects.filter(attempt=attempt).values_list("booth_id", flat=True).first() or _planned(attempt)
    booth = next((one for one in booths if one.pk == said), None)
    if booth is None:
        return Machine(attempt.course_id, None, booths, None)
    return Machine(attempt.course_id, booth, booths, worked_at(booth, attempt), advice_at(booth, attempt))


def advice_at(booth: Booth, attempt: Attempt) -> tuple[Advice, ...]:
    """What the booth's machine cannot do of an attempt's card; nothing where nobody has told of the machine."""
    if not booth.machine:
        return ()
    coupon = read_coupon(coupon_of(attempt.assignment))
    return advice(card_of(coupon), read_machine(booth.machine), coupon.pulse.per_second if coupon.pulse else None)


def _planned(attempt: Attempt) -> int | None:
    """The booth where the plan of today puts the student with this coupon, else with any."""
    mine = BoothSlot.objects.filter(student_id=attempt.student_id, session__course_id=attempt.course_id)
    tonight = mine.filter(session__date=today_in(attempt.assignment.course))
    here = tonight.filter(assignment_id=attempt.assignment_id).first() or tonight.first()
    return here.booth_id if here else None


def worked_at(booth: Booth, attempt: Attempt) -> Worked | None:
    """Whoever welded it: settings belong to the machine, words to whoever wrote them. Only marks that were returned count."""
    run = (
        Run.objects.filter(
            attempt__in=WeldedAt.objects.filter(booth=booth).exclude(attempt=attempt).values("attempt"),
            attempt__assignment__design__code=attempt.assignment.design.code,
            attempt__mark__passed=True,
            attempt__mark__returned_at__isnull=False,
        )
        .order_by("-attempt__created_at", "number")
        .values()
        .first()
    )
    if run is None:
        return None
    return Worked(Attempt.objects.values_list("created_at", flat=True).get(pk=run["attempt_id"]), {**run, "note": ""})


@transaction.atomic
def weld_at(user: User, attempt_id: int, booth_id: int) -> None:
    """Say at which booth one's own attempt is welded.

    Raises:
        InvalidValue: no booth of the course. NotFound, NotAllowed: not one's own attempt.
    """
    attempt = held_own(user, attempt_id)
    if not Booth.objects.filter(course_id=attempt.course_id, pk=booth_id).exists():
        raise InvalidValue("booth", booth_id, said("allowed-a-booth-of-this-course"))
    WeldedAt.objects.update_or_create(attempt=attempt, defaults={"booth_id": booth_id})
