"""What a workshop is called and asks of its people, and a workshop made."""

import secrets

from django.db import transaction

from judicum.core.errors import InvalidValue, refuse_all, said
from judicum.server.people.accounts.actions.make_account import make_account
from judicum.server.people.accounts.actions.second_factor import has_second
from judicum.server.people.accounts.actions.set_password import sign_out_everywhere
from judicum.server.people.accounts.models import User, Workshop
from judicum.server.people.accounts.queries import owned_by
from judicum.server.people.courses.names import check_course_name
from judicum.server.people.roles import STAFF

MIN_DAYS = 30
"""Age at which photos are thinned, at least: not before a coupon was surely marked and talked over."""
MAX_DAYS = 3650
"""And at most: ten years."""


@transaction.atomic
def make_workshop(name: str, owner: str) -> tuple[User, str]:
    """A new workshop with its first owner; returns them and their password, which is told only now.

    Raises:
        InvalidValue: a name that is none, or a login name that is taken.
    """
    workshop = Workshop.objects.create(name=check_course_name(name))
    password = secrets.token_urlsafe(9)
    made = make_account(workshop, owner, owner.capitalize(), password, ("owner", "owner"), owns=True)
    return made, password


@transaction.atomic
def set_workshop(owner: User, name: str, second_factor: bool, photo_retention_days: int | None) -> Workshop:
    """Change one's workshop. Asking for a second factor ends every session of those who teach without one.

    Raises:
        NotAllowed: not an owner. InvalidValues: no name, an age outside of MIN_DAYS to MAX_DAYS.
    """
    workshop = Workshop.objects.select_for_update().get(pk=owned_by(owner).pk)
    problems = []
    try:
        workshop.name = check_course_name(name)
    except InvalidValue as problem:
        problems.append(problem)
    if photo_retention_days is not None and not MIN_DAYS <= photo_retention_days <= MAX_DAYS:
        allowed = said("allowed-retention", least=MIN_DAYS, most=MAX_DAYS)
        problems.append(InvalidValue("photo_retention_days", photo_retention_days, allowed))
    refuse_all(problems)
    asked_now = second_factor and not workshop.second_factor
    workshop.second_factor, workshop.photo_retention_days = second_factor, photo_retention_days
    workshop.save()
    if asked_now:
        teach = User.objects.filter(workshop=workshop, memberships__role__in=STAFF)
        for one in (teach | User.objects.filter(workshop=workshop, owns=True)).distinct():
            if not has_second(one):
                sign_out_everywhere(one)
    return workshop
