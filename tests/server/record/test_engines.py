"""Measuring all photos of a course again with the present engine."""

from collections.abc import Callable

import pytest
from django.core.management import call_command
from django.test import Client
from onnxruntime.capi.onnxruntime_pybind11_state import InvalidProtobuf
from procrastinate.contrib.django.models import ProcrastinateJob

from judicum.core.photo.engine import SHIPPED, engine_version
from judicum.core.photo.weights import NAME, weights
from judicum.server.record.photos.actions.request_measurement import request_measurement
from judicum.server.record.photos.actions.store_measurement import store_measurement
from judicum.server.record.photos.engines import engine_of, weights_folder
from judicum.server.record.photos.models import Measurement, MeasurementSummary, Photo
from judicum.server.record.photos.tasks import measure
from tests.measured import bead_measured, measured_attempt
from tests.people import Course

pytestmark = pytest.mark.django_db


def old(course: Course, count: int = 3) -> list[int]:
    """So many attempts whose figures an earlier engine made; their keys."""
    keys = [measured_attempt(course).pk for _ in range(count)]
    MeasurementSummary.objects.filter(attempt__in=keys).update(engine_version="2.2")
    Measurement.objects.filter(photo__attempt__in=keys).update(engine_version="2.2")
    return keys


def test_all_old_figures_are_measured_again_behind_whatever_waits_and_no_attempt_moves(
    course: Course, client_of: Callable[..., Client]
) -> None:
    keys = old(course)
    staff, url = client_of(course.instructor), f"/api/courses/{course.row.pk}/engines"
    assert staff.get(url).json() == {
        "present": engine_version(), "outdated": 3, "corrected": 0, "running": False, "done": 0, "total": 0,
    }  # fmt: skip
    before = {one.pk: one.measurement_id for one in MeasurementSummary.objects.all()}
    started = staff.post(url, content_type="application/json").json()
    assert (started["running"], started["done"], started["total"]) == (True, 0, 3)
    assert staff.post(url, content_type="application/json").status_code == 409
    waiting = Measurement.objects.filter(state="waiting", photo__attempt__in=keys)
    jobs = ProcrastinateJob.objects.filter(args__measurement_id__in=[one.pk for one in waiting])
    assert list(jobs.values_list("priority", flat=True)) == [-10] * 3
    moved = course.attempt.updated_at
    for one in waiting:
        store_measurement(one.pk, [bead_measured()])
    after = staff.get(url).json()
    assert (after["running"], after["done"], after["outdated"]) == (False, 3, 0)
    assert all(before[one.pk] != one.measurement_id for one in MeasurementSummary.objects.all())
    course.attempt.refresh_from_db()
    assert course.attempt.updated_at == moved
    nothing = staff.post(url, content_type="application/json")
    assert (nothing.status_code, nothing.json()["code"]) == (409, "wrong_state")


def test_each_workshop_is_measured_with_its_own_weights_and_only_its_own(
    course: Course, client_of: Callable[..., Client]
) -> None:
    here = course.row.workshop_id
    for workshop_id, name in ((here, "hall"), (here + 1, "other")):
        weights_folder(workshop_id).mkdir(parents=True)
        (weights_folder(workshop_id) / NAME).write_text(name)
        (weights_folder(workshop_id) / "axis.onnx").write_bytes(b"no network")
    present = [engine_of(here + k) for k in range(3)]
    assert present == [f"{SHIPPED}+hall", f"{SHIPPED}+other", SHIPPED]
    staff, url = client_of(course.instructor), f"/api/courses/{course.row.pk}/engines"
    assert staff.get(url).json()["present"] == present[0]

    photo = Photo.objects.get(attempt=measured_attempt(course))
    with pytest.raises(InvalidProtobuf):
        measure(request_measurement(photo, course.instructor).pk)
    (weights_folder(here) / "axis.onnx").write_bytes(weights("axis", None))
    again = request_measurement(photo, course.instructor)
    measure(again.pk)
    assert Measurement.objects.get(pk=again.pk).engine_version == present[0]
    assert staff.get(url).json()["outdated"] == 0
    assert call_command("weights_folder", course.row.workshop.name) == str(weights_folder(here))
    with pytest.raises(SystemExit, match="Mill Lane"):
        call_command("weights_folder", "Mill Lane")


def test_it_can_be_stopped_and_each_attempt_keeps_figures(course: Course, client_of: Callable[..., Client]) -> None:
    old(course)
    staff, url = client_of(course.instructor), f"/api/courses/{course.row.pk}/engines"
    assert staff.delete(url).status_code == 409
    staff.post(url, content_type="application/json")
    first, *others = Measurement.objects.filter(state="waiting")
    store_measurement(first.pk, [bead_measured()])
    stopped = staff.delete(url).json()
    assert (stopped["running"], stopped["outdated"]) == (False, 2)
    assert MeasurementSummary.objects.count() == 3
    # The jobs that are left over find nothing to do.
    for one in others:
        measure(one.pk)
    assert not Measurement.objects.filter(pk__in=[one.pk for one in others]).exists()
    assert staff.post(url, content_type="application/json").json()["total"] == 2


def test_what_a_person_corrected_stays(course: Course, client_of: Callable[..., Client]) -> None:
    keys = old(course, 2)
    MeasurementSummary.objects.filter(attempt=keys[0]).update(corrected=True)
    staff, url = client_of(course.instructor), f"/api/courses/{course.row.pk}/engines"
    started = staff.post(url, content_type="application/json").json()
    assert (started["total"], started["corrected"]) == (1, 1)
