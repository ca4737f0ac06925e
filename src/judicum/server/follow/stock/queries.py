"""What a course has to weld with, what its sessions take, how long that lasts."""

from collections import defaultdict
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date, datetime, timedelta
from itertools import pairwise
from zoneinfo import ZoneInfo

from django.db.models.functions import TruncDate
from django.utils import timezone

from judicum.core.errors import NotFound, said
from judicum.core.setup import read_coupon
from judicum.core.stock.bottle import FULL_BAR, Content, Fall, Reading, content, falls, litres
from judicum.core.stock.lasts import Lasts, lasts, to_order
from judicum.core.stock.level import Level, Move, level, real_share, worn
from judicum.core.stock.use import Consumption, consumption
from judicum.server.catalogue.coupons.models import Assignment, Design
from judicum.server.catalogue.coupons.setup import card_for, coupon_of
from judicum.server.follow.sessions.models import BoothSlot
from judicum.server.follow.sessions.queries import sessions_ahead
from judicum.server.follow.stock.models import Bottle, GaugeReading, Item, Movement, Use
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import membership_of, staff_of

SESSIONS_BACK = 20
"""Past sessions that say what one takes: half a year of weekly ones."""
ORDERED_FOR = 8
"""Sessions that an order is to cover where the plan names fewer."""
WORN = ("cup", "electrode")
"""Kinds that go with use and that no log tells of."""
LOGGED = ("wire", "blank")
"""Kinds of which runs tell what they took; of the others only counts do."""
SAME_MM = 0.051
"""mm by which wire and sheet may differ and be the same: sizes are told to a tenth."""


@dataclass(frozen=True)
class AttemptUse:
    """What one attempt took, where and when: a row of `Use` with the day it counts for."""

    at: datetime
    day: date
    student: int
    assignment: int
    gas_l: float
    wire_m: float
    wire: tuple[str, float | None]
    blanks: int


@dataclass(frozen=True)
class OnShelf:
    """An item with what is left of it, what a session takes, how long it lasts, and what to order by when."""

    item: Item
    level: Level
    lasts: Lasts | None
    order: float
    order_by: date | None
    low: bool


@dataclass(frozen=True)
class InUse:
    """A bottle in use: its last reading, what can still be drawn, what left it between readings."""

    bottle: Bottle
    reading: GaugeReading | None
    content: Content | None
    falls: list[Fall]

    @property
    def leak(self) -> Fall | None:
        """The newest time in which it fell while nobody welded."""
        return next((fall for fall in reversed(self.falls) if fall.leaks), None)


@dataclass(frozen=True)
class Store:
    """All that a course has. `gas` is of litres, open bottles and full ones together; `real` what of it really goes per litre logged."""

    course: Course
    ahead: list[date]
    shelf: list[OnShelf]
    bottles: list[InUse]
    gas_left: Content
    gas_lasts: Lasts | None
    gas_real: float
    uses: list[AttemptUse]
    assignments: Mapping[int, Assignment]


