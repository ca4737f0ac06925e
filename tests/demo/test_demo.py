"""The demo course: its stories are sound and can be found, it is there at once and fills whole attempt by attempt."""

from typing import Any

import pytest
from django.utils import timezone

from judicum.camera.habits import HABITS, NOT_DRAWN
from judicum.core.causes import CAUSES
from judicum.core.photo.measure import measure_photo
from judicum.demo import fill as filling
from judicum.demo.drawing import Weld, draw, habits_of, shaky
from judicum.demo.load import load, plans
from judicum.demo.scenario import scenario
from judicum.server.catalogue.coupons.library import load_library
from judicum.server.follow.sessions.models import BoothSlot
from judicum.server.follow.trust.models import Calliper, PhoneCheck
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course, Membership
from judicum.server.record.attempts.models import Attempt, Event
from judicum.server.record.causes.models import Verdict
from judicum.server.record.marking.models import Phrase
from judicum.server.record.photos.models import Measurement
from tests.drawn import bead_photo
from tests.measured import bead_measured

pytestmark = pytest.mark.django_db


def test_the_story_has_a_course_staff_and_ten_students_with_habits_of_the_stand_in() -> None:
    answer = scenario()
    assert {p["role"] for p in answer["staff"]} == {"instructor", "assistant"}
    assert len(answer["students"]) == 10
    weeks = answer["course"]["weeks"]
    for one in answer["students"]:
        for part in one["story"]:
            assert part["habit"] in HABITS
            assert 0 <= part["weeks"][0] < part["weeks"][1] <= weeks
    assert len({a["design"] for a in answer["assignments"]}) == 6
    assert set(HABITS) == set(CAUSES) - NOT_DRAWN


def test_about_a_hundred_and_twenty_attempts_are_planned_in_the_order_of_time() -> None:
    load_library()
    made = plans(scenario())
    assert 110 <= len(made) <= 130
    shares = [p.share for p in made]
    assert shares == sorted(shares)
    assert len({p.seed for p in made}) == len(made)
    shaken = [p for p in made if shaky(p, scenario()["students"][p.student])]
    assert len(shaken) == 2


def plan(student: int, week: float, **more: Any) -> Weld:
    given: dict[str, Any] = {"assignment": 0, "number": 1, "target_width_mm": 4.0, "joint": "bead_on_plate", **more}
    return Weld(student=student, week=week, share=week / 12, **given)


def test_a_habit_is_in_force_for_its_weeks_and_eases_off() -> None:
    bo = scenario()["students"][1]
    early, late = habits_of(plan(1, 0.5), bo), habits_of(plan(1, 10.0), bo)
    assert [code for code, _, _ in early] == ["postflow_short"]
    assert early[0][2] < late[0][2]
    assert habits_of(plan(1, 12.0), bo) == []


def test_an_attempts_photo_can_be_measured_and_is_drawn_alike_every_time() -> None:
    person, at = scenario()["students"][5], plan(5, 11.5)
    jpeg = draw(at, person)
    assert jpeg == draw(at, person)
    report = measure_photo(jpeg).report
    assert report.bead is not None
    assert report.bead.width_mm.mean == pytest.approx(4.0, abs=0.9)


@pytest.fixture
def quick(monkeypatch: pytest.MonkeyPatch) -> dict[str, Any]:
    """The scenario of one attempt at one coupon, its photos replaced by one that is measured already."""
    found, answer = [bead_measured()], scenario()
    monkeypatch.setattr(
        filling, "_drawn", lambda jobs: iter([[(bead_photo().jpeg, found if job[2] else None)] for job in jobs])
    )
    return {**answer, "assignments": [{**answer["assignments"][0], "attempts": 1}]}


def test_the_course_is_there_at_once_with_nothing_welded(quick: dict[str, Any]) -> None:
    course = load(quick)
    assert Membership.objects.filter(course=course).count() == 12
    assert set(Attempt.objects.values_list("state", flat=True)) == {"assigned"}
    assert course.filling == {"done": 0, "total": 10}
    assert Phrase.objects.count() == 3


def test_it_fills_through_the_same_actions_people_use(quick: dict[str, Any]) -> None:
    course = load(quick)
    assert filling.fill(quick) == 10
    course.refresh_from_db()
    assert course.filling is None
    states = list(Attempt.objects.exclude(state="assigned").values_list("state", flat=True))
    assert (states.count("returned"), states.count("photographed")) == (2, filling.FOR_THE_WORKER)
    assert Measurement.objects.filter(state="waiting").count() == filling.FOR_THE_WORKER
    returned = Attempt.objects.filter(state="returned").first()
    assert returned is not None
    kinds = [e.kind for e in returned.events.order_by("at", "id")]
    assert kinds == ["open", "prepare", "log", "add_photo", "measure", "mark", "return"]
    assert returned.mark.comment
    events = Event.objects.order_by("at")
    assert events.first().at < events.last().at  # type: ignore[union-attr]
    # The next coupons are given, and everybody has a place for each; two are late with an old one.
    ahead = Attempt.objects.filter(state="assigned")
    late = ahead.filter(assignment__due_on__lt=timezone.now().date())
    assert set(late.values_list("student__username", flat=True)) == {"gus", "juno"}
    assert set(BoothSlot.objects.values_list("student_id", "assignment_id")) == set(
        ahead.difference(late).values_list("student_id", "assignment_id")
    )
    assert BoothSlot.objects.count() >= 20
    # Some widths were taken by callipers, and two students checked their phones: the smeared lens is told.
    assert Calliper.objects.values("attempt").distinct().count() == 1
    checked = {check.phone: check.figures["say"] for check in PhoneCheck.objects.all()}
    assert (checked["blue phone"], checked["old phone"][0]) == (["fine"], "sharper")
    # What was noted at the booth is explained though every bead here is the same good one.
    assert set(Verdict.objects.values_list("attempt__student__username", flat=True)) == {"bo"}


def test_a_fill_that_was_ended_goes_on_where_it_was(quick: dict[str, Any], monkeypatch: pytest.MonkeyPatch) -> None:
    load(quick)
    whole = filling._write

    def fail_at_the_fifth(*given: Any, **more: Any) -> None:
        if Attempt.objects.exclude(state="assigned").count() == 4:
            whole(*given, **more)
            raise OSError("No space left on device")
        whole(*given, **more)

    monkeypatch.setattr(filling, "_write", fail_at_the_fifth)
    with pytest.raises(OSError, match="No space"):
        filling.fill(quick)
    assert Attempt.objects.exclude(state="assigned").count() == 4
    assert Course.objects.get().filling == {"done": 4, "total": 10}
    monkeypatch.setattr(filling, "_write", whole)
    assert filling.fill(quick) == 6
    assert filling.fill(quick) == 0
    assert User.objects.count() == 12
