"""The guide for newcomers: what is done, ticking and dismissing, and the sample bead."""

from collections.abc import Callable

import pytest
from django.test import Client

from judicum.core.errors import NotAllowed, WrongState
from judicum.core.photo.measure import measure_photo
from judicum.server.people.accounts.models import User
from judicum.server.read.guide import guide_of
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.models import Mark
from judicum.server.upkeep.create_course import create_course
from judicum.server.upkeep.try_sample import BEAD, try_sample
from tests.people import Course


def done(user: User, course_id: int) -> dict[str, bool]:
    return {step.key: step.done for step in guide_of(user, course_id).steps}


def test_an_empty_course_leads_through_five_things_until_all_are_done(course: Course) -> None:
    fresh = create_course(course.instructor, "Fresh")
    assert done(course.instructor, fresh.pk) == dict.fromkeys(("card", "people", "coupon", "photo", "mark"), False)
    with pytest.raises(WrongState, match="no-coupon-to-try"):
        try_sample(course.instructor, fresh.pk)
    assert done(course.instructor, course.row.pk) == {
        "card": False, "people": True, "coupon": True, "photo": False, "mark": False,
    }  # fmt: skip


def test_a_sample_bead_can_be_marked_and_is_sent_by_nobody_who_can_sign_in(
    course: Course, client_of: Callable[..., Client]
) -> None:
    client = client_of(course.instructor)
    answer = client.post(f"/api/courses/{course.row.pk}/guide/sample").json()
    assert {step["key"]: step["done"] for step in answer["steps"]}["photo"]
    sample = User.objects.get(username=f"sample-{course.row.pk}")
    assert (sample.is_active, sample.display_name) == (False, "Sample student")
    attempt = sample.attempts.get()
    assert (answer["attempt"], attempt.state, attempt.runs.count()) == (attempt.pk, "photographed", 1)
    with pytest.raises(NotAllowed):
        try_sample(course.student, course.row.pk)
    assert try_sample(course.instructor, course.row.pk).number == 2, "once more is one attempt more"


def test_the_sample_bead_is_measured() -> None:
    report = measure_photo(BEAD.read_bytes()).report
    assert (report.refusal, report.quality.warnings) == (None, [])
    assert report.bead is not None
    assert report.bead.width_mm.mean == pytest.approx(4.1, abs=0.2)


def test_it_is_gone_when_done_or_dismissed_and_for_that_person_alone(
    course: Course, client_of: Callable[..., Client]
) -> None:
    url = f"/api/courses/{course.row.pk}/guide"
    student = client_of(course.student)
    assert [step["key"] for step in student.get(url).json()["steps"]] == ["log", "send", "read"]
    assert student.patch(url, {"tick": "over"}, "application/json").json() == {
        "steps": [], "over": True, "attempt": None,
    }  # fmt: skip
    assert student.get(url).json()["over"]
    staff = client_of(course.instructor)
    ticked = staff.patch(url, {"tick": "card"}, "application/json").json()
    assert {step["key"]: step["done"] for step in ticked["steps"]}["card"]
    assert staff.patch(url, {"tick": "cards"}, "application/json").status_code == 400
    assert not staff.get(url).json()["over"]


def test_a_course_that_marks_already_is_led_through_nothing(course: Course, client_of: Callable[..., Client]) -> None:
    try_sample(course.instructor, course.row.pk)
    attempt = Attempt.objects.exclude(state="assigned").get()
    staff = client_of(course.instructor)
    body = {"version": attempt.version, "scores": {}, "comment": "", "next_change": "slower"}
    proposal = staff.get(f"/api/attempts/{attempt.pk}/suggestions").json()
    body["scores"] = {line["criterion"]: 8 for line in proposal["lines"]}
    assert staff.put(f"/api/attempts/{attempt.pk}/mark", body, "application/json").status_code == 200
    version = staff.get(f"/api/attempts/{attempt.pk}").json()["version"]
    returned = staff.post(f"/api/attempts/{attempt.pk}/return", {"version": version}, "application/json")
    assert returned.status_code == 200, returned.json()
    assert Mark.objects.get(attempt=attempt).returned_at is not None
    assert guide_of(course.instructor, course.row.pk).over
