"""A small course to test with."""

from copy import deepcopy
from dataclasses import dataclass
from datetime import date, timedelta
from functools import cache

from django.db import connection

from judicum.server.catalogue.coupons.library import load_library
from judicum.server.catalogue.coupons.models import Assignment, Design
from judicum.server.people.accounts.models import User, Workshop
from judicum.server.people.courses.models import Course as CourseRow
from judicum.server.people.courses.models import Membership
from judicum.server.people.roles import Role
from judicum.server.record.attempts.actions.assign_coupon import assign_coupon
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.models import Attempt, Event

PASSWORD = "a-good-long-password"
RUN = {"current_a": 52, "gas_l_min": 11, "cup": 10, "gas_part": "gas_lens", "polarity": "DCEN", "postflow_s": 8}


@dataclass
class Course:
    """The course and everybody in it; `stranger` owns another workshop and teaches there."""

    row: CourseRow
    instructor: User
    assistant: User
    student: User
    other: User
    stranger: User
    assignment: Assignment

    @property
    def attempt(self) -> Attempt:
        return Attempt.objects.get(assignment=self.assignment, student=self.student, number=1)


def make_person(username: str, workshop: Workshop) -> User:
    """Somebody whose password hash takes no time (the hash itself is tested in test_session)."""
    user = User(username=username, skeleton=username, workshop=workshop, display_name=username.capitalize())
    user.set_unusable_password()
    user.save()
    return user


def create_course() -> Course:
    """Two staff, two students, one assignment for both students; a stranger with a course of their own."""
    load_library()
    mill, quay = (Workshop.objects.create(name=name) for name in ("Mill", "Quay"))
    people = {name: make_person(name, mill) for name in ("ilka", "asmus", "sanne", "odo")}
    people["stig"] = make_person("stig", quay)
    User.objects.filter(pk=people["stig"].pk).update(owns=True)
    row = CourseRow.objects.create(workshop=mill, name="Test course", join_code="TEST1")
    elsewhere = CourseRow.objects.create(workshop=quay, name="Elsewhere", join_code="ELSE1")
    for name, role in (
        ("ilka", Role.INSTRUCTOR),
        ("asmus", Role.ASSISTANT),
        ("sanne", Role.STUDENT),
        ("odo", Role.STUDENT),
    ):
        Membership.objects.create(course=row, user=people[name], role=role)
    Membership.objects.create(course=elsewhere, user=people["stig"], role=Role.INSTRUCTOR)
    assignment = assign_coupon(
        people["ilka"],
        row.pk,
        design_id=Design.objects.get(code="plate-bead-15").pk,
        target_width_mm=4.5,
        finish="warm",
        good_in_a_row=3,
        due_on=date.today() + timedelta(days=14),
    )
    return Course(row, people["ilka"], people["asmus"], people["sanne"], people["odo"], people["stig"], assignment)


ROWS = (Design, Workshop, User, CourseRow, Membership, Assignment, Attempt, Event)
"""All that `create_course` leaves in the tables."""


@cache
def _kept() -> tuple[Course, list[tuple[str, str]]]:
    """A course that this makes, and the rows of each table as JSON."""
    course = create_course()
    tables = [model._meta.db_table for model in ROWS]
    with connection.cursor() as cursor:
        return course, [
            (table, cursor.execute(f"SELECT json_agg({table})::text FROM {table}").fetchone()[0]) for table in tables
        ]


def same_course() -> Course:
    """The course of `create_course` in tables that hold nothing else, with the same ids each time: made once, its rows are put back."""
    there = _kept.cache_info().currsize
    course, rows = _kept()
    if there:
        with connection.cursor() as cursor:
            for table, answer in rows:
                cursor.execute(
                    f"INSERT INTO {table} SELECT * FROM json_populate_recordset(NULL::{table}, %s)", [answer]
                )
    return deepcopy(course)


def logged(course: Course) -> Attempt:
    """The student's first attempt with its run logged."""
    return log_run(course.student, course.attempt.pk, RUN)
