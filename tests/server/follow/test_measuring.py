"""How true measuring is here: phones checked, widths callipered, and the course's agreement."""

from collections.abc import Callable
from datetime import timedelta
from typing import Any

import numpy as np
import pytest
from django.test import Client

from judicum.server.follow.trust.models import Calliper, PhoneCheck
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.photos.models import Measurement
from tests.core.trust.test_trust import shot
from tests.measured import measured_attempt
from tests.people import Course

pytestmark = pytest.mark.django_db


def test_a_phone_is_checked_by_the_target_and_kept_for_its_owner(
    course: Course, client_of: Callable[..., Client]
) -> None:
    client = client_of(course.student)
    answer = client.post("/api/phone-checks?phone=blue+one", shot(), "application/octet-stream")
    assert answer.status_code == 201, answer.content
    found = answer.json()
    assert (found["phone"], found["figures"]["say"], found["again"]) == ("blue one", ["fine"], False)
    assert found["uncertainty_mm"] < 0.08
    assert "glare" in found["words"][-1]
    assert [one["id"] for one in client.get("/api/phone-checks").json()["checks"]] == [found["id"]]
    assert client_of(course.instructor).get("/api/phone-checks").json()["checks"] == []
    tilted = client.post("/api/phone-checks?phone=blue+one", shot(tilt_deg=22.0), "application/octet-stream").json()
    assert tilted["words"][0] == "Hold it straight above."


@pytest.mark.parametrize(
    ("query", "body", "field"), [("", b"x", "phone"), ("?phone=a", b"", "photo"), ("?phone=" + "a" * 61, b"x", "phone")]
)
def test_a_check_needs_a_name_and_a_photo(course: Course, client_of: Callable[..., Client], query: str, body: bytes, field: str) -> None:  # fmt: skip
    answer = client_of(course.student).post(f"/api/phone-checks{query}", body, "application/octet-stream")
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (400, field)
    assert not PhoneCheck.objects.exists()


def test_what_is_no_picture_is_refused(course: Course, client_of: Callable[..., Client]) -> None:
    answer = client_of(course.student).post(
        "/api/phone-checks?phone=a", b"no picture at all", "application/octet-stream"
    )
    assert answer.status_code == 400
    assert not PhoneCheck.objects.exists()


def test_widths_are_taken_where_the_strip_says_and_shown_beside_measured_ones(
    course: Course, api: Callable[..., Any]
) -> None:
    attempt = measured_attempt(course)
    url = f"/api/attempts/{attempt.pk}/callipers"
    before = api(course.student, "GET", url).json()
    assert len(before["places"]) == 3
    # Whoever is to measure does not read the figure first.
    assert [one["measured_mm"] for one in before["places"]] == [None] * 3
    first = before["places"][0]["s_mm"]
    after = api(course.student, "PUT", url, {"places": [{"s_mm": first, "width_mm": 4.4}]}).json()
    assert after["places"][0]["width_mm"] == 4.4
    assert after["places"][0]["measured_mm"] > 3
    assert after["places"][1]["measured_mm"] is None
    api(course.instructor, "PUT", url, {"places": [{"s_mm": first, "width_mm": None}]})
    assert not Calliper.objects.exists()
    for body, field in (({"s_mm": 900, "width_mm": 4}, "s_mm"), ({"s_mm": first, "width_mm": 400}, "width_mm")):
        refused = api(course.student, "PUT", url, {"places": [body]})
        assert (refused.status_code, refused.json()["errors"][0]["field"]) == (400, field)
    assert api(course.student, "PUT", f"/api/attempts/{course.attempt.pk}/callipers", {"places": [{"s_mm": 1, "width_mm": 4}]}).status_code in (200, 409)  # fmt: skip


