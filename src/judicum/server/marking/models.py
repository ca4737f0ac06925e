"""Marks, and a marker's own phrases."""

from django.conf import settings
from django.db import models


class Mark(models.Model):
    """The mark of one attempt: score by criterion, total out of 100, and the words with it.

    `measurement` is the one that stood beside it; None where it was marked by eye. `not_applying` are the criteria said not
    to apply. `suggested`, `readings` (every criterion's figure, whichever the scheme asks for) and `knocked` are what the
    evidence gave at that time; `waived` what of `knocked` the marker set aside.
    """

    attempt = models.OneToOneField("attempts.Attempt", on_delete=models.CASCADE, related_name="mark")
    measurement = models.ForeignKey("photos.Measurement", null=True, on_delete=models.PROTECT, related_name="marks")
    scheme = models.ForeignKey("schemes.Scheme", on_delete=models.PROTECT, related_name="marks")
    scores = models.JSONField()
    not_applying = models.JSONField(default=list)
    suggested = models.JSONField(default=dict)
    readings = models.JSONField(default=dict)
    knocked = models.JSONField(default=list)
    waived = models.JSONField(default=list)
    total = models.FloatField()
    passed = models.BooleanField()
    comment = models.TextField(blank=True)
    next_change = models.CharField(max_length=300, blank=True)
    marked_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    marked_at = models.DateTimeField()
    returned_at = models.DateTimeField(null=True)

    def __str__(self) -> str:
        return f"{self.total} for attempt {self.attempt_id}"


class Phrase(models.Model):
    """A marker's own sentence on a key 1 to 9; it may hold placeholders for the figures of the attempt."""

    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="phrases")
    key = models.PositiveSmallIntegerField()
    text = models.CharField(max_length=300)

    class Meta:
        constraints = (models.UniqueConstraint(fields=("user", "key"), name="one_phrase_per_key"),)
        ordering = ("key",)

    def __str__(self) -> str:
        return f"{self.key}: {self.text}"
