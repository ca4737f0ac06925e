"""An answer that is kept is the answer one would get anew: after everything that can be done to a course, for everybody in it."""

from collections.abc import Callable, Iterator
from typing import Any

import pytest
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from judicum.core.marking import SCHEMES, USUAL_SCHEME
from judicum.server.catalogue.coupons.models import Design
from judicum.server.http import kept
from judicum.server.http.kept import MAX_BYTES, Shelf
from judicum.server.people.courses.models import Membership
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.photos.models import Measurement
from tests.measured import bead_measured, measured_attempt
from tests.people import RUN, Course, make_person

pytestmark = pytest.mark.django_db
SCORES = dict.fromkeys(SCHEMES[USUAL_SCHEME].keys, 8.0)


@pytest.fixture(autouse=True)
def _keeping(settings: Any) -> Iterator[None]:
    settings.KEEP_ANSWERS = True
    kept.shelf = Shelf()
    yield
    kept.shelf = Shelf()


def pages(course: Course, attempt: Attempt) -> list[str]:
    at = f"/api/courses/{course.row.pk}"
    return [
        f"/api/attempts/{attempt.pk}", f"{at}/attempts", f"{at}/attempts?state=measured", f"{at}/waiting", f"{at}/next", f"{at}/wall",
        f"{at}/desk", f"{at}/week", f"{at}/standings", f"{at}/agreement", f"{at}/students/{course.student.pk}/progress",
    ]  # fmt: skip


def steps(course: Course, attempt: Attempt, client_of: Callable[..., Client]) -> Iterator[tuple[str, Any]]:
    """Everything that is done to an attempt and its course, one after the other, each by its address."""
    student, staff, second = (client_of(one) for one in (course.student, course.instructor, course.assistant))
    at, url = f"/api/courses/{course.row.pk}", f"/api/attempts/{attempt.pk}"
    measurement = attempt.photos.get().measurements.get().pk

    def version() -> int:
        return Attempt.objects.values_list("version", flat=True).get(pk=attempt.pk)

    json = "application/json"
    yield "log", student.put(f"{url}/runs/1", {**RUN, "current_a": 61}, json)
    yield "prepare", student.put(f"{url}/preparation", {"prepared": []}, json)
    yield (
        "correct",
        staff.post(f"/api/measurements/{measurement}/corrections", {"step": "no_ripples"}, json),
    )
    yield "judge", staff.put(f"{url}/causes/flow_low", {"verdict": "confirmed"}, json)
    yield "mark", staff.put(f"{url}/mark", {"version": version(), "scores": SCORES, "comment": "a"}, json)
    yield "ask second", staff.post(f"{url}/second", {"version": version()}, json)
    yield "mark second", second.put(f"{url}/second", {"version": version(), "scores": SCORES}, json)
    yield "agree", staff.post(f"{url}/agree", {"version": version(), "scores": SCORES}, json)
    yield "return", staff.post(f"{url}/return", {"version": version()}, json)
    yield "take back", staff.post(f"{url}/take-back", {}, json)
    yield "return again", staff.post(f"{url}/return", {"version": version()}, json)
    yield "measure again", staff.post(f"/api/photos/{attempt.photos.get().pk}/measure-again")
    yield "weld another", student.post(f"/api/assignments/{course.assignment.pk}/attempts")
    given = {"design": Design.objects.exclude(pk=course.assignment.design_id).first().pk, "target_width_mm": 5, "finish": "warm", "due_on": "2031-05-01"}  # type: ignore[union-attr]  # fmt: skip
    yield "give a coupon", staff.post(f"{at}/assignments", given, json)
    body = SCHEMES[USUAL_SCHEME].as_json()
    yield (
        "change the scheme",
        staff.post(f"{at}/schemes", {"code": USUAL_SCHEME, "scheme": {**body, "pass_mark": 95}}, json),
    )
    yield "change the course", staff.patch(f"{at}/schools", {"sequence": "carbon"}, json)
    yield "change units", staff.patch("/api/session/preferences", {"length_unit": "thou"}, json)
    Membership.objects.create(course=course.row, user=make_person("neela", course.row.workshop), role="student")
    yield "somebody joins", student.get("/api/session")
    member = Membership.objects.get(course=course.row, user__username="neela")
    yield "somebody goes", staff.delete(f"{at}/members/{member.pk}")
    yield "archive", staff.put(f"{at}/archived")


def test_after_every_step_everybody_is_answered_as_if_nothing_was_kept(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = measured_attempt(course)
    everybody = {name: client_of(getattr(course, name)) for name in ("student", "instructor", "assistant", "other")}
    done = 0
    changed: set[str] = set()
    before: dict[tuple[str, str], bytes] = {}
    for what, response in steps(course, attempt, client_of):
        assert response.status_code < 300, (what, response.content)
        for name, client in everybody.items():
            for url in pages(course, attempt):
                first = client.get(url)
                keeps, kept.shelf = kept.shelf, Shelf()
                anew = client.get(url)
                kept.shelf = keeps
                assert first.status_code == anew.status_code, (what, name, url)
                assert first.content == anew.content, (what, name, url)
                if before.get((name, url), anew.content) != anew.content:
                    changed.add(what)
                before[name, url] = anew.content
        done += 1
    assert done == 20
    assert len(changed) >= 15, "the steps do change what is shown"


def test_what_has_not_changed_is_read_by_one_statement_and_each_sees_their_own(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = measured_attempt(course)
    staff, student = client_of(course.instructor), client_of(course.student)
    for url in pages(course, attempt):
        staff.get(url)
        with CaptureQueriesContext(connection) as asked:
            assert staff.get(url).status_code == 200
        assert len(asked) <= 4, url  # session, person, whose the attempt is, whether anything has changed
    mine, theirs = (client.get(f"/api/attempts/{attempt.pk}").json() for client in (student, staff))
    assert mine["may"] != theirs["may"]
    assert client_of(course.other).get(f"/api/attempts/{attempt.pk}").status_code == 404
    Membership.objects.filter(user=course.assistant).delete()
    assert staff.get(f"/api/courses/{course.row.pk}/desk").status_code == 200
    assert client_of(course.assistant).get(f"/api/courses/{course.row.pk}/desk").status_code == 404


def test_a_photo_that_begins_or_ends_to_be_measured_is_seen_at_once(
    course: Course, client_of: Callable[..., Client]
) -> None:
    from judicum.server.record.photos.actions.store_measurement import store_measurement

    attempt, student = measured_attempt(course), client_of(course.student)
    url = f"/api/attempts/{attempt.pk}"
    assert student.get(url).json()["measuring"] is False
    made = Measurement.objects.create(photo=attempt.photos.get(), requested_at=timezone.now())
    assert student.get(url).json()["measuring"] is True
    assert store_measurement(made.pk, [bead_measured()])
    assert student.get(url).json()["measuring"] is False


def test_a_shelf_lets_go_what_was_used_longest_ago_and_what_is_old(monkeypatch: pytest.MonkeyPatch) -> None:
    shelf, size = Shelf(), 1 << 20
    for k in range(MAX_BYTES // size + 3):
        shelf.put((k,), ("1",), bytes(size))
        shelf.get((0,), ("1",))
    assert shelf.get((0,), ("1",)) is not None, "used just now"
    assert shelf.get((1,), ("1",)) is None
    assert shelf.get((0,), ("2",)) is None, "something has changed"
    now = kept.time.monotonic()
    monkeypatch.setattr(kept.time, "monotonic", lambda: now + kept.KEEP_S + 1)
    assert shelf.get((0,), ("1",)) is None
