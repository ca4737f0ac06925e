"""Training the eye: each person's rounds, and when each cause comes back to them."""

from django.conf import settings
from django.db import models


class EyeCard(models.Model):
    """What somebody knows of one cause: the scheduler's card, and when it is due."""

    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="eye_cards")
    cause = models.CharField(max_length=30)
    card = models.JSONField()
    due = models.DateTimeField()

    class Meta:
        constraints = (models.UniqueConstraint(fields=("user", "cause"), name="one_eye_card_per_cause"),)

    def __str__(self) -> str:
        return f"{self.cause} of {self.user_id}"


class EyeRound(models.Model):
    """Ten drawn beads: `questions` as `judicum.core.eye.Question`, `answers` what was said to each so far ({symptom, cause, change})."""

    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="eye_rounds")
    level = models.PositiveSmallIntegerField()
    questions = models.JSONField()
    answers = models.JSONField(default=list)
    score = models.PositiveSmallIntegerField(default=0)
    started_at = models.DateTimeField()
    finished_at = models.DateTimeField(null=True)

    class Meta:
        constraints = (
            models.UniqueConstraint(fields=("user",), condition=models.Q(finished_at=None), name="one_open_eye_round"),
        )
        ordering = ("-started_at", "-id")

    def __str__(self) -> str:
        return f"eye round {self.pk} of {self.user_id}"


class EyeBead(models.Model):
    """The drawn photo of one question, and what its welder logged and noticed; gone when the next round begins."""

    round = models.ForeignKey(EyeRound, on_delete=models.CASCADE, related_name="beads")
    number = models.PositiveSmallIntegerField()
    jpeg = models.BinaryField()
    case = models.JSONField()

    class Meta:
        constraints = (models.UniqueConstraint(fields=("round", "number"), name="one_bead_per_question"),)
        ordering = ("number",)

    def __str__(self) -> str:
        return f"bead {self.number} of eye round {self.round_id}"
