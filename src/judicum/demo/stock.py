"""The demo's store: counted at the first session and again later, two bottles, one of which leaked for some days."""

from collections.abc import Sequence
from datetime import datetime, timedelta
from typing import Any

from judicum.server.follow.stock.actions.save_item import move, save_item
from judicum.server.follow.stock.actions.use_bottle import open_bottle, read_gauge, set_bottle
from judicum.server.follow.stock.gauges import known_gauges
from judicum.server.follow.stock.models import Item
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course

RECOUNTED = timedelta(weeks=9)
"""After the first session."""


def fill_store(
    staff: Sequence[User], students: Sequence[User], course: Course, scenario: dict[str, Any], begin: datetime
) -> None:
    """Make it all once; a fill that went on where another ended finds it there."""
    if Item.objects.filter(course=course).exists():
        return
    counted = begin - timedelta(hours=1)
    gas = 0
    for one in scenario["stock"]["items"]:
        about = {key: one[key] for key in ("name", "supplier", "price", "lead_days", "low_at") if key in one}
        item = save_item(staff[0], course.pk, None, one["kind"], {**about, **one["given"]})
        # Two of the gas are opened at once and two more were delivered since.
        more = len(scenario["stock"]["bottles"]) if item.kind == "gas" else 0
        move(staff[0], course.pk, item.pk, "counted", one["count"] + more, at=counted)
        if "recount" in one:
            move(staff[1], course.pk, item.pk, "counted", one["recount"], "counted by hand", at=begin + RECOUNTED)
        gas = item.pk if item.kind == "gas" else gas
    for one in scenario["stock"]["bottles"]:
        bottle = open_bottle(staff[0], course.pk, gas, one["name"], begin)
        for k, (week, bar) in enumerate(one["readings"]):
            read_gauge(students[k % len(students)], bottle.pk, bar, 19, at=begin + timedelta(weeks=week))
        if one.get("gauge") in known_gauges():
            set_bottle(staff[0], bottle.pk, one["gauge"])
