"""Reading a workshop, for its owners."""

from django.db.models import Count, Prefetch, QuerySet
from django_otp.plugins.otp_totp.models import TOTPDevice

from judicum.core.errors import InvalidValue, NotFound, one_of, said
from judicum.server.people.accounts.models import User, Workshop
from judicum.server.people.accounts.queries import owned_by
from judicum.server.people.courses.models import Course, Membership


def workshop_named(name: str) -> Workshop:
    """The workshop of this name; without one, the only one there is. Raises InvalidValue: none, or several."""
    rows = Workshop.objects.filter(name=name) if name else Workshop.objects.all()
    if rows.count() != 1:
        names = list(Workshop.objects.values_list("name", flat=True))
        raise InvalidValue("workshop", name or None, one_of(names) if names else said("allowed-workshop-first"))
    return rows.get()


def people_of(owner: User) -> QuerySet[User]:
    """Everybody of one's workshop who was not removed, with the courses they are in. Raises NotAllowed."""
    workshop = owned_by(owner)
    memberships = Prefetch("memberships", Membership.objects.select_related("course").order_by("course_id"))
    devices = Prefetch("totpdevice_set", TOTPDevice.objects.filter(confirmed=True), to_attr="seconds")
    return User.objects.filter(workshop=workshop, removed_at=None).prefetch_related(memberships, devices)


def person_of(owner: User, person_id: int) -> User:
    """One of one's workshop, held until the transaction ends.

    Raises:
        NotAllowed: not an owner. NotFound: nobody of this workshop.
    """
    rows = User.objects.select_for_update().filter(workshop=owned_by(owner), removed_at=None)
    found = rows.filter(pk=person_id).first()
    if found is None:
        raise NotFound(said("refused-there-is-nobody-with-number-in", person_id=person_id))
    return found


def courses_of(owner: User) -> QuerySet[Course]:
    """Every course of one's workshop, newest first, with how many take part (`people`). Raises NotAllowed."""
    rows = Course.objects.filter(workshop=owned_by(owner))
    return rows.annotate(people=Count("memberships")).order_by("-created_at", "-id")
