"""Which rows belong to a course's archive: one entry a table, each after those it points to."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from typing import Any

from django.db.models import Field, Model, Q, QuerySet

from judicum.server.catalogue.coupons.models import Assignment, Design
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.follow.sessions.models import Attendance, Booth, BoothNote, BoothSlot, Session, WeldedAt
from judicum.server.follow.stock.models import Bottle, GaugeReading, Item, Movement, Use
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course, Membership
from judicum.server.record.attempts.models import Attempt, Event, Run
from judicum.server.record.attempts.visibility import HIDDEN_FROM_SECOND, blind_to
from judicum.server.record.causes.models import Verdict
from judicum.server.record.marking.models import Mark, Reference, SecondMark, SelfTest
from judicum.server.record.photos.models import (
    Correction,
    Measurement,
    MeasurementSummary,
    Photo,
    SeenBead,
    StoredPicture,
)

VERSION = 2
"""Of the format; a reader refuses a later one."""
TABLES_OF_1 = {"slots": "sittings"}
"""What version 1 called a table."""
FIELDS_OF_1 = {
    "course": {"sequence": "ladder"},
    "designs": {"stainless_step": "stainless_rung", "carbon_step": "carbon_rung"},
    "references": {"released_at": "let_go_at"},
    "verdicts": {"confirmed": "taken"},
}
"""What version 1 called fields, by table; nothing else differs."""


OF_FIRST_MARKS = {
    "verdicts": Q(),
    "marks": Q(),
    "second_marks": Q(),
    "references": Q(),
    "events": Q(kind__in=HIDDEN_FROM_SECOND),
}
"""Which rows of a table tell of the first mark of an attempt."""


@dataclass(frozen=True)
class Table:
    """Rows of one model: which of them belong to a course, in the order of their keys, and what of them is not written.

    `by` is what they are ordered by and so numbered. `later` are references to tables that come after.
    `as_shipped` stands in rows that ship and belong to no course, where each server has its own.
    """

    name: str
    model: type[Model]
    about: str
    of: Callable[[int], Q]
    without: tuple[str, ...] = ()
    by: str = "pk"
    later: tuple[str, ...] = ()
    as_shipped: Mapping[str, str] = field(default_factory=dict)

    def rows(self, course_id: int, reader: User | None = None) -> QuerySet[Any]:
        """The table's rows of a course; without those that `reader` is not to see while they are to give a blind second mark."""
        found = self.model._default_manager.filter(self.of(course_id)).order_by(self.by)
        if reader is None or self.name not in OF_FIRST_MARKS:
            return found
        return found.exclude(blind_to(reader, "attempt__") & OF_FIRST_MARKS[self.name])

    @property
    def fields(self) -> list["Field[Any, Any]"]:
        """The columns that are written; the key itself only where other rows know it by it, or it is another row's."""
        own = [f for f in self.model._meta.concrete_fields if f.name not in self.without]
        return [f for f in own if f.name != "id"]

    @property
    def lists(self) -> list[Any]:
        """References to several rows of another table."""
        return list(self.model._meta.many_to_many)


def _of(path: str) -> Callable[[int], Q]:
    return lambda course_id: Q(**{path: course_id})


def _people(course_id: int) -> Q:
    """Everybody whom a row of the course names."""
    named: set[int] = set()
    for table in TABLES[1:]:
        for column in table.fields:
            if column.related_model is User:
                named.update(
                    table.rows(course_id).exclude(**{column.name: None}).values_list(column.attname, flat=True)
                )
    return Q(pk__in=named)


def _designs(course_id: int) -> Q:
    given = Assignment.objects.filter(course_id=course_id).values("design_id")
    return Q(course_id=course_id) | Q(pk__in=given)


def _schemes(course_id: int) -> Q:
    marked = Mark.objects.filter(attempt__course_id=course_id).values("scheme_id")
    return Q(course_id=course_id) | Q(pk__in=marked)


