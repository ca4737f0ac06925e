"""Courses and who takes part in them."""

from typing import Any

from django.conf import settings
from django.db import models
from django.utils import timezone

from judicum.core.choices import CHOICES
from judicum.server.people.accounts.models import Workshop, own_key
from judicum.server.people.roles import Role


def _school(key: str) -> Any:
    """A column for one school; the usual one is the default."""
    return models.CharField(
        max_length=12, choices=[(code, code) for code in CHOICES[key].codes], default=CHOICES[key].codes[0]
    )


class _Method:
    """One of the methods in a course's column `methods`; the usual one where none was chosen."""

    def __init__(self, key: str) -> None:
        self.key = key

    def __get__(self, course: "Course", owner: type) -> str:
        return str(course.methods.get(self.key, CHOICES[self.key].codes[0]))

    def __set__(self, course: "Course", code: str) -> None:
        course.methods = {**course.methods, self.key: code}


class Course(models.Model):
    """A class of a workshop that meets over some weeks; students join with its code: `join_left` more of them (None: any number), until
    `join_until` (None: without end).

    `width_factor` is by what the stated uncertainty of widths grows here, as the course's callipers found; `fault_limits` the confidence from which a kind of fault is reported, where its corrections spoke for one. `cup_flows` are the flows (L/min) that makers name for the cups of its stock, by cup number: kept here by the stock, because
    every card asks. `methods` are those of METHODS that were chosen, by their key. An archived one is read and reported, and nothing of it changes any more. `second_share` is the share (percent) of marks that go to a blind second marker by lot, `calliper_share` that of attempts that are asked for callipered widths. `filling` says how far its attempts are brought in (`done` of `total`) while that goes on.
    """

    key = own_key()
    workshop = models.ForeignKey(Workshop, on_delete=models.PROTECT, related_name="courses")
    name = models.CharField(max_length=120)
    archived_at = models.DateTimeField(null=True)
    join_code = models.CharField(max_length=12, unique=True)
    join_left = models.PositiveIntegerField(null=True)
    join_until = models.DateTimeField(null=True)
    created_at = models.DateTimeField(default=timezone.now)
    filling = models.JSONField(null=True)
    time_zone = models.CharField(max_length=40, default="UTC")
    second_share = models.PositiveSmallIntegerField(default=0)
    calliper_share = models.PositiveSmallIntegerField(default=0, db_default=0)
    pedal_school = _school("pedal_school")
    start_school = _school("start_school")
    finish = _school("finish")
    unit_system = _school("unit_system")
    sequence = _school("sequence")
    purge_school = _school("purge_school")
    solvent = _school("solvent")
    locale = _school("locale")
    methods = models.JSONField(default=dict, db_default={})
    width_factor = models.FloatField(default=1.0, db_default=1.0)
    fault_limits = models.JSONField(default=dict, db_default={})
    cup_flows = models.JSONField(default=dict, db_default={})
    cup_school = _Method("cup_school")
    gas_part_school = _Method("gas_part_school")
    flow_school = _Method("flow_school")
    pulse_school = _Method("pulse_school")
    seams = _Method("seams")
    run_order = _Method("run_order")
    dabs_school = _Method("dabs_school")
    purge_tacks = _Method("purge_tacks")
    start_amps = _Method("start_amps")
    end_school = _Method("end_school")
    electrode_school = _Method("electrode_school")
    grip_school = _Method("grip_school")
    feed_school = _Method("feed_school")
    grinding_school = _Method("grinding_school")

    def __str__(self) -> str:
        return self.name


class Membership(models.Model):
    """One person's role in one course. `guide` is what of the guide for newcomers they have ticked or dismissed (actions.set_guide)."""

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="memberships")
    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="memberships")
    role = models.CharField(max_length=12, choices=Role.choices, default=Role.STUDENT)
    joined_at = models.DateTimeField(default=timezone.now)
    guide = models.JSONField(default=list, db_default=[])

    class Meta:
        constraints = (models.UniqueConstraint(fields=("course", "user"), name="one_membership_per_course"),)
        ordering = ("id",)

    def __str__(self) -> str:
        return f"{self.user} in {self.course}"