def store_of(user: User, course_id: int) -> Store:
    """A course's store for those who teach it.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    return store_in(staff_of(user, course_id).course)


def store_in(course: Course) -> Store:
    uses = uses_in(course)
    plan = Planned.of(course)
    bottles = bottles_in(course, uses)
    items = list(Item.objects.filter(course=course))
    for item in items:
        item.course = course
    moves = moves_of(items)
    gas = _Gas.of(items, moves, bottles, uses, plan)
    shelf = []
    for item in items:
        used = [(one.at, amount) for one in uses if (amount := amount_of(item, one, plan.design_of))]
        known = level(moves[item.pk], used)
        shelf.append(
            gas.on_shelf(item, known)
            if item.kind == "gas"
            else _on_shelf(item, known, used, moves[item.pk], uses, plan)
        )
    return Store(course, plan.days, shelf, bottles, gas.left, gas.lasts, gas.real, uses, plan.assignments)


def uses_in(course: Course) -> list[AttemptUse]:
    """What attempts took, oldest first."""
    zone = ZoneInfo(course.time_zone)
    rows = Use.objects.filter(course=course).order_by("at", "attempt_id").values_list(
        "at", "attempt__student_id", "attempt__assignment_id", "gas_l", "wire_m", "wire_alloy", "wire_mm", "blanks"
    )  # fmt: skip
    return [
        AttemptUse(at, at.astimezone(zone).date(), student, assignment, gas, wire, (alloy, size), blanks)
        for at, student, assignment, gas, wire, alloy, size, blanks in rows
    ]


def moves_of(items: Iterable[Item]) -> dict[int, list[Move]]:
    """What was done to items by hand, oldest first."""
    found: dict[int, list[Move]] = defaultdict(list)
    for item, at, kind, amount in Movement.objects.filter(item__in=items).values_list(
        "item_id", "at", "kind", "amount"
    ):
        found[item].append(Move(at, kind, amount))  # type: ignore[arg-type]  # choices of the column are MoveKind
    return found


def amount_of(item: Item, one: AttemptUse, design_of: Callable[[int], Design]) -> float:
    """What an attempt took of an item, in its unit; 0 of what no log tells of."""
    if item.kind == "wire":
        alloy, size = one.wire
        same = alloy == item.spec.get("filler_alloy") and size and abs(size - item.spec["filler_mm"]) <= SAME_MM
        return one.wire_m if same else 0.0
    if item.kind == "blank":
        return one.blanks if _is_of(item, design_of(one.assignment)) else 0.0
    return 0.0


def _is_of(item: Item, design: Design) -> bool:
    """Whether coupons of a design are made of these blanks."""
    tube, own = design.tube_od_mm, item.spec.get("tube_od_mm")
    return (
        design.metal == item.spec["metal"]
        and abs(design.thickness_mm - item.spec["thickness_mm"]) <= SAME_MM
        and (own is None if tube is None else own is not None and abs(own - tube) <= SAME_MM)
    )


@dataclass(frozen=True)
class Planned:
    """The sessions ahead and what stands in their plan."""

    days: list[date]
    slots: list[tuple[date, int]]
    assignments: Mapping[int, Assignment]
    _reckoned: dict[int, Consumption] = field(default_factory=dict)

    @classmethod
    def of(cls, course: Course) -> "Planned":
        sessions = sessions_ahead(course)
        rows = BoothSlot.objects.filter(session__in=sessions).values_list("session__date", "assignment_id")
        every = Assignment.objects.filter(course=course).select_related("design", "course")
        return cls([one.date for one in sessions], list(rows), {one.pk: one for one in every})

    def design_of(self, assignment: int) -> Design:
        return self.assignments[assignment].design

    def consumption(self, assignment: int) -> Consumption:
        """What one coupon of an assignment takes by its card."""
        if assignment not in self._reckoned:
            goal = self.assignments[assignment]
            self._reckoned[assignment] = consumption(
                [], read_coupon(coupon_of(goal)), card_for(goal), goal.design.length_mm
            )
        return self._reckoned[assignment]

    def amounts(self, of: Callable[[int], float]) -> list[float | None]:
        """What each session ahead takes of something by its plan; None where nothing is planned for it."""
        found: dict[date, float] = {}
        for day, assignment in self.slots:
            found[day] = found.get(day, 0.0) + of(assignment)
        return [found.get(day) for day in self.days]

    def as_use(self, assignment: int) -> AttemptUse:
        """A planned coupon as if it had been welded."""
        one = self.consumption(assignment)
        now = timezone.now()
        return AttemptUse(now, now.date(), 0, assignment, one.gas_l, one.wire_m, one.wire or ("", None), one.blanks)

    def order(
        self, item: Item, left: float, found: Lasts | None, planned: Sequence[float | None]
    ) -> tuple[float, date | None]:
        """How much to order, and by when, so that the coming sessions are covered; 0 where they are."""
        if found is None:
            return 0.0, None
        sessions = max(len(self.days), ORDERED_FOR)
        if found.low >= sessions:
            return 0.0, None
        short = self.days[found.low] if found.low < len(self.days) else None
        return to_order(left, found, sessions, planned), short and short - timedelta(days=item.lead_days or 0)


def _on_shelf(
    item: Item,
    known: Level,
    used: list[tuple[datetime, float]],
    moves: list[Move],
    uses: list[AttemptUse],
    plan: Planned,
) -> OnShelf:
    days = sorted({one.day for one in uses})[-SESSIONS_BACK:]
    zone = ZoneInfo(item.course.time_zone)
    by_day: dict[date, float] = defaultdict(float)
    for at, amount in used:
        by_day[at.astimezone(zone).date()] += amount * known.real
    past = [by_day[day] for day in days] if item.kind in LOGGED else _worn_past(moves, days)
    logged = item.kind in LOGGED
    planned = (
        plan.amounts(lambda goal: known.real * amount_of(item, plan.as_use(goal), plan.design_of)) if logged else []
    )
    found = lasts(max(0.0, known.left), past, planned)
    order, by = plan.order(item, max(0.0, known.left), found, planned)
    low = known.left <= (item.low_at or 0.0) or (found is not None and found.low < 1)
    return OnShelf(item, known, found, order, by, low)


def _worn_past(moves: list[Move], days: list[date]) -> list[float]:
    """What sessions took of something that is only counted: evenly between its first and last count."""
    found = worn(moves)
    if found is None:
        return []
    gone, first, last = found
    sessions = [day for day in days if first.date() <= day <= last.date()]
    return [gone / len(sessions)] * len(sessions)


def wear_in(course: Course) -> list[tuple[Item, float]]:
    """Cups and electrodes of a course that go with use, and after how many of its sessions one has gone; those counted once are left out."""
    items = list(Item.objects.filter(course=course, kind__in=WORN))
    if not items:
        return []
    day = TruncDate("at", tzinfo=ZoneInfo(course.time_zone))
    days = list(Use.objects.filter(course=course).values_list(day, flat=True).distinct())
    moves = moves_of(items)
    each = [(item, _worn_past(moves[item.pk], days)) for item in items]
    return [(item, 1 / past[0]) for item, past in each if past and past[0] > 0]


def bottles_in(course: Course, uses: Sequence[AttemptUse]) -> list[InUse]:
    """Bottles in use; what was logged is shared evenly among those that were open."""
    open_ones = list(Bottle.objects.filter(course=course, closed_at=None))
    readings: dict[int, list[GaugeReading]] = defaultdict(list)
    for one in GaugeReading.objects.filter(bottle__in=open_ones):
        readings[one.bottle_id].append(one)
    share = 1 / max(1, len(open_ones))
    found = []
    for bottle in open_ones:
        rows = readings[bottle.pk]
        measured = [Reading(one.at, one.bar, one.temperature_c, one.off_bar) for one in rows]
        logged = [share * _gas_between(uses, a.at, b.at) for a, b in pairwise(measured)]
        last = content(bottle.size_l, measured[-1]) if measured else None
        if last is not None:
            since = share * _gas_between(uses, measured[-1].at, None)
            last = Content(max(0.0, last.litres - since), last.uncertainty)
        found.append(InUse(bottle, rows[-1] if rows else None, last, falls(bottle.size_l, measured, logged)))
    return found


def _gas_between(uses: Sequence[AttemptUse], since: datetime, until: datetime | None) -> float:
    return sum(one.gas_l for one in uses if one.at > since and (until is None or one.at <= until))


@dataclass(frozen=True)
class _Gas:
    """Gas of a course: its sessions in litres, and what they leave of open and full bottles."""

    left: Content
    lasts: Lasts | None
    real: float
    plan: Planned
    planned: list[float | None]

    @classmethod
    def of(
        cls,
        items: list[Item],
        moves: Mapping[int, list[Move]],
        bottles: list[InUse],
        uses: list[AttemptUse],
        plan: Planned,
    ) -> "_Gas":
        full = sum(
            max(0.0, level(moves[item.pk], []).left) * litres(item.spec["bottle_l"], FULL_BAR)
            for item in items
            if item.kind == "gas"
        )
        open_l = sum(one.content.litres for one in bottles if one.content)
        off = sum(one.content.uncertainty**2 for one in bottles if one.content) ** 0.5
        welded = [fall for one in bottles for fall in one.falls if fall.logged]
        real = real_share(sum(f.fell for f in welded), sum(f.logged for f in welded))
        by_day: dict[date, float] = defaultdict(float)
        for one in uses:
            by_day[one.day] += real * one.gas_l
        planned = plan.amounts(lambda goal: real * plan.consumption(goal).gas_l)
        past = [by_day[day] for day in sorted(by_day)[-SESSIONS_BACK:]]
        return cls(Content(full + open_l, off), lasts(full + open_l, past, planned, off), real, plan, planned)

    def on_shelf(self, item: Item, known: Level) -> OnShelf:
        """Full bottles on the shelf: ordered by the litres that the sessions take."""
        order, by = self.plan.order(item, self.left.litres, self.lasts, self.planned)
        bottles = -(-order // litres(item.spec["bottle_l"], FULL_BAR))
        low = known.left <= (item.low_at or 0.0) and (self.lasts is None or self.lasts.low < ORDERED_FOR)
        return OnShelf(item, known, self.lasts, bottles, by, low or (self.lasts is not None and self.lasts.low < 1))


def item_for(user: User, course_id: int, item_id: int) -> Item:
    """An item of a course one teaches. Raises NotFound, NotAllowed."""
    found = Item.objects.filter(course=staff_of(user, course_id).course, pk=item_id).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-item-in-this", item_id=item_id))
    return found


def bottle_for(user: User, bottle_id: int) -> Bottle:
    """A bottle in use in a course one takes part in. Raises NotFound."""
    mine = Bottle.objects.select_related("course").filter(course__memberships__user=user)
    found = mine.filter(pk=bottle_id, closed_at=None).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-bottle-in-use", bottle_id=bottle_id))
    return found


def open_bottles(user: User, course_id: int) -> list[Bottle]:
    """Bottles in use, to whoever may read their gauge. Raises NotFound."""
    return list(Bottle.objects.filter(course=membership_of(user, course_id).course, closed_at=None))
