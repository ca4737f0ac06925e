"""Corrections as truth: what markers removed and added, and limits of faults in a course."""

from collections.abc import Callable
from dataclasses import replace
from typing import Any

import pytest
from django.utils import timezone

from judicum.core.photo.report import Defect
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.models import Mark
from judicum.server.record.photos.actions.store_measurement import store_measurement
from judicum.server.record.photos.models import Correction, Measurement
from tests.measured import bead_measured, measured_attempt
from tests.people import Course

pytestmark = pytest.mark.django_db


def fault(s_mm: float, confidence: float, kind: str = "pore") -> Defect:
    return Defect(kind=kind, s_mm=s_mm, n_mm=0, x_mm=s_mm, y_mm=0, size_mm=1, confidence=confidence)


def with_faults(attempt: Attempt, faults: list[Defect]) -> Measurement:
    """The attempt's photo measured again, with these faults found."""
    bead = bead_measured()
    report = bead.measured.report.replace(defects=faults)
    photo = attempt.photos.get()
    made = Measurement.objects.create(photo=photo, requested_at=timezone.now())
    assert store_measurement(made.pk, [replace(bead, measured=replace(bead.measured, report=report))])
    made.refresh_from_db()
    return made


def mark(course: Course, attempt: Attempt) -> None:
    usual = Scheme.objects.filter(code=course.assignment.scheme).latest("version")
    Mark.objects.create(
        attempt=attempt, scheme=usual, scores={}, total=70, passed=True, marked_by=course.instructor,
        marked_at=timezone.now(),
    )  # fmt: skip


def test_what_markers_remove_speaks_for_a_limit_that_can_be_undone(course: Course, api: Callable[..., Any]) -> None:
    attempt = measured_attempt(course)
    page = f"/api/courses/{course.row.pk}/measuring"
    assert api(course.instructor, "GET", page).json()["corrections"]["beads"] == 0, "not marked yet"
    weak, sure = [fault(3.0 + 3 * k, 0.45) for k in range(10)], [fault(35.0 + 3 * k, 0.9) for k in range(12)]
    made = with_faults(attempt, [*weak, *sure])
    mark(course, attempt)
    standing = [weak[0], *sure, fault(20.0, 1.0, "undercut")]
    report = bead_measured().measured.report.replace(defects=standing).as_json()
    Correction.objects.create(
        measurement=made,
        step={"step": "remove_fault"},
        report=report,
        overlay={},
        by=course.instructor,
        at=timezone.now(),
    )
    seen = api(course.assistant, "GET", page).json()["corrections"]
    by_kind = {one["kind"]: one for one in seen["kinds"]}
    assert (by_kind["pore"]["found"], by_kind["pore"]["right"], by_kind["undercut"]["missed"]) == (22, 13, 1)
    assert by_kind["pore"]["spoken_for"] == {"confidence": 0.9, "below": 10, "wrong": 9}
    assert "20 found faults" in seen["rule"]
    limit = f"/api/courses/{course.row.pk}/fault-limit"
    assert api(course.assistant, "PUT", limit, {"kind": "pore", "on": True}).status_code == 403
    assert api(course.instructor, "PUT", limit, {"kind": "undercut", "on": True}).status_code == 409
    assert api(course.instructor, "PUT", limit, {"kind": "dust", "on": True}).status_code == 400
    taken = api(course.instructor, "PUT", limit, {"kind": "pore", "on": True}).json()["corrections"]
    assert {one["kind"]: one["limit"] for one in taken["kinds"]} == {"pore": 0.9, "undercut": None}
    again = with_faults(attempt, [*weak, *sure])
    assert again.report is not None
    assert (len(again.report["defects"]), len(again.report["below_limit"])) == (12, 10)
    undone = api(course.instructor, "PUT", limit, {"kind": "pore", "on": False}).json()["corrections"]
    (pore,) = undone["kinds"]
    assert (pore["limit"], pore["found"], pore["right"]) == (None, 22, 12), "what was kept back counts still"
    assert len((with_faults(attempt, [*weak, *sure]).report or {})["defects"]) == 22
