from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client

from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.queries import propose
from judicum.server.record.photos.actions.request_measurement import measure_again
from judicum.server.record.photos.models import Correction, Measurement
from judicum.server.record.photos.tasks import measure
from tests.drawn import bead_photo
from tests.measured import measured_attempt
from tests.people import Course

pytestmark = pytest.mark.django_db
WIDER = {"step": "move_toe", "side": "right", "s_mm": 40, "n_mm": 3.6, "reach_mm": 6}


def counting(attempt: Attempt) -> Measurement:
    return Measurement.objects.get(photo__attempt=attempt)


def correct(client: Client, measurement: Measurement, step: dict[str, Any]) -> Any:
    return client.post(f"/api/measurements/{measurement.pk}/corrections", step, "application/json")


def undo(client: Client, measurement: Measurement, query: str = "") -> Any:
    return client.delete(f"/api/measurements/{measurement.pk}/corrections{query}")


def test_a_correction_lies_over_the_result_and_never_in_it(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = measured_attempt(course)
    measurement = counting(attempt)
    computed = measurement.report
    answer = correct(client_of(course.assistant), measurement, WIDER)
    assert answer.status_code == 200
    shown = answer.json()["photos"][0]["measurements"][0]
    assert shown["report"]["bead"]["width_mm"]["max"] > computed["bead"]["width_mm"]["max"]
    assert shown["computed"] == computed
    assert shown["corrected"] is True
    (step,) = shown["corrections"]
    assert (step["step"]["side"], step["by"]["display_name"]) == ("right", "Asmus")
    measurement.refresh_from_db()
    assert measurement.report == computed
    event = attempt.events.order_by("-id").first()
    assert event is not None and (event.kind, event.data["change"]["step"]) == ("correct", "move_toe")


def test_figures_lists_and_the_suggested_mark_follow(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = measured_attempt(course)
    measurement = counting(attempt)
    client = client_of(course.instructor)
    before = {s.criterion: s.score for s in propose(attempt).suggestions}
    answer = correct(client, measurement, WIDER).json()
    after = {s.criterion: s.score for s in propose(attempt).suggestions}
    assert after["width_evenness"] < before["width_evenness"]  # type: ignore[operator]
    row = client.get(f"/api/courses/{course.row.pk}/attempts").json()["results"]
    listed = next(r for r in row if r["id"] == attempt.pk)["measurement"]
    assert listed["width_cv"] == answer["photos"][0]["measurements"][0]["report"]["bead"]["width_mm"]["cv"]
    assert listed["corrected"] is True


def test_each_correction_has_a_strip_of_its_own(course: Course, client_of: Callable[..., Client]) -> None:
    measurement = counting(measured_attempt(course))
    client = client_of(course.instructor)
    turned = correct(client, measurement, {"step": "start_at_other_end"}).json()["measurement"]["strip"]["url"]
    old, new = (b"".join(client.get(url)) for url in (f"/api/measurements/{measurement.pk}/strip", turned))
    assert turned.endswith(f"?correction={Correction.objects.get().pk}")
    assert new.startswith(b"\xff\xd8") and new != old
    assert client.get(f"/api/measurements/{measurement.pk}/strip?correction=0").status_code == 404


def test_steps_are_taken_back_one_by_one_or_all_and_stay_on_record(
    course: Course, client_of: Callable[..., Client]
) -> None:
    measurement = counting(measured_attempt(course))
    client = client_of(course.instructor)
    first = correct(client, measurement, WIDER).json()["photos"][0]["measurements"][0]["report"]
    correct(client, measurement, {"step": "no_ripples"})
    back = undo(client, measurement).json()["photos"][0]["measurements"][0]
    assert back["report"] == first
    correct(client, measurement, {"step": "start_at_other_end"})
    none = undo(client, measurement, "?every=true").json()["photos"][0]["measurements"][0]
    assert (none["report"], none["corrected"], none["computed"]) == (measurement.report, False, None)
    assert Correction.objects.count() == 3
    assert {c.undone_by for c in Correction.objects.all()} == {course.instructor}
    assert undo(client, measurement).json()["code"] == "wrong_state"


def test_a_step_that_does_not_fit_is_refused_and_nothing_is_written(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = measured_attempt(course)
    answer = correct(client_of(course.instructor), counting(attempt), {"step": "add_front", "s_mm": 900})
    assert answer.status_code == 400
    assert answer.json()["errors"][0]["field"] == "s_mm"
    assert not Correction.objects.exists()
    assert not attempt.events.filter(kind="correct").exists()


def test_only_those_who_teach_correct(course: Course, client_of: Callable[..., Client]) -> None:
    measurement = counting(measured_attempt(course))
    photo = measurement.photo_id
    scale = {"points_px": [10, 10, 400, 10], "length_mm": 20}
    for who, code in ((course.student, 403), (course.other, 404), (course.stranger, 404)):
        client = client_of(who)
        assert correct(client, measurement, WIDER).status_code == code
        assert undo(client, measurement).status_code == code
        assert client.post(f"/api/photos/{photo}/scale", scale, "application/json").status_code == code
    assert not Correction.objects.exists()


def test_a_result_without_a_trace_has_to_be_measured_again_first(
    course: Course, client_of: Callable[..., Client]
) -> None:
    measurement = counting(measured_attempt(course))
    Measurement.objects.update(bead=None)
    answer = correct(client_of(course.instructor), measurement, WIDER)
    assert (answer.status_code, answer.json()["code"]) == (409, "wrong_state")
    assert "Measure the photo again" in answer.json()["detail"]


def test_two_points_set_the_scale_and_the_photo_is_measured_with_it(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = measured_attempt(course)
    photo = attempt.photos.get()
    before = photo.measurements.get().report["bead"]["length_mm"]
    # The card says how many pixels a millimetre has here; twice that makes everything half as long.
    mm_per_px = photo.measurements.get().report["scale"]["mm_per_px"]
    body = {"points_px": [300, 700, 1300, 700], "length_mm": 500 * mm_per_px}
    client = client_of(course.instructor)
    assert client.post(f"/api/photos/{photo.pk}/scale", body, "application/json").status_code == 202
    asked = photo.measurements.get(scale_points__isnull=False)
    measure(asked.pk)
    asked.refresh_from_db()
    assert asked.report["scale"]["source"] == "points"
    assert asked.report["bead"] is None or asked.report["bead"]["length_mm"] == pytest.approx(before / 2, rel=0.1)
    shown = client.get(f"/api/attempts/{attempt.pk}").json()["photos"][0]["measurements"][0]
    assert shown["scale_set_by"]["display_name"] == "Ilka"
    assert measure_again(course.instructor, photo.pk).scale_points == asked.scale_points


def test_two_points_that_make_no_scale_are_refused(course: Course, client_of: Callable[..., Client]) -> None:
    photo = measured_attempt(course).photos.get()
    client = client_of(course.instructor)
    for body, field in (
        ({"points_px": [1, 1, 3, 1], "length_mm": 20}, "points"),
        ({"points_px": [1, 1, 900, 1], "length_mm": 0}, "points"),
        ({"points_px": [1, 1, 900], "length_mm": 5}, "points_px"),
    ):
        answer = client.post(f"/api/photos/{photo.pk}/scale", body, "application/json")
        assert answer.status_code == 400
        assert answer.json()["errors"][0]["field"].startswith(field)
    assert photo.measurements.count() == 1


def test_a_small_copy_is_looked_over_before_it_is_sent(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.student)
    good = client.post("/api/photo-precheck?long_side_px=4000", bead_photo().jpeg, "image/jpeg")
    assert (good.status_code, good.json()) == (200, [])
    small = client.post("/api/photo-precheck?long_side_px=900", bead_photo().jpeg, "image/jpeg").json()
    assert [s["code"] for s in small] == ["too_small"]
    assert client.post("/api/photo-precheck", b"no picture", "image/jpeg").json()["code"] == "unreadable"
    assert client.post("/api/photo-precheck?long_side_px=-3", b"", "image/jpeg").status_code == 400
    assert client.post("/api/photo-precheck", b"x" * (3 * 1024 * 1024 + 1), "image/jpeg").status_code == 400
    assert Client().post("/api/photo-precheck", b"", "image/jpeg").status_code in (401, 403)