def test_who_may_what(course: Course, api: Callable[..., Any]) -> None:
    attempt = measured_attempt(course)
    url, page = f"/api/attempts/{attempt.pk}/callipers", f"/api/courses/{course.row.pk}/measuring"
    body = {"places": [{"s_mm": 20.0, "width_mm": 4.4}]}
    for who in (course.other, course.stranger):
        assert api(who, "GET", url).status_code == 404
        assert api(who, "PUT", url, body).status_code == 404
    for who, code in ((course.student, 403), (course.stranger, 404), (course.assistant, 200), (course.instructor, 200)):
        assert api(who, "GET", page).status_code == code
    share = f"/api/courses/{course.row.pk}/calliper-share"
    for who, code in ((course.student, 403), (course.assistant, 403), (course.stranger, 404), (course.instructor, 200)):
        assert api(who, "PUT", share, {"share": 30}).status_code == code
    assert api(course.instructor, "PUT", share, {"share": 130}).status_code == 400


def test_the_lot_asks_a_share_of_attempts(course: Course, api: Callable[..., Any]) -> None:
    attempts = [measured_attempt(course) for _ in range(6)]
    asked = lambda: [api(course.student, "GET", f"/api/attempts/{a.pk}/callipers").json()["asked"] for a in attempts]  # noqa: E731
    assert asked() == [False] * 6
    api(course.instructor, "PUT", f"/api/courses/{course.row.pk}/calliper-share", {"share": 100})
    assert asked() == [True] * 6
    assert asked() == asked()


def callipered(course: Course, attempt: Attempt, off_mm: float) -> None:
    profile = (Measurement.objects.get(photo__attempt=attempt).result or {})["profile"]
    s, width = profile["s_mm"], profile["width_mm"]
    for place in (20.0, 40.0, 60.0):
        Calliper.objects.create(attempt=attempt, s_mm=place, width_mm=float(np.interp(place, s, width)) - off_mm, by=course.student, at=attempt.created_at)  # fmt: skip


def test_a_known_bias_is_found_and_what_is_claimed_grows(course: Course, api: Callable[..., Any]) -> None:
    url = f"/api/courses/{course.row.pk}/measuring"
    assert api(course.instructor, "GET", url).json()["said"] == [
        "Fewer than two beads have callipered widths: nothing can be told yet."
    ]
    early = Attempt.objects.filter(student=course.student).earliest("created_at").created_at - timedelta(days=1)
    PhoneCheck.objects.create(user=course.student, phone="blue one", figures={}, at=early)
    rng = np.random.default_rng(2)
    for k in range(14):
        callipered(course, measured_attempt(course), (0.7 if k > 5 else 0.3) + float(rng.normal(0, 0.02)))
    page = api(course.instructor, "GET", url).json()
    assert page["count"] == 14
    assert page["whole"]["bias_low_mm"] < 0.53 < page["whole"]["bias_high_mm"]
    assert page["whole"]["factor"] > 1.3
    assert any("each stated uncertainty is multiplied" in line for line in page["said"])
    assert {one["kind"] for one in page["groups"]} == {"engine", "phone", "metal", "joint", "finish"}
    assert page["chart"] is not None
    assert len(page["points"]) == 14


def test_the_page_asks_no_more_for_more_beads(course: Course, client_of: Callable[..., Client], django_assert_max_num_queries: Any) -> None:  # fmt: skip
    for _ in range(5):
        callipered(course, measured_attempt(course), 0.1)
    staff = client_of(course.instructor)
    with django_assert_max_num_queries(11):
        staff.get(f"/api/courses/{course.row.pk}/measuring")


def test_where_callipers_differ_by_more_than_is_stated_the_stated_grows_and_shrinks_again(
    course: Course, api: Callable[..., Any]
) -> None:
    factors = []
    for off in (0.0, 1.5, 1.5, 0.0, 0.0):
        attempt = measured_attempt(course)
        profile = (Measurement.objects.get(photo__attempt=attempt).result or {})["profile"]
        width = float(np.interp(40, profile["s_mm"], profile["width_mm"])) - off
        body = {"places": [{"s_mm": 40.0, "width_mm": round(width, 2)}]}
        assert api(course.student, "PUT", f"/api/attempts/{attempt.pk}/callipers", body).status_code == 200
        factors.append(api(course.student, "GET", f"/api/courses/{course.row.pk}").json()["width_factor"])
    assert factors[0] == 1
    assert factors[2] > 1.2
    assert 1 <= factors[4] < factors[2]
