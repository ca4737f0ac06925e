"""Photos of runs that the next run covers: measured, explained and scored by themselves, and never the attempt's figures."""

import base64
from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client

from judicum.core.errors import InvalidValue
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.models import Mark
from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.actions.store_measurement import store_measurement
from judicum.server.record.photos.models import MeasurementSummary, Photo
from tests.drawn import bead_photo
from tests.measured import bead_measured, measured_attempt
from tests.people import RUN, Course, logged
from tests.server.record.test_marking import mark

pytestmark = pytest.mark.django_db


def root_photo(course: Course) -> Photo:
    attempt = logged(course)
    log_run(course.student, attempt.pk, {**RUN, "current_a": 60}, number=2)
    photo = send_photo(course.student, attempt.pk, bead_photo().jpeg, kind="run", run=1)
    assert store_measurement(photo.measurements.get().pk, [bead_measured()])
    return photo


def test_its_figures_are_shown_and_are_not_the_attempts(course: Course, client_of: Callable[..., Client]) -> None:
    photo = root_photo(course)
    shown = client_of(course.student).get(f"/api/attempts/{photo.attempt_id}").json()
    (one,) = shown["photos"]
    assert (one["kind"], one["run"], shown["measurement"], shown["state"]) == ("run", 1, None, "logged")
    assert one["measurements"][0]["report"]["bead"]["width_mm"]["mean"] > 0
    assert not MeasurementSummary.objects.exists()
    assert [e.kind for e in photo.attempt.events.order_by("-id")[:1]] == ["measure_run"]


def test_it_has_causes_and_scores_of_its_own(course: Course, client_of: Callable[..., Client]) -> None:
    attempt, teacher = root_photo(course).attempt, client_of(course.instructor)
    url = f"/api/attempts/{attempt.pk}"
    whole, root = (teacher.get(f"{url}/suggestions{of}").json() for of in ("", "?run=1"))
    scored = [{line["criterion"] for line in one["lines"] if line["score"] is not None} for one in (whole, root)]
    assert "tint" in scored[1] - scored[0]
    assert teacher.get(f"{url}/causes").json()["sound"] is None
    assert teacher.get(f"{url}/causes?run=1").json()["sound"] is not None


@pytest.mark.parametrize("part", ["suggestions", "causes"])
def test_a_run_without_a_measured_photo(course: Course, client_of: Callable[..., Client], part: str) -> None:
    url = f"/api/attempts/{root_photo(course).attempt_id}/{part}"
    refused = client_of(course.instructor).get(f"{url}?run=2")
    assert (refused.status_code, refused.json()["detail"]) == (404, "No measured photo of run 2.")
    assert client_of(course.instructor).get(f"{url}?run=first").status_code == 400
    assert client_of(course.student).get(f"{url}?run=1").status_code == 403


@pytest.mark.parametrize(("kind", "run"), [("run", None), ("run", 0), ("run", 41), ("bead", 1), ("back", 1)])
def test_a_photo_of_a_run_names_it_and_no_other_does(course: Course, kind: str, run: int | None) -> None:
    with pytest.raises(InvalidValue, match="run"):
        send_photo(course.student, logged(course).pk, bead_photo().jpeg, kind=kind, run=run)
    assert not Photo.objects.exists()


def test_which_run_travels_with_the_upload(course: Course, client_of: Callable[..., Client]) -> None:
    data, client = bead_photo().jpeg, client_of(course.student)
    code = {key: base64.b64encode(value.encode()).decode() for key, value in (("kind", "run"), ("run", "1"))}
    headers = {"Upload-Length": str(len(data)), "Upload-Metadata": f"kind {code['kind']},run {code['run']}"}
    started = client.post(f"/api/attempts/{logged(course).pk}/uploads", headers=headers)
    client.patch(started["Location"], data, "application/offset+octet-stream", headers={"Upload-Offset": "0"})
    assert list(Photo.objects.values_list("kind", "run")) == [("run", 1)]


def marked(course: Course, teacher: Client, attempt: Attempt, runs: dict[str, float] | None) -> Any:
    """The answer to a mark of the attempt, which has a photo of its own and one of its first run."""
    attempt.refresh_from_db()
    return mark(teacher, attempt, runs=runs)


@pytest.fixture
def two_photos(course: Course) -> Attempt:
    attempt = measured_attempt(course)
    send_photo(course.student, attempt.pk, bead_photo().jpeg, kind="run", run=1)
    return attempt


def test_a_covered_run_has_a_mark_of_its_own_beside_the_coupons(
    course: Course, client_of: Callable[..., Client], two_photos: Attempt
) -> None:
    teacher = client_of(course.instructor)
    kept = [marked(course, teacher, two_photos, runs).json()["mark"] for runs in ({"1": 64.5}, None, {})]
    assert [(one["runs"], one["total"]) for one in kept] == [({"1": 64.5}, 80), ({"1": 64.5}, 80), ({}, 80)]


@pytest.mark.parametrize(("runs", "field"), [({"2": 50}, "runs.2"), ({"1": 101}, "runs.1"), ({"1": -1}, "runs.1")])
def test_a_mark_of_a_run_without_a_photo_or_out_of_range_is_refused(
    course: Course, client_of: Callable[..., Client], two_photos: Attempt, runs: dict[str, float], field: str
) -> None:
    refused = marked(course, client_of(course.instructor), two_photos, runs)
    assert refused.status_code == 400
    assert [one["field"] for one in refused.json()["errors"]] == [field]
    assert not Mark.objects.exists()
