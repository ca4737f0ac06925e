"""Marks."""

from django.conf import settings
from django.db import models


class Mark(models.Model):
    """The mark of one attempt: score by criterion, total out of 100, and the words with it.

    `measurement` is the one that stood beside it; None where it was marked by eye.
    """

    attempt = models.OneToOneField("attempts.Attempt", on_delete=models.CASCADE, related_name="mark")
    measurement = models.ForeignKey("photos.Measurement", null=True, on_delete=models.PROTECT, related_name="marks")
    scores = models.JSONField()
    total = models.FloatField()
    comment = models.TextField(blank=True)
    next_change = models.CharField(max_length=300, blank=True)
    marked_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    marked_at = models.DateTimeField()
    returned_at = models.DateTimeField(null=True)

    def __str__(self) -> str:
        return f"{self.total} for attempt {self.attempt_id}"
