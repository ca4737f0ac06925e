"""What somebody is in a course."""

from django.db import models


class Role(models.TextChoices):
    INSTRUCTOR = "instructor"
    ASSISTANT = "assistant"
    STUDENT = "student"


STAFF: tuple[str, ...] = (Role.INSTRUCTOR, Role.ASSISTANT)
"""Roles of those who teach."""
