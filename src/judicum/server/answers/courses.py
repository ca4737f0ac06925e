"""Courses, their members and methods; workshops, for their owners."""

from datetime import datetime
from typing import Annotated, Literal

from pydantic import AwareDatetime, StringConstraints, create_model

from judicum.core.choices import CHOICES, METHODS, SCHOOLS
from judicum.server.answers.base import Answer, OneOf, Request, Secret
from judicum.server.answers.people import LoginName, Person
from judicum.server.people.roles import Role

Name = Annotated[str, StringConstraints(max_length=400)]


class JoinRequest(Request):
    """A course code; name and password too for somebody who has no account yet."""

    code: Annotated[str, StringConstraints(min_length=1, max_length=12)]
    username: LoginName | None = None
    display_name: Annotated[str, StringConstraints(min_length=1, max_length=80)] | None = None
    password: Secret | None = None


def _choice(key: str) -> object:
    return Annotated[str, OneOf(tuple(str(code) for code in CHOICES[key].codes))]


CourseMethods = create_model(
    "CourseMethods",
    __base__=Answer,
    __doc__="How a course is taught where practitioners disagree.",
    **{key: (_choice(key), ...) for key in (*SCHOOLS, *METHODS)},  # type: ignore[call-overload]
)
CourseMethodsRequest = create_model(
    "CourseMethodsRequest",
    __base__=Request,
    __doc__="The methods that change; the core checks them, those left out stay.",
    **dict.fromkeys((*SCHOOLS, *METHODS), (str | None, None)),  # type: ignore[call-overload]
)


class Filling(Answer):
    """How far the attempts of a course are brought in."""

    done: int
    total: int


class Course(Answer):
    """A course; the join code only for those who teach it. `width_factor`: what stated uncertainties of widths are multiplied by here."""

    id: int
    name: str
    role: Role
    join_code: str | None
    schools: CourseMethods
    width_factor: float
    filling: Filling | None


class MoveStudentRequest(Request):
    """The course that a student is moved to."""

    to: int


class CreateCourseRequest(Request):
    """A new course; `like` is a course of one's own that it takes coupons, schemes, methods and booths from."""

    name: Name
    like: int | None = None


class JoinCodeRequest(Request):
    """How many more may join (null: any number, 0: nobody) and until when (null: no end); `renew` ends the old code."""

    renew: bool = False
    left: int | None = None
    until: AwareDatetime | None = None


class JoinCode(Answer):
    """The code newcomers join with; `address` is where they do, `picture` the same for a phone's camera, as a data URI."""

    code: str
    left: int | None
    until: datetime | None
    address: str
    picture: str


class RoleRequest(Request):
    role: Annotated[str, StringConstraints(max_length=40)]


class Member(Answer):
    id: int
    user: Person
    role: Role


class Members(Answer):
    """A page of members; `next` and `previous` are addresses."""

    count: int
    next: str | None
    previous: str | None
    results: list[Member]


class Workshop(Answer):
    """What the workshop is called, asks of those who teach, and keeps of photos (days, null: all)."""

    name: str
    second_factor: bool
    photo_retention_days: int | None


class ServerFinding(Answer):
    """One thing of the server that was looked at: whether it is well, and what to do where it is not."""

    what: str
    state: Literal["good", "look", "bad"]
    words: str
    advice: str


class ServerHealth(Answer):
    """All of it, in order; the authority that phones trust, by its fingerprint, where the workshop has one of its own."""

    findings: list[ServerFinding]
    fingerprint: str | None


class WorkshopRequest(Request):
    name: Name
    second_factor: bool
    photo_retention_days: int | None


class WorkshopCourse(Answer):
    """A course of the workshop; `role` is one's own in it."""

    id: int
    name: str
    people: int
    archived_at: datetime | None
    role: Role | None


class InCourse(Answer):
    """Somebody's part in a course."""

    course: str
    role: Role


class WorkshopPerson(Answer):
    """Somebody of the workshop; `second_factor` says whether they have one."""

    id: int
    username: str
    display_name: str
    owns: bool
    is_active: bool
    second_factor: bool
    courses: list[InCourse]


class WorkshopPeople(Answer):
    """A page of people; `next` and `previous` are addresses."""

    count: int
    next: str | None
    previous: str | None
    results: list[WorkshopPerson]


class CreatePersonRequest(Request):
    username: LoginName
    display_name: Annotated[str, StringConstraints(min_length=1, max_length=80)]


class PersonRequest(Request):
    """Whether they own the workshop too, and may sign in."""

    owns: bool
    is_active: bool
