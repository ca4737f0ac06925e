"""Choosing one's units and locale, and whether photos of one's beads may be taught from."""

from judicum.server.people.accounts.models import User


def change_preferences(user: User, given: dict[str, object]) -> User:
    """Set what is given: length_unit, flow_unit, locale, shares_pictures; what is None stays."""
    changed = {name: value for name, value in given.items() if value is not None}
    for name, value in changed.items():
        setattr(user, name, value)
    user.save(update_fields=list(changed))
    return user