def _pictures(course_id: int) -> Q:
    return Q(pk__in=Photo.objects.filter(attempt__course_id=course_id).values("picture_id"))


UNTOLD = ("password", "last_login", "skeleton", "workshop", "owns", "email", "signed_out")
"""What of a person stays on their server: how they get in, and where mail goes."""

TABLES: tuple[Table, ...] = (
    Table("people", User, "Everybody whom a row names; `key` is the same on every server.", _people, UNTOLD, by="key"),
    Table(
        "course", Course, "The course itself, in one row.", _of("pk"),
        ("workshop", "join_code", "join_left", "join_until", "filling"),
    ),
    Table(
        "schemes", Scheme, "Marking schemes; those that ship have no course.", _schemes,
        as_shipped={"created_at": "1970-01-01T00:00:00+00:00"},
    ),
    Table("designs", Design, "Coupons; those of the library have no course.", _designs),
    Table("memberships", Membership, "Who takes part, as what.", _of("course"), ("guide",)),
    Table("assignments", Assignment, "Coupons that were given.", _of("course")),
    Table("attempts", Attempt, "Welded coupons.", _of("course")),
    Table("runs", Run, "What was set and noticed; SI, the unit in the name.", _of("attempt__course")),
    Table("pictures", StoredPicture, "Bytes of photos, by their hash.", _pictures, ("cleaned",)),
    Table("photos", Photo, "Photos of attempts.", _of("attempt__course")),
    Table(
        "measurements", Measurement, "What was measured of a photo.", _of("photo__attempt__course"), ("together",),
        later=("chosen",),
    ),
    Table("beads", SeenBead, "Each of several beads in a photo.", _of("measurement__photo__attempt__course")),
    Table("corrections", Correction, "Steps by hand over a result.", _of("measurement__photo__attempt__course")),
    Table("events", Event, "The log of each attempt; its data names measurements and photos.", _of("attempt__course")),
    Table("figures", MeasurementSummary, "What counts of an attempt's photos.", _of("attempt__course")),
    Table("verdicts", Verdict, "Causes confirmed or ruled out.", _of("attempt__course")),
    Table("marks", Mark, "Marks.", _of("attempt__course")),
    Table("second_marks", SecondMark, "Blind second marks.", _of("attempt__course")),
    Table("references", Reference, "Marks kept as a measure for markers.", _of("attempt__course")),
    Table("self_tests", SelfTest, "Markers' own tests on them.", _of("course")),
    Table("sessions", Session, "When the course meets.", _of("course"), ("door_code",)),
    Table("booths", Booth, "Places to weld.", _of("course")),
    Table("booth_notes", BoothNote, "What did not work at a booth.", _of("booth__course")),
    Table("welded_at", WeldedAt, "The booth of an attempt.", _of("attempt__course")),
    Table("attendance", Attendance, "Who was away or there.", _of("session__course")),
    Table("slots", BoothSlot, "Who stands where.", _of("session__course")),
    Table("stock_items", Item, "Sorts of stock.", _of("course")),
    Table("stock_moves", Movement, "What came, went, was counted.", _of("item__course")),
    Table("stock_uses", Use, "What attempts took.", _of("course")),
    Table("bottles", Bottle, "Bottles of gas.", _of("course")),
    Table("gauge_readings", GaugeReading, "Looks at their gauges.", _of("bottle__course")),
)  # fmt: skip
BY_NAME = {table.name: table for table in TABLES}
BY_MODEL = {table.model: table for table in TABLES}
LEFT_OUT = {
    "accounts.Workshop": "the workshop is that of the server it goes to",
    "accounts.Token": "a person's own",
    "photos.Remeasuring": "a run of the server's",
    "photos.Upload": "on its way",
    "marking.Phrase": "a marker's own, for every course",
    "reports.Report": "made from what is here",
    "evenings.CalendarSubscription": "secret addresses",
    "notices.NotificationPreference": "a person's own",
}
"""Every other model of ours, and why it is in no course's archive."""
