"""Items on the shelf: making one, changing it, taking it off; counting, and what comes and goes."""

from collections.abc import Mapping
from datetime import datetime

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import InvalidValue, one_of, said
from judicum.core.stock.items import ABOUT, read_amount, read_item
from judicum.core.stock.level import MOVES
from judicum.server.follow.stock.models import Item, Movement
from judicum.server.follow.stock.queries import item_for
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import staff_of

MAX_NOTE = 200
CUP = "cup"
OWN = {spec.key for spec in ABOUT}


@transaction.atomic
def save_item(user: User, course_id: int, item_id: int | None, kind: str, given: Mapping[str, object]) -> Item:
    """Make an item (`item_id` None) or change one; its kind stays.

    Raises:
        InvalidValues: a kind or field that is wrong, a name that is taken. NotFound, NotAllowed: not a course one teaches.
    """
    course = staff_of(user, course_id).course
    item = Item(course=course, kind=kind) if item_id is None else item_for(user, course_id, item_id)
    clean = read_item(item.kind, given)
    if kind != item.kind:
        raise InvalidValue("kind", kind, said("allowed-an-item-keeps-its-kind", kind=item.kind))
    clean["name"] = clean["name"].strip()
    if not clean["name"]:
        raise InvalidValue("name", given.get("name"), said("allowed-a-name"))
    if Item.objects.filter(course=course, name=clean["name"]).exclude(pk=item.pk).exists():
        raise InvalidValue("name", clean["name"], said("allowed-a-name-that-no-other-item"))
    for key in OWN:
        setattr(item, key, clean[key])
    item.spec = {key: value for key, value in clean.items() if key not in OWN and value is not None}
    item.save()
    if item.kind == CUP:
        _keep_cup_flows(course)
    return item


@transaction.atomic
def drop_item(user: User, course_id: int, item_id: int) -> None:
    """Take an item off the shelf with all that was counted of it. Raises NotFound, NotAllowed."""
    item = item_for(user, course_id, item_id)
    item.delete()
    if item.kind == CUP:
        _keep_cup_flows(item.course)


def _keep_cup_flows(course: Course) -> None:
    """Write down with the course what the makers of its cups say; of two cups of a number the newest counts."""
    specs = Item.objects.filter(course=course, kind=CUP).order_by("id").values_list("spec", flat=True)
    course.cup_flows = {f"{of['cup']:g}": of["cup_flow_l_min"] for of in specs if "cup_flow_l_min" in of}
    course.save(update_fields=["cup_flows"])


@transaction.atomic
def move(
    user: User, course_id: int, item_id: int, kind: str, amount: object, note: str = "", at: datetime | None = None
) -> Movement:
    """Write down a count, a delivery, or what was thrown away.

    Raises:
        InvalidValue: an unknown kind, an amount that is none, a note too long. NotFound, NotAllowed: not a course one teaches.
    """
    item = item_for(user, course_id, item_id)
    by_hand = [key for key in MOVES if key != "opened"]
    if kind not in by_hand:
        raise InvalidValue("kind", kind, one_of(by_hand))
    if len(note) > MAX_NOTE:
        raise InvalidValue("note", f"{len(note)} characters", said("allowed-at-most-characters", most=MAX_NOTE))
    return Movement.objects.create(
        item=item, kind=kind, amount=read_amount("amount", amount), note=note.strip(), at=at or timezone.now(), by=user
    )
