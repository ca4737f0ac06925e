"""Mail: what one wishes to be told, the mail of the day, the outbox an owner reads, a forgotten password."""

from collections.abc import Callable
from datetime import UTC, date, datetime, timedelta
from email import message_from_bytes, policy
from pathlib import Path
from typing import Any

import pytest
from django.test import Client
from django.utils import timezone

from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.follow.notices.actions.save_preference import save_preference
from judicum.server.follow.notices.actions.send_digests import send_digests
from judicum.server.follow.notices.models import NotificationPreference
from judicum.server.follow.stock.models import Item
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course as CourseRow
from judicum.server.record.attempts.actions.answer import answer_attempt
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.models import Mark
from tests.people import PASSWORD, Course, logged

pytestmark = pytest.mark.django_db
JSON = "application/json"
MORNING = datetime(2031, 3, 4, 8, 0, tzinfo=UTC)


@pytest.fixture(autouse=True)
def _outbox(settings: Any) -> None:
    settings.EMAIL_BACKEND = "judicum.server.platform.outbox.Outbox"


def wishing(user: User, *kinds: str) -> User:
    user.set_password(PASSWORD)
    user.save()
    save_preference(user, f"{user.username}@example.org", kinds, PASSWORD)
    return user


def messages(settings: Any, workshop_id: int) -> list[Any]:
    files = sorted(Path(settings.VAR, "mail", str(workshop_id)).glob("*.eml"))
    return [message_from_bytes(file.read_bytes(), policy=policy.default) for file in files]


def test_an_address_takes_the_password_and_what_is_wished_is_checked(
    course: Course, client_of: Callable[..., Client]
) -> None:
    course.student.set_password(PASSWORD)
    course.student.save()
    client = client_of(course.student)
    assert client.get("/api/session/mail").json() == {"email": "", "kinds": []}
    body = {"email": "sanne@example.org", "kinds": ["returned", "due"]}
    assert client.put("/api/session/mail", body, JSON).json()["errors"][0]["field"] == "old"
    response = client.put("/api/session/mail", {**body, "password": PASSWORD}, JSON).json()
    assert response == {"email": "sanne@example.org", "kinds": ["due", "returned"]}
    assert client.put("/api/session/mail", {**body, "kinds": []}, JSON).status_code == 200, "same address, no password"
    for odd, field in (({"email": "no address", "kinds": []}, "email"), ({**body, "kinds": ["weather"]}, "kinds")):
        refused = client.put("/api/session/mail", {**odd, "password": PASSWORD}, JSON).json()
        assert refused["errors"][0]["field"] == field
    assert (
        client.put("/api/session/mail", {"email": "", "kinds": ["due"]}, JSON).json()["errors"][0]["field"] == "email"
    )


def test_one_mail_a_day_tells_what_is_new_and_only_what_is_wished(course: Course, settings: Any) -> None:
    student = wishing(course.student, "due", "returned", "again")
    wishing(course.other, "returned")
    Assignment.objects.filter(pk=course.assignment.pk).update(due_on=date(2031, 3, 5))
    assert send_digests(MORNING.replace(hour=5)) == 0, "not before seven"
    assert send_digests(MORNING) == 1
    assert send_digests(MORNING + timedelta(hours=3)) == 0, "once a day"
    response = messages(settings, course.row.workshop_id)
    assert [one["to"] for one in response] == ["sanne@example.org"]
    assert response[0]["subject"] == "Judicum, 4 Mar 2031: 1 due tomorrow"
    assert "- Bead on plate, 1.5 mm (Test course)" in response[0].get_content()
    attempt = logged(course)
    Attempt.objects.filter(pk=attempt.pk).update(state="measured")
    attempt.refresh_from_db()
    noon = MORNING + timedelta(hours=4)
    answer_attempt(course.instructor, attempt.pk, attempt.version, "weld_again", "Mind the gap.", noon)
    Assignment.objects.update(due_on=date(2031, 4, 1))
    assert send_digests(MORNING + timedelta(days=1)) == 1
    text = messages(settings, course.row.workshop_id)[1].get_content()
    assert "To do again\n- Bead on plate, 1.5 mm, attempt 1 (Test course): Mind the gap." in text
    assert send_digests(MORNING + timedelta(days=2)) == 0, "told already"
    Attempt.objects.filter(pk=attempt.pk).update(state="returned")
    Mark.objects.create(
        attempt=attempt, scheme=Scheme.objects.first(), scores={}, total=83.5, passed=True, marked_by=course.instructor,
        marked_at=MORNING, returned_at=MORNING + timedelta(days=2, hours=1),
    )  # fmt: skip
    assert send_digests(MORNING + timedelta(days=3)) == 1
    assert "83" not in messages(settings, course.row.workshop_id)[2].get_content(), "the mark itself stays inside"
    assert student.preference.digest_sent_at is None or NotificationPreference.objects.get(
        user=student
    ).digest_sent_at == MORNING + timedelta(days=3)


def test_the_morning_is_that_of_the_course_and_an_archived_one_is_silent(course: Course) -> None:
    wishing(course.student, "due")
    Assignment.objects.update(due_on=date(2031, 3, 5))
    CourseRow.objects.filter(pk=course.row.pk).update(time_zone="America/New_York")
    assert send_digests(MORNING) == 0, "three in the morning there"
    assert send_digests(MORNING.replace(hour=13)) == 1
    CourseRow.objects.filter(pk=course.row.pk).update(archived_at=timezone.now())
    Assignment.objects.update(due_on=date(2031, 3, 6))
    assert send_digests(MORNING + timedelta(days=1)) == 0


def test_those_who_teach_are_said_what_runs_low(course: Course, settings: Any) -> None:
    wishing(course.instructor, "low", "due")
    Item.objects.create(course=course.row, kind="cup", name="Cup 8", low_at=4, spec={"cup": 8})
    assert send_digests(MORNING) == 1
    text = messages(settings, course.row.workshop_id)[0].get_content()
    assert "Low stock\n- Cup 8: 0 pieces left (Test course)" in text


def test_a_forgotten_password_is_mailed_and_its_link_hidden_from_owners(
    course: Course, settings: Any, client_of: Callable[..., Client]
) -> None:
    wishing(course.student)
    for name in ("SANNE", "odo", "nobody"):
        assert Client().post("/api/password-forgotten", {"username": name}, JSON).status_code == 204
    (response,) = messages(settings, course.row.workshop_id)
    link = next(line for line in response.get_content().splitlines() if "/reset/" in line)
    _, who, token = link.rsplit("/", 2)
    body = {"person": int(who), "token": token, "password": "quite-another-one"}
    assert Client().post("/api/password-reset", body, JSON).status_code == 204
    User.objects.filter(pk=course.instructor.pk).update(owns=True)
    (shown,) = client_of(course.instructor).get("/api/workshop/mail").json()
    assert (shown["to"], shown["subject"]) == ("sanne@example.org", "Judicum: reset your password")
    assert "/reset/" not in shown["text"]
    assert client_of(course.stranger).get("/api/workshop/mail").json() == [], "another workshop's owner"


def test_a_mail_server_that_fails_is_no_error_of_the_page(course: Course, settings: Any) -> None:
    wishing(course.student, "due")
    settings.EMAIL_BACKEND = "django.core.mail.backends.smtp.EmailBackend"
    settings.EMAIL_HOST, settings.EMAIL_PORT = "127.0.0.1", 1
    assert Client().post("/api/password-forgotten", {"username": "sanne"}, JSON).status_code == 204
