"""Somebody removed, and old photos thinned: what goes, and what stays."""

from collections.abc import Callable
from datetime import timedelta
from pathlib import Path
from typing import Any

import pytest
from django.core.files.storage import default_storage
from django.db import DatabaseError, connection, transaction
from django.test import Client
from django.utils import timezone

from judicum.core.marking import SCHEMES, USUAL_SCHEME
from judicum.server.people.accounts.models import User, Workshop
from judicum.server.record.attempts.models import Attempt, Event, Run
from judicum.server.record.marking.actions.mark_attempt import return_mark, set_mark
from judicum.server.record.marking.models import Mark
from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.models import Measurement, MeasurementSummary, Photo
from judicum.server.upkeep.photo_retention import apply_photo_retention
from judicum.server.upkeep.remove_person import remove_person
from tests.drawn import bead_photo
from tests.measured import measured_attempt
from tests.people import Course

pytestmark = pytest.mark.django_db
JSON = "application/json"


@pytest.fixture
def attempt(course: Course) -> Attempt:
    """Measured, marked with the student's name in the words, returned."""
    made = measured_attempt(course)
    Run.objects.filter(attempt=made).update(note="my wrist hurts")
    scores = dict.fromkeys(SCHEMES[USUAL_SCHEME].keys, 8.0)
    set_mark(
        course.instructor, made.pk, made.version, scores=scores, comment="Calm, Sanne.", next_change="sanne: slower."
    )
    made.refresh_from_db()
    return_mark(course.instructor, made.pk, made.version)
    made.refresh_from_db()
    return made


@pytest.fixture
def owner(course: Course) -> User:
    User.objects.filter(pk=course.instructor.pk).update(owns=True)
    return User.objects.get(pk=course.instructor.pk)


def files() -> set[str]:
    home = Path(default_storage.path(""))
    return {str(file.relative_to(home)) for file in home.rglob("*") if file.is_file()}


@pytest.fixture
def after(django_capture_on_commit_callbacks: Callable[..., Any]) -> Callable[[], Any]:
    """What happens once a transaction is committed, here too."""
    return lambda: django_capture_on_commit_callbacks(execute=True)


def test_who_is_removed_leaves_figures_and_the_order_of_the_log(
    course: Course, attempt: Attempt, owner: User, after: Callable[[], Any], client_of: Callable[..., Client]
) -> None:
    student = client_of(course.student)
    events = [(e.pk, e.kind, e.at, e.actor_id) for e in Event.objects.filter(attempt=attempt)]
    figures = MeasurementSummary.objects.values().get(attempt=attempt)
    assert files()
    with after():
        assert client_of(owner).delete(f"/api/workshop/people/{course.student.pk}").status_code == 204
    gone = User.objects.get(pk=course.student.pk)
    assert (gone.display_name, gone.email, gone.is_active) == (f"Removed person {gone.pk}", "", False)
    assert "sanne" not in str(User.objects.values()).lower()
    assert files() == set(), "photo and strip are no file any more"
    assert MeasurementSummary.objects.values().get(attempt=attempt) == {**figures, "has_strip": False}
    mark = Mark.objects.get(attempt=attempt)
    assert (mark.comment, mark.next_change) == ("Calm, the student.", "the student: slower.")
    assert Run.objects.get(attempt=attempt).note == ""
    assert [(e.pk, e.kind, e.at, e.actor_id) for e in Event.objects.filter(attempt=attempt)] == events
    assert "sanne" not in str(list(Event.objects.values_list("data", flat=True))).lower()
    assert student.get("/api/session").status_code == 401
    shown = client_of(owner).get(f"/api/attempts/{attempt.pk}").json()
    photo = shown["photos"][0]
    assert (photo["gone"], photo["width_px"] > 100) == (True, True)
    picture = client_of(owner).get(photo["url"])
    assert (picture.status_code, picture["Content-Type"]) == (200, "image/svg+xml")
    assert client_of(owner).delete(f"/api/workshop/people/{gone.pk}").status_code == 404, "once"
    assert [one["display_name"] for one in client_of(owner).get("/api/workshop/people").json()["results"]] == [
        "Asmus", "Ilka", "Odo",
    ]  # fmt: skip


def test_what_another_photo_shows_too_stays(
    course: Course, attempt: Attempt, owner: User, after: Callable[[], Any]
) -> None:
    theirs = Attempt.objects.get(student=course.other)
    Attempt.objects.filter(pk=theirs.pk).update(state="logged")
    send_photo(course.other, theirs.pk, bead_photo().jpeg, "same.jpg", measure=False)
    with after():
        remove_person(owner, course.student.pk)
    kept = Photo.objects.get(attempt=theirs)
    assert kept.picture is not None
    assert {str(kept.picture.original), str(kept.picture.shown)} == files()


def test_the_log_lets_nothing_but_a_name_go(attempt: Attempt) -> None:
    event = Event.objects.filter(attempt=attempt).first()
    assert event is not None
    for change in ("SET data = '{}'", "SET at = now()"):
        with pytest.raises(DatabaseError), transaction.atomic():
            _sql(change)
    with pytest.raises(DatabaseError), transaction.atomic():
        _sql("SET at = now()", removing=True)


def _sql(change: str, removing: bool = False) -> None:
    with connection.cursor() as cursor:
        if removing:
            cursor.execute("SET LOCAL judicum.removing = 'on'")
        cursor.execute(f"UPDATE attempts_event {change}")


def test_the_last_owner_is_not_removed(course: Course, owner: User, client_of: Callable[..., Client]) -> None:
    assert client_of(owner).delete(f"/api/workshop/people/{owner.pk}").json()["code"] == "wrong_state"


def test_old_photos_are_thinned_to_their_strips(
    course: Course, attempt: Attempt, owner: User, after: Callable[[], Any], client_of: Callable[..., Client]
) -> None:
    now = timezone.now()
    strip = str(Measurement.objects.get(photo__attempt=attempt).strip)
    Photo.objects.update(sent_at=now - timedelta(days=100))
    assert apply_photo_retention(now) == 0, "nobody asked for it"
    Workshop.objects.update(photo_retention_days=90)
    Attempt.objects.update(state="marked")
    assert apply_photo_retention(now) == 0, "not while it waits"
    Attempt.objects.update(state="returned")
    with after():
        assert apply_photo_retention(now) == 1
    assert files() == {strip}
    client = client_of(owner)
    photo = client.get(f"/api/attempts/{attempt.pk}").json()["photos"][0]
    assert photo["gone"] is True
    address = f"/api/measurements/{photo['measurements'][0]['id']}/strip"
    assert client.get(address)["Content-Type"] == "image/jpeg"
    again = client.post(f"/api/photos/{photo['id']}/measure-again")
    assert (again.status_code, again.json()["code"]) == (409, "wrong_state")
    assert apply_photo_retention(now) == 0
