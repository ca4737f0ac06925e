"""What an owner does with the people of the workshop."""

from django.db import transaction

from judicum.core.errors import NotAllowed, WrongState, said
from judicum.server.people.accounts.actions.make_account import make_account
from judicum.server.people.accounts.actions.second_factor import drop_second
from judicum.server.people.accounts.actions.set_password import sign_out_everywhere
from judicum.server.people.accounts.models import Token, User
from judicum.server.people.accounts.queries import owned_by
from judicum.server.people.courses.models import Course, Membership
from judicum.server.people.courses.queries import course_in
from judicum.server.people.roles import Role
from judicum.server.people.workshops.queries import person_of


def make_person(owner: User, username: str, display_name: str) -> User:
    """Somebody new in the workshop, in no course yet and without a password.

    Raises:
        NotAllowed: not an owner. InvalidValue: a name that is none, or a login name that is taken.
    """
    return make_account(owned_by(owner), username, display_name)


@transaction.atomic
def set_person(owner: User, person_id: int, owns: bool, active: bool) -> User:
    """Make somebody an owner or no longer one; let them sign in or not. Who may not is signed out at once, tokens end.

    Raises:
        WrongState: the last owner who can sign in. NotFound, NotAllowed: not an owner's own person.
    """
    person = person_of(owner, person_id)
    check_one_owner(person, still=owns and active)
    person.owns = owns
    if person.is_active and not active:
        sign_out_everywhere(person)
        Token.objects.filter(user=person).delete()
    person.is_active = active
    person.save(update_fields=["owns", "is_active"])
    return person


def check_one_owner(person: User, still: bool) -> None:
    """Raises WrongState where the person is the last owner who can sign in, and would be none any more."""
    if still or not (person.owns and person.is_active):
        return
    others = User.objects.select_for_update().filter(workshop=person.workshop, owns=True, is_active=True)
    if not others.exclude(pk=person.pk).exists():
        raise WrongState(said("refused-a-workshop-keeps-one-owner-who"))


@transaction.atomic
def owner_resets(owner: User, person_id: int) -> User:
    """Somebody of the workshop who may be handed a link for a new password; not other owners.

    Raises:
        NotAllowed: an owner's password. NotFound: nobody of this workshop.
    """
    person = person_of(owner, person_id)
    if person.owns:
        raise NotAllowed(said("refused-an-owners-password-is-reset-by"))
    return person


@transaction.atomic
def owner_drops_second(owner: User, person_id: int) -> User:
    """Take away the second factor of somebody who lost phone and recovery codes; they are signed out everywhere.

    Raises:
        NotAllowed: not an owner, or one's own. NotFound: nobody of this workshop.
    """
    person = person_of(owner, person_id)
    if person.pk == owner.pk:
        raise NotAllowed(said("refused-turn-your-own-off-with-your"))
    drop_second(person)
    sign_out_everywhere(person)
    return person


@transaction.atomic
def take_part(owner: User, course_id: int) -> Course:
    """Make an owner instructor of a course of their workshop. Raises NotAllowed, NotFound."""
    course = course_in(owned_by(owner), course_id)
    Membership.objects.update_or_create(course=course, user=owner, defaults={"role": Role.INSTRUCTOR})
    return course
