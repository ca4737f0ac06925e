"""Attempts at a coupon, the runs logged for them, and the log of all that happened."""

from django.conf import settings
from django.db import models

from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.people.courses.models import Course
from judicum.server.record.attempts.states import WAITING, AttemptState, AttemptStep


class Attempt(models.Model):
    """One welded coupon of one student for one assignment. `version` grows with every change; `prepared` are the ticked steps,
    `by_hand` the findings that no photo shows (judicum.core.marking.findings), `answer` why another photo was asked for or
    the coupon is to be welded again.

    `shown_state`, `shown_version` and `shown_at` are state, version and last change as the student sees them: what tells of a
    mark in the making (states.UNSEEN) moves none of them (transitions.advance).

    `course` is the assignment's: it stands here for the indexes in which a course's lists are read.
    """

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="+", db_index=False)
    assignment = models.ForeignKey(Assignment, on_delete=models.CASCADE, related_name="attempts")
    student = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="attempts")
    number = models.PositiveIntegerField()
    state = models.CharField(max_length=14, choices=AttemptState.choices, default=AttemptState.ASSIGNED)
    version = models.PositiveIntegerField(default=1)
    prepared = models.JSONField(default=list)
    by_hand = models.JSONField(default=dict)
    answer = models.CharField(max_length=300, blank=True)
    created_at = models.DateTimeField()
    updated_at = models.DateTimeField()
    shown_state = models.CharField(max_length=14, choices=AttemptState.choices, default=AttemptState.ASSIGNED)
    shown_version = models.PositiveIntegerField(default=1)
    shown_at = models.DateTimeField()

    class Meta:
        constraints = (
            models.UniqueConstraint(fields=("assignment", "student", "number"), name="one_attempt_per_number"),
            # Two taps open one attempt: the next one follows when this one was welded.
            models.UniqueConstraint(
                fields=("assignment", "student"),
                condition=models.Q(state=AttemptState.ASSIGNED),
                name="one_attempt_to_weld",
            ),
        )
        indexes = (
            models.Index(fields=("course", "-updated_at", "-id"), name="attempts_by_change"),
            models.Index(fields=("course", "student", "-created_at", "-id"), name="attempts_of_student"),
            models.Index(fields=("student", "-shown_at", "-id"), name="attempts_shown"),
            # Whether anything has changed is asked at every look (read.stamps), and when somebody worked last at every desk.
            models.Index(fields=("course",), include=("version", "student"), name="attempts_stamp"),
            models.Index(
                fields=("course", "student", "-updated_at"),
                name="attempts_worked",
                condition=~models.Q(state=AttemptState.ASSIGNED),
            ),
            models.Index(fields=("course", "-created_at"), name="attempts_by_day"),
            models.Index(fields=("assignment", "-updated_at", "-id"), name="attempts_at_coupon"),
            # What waits is little beside what is over, and the desk asks for it every few seconds.
            models.Index(
                fields=("course", "state", "updated_at"),
                name="attempts_open",
                condition=~models.Q(state=AttemptState.RETURNED),
            ),
            models.Index(
                fields=("course", "updated_at", "id"), name="attempts_waiting", condition=models.Q(state__in=WAITING)
            ),
        )
        ordering = ("created_at", "id")

    def __str__(self) -> str:
        return f"{self.student}: {self.assignment} #{self.number}"


