"""Coupons, what is given to whom, and the setup card."""

from datetime import date, datetime
from typing import Annotated, Any

from pydantic import Field, StringConstraints

from judicum.core.marking import USUAL_SCHEME
from judicum.server.answers.base import Answer, OneOf, Request
from judicum.server.catalogue.coupons.models import FINISH, JOINT, POSITION, TECHNIQUE
from judicum.words.card import Card, Check

__all__ = [
    "AssignRequest",
    "Assignment",
    "Card",
    "Check",
    "CouponRequest",
    "Design",
    "RunCheck",
    "SaveDesignRequest",
    "SetupCheck",
]

Finish = Annotated[str, OneOf(tuple(code for code, _ in FINISH))]
Joint = Annotated[str, OneOf(tuple(code for code, _ in JOINT))]
Position = Annotated[str, OneOf(tuple(code for code, _ in POSITION))]
Technique = Annotated[str, OneOf(tuple(code for code, _ in TECHNIQUE))]


class Design(Answer):
    """One version of a practice coupon, of the library (`course` null) or of one course."""

    id: int
    course: int | None = Field(validation_alias="course_id")
    code: str
    version: int
    title: str
    purpose: str
    joint: Joint
    metal: str
    thickness_mm: float
    position: Position
    technique: Technique
    tube_od_mm: float | None
    usual_faults: str
    stainless_step: int | None
    carbon_step: int | None
    length_mm: float
    target_width_mm: float
    finish: Finish
    more: dict[str, Any]


class LibraryDesign(Design):
    """A design with how many of the course have passed it; null to students."""

    passed: int | None


class Designs(Answer):
    """A page of designs; `next` and `previous` are addresses."""

    count: int
    next: str | None
    previous: str | None
    results: list[LibraryDesign]


class Assignment(Answer):
    """A coupon given to some or all students of a course."""

    id: int
    design: Design
    target_width_mm: float
    finish: Finish
    good_in_a_row: int
    scheme: str
    pass_mark: float | None
    due_on: date
    created_at: datetime
    students: int


class Assignments(Answer):
    """A page of assignments; `next` and `previous` are addresses."""

    count: int
    next: str | None
    previous: str | None
    results: list[Assignment]


class AssignRequest(Request):
    """A design to be given; `students` left out or null means the whole class."""

    design: int
    target_width_mm: float
    finish: Finish
    good_in_a_row: int = 3
    scheme: Annotated[str, StringConstraints(min_length=1, max_length=40)] = USUAL_SCHEME
    pass_mark: float | None = None
    due_on: date
    students: Annotated[list[int], Field(max_length=500)] | None = None


class CouponRequest(Request):
    """The input of a setup card; its fields are checked by the core and documented in docs/setup-card.md."""

    coupon: dict[str, Any]


class SaveDesignRequest(CouponRequest):
    """A coupon to keep; `base` is the design it was made from."""

    title: Annotated[str, StringConstraints(min_length=1, max_length=80)]
    purpose: Annotated[str, StringConstraints(max_length=300)] = ""
    usual_faults: Annotated[str, StringConstraints(max_length=300)] = ""
    length_mm: float = 90.0
    base: int | None = None


class SetupCheck(Check):
    """What of a run lies off the card; `besides` are codes of warnings that say more than the deviations."""

    besides: list[str]


class RunCheck(SetupCheck):
    """The same of a run of an attempt, by its number."""

    number: int
