"""Which rows belong to a course's archive, and whose columns the fields of each record are."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from functools import cached_property
from typing import Any

from django.db.models import Field, Model, Q, QuerySet

from judicum.server.catalogue.coupons.models import Assignment, Design
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.exchange.archive.records import RECORDS, Record
from judicum.server.follow.sessions.models import Attendance, Booth, BoothNote, BoothSlot, Session, WeldedAt
from judicum.server.follow.stock.models import Bottle, GaugeReading, Item, Movement, Use
from judicum.server.follow.trials.models import StartValue, Trial
from judicum.server.follow.trust.models import Calliper
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course, Membership
from judicum.server.record.attempts.models import Attempt, Event, Run
from judicum.server.record.attempts.states import HELD_BACK, AttemptState
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
    """Rows of one model: which of them belong to a course, in the order of their keys, and which columns are not written (`without`).

    `by` is what they are ordered by and so numbered. `later` are references to tables that come after.
    `as_shipped` stands in rows that ship and belong to no course, where each server has its own.
    `added` tables came after the version was out: an archive without one has no rows of it.
    `completed` makes of a line with defaults what the columns of today need.
    """

    name: str
    model: type[Model]
    of: Callable[[int], Q]
    without: tuple[str, ...] = ()
    by: str = "pk"
    later: tuple[str, ...] = ()
    as_shipped: Mapping[str, str] = field(default_factory=dict)
    added: bool = False
    completed: Callable[[dict[str, Any]], dict[str, Any]] = dict

    def rows(self, course_id: int, reader: User | None = None) -> QuerySet[Any]:
        """The table's rows of a course; without those that `reader` is not to see while they are to give a blind second mark."""
        found = self.model._default_manager.filter(self.of(course_id)).order_by(self.by)
        if reader is None or self.name not in OF_FIRST_MARKS:
            return found
        return found.exclude(blind_to(reader, "attempt__") & OF_FIRST_MARKS[self.name])

    @property
    def record(self) -> Record:
        """What a line of it holds."""
        return RECORDS[self.name]

    @cached_property
    def fields(self) -> list["Field[Any, Any]"]:
        """The column of each field of its record, but for its number and its lists."""
        lists = {one.name for one in self.lists}
        return [self.model._meta.get_field(f.name) for f in self.record.own if f.name not in lists]  # type: ignore[misc]

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


def _shown(line: dict[str, Any]) -> dict[str, Any]:
    """An attempt with what its student sees, where the archive is older than that."""
    state = AttemptState.MEASURED.value if line["state"] in HELD_BACK else line["state"]
    usual = {"shown_state": state, "shown_version": line["version"], "shown_at": line["updated_at"]}
    return {**line, **{key: value for key, value in usual.items() if line[key] is None}}


UNTOLD = ("password", "last_login", "skeleton", "workshop", "owns", "email", "signed_out", "shares_pictures")
"""What of a person stays on their server: how they get in, and where mail goes."""

TABLES: tuple[Table, ...] = (
    Table("people", User, _people, UNTOLD, by="key"),
    Table(
        "course", Course, _of("pk"),
        ("workshop", "join_code", "join_left", "join_until", "filling"),
    ),
    Table(
        "schemes", Scheme, _schemes,
        as_shipped={"created_at": "1970-01-01T00:00:00+00:00"},
    ),
    Table("designs", Design, _designs),
    Table("memberships", Membership, _of("course"), ("guide",)),
    Table("assignments", Assignment, _of("course")),
    Table("attempts", Attempt, _of("course"), completed=_shown),
    Table("runs", Run, _of("attempt__course")),
    Table("pictures", StoredPicture, _pictures, ("cleaned",)),
    Table("photos", Photo, _of("attempt__course")),
    Table(
        "measurements", Measurement, _of("photo__attempt__course"), ("together",),
        later=("chosen",),
    ),
    Table("beads", SeenBead, _of("measurement__photo__attempt__course")),
    Table("corrections", Correction, _of("measurement__photo__attempt__course")),
    Table("events", Event, _of("attempt__course")),
    Table("figures", MeasurementSummary, _of("attempt__course")),
    Table("verdicts", Verdict, _of("attempt__course")),
    Table("marks", Mark, _of("attempt__course")),
    Table("second_marks", SecondMark, _of("attempt__course")),
    Table("references", Reference, _of("attempt__course")),
    Table("self_tests", SelfTest, _of("course")),
    Table("sessions", Session, _of("course"), ("door_code",)),
    Table("booths", Booth, _of("course")),
    Table("booth_notes", BoothNote, _of("booth__course")),
    Table("welded_at", WeldedAt, _of("attempt__course")),
    Table("trials", Trial, _of("attempt__course"), added=True),
    Table("start_values", StartValue, _of("assignment__course"), added=True),
    Table("callipers", Calliper, _of("attempt__course"), added=True),
    Table("attendance", Attendance, _of("session__course")),
    Table("slots", BoothSlot, _of("session__course")),
    Table("stock_items", Item, _of("course")),
    Table("stock_moves", Movement, _of("item__course")),
    Table("stock_uses", Use, _of("course")),
    Table("bottles", Bottle, _of("course")),
    Table("gauge_readings", GaugeReading, _of("bottle__course")),
)  # fmt: skip
BY_NAME = {table.name: table for table in TABLES}
BY_MODEL = {table.model: table for table in TABLES}
LEFT_OUT = {
    "accounts.Workshop": "the workshop is that of the server it goes to",
    "accounts.Token": "a person's own",
    "trust.PhoneCheck": "a person's own",
    "trust.RepeatStudy": "of the phones and the light of this place",
    "trust.StudyPhoto": "of the phones and the light of this place",
    "trust.TintReference": "of the light of this place",
    "eye.EyeCard": "a person's own",
    "eye.EyeRound": "a person's own",
    "eye.EyeBead": "drawn anew",
    "accounts.Release": "the server's",
    "photos.Remeasuring": "a run of the server's",
    "photos.Upload": "on its way",
    "attempts.AcceptedChange": "what phones have sent to this server",
    "attempts.MachineLog": "a curve to look at; what the machine did stands with its run",
    "marking.Phrase": "a marker's own, for every course",
    "reports.Report": "made from what is here",
    "evenings.CalendarSubscription": "secret addresses",
    "notices.NotificationPreference": "a person's own",
}
"""Every other model of ours, and why it is in no course's archive."""
