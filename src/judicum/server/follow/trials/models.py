"""Trials of one varied figure, and the settings that were taken from them."""

from django.conf import settings
from django.db import models

from judicum.core.trial import VARIED
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.follow.sessions.models import Booth
from judicum.server.record.attempts.models import Attempt

KEYS = [(key, key) for key in VARIED]


class Trial(models.Model):
    """Beads on a practice plate, before the coupon of an attempt, that differ in one figure; everything else is the card's.

    `values` holds what is set for line 1, 2, …; `welded` are the numbers of the lines that were. `counted` says which bead of the
    photo lies on which line where a person said it: line to bead number. Its photo is one of the attempt, of kind `trial` and of this
    number.
    """

    attempt = models.ForeignKey(Attempt, on_delete=models.CASCADE, related_name="trials")
    number = models.PositiveSmallIntegerField()
    varied = models.CharField(max_length=20, choices=KEYS)
    values = models.JSONField()
    blank_length_mm = models.FloatField()
    blank_width_mm = models.FloatField()
    welded = models.JSONField(default=list)
    counted = models.JSONField(null=True)
    made_at = models.DateTimeField()

    class Meta:
        constraints = (models.UniqueConstraint(fields=("attempt", "number"), name="one_trial_per_number"),)
        ordering = ("-number",)

    def __str__(self) -> str:
        return f"trial {self.number} of attempt {self.attempt_id}: {self.varied}"


class StartValue(models.Model):
    """A setting to start a coupon with, found in a trial or `foretold`: of a student, of a booth, or (neither) of the class. The newest counts."""

    assignment = models.ForeignKey(Assignment, on_delete=models.CASCADE, related_name="start_values")
    key = models.CharField(max_length=20, choices=KEYS)
    value = models.JSONField()
    student = models.ForeignKey(settings.AUTH_USER_MODEL, null=True, on_delete=models.CASCADE, related_name="+")
    booth = models.ForeignKey(Booth, null=True, on_delete=models.CASCADE, related_name="+")
    trial = models.ForeignKey(Trial, null=True, on_delete=models.SET_NULL, related_name="+")
    foretold = models.BooleanField(default=False, db_default=False)
    by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    at = models.DateTimeField()

    class Meta:
        constraints = (
            models.UniqueConstraint(
                fields=("assignment", "key", "student", "booth"), name="one_start_value", nulls_distinct=False
            ),
        )
        ordering = ("-at", "-id")

    def __str__(self) -> str:
        return f"{self.key} {self.value} for {self.assignment_id}"
