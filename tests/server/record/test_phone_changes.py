"""Changes that a phone kept without a connection: each accepted once, in its time, and nobody else's."""

import uuid
from collections.abc import Callable
from datetime import timedelta
from typing import Any

import pytest
from django.test import Client
from django.utils import timezone

from judicum.server.record.attempts.actions.accept_once import REMEMBERED, forget_changes
from judicum.server.record.attempts.models import AcceptedChange, Attempt, Event, Run
from judicum.server.record.photos.actions.receive_upload import clear_abandoned
from judicum.server.record.photos.models import Photo, Upload
from tests.drawn import bead_photo
from tests.people import RUN, Course, logged

pytestmark = pytest.mark.django_db


def named(age_s: float = 0, change: uuid.UUID | None = None) -> dict[str, str]:
    return {"Judicum-Change": str(change or uuid.uuid4()), "Judicum-Age": str(age_s)}


@pytest.fixture
def phone(course: Course, client_of: Callable[..., Client]) -> Client:
    Attempt.objects.update(created_at=timezone.now() - timedelta(hours=1))
    return client_of(course.student)


def put(phone: Client, course: Course, what: str, body: dict[str, Any], headers: dict[str, str]) -> Any:
    return phone.put(f"/api/attempts/{course.attempt.pk}/{what}", body, "application/json", headers=headers)


def test_a_log_sent_twice_is_logged_once_at_the_time_it_was_made(course: Course, phone: Client) -> None:
    headers = named(600)
    first, again = (put(phone, course, "runs/1", RUN, headers) for _ in range(2))
    assert (first.status_code, first.json()) == (again.status_code, again.json())
    event = Event.objects.get(kind="log")
    assert timedelta(seconds=595) < timezone.now() - event.at < timedelta(seconds=660)
    changed = put(phone, course, "runs/1", {**RUN, "current_a": 60}, named())
    assert changed.json()["runs"][0]["current_a"] == 60
    put(phone, course, "runs/1", RUN, headers)
    assert Run.objects.get().current_a == 60, "what was sent late again does not undo what came after it"


@pytest.mark.parametrize(("age_s", "least"), [(-50, 0), (7200, 3595)])
def test_a_clock_that_was_changed_leads_neither_ahead_nor_before_the_attempt(
    course: Course, phone: Client, age_s: float, least: float
) -> None:
    put(phone, course, "preparation", {"prepared": ["cup_clean"]}, named(age_s))
    event = Event.objects.get(kind="prepare")
    assert course.attempt.created_at <= event.at <= timezone.now()
    assert (timezone.now() - event.at).total_seconds() >= least


def test_what_is_refused_is_not_remembered_and_may_come_again(course: Course, phone: Client) -> None:
    headers = named()
    assert put(phone, course, "runs/1", {**RUN, "current_a": 5000}, headers).status_code == 400
    assert not AcceptedChange.objects.exists()
    assert put(phone, course, "runs/1", RUN, headers).status_code == 200


def test_another_attempt_is_opened_once(course: Course, phone: Client) -> None:
    logged(course)
    headers = named(120)
    opened = [
        phone.post(f"/api/assignments/{course.assignment.pk}/attempts", headers=headers).json()["id"] for _ in range(2)
    ]
    assert opened[0] == opened[1]
    assert Attempt.objects.filter(student=course.student).count() == 2


@pytest.mark.parametrize(
    ("headers", "field"),
    [({"Judicum-Change": "first"}, "Judicum-Change"), ({**named(), "Judicum-Age": "long"}, "Judicum-Age"),
     ({**named(), "Judicum-Age": "inf"}, "Judicum-Age")],
)  # fmt: skip
def test_a_name_that_is_none(course: Course, phone: Client, headers: dict[str, str], field: str) -> None:
    refused = put(phone, course, "runs/1", RUN, headers)
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (400, field)


def test_nobody_learns_from_or_hides_behind_anothers_change(
    course: Course, phone: Client, client_of: Callable[..., Client]
) -> None:
    headers = named()
    put(phone, course, "runs/1", RUN, headers)
    other = Attempt.objects.get(student=course.other)
    refused = client_of(course.other).put(f"/api/attempts/{other.pk}/runs/1", RUN, "application/json", headers=headers)
    assert refused.json()["errors"][0]["field"] == "Judicum-Change"
    assert Run.objects.count() == 1


def test_a_photo_announced_again_is_the_same_upload_and_one_photo(course: Course, phone: Client) -> None:
    logged(course)
    data, headers = bead_photo().jpeg, named(300)
    url = f"/api/attempts/{course.attempt.pk}/uploads"
    places = {phone.post(url, headers={**headers, "Upload-Length": str(len(data))})["Location"] for _ in range(2)}
    (place,) = places
    assert place == f"/api/uploads/{headers['Judicum-Change']}"
    phone.patch(place, data, "application/offset+octet-stream", headers={"Upload-Offset": "0"})
    known = phone.post(url, headers={**headers, "Upload-Length": str(len(data))})
    assert known["Judicum-Photo"] == str(Photo.objects.get().pk)
    assert timezone.now() - Photo.objects.get().sent_at > timedelta(seconds=295)
    clear_abandoned(timezone.now() + timedelta(days=5))
    assert phone.head(place)["Upload-Offset"] == str(len(data)), "a phone may ask for weeks"
    clear_abandoned(timezone.now() + REMEMBERED + timedelta(days=1))
    assert not Upload.objects.exists()


def test_an_upload_of_somebody_else_is_not_found_by_its_name(
    course: Course, phone: Client, client_of: Callable[..., Client]
) -> None:
    logged(course)
    headers = {**named(), "Upload-Length": "1000"}
    phone.post(f"/api/attempts/{course.attempt.pk}/uploads", headers=headers)
    other = Attempt.objects.get(student=course.other)
    answer = client_of(course.other).post(f"/api/attempts/{other.pk}/uploads", headers=headers)
    assert answer.status_code == 404


def test_changes_are_forgotten_when_no_phone_can_have_them_any_more(course: Course, phone: Client) -> None:
    put(phone, course, "runs/1", RUN, named())
    assert forget_changes(timezone.now()) == 0
    assert forget_changes(timezone.now() + REMEMBERED + timedelta(days=1)) == 1
