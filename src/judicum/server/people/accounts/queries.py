"""Reading people."""

from judicum.core.errors import NotAllowed, said
from judicum.server.people.accounts.models import User, Workshop


def with_courses(user: User) -> User:
    """The same person with workshop, memberships and their courses loaded in two queries."""
    return User.objects.select_related("workshop").prefetch_related("memberships__course").get(pk=user.pk)


def owned_by(user: User) -> Workshop:
    """The workshop that the person owns. Raises NotAllowed."""
    if not user.owns:
        raise NotAllowed(said("refused-only-an-owner-of-the-workshop-2"))
    return user.workshop
