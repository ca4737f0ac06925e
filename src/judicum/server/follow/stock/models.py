"""What a course keeps to weld with: items on the shelf, bottles of gas, and what each attempt took."""

from typing import Any

from django.conf import settings
from django.db import models

from judicum.core.stock.items import KINDS
from judicum.core.stock.level import MOVES
from judicum.server.people.courses.models import Course
from judicum.server.record.attempts.models import Attempt

PERSON: Any = settings.AUTH_USER_MODEL


class Item(models.Model):
    """One sort of stock. `spec` tells it from others of its kind (core.stock.items); `price` is of one of the kind's units."""

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="stock")
    kind = models.CharField(max_length=12, choices=[(key, key) for key in KINDS])
    name = models.CharField(max_length=60)
    supplier = models.CharField(max_length=60, blank=True)
    price = models.FloatField(null=True)
    lead_days = models.PositiveSmallIntegerField(null=True)
    low_at = models.FloatField(null=True)
    spec = models.JSONField(default=dict)

    class Meta:
        constraints = (models.UniqueConstraint(fields=("course", "name"), name="one_item_of_a_name"),)
        ordering = ("id",)

    def __str__(self) -> str:
        return self.name


class Movement(models.Model):
    """What came, went or was counted by hand, in the item's unit."""

    item = models.ForeignKey(Item, on_delete=models.CASCADE, related_name="moves")
    at = models.DateTimeField()
    kind = models.CharField(max_length=12, choices=[(key, key) for key in MOVES])
    amount = models.FloatField()
    note = models.CharField(max_length=200, blank=True)
    by = models.ForeignKey(PERSON, null=True, on_delete=models.SET_NULL, related_name="+")

    class Meta:
        ordering = ("at", "id")

    def __str__(self) -> str:
        return f"{self.item_id}: {self.kind} {self.amount:g}"


class Use(models.Model):
    """What the runs of one attempt took together, reckoned anew with each that is logged; `at` is the last of them."""

    attempt = models.OneToOneField(Attempt, primary_key=True, on_delete=models.CASCADE, related_name="use")
    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="+", db_index=False)
    at = models.DateTimeField()
    gas_l = models.FloatField()
    wire_m = models.FloatField()
    wire_alloy = models.CharField(max_length=16, blank=True)
    wire_mm = models.FloatField(null=True)
    blanks = models.PositiveSmallIntegerField()

    class Meta:
        indexes = (models.Index(fields=("course", "at"), name="use_of_course"),)

    def __str__(self) -> str:
        return f"use of attempt {self.attempt_id}"


class Bottle(models.Model):
    """A bottle in use, until it is closed. `gauge` names a wired gauge that is asked for its pressure; empty is read by hand."""

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="bottles")
    item = models.ForeignKey(Item, null=True, on_delete=models.SET_NULL, related_name="+")
    name = models.CharField(max_length=40)
    size_l = models.FloatField()
    gauge = models.CharField(max_length=40, blank=True)
    opened_at = models.DateTimeField()
    closed_at = models.DateTimeField(null=True)

    class Meta:
        constraints = (
            models.UniqueConstraint(
                fields=("course", "name"), condition=models.Q(closed_at=None), name="one_open_bottle_of_a_name"
            ),
        )
        ordering = ("opened_at", "id")

    def __str__(self) -> str:
        return self.name


class GaugeReading(models.Model):
    """One look at a bottle's gauge, bar; `off_bar` its standard uncertainty, `how` it was read."""

    class How(models.TextChoices):
        TYPED = "typed"
        PHOTO = "photo"
        WIRED = "wired"

    bottle = models.ForeignKey(Bottle, on_delete=models.CASCADE, related_name="readings")
    at = models.DateTimeField()
    bar = models.FloatField()
    temperature_c = models.FloatField(null=True)
    off_bar = models.FloatField()
    how = models.CharField(max_length=6, choices=How.choices)
    by = models.ForeignKey(PERSON, null=True, on_delete=models.SET_NULL, related_name="+")

    class Meta:
        ordering = ("at", "id")

    def __str__(self) -> str:
        return f"{self.bar:g} bar at {self.at:%Y-%m-%d %H:%M}"
