"""Choosing one's units and locale."""

from judicum.server.people.accounts.models import User


def change_preferences(user: User, length_unit: str | None, flow_unit: str | None, locale: str | None) -> User:
    """Set the units in which a person sees and types figures, and how they are spoken to; None leaves one as it is."""
    given = {"length_unit": length_unit, "flow_unit": flow_unit, "locale": locale}
    changed = {name: value for name, value in given.items() if value is not None}
    for name, value in changed.items():
        setattr(user, name, value)
    user.save(update_fields=list(changed))
    return user
