"""How true measuring is here: checks of phones, widths taken by callipers, and repeat studies."""

from django.conf import settings
from django.db import models

from judicum.server.people.courses.models import Course
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


class RepeatStudy(models.Model):
    """So many beads, photographed again and again by people with phones, in the order of `turns`: [bead, person, phone] each, from 0
    (judicum.core.trust.repeat). People and phones are names as they were typed.
    """

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="repeat_studies")
    beads = models.PositiveSmallIntegerField()
    people = models.JSONField()
    phones = models.JSONField()
    turns = models.JSONField()
    started_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    started_at = models.DateTimeField()

    class Meta:
        ordering = ("-started_at", "-id")

    def __str__(self) -> str:
        return f"repeat study {self.pk} of course {self.course_id}"


class StudyPhoto(models.Model):
    """What one photo of a study said: width_mm, width_cv, pitch_mm, pitch_cv (None where not told), tint and faults in codes. Its strip
    is kept, the photo is not; `wide_mm` of the plate are in the strip.
    """

    study = models.ForeignKey(RepeatStudy, on_delete=models.CASCADE, related_name="photos")
    turn = models.PositiveSmallIntegerField()
    figures = models.JSONField()
    strip = models.BinaryField()
    wide_mm = models.FloatField()
    at = models.DateTimeField()

    class Meta:
        ordering = ("turn",)
        constraints = (models.UniqueConstraint(fields=("study", "turn"), name="one_photo_a_turn"),)

    def __str__(self) -> str:
        return f"photo {self.turn} of study {self.study_id}"


class TintReference(models.Model):
    """A strip of the course's own metal tinted in steps, photographed in this light: the window from straight above as a PNG file, and
    `patches` that a person named: x_px, y_px, level, read_level, distance (judicum.core.photo.tint_strip). It shifts no figure.
    """

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="tint_references")
    picture = models.BinaryField()
    width_px = models.PositiveIntegerField()
    height_px = models.PositiveIntegerField()
    patches = models.JSONField(default=list)
    by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    at = models.DateTimeField()

    class Meta:
        ordering = ("-at", "-id")

    def __str__(self) -> str:
        return f"tint reference {self.pk} of course {self.course_id}"
