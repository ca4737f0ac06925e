"""Photos that are not of the bead: the back, the setup, the torch in place."""

import base64
from collections.abc import Callable
from typing import Any
from uuid import uuid4

import pytest
from django.test import Client

from judicum.core.errors import InvalidValue, WrongState
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.models import Event, Run
from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.models import Measurement, Photo
from tests.drawn import bead_photo
from tests.people import RUN, Course, logged

pytestmark = pytest.mark.django_db
UP = [[500, 900], [800, 600]]
PLATE = [[500, 900], [1300, 900]]


def torch_photo(course: Course) -> Photo:
    attempt = logged(course)
    return send_photo(course.student, attempt.pk, bead_photo().jpeg, kind="torch")


def read(client: Client, photo: Photo, **changes: Any) -> Any:
    body = {"which": "work", "torch": UP, "reference": PLATE, **changes}
    return client.post(f"/api/photos/{photo.pk}/angle", body, "application/json")


@pytest.mark.parametrize("kind", ["back", "setup", "torch"])
def test_another_view_joins_the_attempt_and_is_not_measured(course: Course, kind: str) -> None:
    photo = send_photo(course.student, course.attempt.pk, bead_photo().jpeg, kind=kind)
    assert course.attempt.state == "assigned"
    assert photo.kind == kind
    assert not Measurement.objects.exists()


def test_the_kind_travels_with_the_upload(course: Course, client_of: Callable[..., Client]) -> None:
    data, client = bead_photo().jpeg, client_of(course.student)
    response = "kind " + base64.b64encode(b"back").decode()
    headers = {"Upload-Length": str(len(data)), "Upload-Metadata": response}
    started = client.post(f"/api/attempts/{course.attempt.pk}/uploads", headers=headers)
    sent = client.patch(started["Location"], data, "application/offset+octet-stream", headers={"Upload-Offset": "0"})
    assert sent.status_code == 204
    shown = client.get(f"/api/attempts/{course.attempt.pk}").json()
    assert [(p["kind"], p["measurements"]) for p in shown["photos"]] == [("back", [])]
    headers["Upload-Metadata"] = "kind " + base64.b64encode(b"portrait").decode()
    refused = client.post(f"/api/attempts/{course.attempt.pk}/uploads", headers=headers)
    assert refused.json()["errors"][0]["field"] == "kind"


def test_a_view_is_not_taken_for_a_measured_bead(course: Course, client_of: Callable[..., Client]) -> None:
    photo = torch_photo(course)
    assert client_of(course.instructor).post(f"/api/photos/{photo.pk}/measure-again").status_code == 409


def test_an_angle_drawn_before_its_photo_was_sent_is_read_once(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt, client = logged(course), client_of(course.student)
    data, photo_change = bead_photo().jpeg, str(uuid4())
    headers = {
        "Upload-Length": str(len(data)),
        "Upload-Metadata": "kind " + base64.b64encode(b"torch").decode(),
        "Judicum-Change": photo_change,
    }
    started = client.post(f"/api/attempts/{attempt.pk}/uploads", headers=headers)
    body = {"which": "work", "torch": UP, "reference": PLATE}
    address, change = f"/api/uploads/{photo_change}/angle", {"Judicum-Change": str(uuid4()), "Judicum-Age": "60"}
    assert client.post(address, body, "application/json", headers=change).status_code == 409, "not arrived yet"
    client.patch(started["Location"], data, "application/offset+octet-stream", headers={"Upload-Offset": "0"})
    assert client_of(course.instructor).post(address, body, "application/json").status_code == 404, "another's upload"
    for _ in range(2):
        read = client.post(address, body, "application/json", headers=change)
        assert read.status_code == 200, read.content
    assert Run.objects.get(attempt=attempt).work_angle_deg == 45
    assert Event.objects.filter(attempt=attempt, kind="read_angle").count() == 1


def test_two_lines_put_the_angle_into_the_log_as_measured(course: Course, client_of: Callable[..., Client]) -> None:
    photo = torch_photo(course)
    answer = read(client_of(course.student), photo)
    assert answer.status_code == 200
    shown = answer.json()
    assert (shown["runs"][0]["work_angle_deg"], shown["runs"][0]["measured"]) == (45, ["work_angle_deg"])
    (angle,) = shown["photos"][0]["angles"]
    assert (angle["angle_deg"], angle["torch"]) == (45.0, UP)
    assert 0 < angle["uncertainty_deg"] < 2
    event = photo.attempt.events.order_by("-id").first()
    assert event is not None and (event.kind, event.data["changed"]) == ("read_angle", {"work_angle_deg": [None, 45]})


def test_an_angle_typed_over_is_no_longer_measured(course: Course, client_of: Callable[..., Client]) -> None:
    photo = torch_photo(course)
    client = client_of(course.instructor)
    read(client, photo)
    read(client, photo, which="travel", torch=[[500, 900], [400, 500]])
    run = Run.objects.get(attempt=photo.attempt)
    assert (run.travel_angle_deg, run.measured) == (14, ["travel_angle_deg", "work_angle_deg"])
    log_run(course.student, photo.attempt_id, RUN | {"work_angle_deg": 60, "travel_angle_deg": 14})
    run.refresh_from_db()
    assert run.measured == ["travel_angle_deg"]


def test_lines_that_give_no_angle_are_refused(course: Course, client_of: Callable[..., Client]) -> None:
    photo = torch_photo(course)
    client = client_of(course.student)
    for changes, field in (
        ({"torch": [[1, 1], [2, 2]]}, "torch"),
        ({"reference": [[1, 1]]}, "reference"),
        ({"which": "lean"}, "which"),
        ({"run": 3}, "run"),
        ({"which": "travel", "torch": [[500, 900], [900, 890]]}, "travel_angle_deg"),
    ):
        answer = read(client, photo, **changes)
        assert answer.status_code == 400
        assert answer.json()["errors"][0]["field"] == field
    assert Run.objects.get(attempt=photo.attempt).measured == []


def test_angles_are_read_on_torch_photos_only_and_not_by_strangers(
    course: Course, client_of: Callable[..., Client]
) -> None:
    photo = torch_photo(course)
    assert read(client_of(course.other), photo).status_code == 404
    back = send_photo(course.student, photo.attempt_id, bead_photo().jpeg, kind="back")
    assert read(client_of(course.student), back).status_code == 409


def test_a_kind_that_is_none_and_a_returned_attempt_take_no_view(course: Course) -> None:
    attempt = logged(course)
    with pytest.raises(InvalidValue, match="bead, run, back, setup, torch"):
        send_photo(course.student, attempt.pk, bead_photo().jpeg, kind="selfie")
    attempt.state = "returned"
    attempt.save()
    with pytest.raises(WrongState):
        send_photo(course.student, attempt.pk, bead_photo().jpeg, kind="back")
