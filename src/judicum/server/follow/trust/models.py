"""How true measuring is here: checks of phones, and widths taken by callipers."""

from django.conf import settings
from django.db import models

from judicum.server.record.attempts.models import Attempt


class PhoneCheck(models.Model):
    """One photo of the check target by somebody's phone: what it said (judicum.core.photo.phone); the photo itself is not kept."""

    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="phone_checks")
    phone = models.CharField(max_length=60)
    figures = models.JSONField()
    uncertainty_mm = models.FloatField(null=True)
    at = models.DateTimeField()

    class Meta:
        ordering = ("-at", "-id")

    def __str__(self) -> str:
        return f"{self.phone} of {self.user_id}: {self.uncertainty_mm}"


class Calliper(models.Model):
    """The width of an attempt's bead at one place, taken by callipers, mm."""

    attempt = models.ForeignKey(Attempt, on_delete=models.CASCADE, related_name="callipers")
    s_mm = models.FloatField()
    width_mm = models.FloatField()
    by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    at = models.DateTimeField()

    class Meta:
        constraints = (models.UniqueConstraint(fields=("attempt", "s_mm"), name="one_width_at_a_place"),)
        ordering = ("s_mm",)

    def __str__(self) -> str:
        return f"{self.width_mm} mm at {self.s_mm} of attempt {self.attempt_id}"
