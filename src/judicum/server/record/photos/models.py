"""Photos of coupons, their files, uploads under way, and what was measured."""

import uuid
from typing import Any

from django.conf import settings
from django.db import models

from judicum.core.photo.fault_kinds import FAULT_KINDS


class StoredPicture(models.Model):
    """The bytes of one picture, stored once whoever sends it: `original` without what it tells of people and places, `shown` without metadata.

    One that came before this was done, or with an archive, is not `cleaned` yet (upkeep.clean_pictures).
    """

    sha256 = models.CharField(max_length=64, primary_key=True)
    media_type = models.CharField(max_length=20)
    bytes = models.PositiveIntegerField()
    width_px = models.PositiveIntegerField()
    height_px = models.PositiveIntegerField()
    original = models.FileField(max_length=120)
    shown = models.FileField(max_length=120)
    cleaned = models.BooleanField(default=False, db_default=False)

    def __str__(self) -> str:
        return self.sha256[:12]


FAULTS = [(key, key) for key in FAULT_KINDS]


class PhotoKind(models.TextChoices):
    BEAD = "bead"
    RUN = "run"
    BACK = "back"
    SETUP = "setup"
    TORCH = "torch"
    TRIAL = "trial"
    LAMP = "lamp"


class Photo(models.Model):
    """A picture sent for an attempt. Those of the bead, of a `run` that the next one covers and of a trial (`run` is its
    number) are measured; only the bead's figures are the attempt's. One with the `lamp` on the other side is read together with the bead's.

    Thinned to its strip, or of somebody who was removed, it has no `picture` any more but its [width, height] in `gone_px`.
    `request_id` is what its sending and its measuring are logged under. `angles` are the torch angles read on it: key of the run's field to which, run, torch, reference,
    angle_deg, uncertainty_deg.
    """

    attempt = models.ForeignKey("attempts.Attempt", on_delete=models.CASCADE, related_name="photos")
    picture = models.ForeignKey(StoredPicture, null=True, on_delete=models.PROTECT, related_name="photos")
    gone_px = models.JSONField(null=True)
    kind = models.CharField(max_length=8, choices=PhotoKind.choices, default=PhotoKind.BEAD)
    run = models.PositiveSmallIntegerField(null=True)
    angles = models.JSONField(default=dict)
    name = models.CharField(max_length=200, blank=True)
    sent_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    sent_at = models.DateTimeField()
    request_id = models.CharField(max_length=64, blank=True)

    class Meta:
        ordering = ("-sent_at", "-id")

    def __str__(self) -> str:
        return f"photo {self.pk} of attempt {self.attempt_id}"

    @property
    def size_px(self) -> tuple[int, int]:
        """Width and height, of a picture that is gone too."""
        if self.picture is not None:
            return self.picture.width_px, self.picture.height_px
        wide, tall = self.gone_px or (1, 1)
        return wide, tall


class MeasurementState(models.TextChoices):
    WAITING = "waiting"
    MEASURING = "measuring"
    DONE = "done"
    FAILED = "failed"


class Remeasuring(models.Model):
    """Measuring all photos of a course again whose figures an earlier engine made; one at a time, and it can be stopped."""

    course = models.ForeignKey("courses.Course", on_delete=models.CASCADE, related_name="+")
    engine_version = models.CharField(max_length=20)
    total = models.PositiveIntegerField()
    started_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    started_at = models.DateTimeField()
    stopped_at = models.DateTimeField(null=True)

    class Meta:
        ordering = ("-started_at", "-id")

    def __str__(self) -> str:
        return f"{self.total} photos of course {self.course_id} with engine {self.engine_version}"


class Measurement(models.Model):
    """One measuring of one photo; a photo measured again gets another, and both stay.

    `report`, `overlay` and `strip` are what was computed and never change; `result`, `drawn` and
    `shown_strip` are what counts: the same, or what the newest correction in force made of them.
    `bead` is what corrections start from. Where the photo shows several beads, each stands in `beads`, and `chosen` is
    the one a person took instead. `scale_points` is the scale that `requested_by` set.
    """

    photo = models.ForeignKey(Photo, on_delete=models.CASCADE, related_name="measurements")
    state = models.CharField(max_length=10, choices=MeasurementState.choices, default=MeasurementState.WAITING)
    engine_version = models.CharField(max_length=20, blank=True)
    report = models.JSONField(null=True)
    overlay = models.JSONField(null=True)
    bead = models.JSONField(null=True)
    scale_points = models.JSONField(null=True)
    requested_by = models.ForeignKey(settings.AUTH_USER_MODEL, null=True, on_delete=models.PROTECT, related_name="+")
    refusal_code = models.CharField(max_length=20, blank=True)
    strip = models.FileField(max_length=120, blank=True)
    requested_at = models.DateTimeField()
    finished_at = models.DateTimeField(null=True)
    together = models.ForeignKey(Remeasuring, null=True, on_delete=models.SET_NULL, related_name="measurements")
    chosen = models.ForeignKey("photos.SeenBead", null=True, on_delete=models.SET_NULL, related_name="+")

    class Meta:
        ordering = ("-requested_at", "-id")
        constraints = (
            models.UniqueConstraint(
                fields=("photo",),
                condition=models.Q(state__in=["waiting", "measuring"]),
                name="one_measuring_at_a_time",
            ),
        )

    def __str__(self) -> str:
        return f"measurement {self.pk} of photo {self.photo_id}"

    @property
    def corrections_in_force(self) -> "list[Correction]":
        """Corrections that were not taken back, oldest first; without a query where they were prefetched."""
        return sorted((c for c in self.corrections.all() if c.undone_at is None), key=lambda c: c.pk)

    @property
    def _top(self) -> "Correction | None":
        return next(reversed(self.corrections_in_force), None)

    @property
    def computed(self) -> "Measurement | SeenBead":
        """What was computed of the bead that counts: the one a person chose, else the one the server did."""
        return self.chosen or self

    @property
    def result(self) -> dict[str, Any] | None:
        return (self._top or self.computed).report

    @property
    def drawn(self) -> dict[str, Any] | None:
        return (self._top or self.computed).overlay

    @property
    def shown_strip(self) -> Any:
        return (self._top or self.computed).strip

    @property
    def strip_query(self) -> str:
        """Which of the measurement's strips is shown: what an address names never changes, so each has one of its own."""
        if self._top:
            return f"correction={self._top.pk}"
        return f"bead={self.chosen.number}" if self.chosen else ""


