"""Choosing one's units."""

from judicum.server.people.accounts.models import User


def change_units(user: User, length_unit: str | None, flow_unit: str | None) -> User:
    """Set the units in which a person sees and types figures; None leaves one as it is."""
    if length_unit is not None:
        user.length_unit = length_unit
    if flow_unit is not None:
        user.flow_unit = flow_unit
    user.save(update_fields=["length_unit", "flow_unit"])
    return user
