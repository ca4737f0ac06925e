"""Photos of coupons, their files, uploads under way, and what was measured."""

import uuid

from django.conf import settings
from django.db import models


class StoredPicture(models.Model):
    """The bytes of one picture, stored once whoever sends it: `original` as sent, `shown` without metadata."""

    sha256 = models.CharField(max_length=64, primary_key=True)
    media_type = models.CharField(max_length=20)
    bytes = models.PositiveIntegerField()
    width_px = models.PositiveIntegerField()
    height_px = models.PositiveIntegerField()
    original = models.FileField(max_length=120)
    shown = models.FileField(max_length=120)

    def __str__(self) -> str:
        return self.sha256[:12]


class Photo(models.Model):
    """A picture sent for an attempt."""

    attempt = models.ForeignKey("attempts.Attempt", on_delete=models.CASCADE, related_name="photos")
    picture = models.ForeignKey(StoredPicture, on_delete=models.PROTECT, related_name="photos")
    name = models.CharField(max_length=200, blank=True)
    sent_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    sent_at = models.DateTimeField()

    class Meta:
        ordering = ("-sent_at", "-id")

    def __str__(self) -> str:
        return f"photo {self.pk} of attempt {self.attempt_id}"


class MeasurementState(models.TextChoices):
    WAITING = "waiting"
    MEASURING = "measuring"
    DONE = "done"
    FAILED = "failed"


class Measurement(models.Model):
    """One measuring of one photo; a photo measured again gets another, and both stay."""

    photo = models.ForeignKey(Photo, on_delete=models.CASCADE, related_name="measurements")
    state = models.CharField(max_length=10, choices=MeasurementState.choices, default=MeasurementState.WAITING)
    engine_version = models.CharField(max_length=20, blank=True)
    report = models.JSONField(null=True)
    overlay = models.JSONField(null=True)
    refusal_code = models.CharField(max_length=20, blank=True)
    strip = models.FileField(max_length=120, blank=True)
    requested_at = models.DateTimeField()
    finished_at = models.DateTimeField(null=True)

    class Meta:
        ordering = ("-requested_at", "-id")

    def __str__(self) -> str:
        return f"measurement {self.pk} of photo {self.photo_id}"


class Upload(models.Model):
    """A file on its way: `received` of `size` bytes lie in a part file; `photo` once it is whole."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    attempt = models.ForeignKey("attempts.Attempt", on_delete=models.CASCADE, related_name="uploads")
    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="+")
    name = models.CharField(max_length=200, blank=True)
    size = models.PositiveIntegerField()
    received = models.PositiveIntegerField(default=0)
    photo = models.ForeignKey(Photo, null=True, on_delete=models.SET_NULL, related_name="+")
    started_at = models.DateTimeField(auto_now_add=True)

    def __str__(self) -> str:
        return f"upload {self.id} ({self.received}/{self.size})"
