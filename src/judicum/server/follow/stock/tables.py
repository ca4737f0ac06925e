"""Stock, its moves and the plan as CSV."""

from judicum.core.stock.items import KINDS
from judicum.server.follow.sessions.queries import begins_at, slots_ahead
from judicum.server.follow.stock.models import Movement
from judicum.server.follow.stock.queries import store_of
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.words.names import named
from judicum.words.stock import lasts_words, spec_words
from judicum.words.tables import as_csv


def _headings(keys: list[str]) -> list[str]:
    return [named("heading", key) for key in keys]


def stock_csv(user: User, course_id: int) -> str:
    """The shelf, an item a line. Raises NotFound, NotAllowed."""
    head = ["kind", "name", "what", "unit", "left", "lasts", "order", "order-by", "supplier", "price"]
    rows = [
        [
            named("stock-kind", one.item.kind), one.item.name, spec_words(one.item.spec), named("unit", KINDS[one.item.kind].unit), round(one.level.left, 2),
            lasts_words(one.lasts), one.order or None, one.order_by, one.item.supplier, one.item.price,
        ]
        for one in store_of(user, course_id).shelf
    ]  # fmt: skip
    return as_csv(_headings(head), rows)


def moves_csv(user: User, course_id: int) -> str:
    """What came, went and was counted, oldest first. Raises NotFound, NotAllowed."""
    course = staff_of(user, course_id).course
    rows = Movement.objects.filter(item__course=course).select_related("item", "by")
    lines = [
        [
            one.at.isoformat(timespec="minutes"),
            one.item.name,
            named("movement", one.kind),
            one.amount,
            one.note,
            one.by and one.by.display_name,
        ]
        for one in rows
    ]
    return as_csv(_headings(["at", "item", "change", "amount", "note", "by"]), lines)


def plan_csv(user: User, course_id: int) -> str:
    """Who stands where when on the sessions ahead. Raises NotFound, NotAllowed."""
    course = staff_of(user, course_id).course
    rows = []
    for one in slots_ahead(course):
        one.session.course = course
        begins = begins_at(one.session, one.start)
        rows.append(
            [
                begins.isoformat(timespec="minutes"),
                one.minutes,
                one.booth.name,
                one.student.display_name,
                one.assignment.design.title,
            ]
        )
    return as_csv(_headings(["begins", "minutes", "booth", "student", "coupon"]), rows)
