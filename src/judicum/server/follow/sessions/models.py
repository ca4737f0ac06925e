"""Sessions of a course: when it meets, its booths, who is away or was there, who stands where."""

import secrets

from django.conf import settings
from django.db import models

from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.people.courses.models import Course
from judicum.server.record.attempts.models import Attempt


def door_code() -> str:
    """Four digits to be typed at the door."""
    return f"{secrets.randbelow(10_000):04d}"


def feed_token() -> str:
    """The secret part of a calendar's address."""
    return secrets.token_urlsafe(24)


class Session(models.Model):
    """One meeting of a course, in the course's own time zone; `door_code` is typed by those who come in."""

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="sessions")
    date = models.DateField()
    start = models.TimeField()
    minutes = models.PositiveSmallIntegerField()
    door_code = models.CharField(max_length=4, default=door_code)

    class Meta:
        constraints = (models.UniqueConstraint(fields=("course", "date", "start"), name="one_session_at_a_time"),)
        ordering = ("date", "start")

    def __str__(self) -> str:
        return f"{self.date} {self.start:%H:%M}"


class Booth(models.Model):
    """A place to weld: `has` are keys of core.planning.booths.FEATURES, `machine` what is known of its machine by the keys of
    core.setup.machine.PROFILE, `broken` what does not work there, in words."""

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="booths")
    name = models.CharField(max_length=40)
    has = models.JSONField(default=list)
    machine = models.JSONField(default=dict, db_default={})
    broken = models.CharField(max_length=200, blank=True)
    closed = models.ManyToManyField(Session, related_name="closed_booths")

    class Meta:
        constraints = (models.UniqueConstraint(fields=("course", "name"), name="one_booth_of_a_name"),)
        ordering = ("id",)

    def __str__(self) -> str:
        return self.name


class BoothNote(models.Model):
    """What did not work at a booth, since when, and when it was mended; the newest open one stands in the booth's `broken`."""

    booth = models.ForeignKey(Booth, on_delete=models.CASCADE, related_name="notes")
    text = models.CharField(max_length=200)
    at = models.DateTimeField()
    by = models.ForeignKey(settings.AUTH_USER_MODEL, null=True, on_delete=models.SET_NULL, related_name="+")
    mended_at = models.DateTimeField(null=True)

    class Meta:
        ordering = ("-at", "-id")

    def __str__(self) -> str:
        return self.text


class WeldedAt(models.Model):
    """The booth, and so the machine, that an attempt was welded at."""

    attempt = models.OneToOneField(Attempt, primary_key=True, on_delete=models.CASCADE, related_name="+")
    booth = models.ForeignKey(Booth, on_delete=models.CASCADE, related_name="welded")

    def __str__(self) -> str:
        return f"attempt {self.attempt_id} at {self.booth_id}"


class Attendance(models.Model):
    """Somebody at one session: said to be away beforehand, or there."""

    session = models.ForeignKey(Session, on_delete=models.CASCADE, related_name="attendance")
    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="+")
    there = models.BooleanField()
    at = models.DateTimeField()

    class Meta:
        constraints = (models.UniqueConstraint(fields=("session", "user"), name="one_attendance_each"),)

    def __str__(self) -> str:
        return f"{self.user_id} {'there' if self.there else 'away'} at {self.session_id}"


class BoothSlot(models.Model):
    """A student at a booth for one coupon: from `start` minutes after the session's beginning. `kept` ones were placed by hand."""

    session = models.ForeignKey(Session, on_delete=models.CASCADE, related_name="slots")
    booth = models.ForeignKey(Booth, on_delete=models.CASCADE, related_name="slots")
    assignment = models.ForeignKey(Assignment, on_delete=models.CASCADE, related_name="+")
    student = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="+")
    start = models.PositiveSmallIntegerField()
    minutes = models.PositiveSmallIntegerField()
    kept = models.BooleanField(default=False)

    class Meta:
        constraints = (models.UniqueConstraint(fields=("assignment", "student"), name="one_slot_ahead"),)
        ordering = ("session", "start", "booth")

    def __str__(self) -> str:
        return f"{self.student_id} at {self.booth_id}, {self.start} min"


class CalendarSubscription(models.Model):
    """A calendar with a secret address: of a person's own slots, or (`user` None) of a course's sessions."""

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="+")
    user = models.ForeignKey(settings.AUTH_USER_MODEL, null=True, on_delete=models.CASCADE, related_name="+")
    token = models.CharField(max_length=48, unique=True, default=feed_token)

    class Meta:
        constraints = (models.UniqueConstraint(fields=("course", "user"), name="one_feed_each", nulls_distinct=False),)

    def __str__(self) -> str:
        return f"feed of course {self.course_id}"