class SeenBead(models.Model):
    """One of several beads in a measured photo, counted from the card's top edge, with all its figures."""

    measurement = models.ForeignKey(Measurement, on_delete=models.CASCADE, related_name="beads")
    number = models.PositiveSmallIntegerField()
    report = models.JSONField()
    overlay = models.JSONField()
    bead = models.JSONField()
    strip = models.FileField(max_length=120)

    class Meta:
        ordering = ("number",)
        constraints = (models.UniqueConstraint(fields=("measurement", "number"), name="bead_once"),)

    def __str__(self) -> str:
        return f"bead {self.number} of measurement {self.measurement_id}"


class Correction(models.Model):
    """One step of a person's over a measurement: the step, and what counts after it. Taken back, it stays."""

    measurement = models.ForeignKey(Measurement, on_delete=models.CASCADE, related_name="corrections")
    step = models.JSONField()
    report = models.JSONField()
    overlay = models.JSONField()
    strip = models.FileField(max_length=120)
    by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    at = models.DateTimeField()
    undone_by = models.ForeignKey(settings.AUTH_USER_MODEL, null=True, on_delete=models.PROTECT, related_name="+")
    undone_at = models.DateTimeField(null=True)

    class Meta:
        ordering = ("id",)

    def __str__(self) -> str:
        return f"{self.step.get('step')} on measurement {self.measurement_id}"


class MeasurementSummary(models.Model):
    """What counts of an attempt's photos, in columns: what lists, walls and plots are read from.

    Written by `actions.save_summary` alone, whenever a measurement ends, is corrected or another bead is chosen; there is
    none before a first measurement has ended. Figures are null where the photo was refused. `toe_waviness` is a share of the
    mean width, of the worse toe; the five after it are what foretelling learns from (core.foretell.measured), null where measured before
    they were kept; `faults` holds kind and place along the bead (mm) of each.
    """

    attempt = models.OneToOneField(
        "attempts.Attempt", on_delete=models.CASCADE, primary_key=True, related_name="summary"
    )
    measurement = models.ForeignKey(Measurement, on_delete=models.CASCADE, related_name="+")
    engine_version = models.CharField(max_length=20, blank=True)
    refusal_code = models.CharField(max_length=20, blank=True)
    corrected = models.BooleanField(default=False)
    has_strip = models.BooleanField(default=False)
    strip_query = models.CharField(max_length=40, blank=True)
    length_mm = models.FloatField(null=True)
    width_mean_mm = models.FloatField(null=True)
    width_cv = models.FloatField(null=True)
    pitch_cv = models.FloatField(null=True)
    tint_level = models.PositiveSmallIntegerField(null=True)
    tint_name = models.CharField(max_length=20, blank=True)
    toe_waviness = models.FloatField(null=True)
    width_start_mm = models.FloatField(null=True)
    width_end_mm = models.FloatField(null=True)
    tint_zone = models.PositiveSmallIntegerField(null=True)
    zone_mm = models.FloatField(null=True)
    grey_end_mm = models.FloatField(null=True)
    faults = models.JSONField(default=list)

    def __str__(self) -> str:
        return f"figures of attempt {self.attempt_id}"


class Upload(models.Model):
    """A file on its way: `received` of `size` bytes have arrived in pieces that begin at `offsets`; `photo` once it is whole. A phone
    that kept the file without a connection names the `id`, and when the photo was taken.
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    attempt = models.ForeignKey("attempts.Attempt", on_delete=models.CASCADE, related_name="uploads")
    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="+")
    name = models.CharField(max_length=200, blank=True)
    kind = models.CharField(max_length=8, choices=PhotoKind.choices, default=PhotoKind.BEAD)
    run = models.PositiveSmallIntegerField(null=True)
    size = models.PositiveIntegerField()
    received = models.PositiveIntegerField(default=0)
    offsets = models.JSONField(default=list)
    request_id = models.CharField(max_length=64, blank=True)
    photo = models.ForeignKey(Photo, null=True, on_delete=models.SET_NULL, related_name="+")
    taken_at = models.DateTimeField(null=True)
    started_at = models.DateTimeField(auto_now_add=True)

    def __str__(self) -> str:
        return f"upload {self.id} ({self.received}/{self.size})"
