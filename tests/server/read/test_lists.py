"""What is next and what is newest is answered over all there is, never over a page of it."""

from collections.abc import Callable
from datetime import timedelta

from django.test import Client
from django.utils import timezone

from judicum.server.catalogue.schemes.queries import scheme_coded
from judicum.server.record.attempts.actions.open_attempt import open_attempt
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.models import Mark
from judicum.server.record.photos.actions.save_summary import save_summary
from judicum.server.record.photos.models import Measurement, Photo
from tests.measured import measured_attempt
from tests.people import Course


def many(course: Course, count: int) -> list[Attempt]:
    """So many measured attempts of the student, the first one oldest, sharing one measured photo's bytes."""
    first = measured_attempt(course)
    photo = first.photos.get()
    made = photo.measurements.get()
    begun = timezone.now() - timedelta(days=count + 1)
    attempts = [first]
    for k in range(count):
        at = begun + timedelta(days=k)
        if k:
            attempts.append(open_attempt(course.assignment, course.student, course.student, at))
        attempt = attempts[k]
        Attempt.objects.filter(pk=attempt.pk).update(
            state="measured", shown_state="measured", created_at=at, updated_at=at, shown_at=at
        )
        if k:
            copy = Photo.objects.create(attempt=attempt, picture=photo.picture, sent_by=course.student, sent_at=at)
            Measurement.objects.create(
                photo=copy, state="done", report=made.report, strip=made.strip, engine_version="2.2", requested_at=at
            )
            save_summary(attempt.pk)
    return list(Attempt.objects.filter(pk__in=[a.pk for a in attempts]).order_by("created_at"))


def test_the_next_to_mark_is_the_one_that_waited_longest_of_more_than_a_page(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempts = many(course, 130)
    client = client_of(course.instructor)
    url = f"/api/courses/{course.row.pk}/next"
    assert client.get(url).json() == {"attempt": attempts[0].pk}
    assert client.get(f"{url}?but={attempts[0].pk}").json() == {"attempt": attempts[1].pk}
    oldest = client.get(f"/api/courses/{course.row.pk}/attempts?oldest_first=true&state=measured").json()
    assert oldest["results"][0]["id"] == attempts[0].pk
    pages, seen = oldest, len(oldest["results"])
    while pages["next"]:
        pages = client.get(pages["next"]).json()
        seen += len(pages["results"])
    assert seen == 130
    assert client.get(f"{url}?but=x").status_code == 400


def test_the_wall_has_the_newest_of_each_student_however_many_there_are(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempts = many(course, 130)
    other = Attempt.objects.get(student=course.other, assignment=course.assignment)
    Attempt.objects.filter(pk=other.pk).update(
        state="measured", shown_state="measured", created_at=timezone.now() - timedelta(days=400)
    )
    first = attempts[0].photos.get()
    old = Photo.objects.create(attempt=other, picture=first.picture, sent_by=course.other, sent_at=timezone.now())
    done = first.measurements.get()
    Measurement.objects.create(
        photo=old, state="done", report=done.report, strip=done.strip, requested_at=timezone.now()
    )
    save_summary(other.pk)
    client = client_of(course.instructor)
    rows = client.get(f"/api/courses/{course.row.pk}/wall").json()
    assert {r["student"]["display_name"]: [a["id"] for a in r["attempts"]] for r in rows} == {
        "Odo": [other.pk],
        "Sanne": [a.pk for a in attempts[:-5:-1]],
    }
    assert client.get(f"/api/courses/{course.row.pk}/wall?count=500").status_code == 400


def test_the_newest_attempts_count_in_the_row_of_good_ones_past_two_hundred(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempts = many(course, 203)
    six = scheme_coded(course.row.pk, "six_lines")
    for k, attempt in enumerate(attempts):
        total = 90.0 if k >= 200 else 40.0
        Mark.objects.create(
            attempt=attempt, scores={}, scheme=six, total=total, passed=total > 70, marked_by=course.instructor, marked_at=timezone.now(), returned_at=timezone.now()
        )  # fmt: skip
    found = client_of(course.student).get(f"/api/courses/{course.row.pk}/students/{course.student.pk}/progress").json()
    series = found["series"][0]
    assert series["good_in_a_row"] == 3
    assert series["attempts"][-1]["id"] == attempts[-1].pk


def test_the_attempt_before_is_said_by_the_server(course: Course, client_of: Callable[..., Client]) -> None:
    attempts = many(course, 3)
    answer = client_of(course.instructor).get(f"/api/attempts/{attempts[2].pk}").json()
    assert answer["earlier"] == {"id": attempts[1].pk, "number": 2}
