"""Reports that are made in the background: student reports of one or of everybody, as one PDF file."""

from django.conf import settings
from django.db import models


class ReportState(models.TextChoices):
    WAITING = "waiting"
    MAKING = "making"
    DONE = "done"
    FAILED = "failed"


class Report(models.Model):
    """A student report that somebody asked for: of one student, or of all (`student` None); `done` of `total` are drawn."""

    course = models.ForeignKey("courses.Course", on_delete=models.CASCADE, related_name="+")
    student = models.ForeignKey(settings.AUTH_USER_MODEL, null=True, on_delete=models.CASCADE, related_name="+")
    paper = models.CharField(max_length=8)
    since = models.DateField(null=True)
    until = models.DateField(null=True)
    asked_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="+")
    asked_at = models.DateTimeField()
    state = models.CharField(max_length=8, choices=ReportState.choices, default=ReportState.WAITING)
    done = models.PositiveIntegerField(default=0)
    total = models.PositiveIntegerField(default=0)
    file = models.FileField(max_length=120, blank=True)

    class Meta:
        ordering = ("-asked_at", "-id")

    def __str__(self) -> str:
        return f"report {self.pk} ({self.state})"
