"""How often one address may try a door: slowing down, never locking out."""

from rest_framework.throttling import AnonRateThrottle


class DoorThrottle(AnonRateThrottle):
    """Tries of one address at a course code or a password, whoever they are for; somebody who is in is not counted."""

    scope = "door"
