"""States, photos and groups of the log in words."""

STATES = {
    "assigned": "to weld",
    "logged": "logged",
    "photographed": "photo sent",
    "measured": "ready to mark",
    "marked": "marked, not returned",
    "returned": "returned",
    "photo_asked": "new photo requested",
    "weld_again": "to weld again",
    "second_asked": "waiting for a second mark",
    "to_agree": "two marks to agree on",
}
VIEWS = {"bead": "Bead", "back": "Back side", "setup": "Setup at the machine", "torch": "Torch in place"}
ORDERS = {"waited": "waiting longest", "need": "greatest need", "coupon": "coupon"}
"""Orders in which what waits is taken up."""
NEEDS = {
    "none": "",
    "first": "first attempt at this coupon",
    "failing": "failed last time",
    "stuck": "stuck: failed three in a row",
}
GROUPS = {
    "set": "Machine settings",
    "tools": "Filler, tungsten, torch",
    "pulse": "Pulse",
    "purge": "Purge",
    "hands": "Technique",
    "noticed": "What you noticed",
    "note": "Note",
}
"""Groups of `judicum.core.setup.run.GROUPS`."""
SEVERE = {"stop": "stop", "warn": "check", "note": "mind"}
ROLES = {"instructor": "instructor", "assistant": "assistant", "student": "student"}
"""What somebody may be in a course."""
TOKEN_SCOPES = {"read": "reads", "write": "reads and writes"}
