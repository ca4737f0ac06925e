"""Marking schemes."""

from django.conf import settings
from django.db import models

from judicum.server.people.courses.models import Course


class Scheme(models.Model):
    """One version of a marking scheme, of those that ship (`course` None) or of one course. A version is never changed.

    `body` is what judicum.core.marking.read_scheme reads.
    """

    course = models.ForeignKey(Course, null=True, on_delete=models.CASCADE, related_name="schemes")
    code = models.SlugField(max_length=40)
    version = models.PositiveIntegerField()
    body = models.JSONField()
    created_by = models.ForeignKey(settings.AUTH_USER_MODEL, null=True, on_delete=models.PROTECT, related_name="+")
    created_at = models.DateTimeField()

    class Meta:
        constraints = (
            models.UniqueConstraint(fields=("course", "code", "version"), name="one_scheme_per_version"),
            models.UniqueConstraint(
                fields=("code", "version"), condition=models.Q(course=None), name="one_shipped_scheme_per_version"
            ),
        )
        ordering = ("code", "version")

    def __str__(self) -> str:
        return f"{self.code} v{self.version}"