class Run(models.Model):
    """What was set, done and noticed for one run of an attempt; SI. A column for each field of judicum.core.setup.run.

    `measured` are the keys of figures that were read off a photo rather than guessed, `machine` what the machine's own log
    says (judicum.core.datalog.MachineFigures); null where there is none.
    """

    attempt = models.ForeignKey(Attempt, on_delete=models.CASCADE, related_name="runs")
    number = models.PositiveSmallIntegerField(default=1)
    current_a = models.FloatField(null=True)
    machine_a = models.FloatField(null=True)
    polarity = models.CharField(max_length=8, null=True)
    cup = models.FloatField(null=True)
    gas_part = models.CharField(max_length=16, null=True)
    gas_l_min = models.FloatField(null=True)
    stickout_mm = models.FloatField(null=True)
    electrode_kind = models.CharField(max_length=20, null=True)
    electrode_mm = models.FloatField(null=True)
    filler_alloy = models.CharField(max_length=16, null=True)
    filler_mm = models.FloatField(null=True)
    preflow_s = models.FloatField(null=True)
    downslope_s = models.FloatField(null=True)
    postflow_s = models.FloatField(null=True)
    work_angle_deg = models.FloatField(null=True)
    travel_angle_deg = models.FloatField(null=True)
    travel_mm_s = models.FloatField(null=True)
    technique = models.CharField(max_length=16, null=True)
    pass_number = models.PositiveSmallIntegerField(null=True)
    torch = models.PositiveSmallIntegerField(null=True)
    start_current_a = models.FloatField(null=True)
    peak_a = models.FloatField(null=True)
    background_a = models.FloatField(null=True)
    on_share = models.FloatField(null=True)
    per_second = models.FloatField(null=True)
    purge_l_min = models.FloatField(null=True)
    purge_wait_s = models.FloatField(null=True)
    arc_s = models.FloatField(null=True)
    dabs = models.PositiveSmallIntegerField(null=True)
    restarts_mm = models.JSONField(default=list)
    electrode_after = models.CharField(max_length=12, null=True)
    rod_end = models.CharField(max_length=12, null=True)
    arc = models.CharField(max_length=12, null=True)
    puff_at_start = models.BooleanField(null=True)
    draught = models.BooleanField(null=True)
    part_hot = models.BooleanField(null=True)
    prop = models.CharField(max_length=12, null=True)
    grip = models.CharField(max_length=12, null=True)
    feed = models.CharField(max_length=12, null=True)
    arc_diameters = models.FloatField(null=True)
    cooled_s = models.FloatField(null=True)
    brushed = models.BooleanField(null=True)
    purge_vent = models.BooleanField(null=True)
    tacks = models.PositiveSmallIntegerField(null=True)
    tack_a = models.FloatField(null=True)
    backing = models.CharField(max_length=12, null=True)
    backing_mm = models.FloatField(null=True)
    note = models.TextField(blank=True)
    measured = models.JSONField(default=list)
    machine = models.JSONField(null=True)

    class Meta:
        constraints = (models.UniqueConstraint(fields=("attempt", "number"), name="one_run_per_number"),)
        ordering = ("number",)

    def __str__(self) -> str:
        return f"run {self.number} of attempt {self.attempt_id}"


class MachineLog(models.Model):
    """The data log of one run's machine as it is drawn: `series` holds the share of the weld's time (0–1) and the current (A) there."""

    run = models.OneToOneField(Run, primary_key=True, on_delete=models.CASCADE, related_name="machine_log")
    name = models.CharField(max_length=200, blank=True)
    series = models.JSONField()
    sent_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    sent_at = models.DateTimeField()

    def __str__(self) -> str:
        return f"data log of {self.run_id}"


class Event(models.Model):
    """One change of an attempt: who, when, what. The database refuses to change or remove one."""

    attempt = models.ForeignKey(Attempt, on_delete=models.PROTECT, related_name="events")
    actor = models.ForeignKey(settings.AUTH_USER_MODEL, null=True, on_delete=models.PROTECT, related_name="+")
    at = models.DateTimeField()
    kind = models.CharField(max_length=16, choices=AttemptStep.choices)
    data = models.JSONField(default=dict)

    class Meta:
        ordering = ("at", "id")

    def __str__(self) -> str:
        return f"{self.kind} at {self.at:%Y-%m-%d %H:%M}"


class AcceptedChange(models.Model):
    """A change that a phone sent with an id of its own, and the attempt it belongs to: sent again, it changes nothing."""

    id = models.UUIDField(primary_key=True)
    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="+")
    attempt = models.ForeignKey(Attempt, null=True, on_delete=models.CASCADE, related_name="+")
    accepted_at = models.DateTimeField(auto_now_add=True, db_index=True)

    def __str__(self) -> str:
        return f"change {self.id} of attempt {self.attempt_id}"
