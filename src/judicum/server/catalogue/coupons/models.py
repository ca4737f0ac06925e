"""Coupon designs and what is assigned to whom."""

from typing import Any

from django.conf import settings
from django.db import models

from judicum.core.choices import CHOICES
from judicum.core.marking import USUAL_SCHEME
from judicum.server.people.courses.models import Course


def _choice(key: str, default: str, length: int) -> Any:
    """A column for one of the core's choices."""
    return models.CharField(max_length=length, choices=options(key), default=default)


def options(key: str) -> list[tuple[str, str]]:
    """A choice's codes, for a column or the API; what they are called stands in the core's table, not in migrations."""
    return [(str(code), str(code)) for code in CHOICES[key].codes]


JOINT = options("joint")
POSITION = options("position")
TECHNIQUE = options("technique")
FINISH = options("finish")


class Design(models.Model):
    """One version of a practice coupon, of the library (`course` None) or of one course. A version is never changed.

    `more` holds what else the setup card was asked for (docs/setup-card.md: cup, second_thickness_mm, pulse, …).
    """

    course = models.ForeignKey(Course, null=True, blank=True, on_delete=models.CASCADE, related_name="designs")

    code = models.SlugField(max_length=40)
    version = models.PositiveIntegerField(default=1)
    title = models.CharField(max_length=80)
    purpose = models.CharField(max_length=300)
    joint = models.CharField(max_length=20, choices=JOINT)
    metal = models.CharField(max_length=20, default="304L")
    position = _choice("position", "flat", 12)
    technique = _choice("technique", "dab", 10)
    tube_od_mm = models.FloatField(null=True, blank=True)
    thickness_mm = models.FloatField()
    length_mm = models.FloatField(default=90.0)
    target_width_mm = models.FloatField()
    finish = _choice("finish", "warm", 12)
    usual_faults = models.CharField(max_length=300, blank=True)
    stainless_step = models.PositiveSmallIntegerField(null=True, blank=True)
    carbon_step = models.PositiveSmallIntegerField(null=True, blank=True)
    more = models.JSONField(default=dict, blank=True)

    class Meta:
        constraints = (models.UniqueConstraint(fields=("code", "version"), name="one_design_per_version"),)
        ordering = ("thickness_mm", "joint", "id")

    def __str__(self) -> str:
        return f"{self.title} v{self.version}"


class Assignment(models.Model):
    """A design given to some or all students of a course, with its goal and due date.

    `scheme` is the code of the marking scheme, whose newest version counts; `pass_mark` is the coupon's own, of 100, None for
    the scheme's.
    """

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="assignments")
    design = models.ForeignKey(Design, on_delete=models.PROTECT, related_name="assignments")
    target_width_mm = models.FloatField()
    finish = models.CharField(max_length=12, choices=FINISH)
    good_in_a_row = models.PositiveSmallIntegerField(default=3)
    scheme = models.CharField(max_length=40, default=USUAL_SCHEME)
    pass_mark = models.FloatField(null=True)
    due_on = models.DateField()
    created_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    created_at = models.DateTimeField()

    class Meta:
        ordering = ("-created_at", "-id")

    def __str__(self) -> str:
        return f"{self.design} due {self.due_on}"
