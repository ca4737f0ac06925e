"""States, photos and groups of the log in words."""

STATES = {
    "assigned": "to weld",
    "logged": "logged",
    "photographed": "photo sent",
    "measured": "waits for a mark",
    "marked": "marked, not returned",
    "returned": "returned",
    "photo_asked": "another photo asked for",
    "weld_again": "to be welded again",
    "second_asked": "waits for a second mark",
    "to_agree": "two marks, to agree",
}
VIEWS = {"bead": "Bead", "back": "Back side", "setup": "Setup at the machine", "torch": "Torch in place"}
ORDERS = {"waited": "waiting longest", "need": "who needs it most", "coupon": "coupon"}
"""Orders in which what waits is taken up."""
NEEDS = {
    "none": "",
    "first": "first of its kind",
    "failing": "failed the last one",
    "stuck": "stuck: three failed in a row",
}
GROUPS = {
    "set": "Set on the machine",
    "tools": "Wire, electrode, torch",
    "pulse": "Pulse",
    "purge": "Purge",
    "hands": "How it was welded",
    "noticed": "What was noticed",
    "note": "Note",
}
"""Groups of `judicum.core.setup.run.GROUPS`."""
SEVERE = {"stop": "stop", "warn": "look again", "note": "mind"}
ROLES = {"instructor": "instructor", "assistant": "assistant", "student": "student"}
"""What somebody may be in a course."""
TOKEN_SCOPES = {"read": "reads", "write": "reads and writes"}
