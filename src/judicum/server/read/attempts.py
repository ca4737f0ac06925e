"""One attempt with all that belongs to it, and the attempts of a course as its pages show them."""

from typing import Any

from django.contrib.postgres.expressions import ArraySubquery
from django.db.models import Exists, OuterRef, Prefetch, prefetch_related_objects

from judicum.core.errors import NotFound
from judicum.core.setup import Checked, real_travel_mm_s, worked
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.coupons.setup import card_for, check_for
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Membership
from judicum.server.people.courses.queries import members
from judicum.server.people.roles import STAFF, Role
from judicum.server.read.briefs import Brief, briefs, in_brief
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.attempts.queries import NO_ATTEMPT, visible_to
from judicum.server.record.attempts.visibility import Sight
from judicum.server.record.photos.models import Correction, Figures, Measurement, Photo, SeenBead
from judicum.words import Units
from judicum.words import setup as words

PEOPLE = ("student", "mark__marked_by", "second__first_marker", "second__marked_by")
UNSHOWN = tuple(f.name for f in User._meta.concrete_fields if f.name not in ("id", "display_name"))
"""What of a person an attempt does not show."""


def seen(user: User, attempt_id: int) -> tuple[Attempt, Sight]:
    """One attempt with all that belongs to it, and how the person sees it, in a fixed number of queries.

    Raises:
        NotFound: there is none.
    """
    staff = Membership.objects.filter(user=user, course_id=OuterRef("course_id"), role__in=STAFF)
    # What there is at most one of is joined: asking for each by itself takes the server longer than the database.
    rows = Attempt.objects.annotate(taught=Exists(staff)).select_related(
        "assignment__design", "assignment__course", "figures", "mark__scheme", *PEOPLE
    )  # fmt: skip
    attempt = rows.defer(*(f"{one}__{name}" for one in PEOPLE for name in UNSHOWN)).filter(pk=attempt_id).first()
    if attempt is None or not (attempt.taught or attempt.student_id == user.pk):
        raise NotFound(NO_ATTEMPT.format(attempt_id))
    measurements = (
        Measurement.objects.order_by("-requested_at", "-id")
        .defer("bead", "chosen__bead")
        .select_related("requested_by", "chosen")
        .prefetch_related(
            Prefetch("corrections", Correction.objects.filter(undone_at=None).select_related("by")),
            Prefetch("beads", SeenBead.objects.defer("bead", "report")),
        )
    )
    photos = (
        Photo.objects.select_related("picture")
        .prefetch_related(Prefetch("measurements", measurements))
        .order_by("-sent_at", "-id")
    )
    prefetch_related_objects(
        [attempt],
        "runs",
        Prefetch("photos", photos),
    )
    return attempt, Sight(user, attempt.taught)


def last_good_runs(user: User, attempt: Attempt) -> tuple[list[Run], bool]:
    """The student's runs to start from: those of the latest attempt at the same design that passed, else of the
    latest that was logged; and whether it passed. Only of courses that the person who asks may look into."""
    logged = (
        visible_to(user)
        .filter(
            student_id=attempt.student_id,
            assignment__design__code=attempt.assignment.design.code,
            runs__isnull=False,
        )
        .exclude(pk=attempt.pk)
        .prefetch_related("runs")
        .order_by("-updated_at")
    )
    passed = logged.filter(mark__passed=True, mark__returned_at__isnull=False).first()
    found = passed or logged.first()
    return (list(found.runs.all()) if found else []), passed is not None


def setup_of(attempt: Attempt, units: Units) -> dict[str, Any]:
    """The setup card of an attempt's coupon, each logged run beside it, and what worked in this course; in words."""
    card = card_for(attempt.assignment)
    runs = list(Run.objects.filter(attempt=attempt).values())
    return {
        "card": words.card(card, units),
        "checks": [{"number": run["number"], **told_check(check_for(attempt.assignment, run), units)} for run in runs],
        "worked": worked_here(attempt.assignment),
        "cautions": words.cautions(card["cautions"]),
        "real_travel_mm_s": real_travel_mm_s(_measured_length_mm(attempt), [run["arc_s"] for run in runs]),
    }


def _measured_length_mm(attempt: Attempt) -> float | None:
    return Figures.objects.filter(attempt=attempt).values_list("length_mm", flat=True).first()


def told_check(found: Checked, units: Units) -> dict[str, Any]:
    """A checked run in words; `besides` are the warnings that say more than its deviations."""
    return {**words.checked(found, units), "besides": words.besides(found)}


def worked_here(assignment: Assignment) -> dict[str, Any]:
    """Settings of the attempts at this coupon that passed in this course: how many, and each figure's spread."""
    passed = Run.objects.filter(
        attempt__course_id=assignment.course_id,
        attempt__assignment__design__code=assignment.design.code,
        attempt__mark__passed=True,
        attempt__mark__returned_at__isnull=False,
    ).values()
    rows = list(passed)
    return {"attempts": len({row["attempt_id"] for row in rows}), "figures": worked(rows)}


def newest_keys(course_id: int, count: int) -> list[tuple[User, list[int]]]:
    """Every student of a course that has measured attempts, by name, with the keys of the newest of them, newest first."""
    measured = Attempt.objects.filter(course_id=course_id, student_id=OuterRef("user_id"), figures__refusal_code="")
    newest = measured.order_by("-created_at", "-id").values("pk")[:count]
    # One look into the index for each student; ranking all attempts would read the whole course.
    students = members(course_id, Role.STUDENT).annotate(newest=ArraySubquery(newest))
    return [(one.user, one.newest) for one in students if one.newest]


def newest_of_each(course_id: int, count: int) -> list[tuple[User, list[Brief]]]:
    """The same with the attempts themselves."""
    rows = newest_keys(course_id, count)
    every = in_brief(Attempt.objects.filter(pk__any=[pk for _, newest in rows for pk in newest]))
    found = {one.id: one for one in briefs(every)}
    return [(user, [found[pk] for pk in newest]) for user, newest in rows]


def earlier_measured(attempt: Attempt) -> Attempt | None:
    """The student's last measured attempt at the same assignment before this one."""
    if attempt.number == 1:
        return None
    before = Attempt.objects.filter(
        assignment_id=attempt.assignment_id,
        student_id=attempt.student_id,
        number__lt=attempt.number,
        figures__refusal_code="",
    )
    return before.order_by("-number").only("number").first()
