"""Codes of attempts, photos, people and orders, each named in the catalogue."""

STATES = (
    "assigned", "logged", "photographed", "measured", "marked", "returned",
    "photo_asked", "weld_again", "second_asked", "to_agree",
)  # fmt: skip
VIEWS = ("bead", "run", "back", "setup", "torch", "trial", "lamp")
ORDERS = ("waited", "need", "coupon")
"""Orders in which what waits is taken up."""
NEEDS = ("none", "first", "failing", "stuck")
ROLES = ("instructor", "assistant", "student")
"""What somebody may be in a course."""
TOKEN_SCOPES = ("read", "write")
