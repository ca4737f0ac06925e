"""The photos that `./judicum bench-workers` times: put in once, queued again and again, and not waited for for ever."""

import pytest

from judicum.bench import queue
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.photos.actions.request_measurement import request_measurement
from judicum.server.record.photos.models import Measurement, MeasurementState, Photo
from tests.drawn import bead_photo


@pytest.fixture
def filled(db: None, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(queue, "PHOTOS", 1)
    monkeypatch.setattr("judicum.bench.course.drawn", lambda seed: bead_photo().jpeg)  # eight megapixels take seconds
    queue.fill()


def test_the_photos_are_put_in_and_none_is_measured_yet(filled: None) -> None:
    photo = Photo.objects.get()
    assert (photo.attempt, photo.name) == (Attempt.objects.get(), "0.jpg")
    assert not Measurement.objects.exists()


def test_a_photo_can_be_queued_again_and_again(filled: None) -> None:
    photo = Photo.objects.get()
    first = request_measurement(photo).pk
    Measurement.objects.filter(pk=first).update(state=MeasurementState.DONE)
    assert request_measurement(photo).pk != first
    assert Measurement.objects.filter(photo=photo).count() == 2


def test_waiting_ends_when_all_are_done_or_patience_is_over(filled: None, monkeypatch: pytest.MonkeyPatch) -> None:
    asked = request_measurement(Photo.objects.get()).pk
    monkeypatch.setattr(queue, "WARM_UP_S", 0)
    with pytest.raises(SystemExit, match="did not finish"):
        queue._until_done([asked])
    Measurement.objects.filter(pk=asked).update(state=MeasurementState.DONE)
    queue._until_done([asked])
