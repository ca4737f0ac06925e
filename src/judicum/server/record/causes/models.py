"""What those who teach made of the causes that were ranked."""

from django.conf import settings
from django.db import models


class Verdict(models.Model):
    """One cause of one attempt, confirmed as what is to change next, confirmed as there `beside` that, or ruled out.

    `change` (key, from, to) and `symptoms` (code to strength, of those the cause explains; of one ruled out, of all that spoke for it)
    are as they were then: the next attempt is looked at beside them. `done` and `gone` say what the next attempt then showed, once
    that was marked. `suggested` is the cause that stood first when this was said.
    """

    attempt = models.ForeignKey("attempts.Attempt", on_delete=models.CASCADE, related_name="verdicts")
    cause = models.CharField(max_length=30)
    confirmed = models.BooleanField()
    beside = models.BooleanField(default=False, db_default=False)
    suggested = models.CharField(max_length=30, blank=True, default="", db_default="")
    change = models.JSONField(default=dict)
    symptoms = models.JSONField(default=dict)
    done = models.CharField(max_length=8, blank=True)
    gone = models.CharField(max_length=8, blank=True)
    by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    at = models.DateTimeField()

    class Meta:
        constraints = (
            models.UniqueConstraint(fields=("attempt", "cause"), name="one_verdict_per_cause"),
            models.UniqueConstraint(
                fields=("attempt",), condition=models.Q(confirmed=True, beside=False), name="one_cause_confirmed"
            ),
        )
        ordering = ("id",)

    def __str__(self) -> str:
        return f"{self.cause} {'confirmed' if self.confirmed else 'ruled out'} for attempt {self.attempt_id}"
