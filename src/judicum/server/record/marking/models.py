"""Marks, blind second marks, reference beads and self-tests, and a marker's own phrases."""

from django.conf import settings
from django.db import models


class Mark(models.Model):
    """The mark of one attempt: score by criterion, total out of 100, and the words with it.

    `measurement` is the one that stood beside it; None where it was marked by eye. `not_applying` are the criteria said not
    to apply. `suggested`, `readings` (every criterion's figure, whichever the scheme asks for) and `knocked` are what the
    evidence gave at that time; `waived` what of `knocked` the marker set aside. `runs` are the totals of runs that the next
    one covered, by their number; they stand beside the total and do not count in it.
    """

    attempt = models.OneToOneField("attempts.Attempt", on_delete=models.CASCADE, related_name="mark")
    measurement = models.ForeignKey("photos.Measurement", null=True, on_delete=models.PROTECT, related_name="marks")
    scheme = models.ForeignKey("schemes.Scheme", on_delete=models.PROTECT, related_name="marks")
    scores = models.JSONField()
    not_applying = models.JSONField(default=list)
    suggested = models.JSONField(default=dict)
    readings = models.JSONField(default=dict)
    knocked = models.JSONField(default=list)
    waived = models.JSONField(default=list)
    runs = models.JSONField(default=dict, db_default={})
    total = models.FloatField()
    passed = models.BooleanField()
    comment = models.TextField(blank=True)
    next_change = models.CharField(max_length=300, blank=True)
    marked_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    marked_at = models.DateTimeField()
    returned_at = models.DateTimeField(null=True)

    def __str__(self) -> str:
        return f"{self.total} for attempt {self.attempt_id}"


class SecondMark(models.Model):
    """A blind second mark: asked for by lot (`asked_by` None) or by hand, given without sight of the first, then one agreed.

    `first` is what the first mark, by `first_marker`, was ({scores, total, passed}): `Mark` holds what was agreed.
    """

    attempt = models.OneToOneField("attempts.Attempt", on_delete=models.CASCADE, related_name="second")
    asked_by = models.ForeignKey(settings.AUTH_USER_MODEL, null=True, on_delete=models.PROTECT, related_name="+")
    asked_at = models.DateTimeField()
    first = models.JSONField()
    first_marker = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    scores = models.JSONField(default=dict)
    not_applying = models.JSONField(default=list)
    total = models.FloatField(null=True)
    passed = models.BooleanField(null=True)
    comment = models.TextField(blank=True)
    marked_by = models.ForeignKey(settings.AUTH_USER_MODEL, null=True, on_delete=models.PROTECT, related_name="+")
    marked_at = models.DateTimeField(null=True)
    agreed_by = models.ForeignKey(settings.AUTH_USER_MODEL, null=True, on_delete=models.PROTECT, related_name="+")
    agreed_at = models.DateTimeField(null=True)

    def __str__(self) -> str:
        return f"second mark {self.total} for attempt {self.attempt_id}"


class Reference(models.Model):
    """A returned mark that is kept as a measure for markers, with a word on what it shows. One that is let go stays on record."""

    attempt = models.ForeignKey("attempts.Attempt", on_delete=models.CASCADE, related_name="references")
    comment = models.CharField(max_length=300)
    kept_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    kept_at = models.DateTimeField()
    released_at = models.DateTimeField(null=True)

    class Meta:
        constraints = (
            models.UniqueConstraint(
                fields=("attempt",), condition=models.Q(released_at=None), name="one_reference_per_attempt"
            ),
        )
        ordering = ("id",)

    def __str__(self) -> str:
        return f"attempt {self.attempt_id} as reference"


class SelfTest(models.Model):
    """A marker's own test on reference beads: `given` holds {scores, total, passed} by the key of a reference, as answered."""

    course = models.ForeignKey("courses.Course", on_delete=models.CASCADE, related_name="+")
    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="+")
    references = models.ManyToManyField(Reference, related_name="+")
    given = models.JSONField(default=dict)
    started_at = models.DateTimeField()
    finished_at = models.DateTimeField(null=True)

    class Meta:
        ordering = ("-started_at", "-id")

    def __str__(self) -> str:
        return f"self-test of {self.user_id} in course {self.course_id}"


class Phrase(models.Model):
    """A marker's own sentence on a key 1 to 9; it may hold placeholders for the figures of the attempt."""

    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="phrases")
    key = models.PositiveSmallIntegerField()
    text = models.CharField(max_length=300)

    class Meta:
        constraints = (models.UniqueConstraint(fields=("user", "key"), name="one_phrase_per_key"),)
        ordering = ("key",)

    def __str__(self) -> str:
        return f"{self.key}: {self.text}"
