"""A course's sessions: when it meets, its booths, who is there, who welds where; one's own."""

from datetime import date, datetime, time
from typing import Annotated

from pydantic import Field, PlainSerializer, StringConstraints, WithJsonSchema

from judicum.core.choices import CHOICES
from judicum.core.planning.booths import FEATURES
from judicum.server.answers.attempts import Run
from judicum.server.answers.base import Answer, OneOf, Request
from judicum.server.answers.people import Person

CONTROLS = tuple(str(code) for code in CHOICES["control"].codes)
Feature = Annotated[str, OneOf(tuple(FEATURES))]
CLOCK = {"type": "string", "pattern": "^([01][0-9]|2[0-3]):[0-5][0-9]$"}
"""Not JSON Schema's `time`, which has seconds and a time zone."""
Clock = Annotated[time, PlainSerializer(lambda at: f"{at:%H:%M}", return_type=str), WithJsonSchema(CLOCK)]
"""Hours and minutes where the course meets."""


class CreateSessionsRequest(Request):
    """One session, or one on the same weekday of so many weeks but for the days in `without`."""

    first: date
    start: Clock
    minutes: int
    weeks: int = 1
    without: Annotated[list[date], Field(max_length=100)] = []


class TimeZoneRequest(Request):
    time_zone: Annotated[str, StringConstraints(max_length=400)]


class MachineProfile(Request):
    """A machine: what it can and what it lacks, as far as somebody has said."""

    control: Annotated[str, OneOf(CONTROLS)] | None = None
    min_a: float | None = None
    max_a: float | None = None
    start_min_a: float | None = None
    pulse_max_per_second: float | None = None
    mains_a: float | None = None
    machine_torch: int | None = None
    no_preflow: bool = False
    no_downslope: bool = False
    no_postflow: bool = False
    no_ac: bool = False
    no_pulse: bool = False
    ac_controls: Annotated[str, StringConstraints(max_length=200)] = ""
    knobs: Annotated[str, StringConstraints(max_length=200)] = ""


class BoothRequest(Request):
    name: Annotated[str, StringConstraints(max_length=400)]
    has: Annotated[list[Annotated[str, StringConstraints(max_length=40)]], Field(max_length=40)]
    broken: Annotated[str, StringConstraints(max_length=2000)] = ""
    closed: Annotated[list[int], Field(max_length=200)] = []
    machine: MachineProfile | None = None


class AttendanceRequest(Request):
    """Somebody away or there; null where nothing is known."""

    student: int
    there: bool | None


class DoorRequest(Request):
    """The code at the door."""

    code: Annotated[str, StringConstraints(min_length=1, max_length=40)]


class BoothSlotRequest(Request):
    """Somebody placed by hand: minutes from the session's beginning."""

    assignment: int
    student: int
    session: int
    booth: int
    start: Annotated[int, Field(ge=0, le=1439)]


class FaultReportRequest(Request):
    """What does not work at a booth."""

    text: Annotated[str, StringConstraints(min_length=1, max_length=2000)]


class WeldedAtRequest(Request):
    booth: int


class CourseSession(Answer):
    id: int
    date: date
    start: Clock
    minutes: int
    door_code: str


class Booth(Answer):
    id: int
    name: str
    has: list[Feature]
    machine: MachineProfile
    broken: str
    closed: list[int]


class BoothNote(Answer):
    """What was broken at a booth, from when to when, and who said so."""

    id: int
    booth: int = Field(validation_alias="booth_id")
    text: str
    at: datetime
    by: Person | None
    mended_at: datetime | None


class BoothName(Answer):
    id: int
    name: str
    broken: str


class WorkedAt(Answer):
    """What was set the last time this coupon passed at this machine, in words, and as a run to start from."""

    at: datetime
    words: list[str]
    run: Run


class MachineAdvice(Answer):
    """What the machine cannot do of the card and what is done instead; `hides` are the card's figures that mean nothing on it."""

    code: str
    words: str
    hides: list[str]


class Machine(Answer):
    """Where an attempt is welded, and what that machine remembers."""

    booth: int | None
    booths: list[BoothName]
    worked: WorkedAt | None
    advice: list[MachineAdvice]
    ac_controls: str
    knobs: str


class BoothSlot(Answer):
    """A student at a booth for one coupon, from `start` minutes after the session's beginning."""

    id: int
    session: int
    booth: int
    assignment: int
    title: str
    student: Person
    start: int
    minutes: int
    kept: bool


class WorkAhead(Answer):
    """What somebody is to weld next and how long it takes; `wants` in words."""

    assignment: int
    title: str
    student: Person
    minutes: int
    wants: list[str]
    due_on: date


class Attendance(Answer):
    session: int
    student: int
    there: bool


class SessionPlan(Answer):
    """The course's sessions ahead; `features` are what a booth may have, in words."""

    time_zone: str
    changeover_minutes: int
    features: dict[str, str]
    sessions: list[CourseSession]
    booths: list[Booth]
    notes: list[BoothNote]
    people: list[Person]
    attendance: list[Attendance]
    slots: list[BoothSlot]
    work: list[WorkAhead]


class Unplaced(Answer):
    """What is not scheduled, and why in words."""

    assignment: int
    student: int
    why: str
    words: str


class Planned(Answer):
    plan: SessionPlan
    unplaced: list[Unplaced]
    gone: list[str]


class MyBoothSlot(Answer):
    """Where and when to weld next, and what to bring, in words."""

    when: str
    booth: str
    broken: str
    title: str
    minutes: int
    bring: str


class MySession(Answer):
    id: int
    when: str
    away: bool
    there: bool
    now: bool


class MySessions(Answer):
    slots: list[MyBoothSlot]
    sessions: list[MySession]


class CalendarSubscription(Answer):
    """The secret address of a calendar."""

    address: str
