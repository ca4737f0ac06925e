"""Bottles of gas: opening one, reading its gauge, closing it."""

from collections.abc import Mapping, Sequence
from datetime import datetime
from math import hypot
from typing import Any

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import InvalidValue, one_of, said
from judicum.core.stock.bottle import OPEN_FIELDS, gauge_off_bar
from judicum.core.stock.dial import read_dial
from judicum.server.follow.stock.gauges import known_gauges
from judicum.server.follow.stock.models import Bottle, GaugeReading, Item, Movement
from judicum.server.follow.stock.queries import bottle_for
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of

MAX_NAME = 40
WIRED_OFF_BAR = 0.5
"""bar. Standard uncertainty of a pressure sensor of a quarter percent of 400 bar."""


@transaction.atomic
def open_bottle(user: User, course_id: int, item_id: int, name: str, at: datetime | None = None) -> Bottle:
    """Open a full bottle from the shelf.

    Raises:
        InvalidValue: no such gas on the shelf, a name that is taken or too long. NotFound, NotAllowed: not a course one teaches.
    """
    course = staff_of(user, course_id).course
    item = Item.objects.filter(course=course, kind="gas", pk=item_id).first()
    if item is None:
        raise InvalidValue("item", item_id, said("allowed-a-gas-of-this-courses-shelf"))
    if not 1 <= len(name.strip()) <= MAX_NAME:
        raise InvalidValue("name", name, said("allowed-1-to-characters", most=MAX_NAME))
    if Bottle.objects.filter(course=course, name=name.strip(), closed_at=None).exists():
        raise InvalidValue("name", name, said("allowed-a-name-that-no-other-bottle"))
    moment = at or timezone.now()
    Movement.objects.create(item=item, kind="opened", amount=1, at=moment, by=user, note=name.strip())
    return Bottle.objects.create(
        course=course, item=item, name=name.strip(), size_l=item.spec["bottle_l"], opened_at=moment
    )


@transaction.atomic
def set_bottle(user: User, bottle_id: int, gauge: str | None = None, closed: bool = False) -> Bottle:
    """Put a wired gauge on a bottle ("" takes it off), or close the bottle.

    Raises:
        InvalidValue: a gauge that is not wired up here. NotFound, NotAllowed: not a course one teaches.
    """
    bottle = bottle_for(user, bottle_id)
    staff_of(user, bottle.course_id)
    if gauge is not None:
        gauges = known_gauges()
        if gauge and gauge not in gauges:
            raise InvalidValue("gauge", gauge, one_of(gauges) if gauges else said("allowed-no-gauge"))
        bottle.gauge = gauge
    if closed:
        bottle.closed_at = timezone.now()
    bottle.save()
    return bottle


def read_gauge(
    user: User,
    bottle_id: int,
    bar: float | None = None,
    temperature_c: float | None = None,
    dial: Mapping[str, Any] | None = None,
    at: datetime | None = None,
) -> GaugeReading:
    """Keep a reading of a bottle's gauge: a pressure that was typed, or four taps on a photo of the dial.

    Args:
        dial: `hub`, `tip`, `zero`, `full` in pixels and `full_bar`, what stands at the end of the scale.

    Raises:
        InvalidValues: neither or both, a pressure no bottle has, taps that make no dial. NotFound: not in the course.
    """
    bottle = bottle_for(user, bottle_id)
    if (bar is None) == (dial is None):
        raise InvalidValue("bottle_bar", bar, said("allowed-a-pressure-or-four-taps-on"))
    off, how = gauge_off_bar(), GaugeReading.How.TYPED
    if dial is not None:
        hub, tip, zero, full = (_point(dial, name) for name in ("hub", "tip", "zero", "full"))
        found = read_dial(hub, tip, zero, full, dial["full_bar"])
        bar, how = round(found.bar, 1), GaugeReading.How.PHOTO
        off = hypot(found.uncertainty, gauge_off_bar(dial["full_bar"]))
    return save_reading(bottle, bar, temperature_c, off, how, user, at)


def save_reading(
    bottle: Bottle,
    bar: object,
    temperature_c: float | None,
    off_bar: float,
    how: str,
    by: User | None = None,
    at: datetime | None = None,
) -> GaugeReading:
    """Keep a reading, checked. Raises InvalidValues."""
    clean = OPEN_FIELDS.check({"bottle_l": bottle.size_l, "bottle_bar": bar, "bottle_c": temperature_c})
    return GaugeReading.objects.create(
        bottle=bottle, at=at or timezone.now(), bar=clean["bottle_bar"], temperature_c=clean["bottle_c"], off_bar=off_bar,
        how=how, by=by,
    )  # fmt: skip


def _point(dial: Mapping[str, Any], name: str) -> tuple[float, float]:
    given: Sequence[float] = dial[name]
    if len(given) != 2:
        raise InvalidValue(name, given, said("allowed-two-figures-x-and-y-in"))
    return float(given[0]), float(given[1])
