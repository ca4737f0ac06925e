"""A second photo with the lamp on the other side: read together with the bead's, whoever asks and whatever waits."""

from collections.abc import Callable

import pytest
from django.test import Client

from judicum.core.photo.report import NOT_TWO_LIGHTS, TWO_LIGHTS
from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.models import Measurement, MeasurementState, Photo
from judicum.server.record.photos.tasks import measure
from tests.core.photo.two_lights import pairs
from tests.drawn import bead_photo
from tests.people import Course, logged

pytestmark = pytest.mark.django_db


def lamp_photo(course: Course, attempt_id: int, data: bytes) -> Photo:
    return send_photo(course.student, attempt_id, data, "lamp.jpg", kind="lamp")


def test_both_photos_are_read_together_and_count_once(course: Course, client_of: Callable[..., Client]) -> None:
    pair = next(one for one in pairs(41, 4) if one.shows == "groove")
    attempt = logged(course)
    first = send_photo(course.student, attempt.pk, pair.photos[0], "bead.jpg")
    measure(measurement_id=Measurement.objects.get().pk)
    alone = Measurement.objects.get()
    lamp_photo(course, attempt.pk, pair.photos[1])
    again = Measurement.objects.latest("pk")
    assert (again.photo_id, again.state) == (first.pk, MeasurementState.WAITING)
    measure(measurement_id=again.pk)
    shown = client_of(course.student).get(f"/api/attempts/{attempt.pk}").json()
    assert [photo["kind"] for photo in shown["photos"]] == ["lamp", "bead"]
    report = shown["photos"][1]["measurements"][0]["report"]
    assert TWO_LIGHTS in report["quality"]["warnings"]
    (found,) = (one for one in report["defects"] if one["kind"] == "undercut")
    assert found["s_mm"] == pytest.approx(pair.undercuts[0].s_mm, abs=2)
    alone.refresh_from_db()
    assert alone.report is not None  # what one photo said stays
    assert TWO_LIGHTS not in alone.report["quality"]["warnings"]


def test_what_still_waits_is_overtaken_and_a_photo_that_fits_not_is_said_so(course: Course) -> None:
    attempt = logged(course)
    send_photo(course.student, attempt.pk, bead_photo().jpeg, "bead.jpg")
    lamp_photo(course, attempt.pk, bead_photo().jpeg)  # the same photo once more: the lamp was not moved
    waited, again = Measurement.objects.order_by("pk")
    assert (waited.state, again.state) == (MeasurementState.FAILED, MeasurementState.WAITING)
    measure(measurement_id=again.pk)
    again.refresh_from_db()
    assert again.report is not None
    assert again.report["quality"]["warnings"][-1] == NOT_TWO_LIGHTS["same_light"]
    attempt.refresh_from_db()
    assert attempt.state == "measured"


def test_before_there_is_a_bead_or_for_the_next_one_it_is_only_a_view(course: Course) -> None:
    attempt = logged(course)
    lamp_photo(course, attempt.pk, bead_photo().jpeg)
    assert not Measurement.objects.exists()
    send_photo(course.student, attempt.pk, bead_photo().jpeg, "bead.jpg")
    measure(measurement_id=Measurement.objects.get().pk)
    made = Measurement.objects.get()
    assert made.report is not None
    assert not [one for one in made.report["quality"]["warnings"] if one.startswith("two_lights")]
