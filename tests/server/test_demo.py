"""The demo course: its story is sound and its photos are measurable; loaded in small here."""

from typing import Any

import pytest

from judicum.core.photo.measure import measure_photo
from judicum.demo import load as loading
from judicum.demo.drawing import Weld, draw
from judicum.demo.scenario import scenario
from judicum.server.accounts.models import User
from judicum.server.attempts.models import Attempt, Event
from judicum.server.coupons.library import load_library
from judicum.server.courses.models import Course, Membership
from judicum.server.photos.models import Measurement
from tests.measured import bead_measured

pytestmark = pytest.mark.django_db


def test_the_story_has_a_course_staff_and_eight_students_of_whom_one_does_not_get_better() -> None:
    told = scenario()
    assert {p["role"] for p in told["staff"]} == {"instructor", "assistant"}
    assert len(told["students"]) == 8
    stuck = [s for s in told["students"] if s["to"]["width_cv"] >= s["from"]["width_cv"]]
    assert len(stuck) == 1
    assert told["course"]["weeks"] == 8


def test_about_forty_attempts_are_planned_in_the_order_of_time() -> None:
    load_library()
    plans = loading.plans(scenario())
    assert 36 <= len(plans) <= 48
    shares = [p.share for p in plans]
    assert shares == sorted(shares)
    assert len({p.seed for p in plans}) == len(plans)


def test_an_attempts_photo_can_be_measured_and_is_drawn_alike_every_time() -> None:
    plan = Weld(student=1, assignment=0, number=1, share=0.1, target_width_mm=4.0, joint="bead_on_plate")
    jpeg = draw(plan, scenario()["students"][1])
    assert jpeg == draw(plan, scenario()["students"][1])
    report = measure_photo(jpeg).report
    assert report.bead is not None
    assert report.bead.width_mm.mean == pytest.approx(4.0, abs=0.9)


def small(monkeypatch: pytest.MonkeyPatch) -> dict[str, Any]:
    """The scenario with its photos replaced by one that is measured already."""
    found = [bead_measured()]

    class OneProcess:
        def __init__(self, *_: object) -> None: ...
        def __enter__(self) -> "OneProcess":
            return self

        def __exit__(self, *_: object) -> None: ...
        def map(self, _: object, jobs: list[Any]) -> list[Any]:
            from tests.drawn import bead_photo

            return [(bead_photo().jpeg, found if job[2] else None) for job in jobs]

    monkeypatch.setattr(loading, "ProcessPoolExecutor", OneProcess)
    return scenario()


def test_loading_fills_the_course_through_the_same_actions_people_use(monkeypatch: pytest.MonkeyPatch) -> None:
    told = small(monkeypatch)
    loading.load(told)
    course = Course.objects.get(join_code=told["course"]["join_code"])
    assert Membership.objects.filter(course=course).count() == 10
    states = dict.fromkeys(Attempt.objects.values_list("state", flat=True))
    assert {"returned", "measured", "photographed"} <= set(states)
    assert Measurement.objects.filter(state="waiting").count() == 4
    returned = Attempt.objects.filter(state="returned").first()
    assert returned is not None
    assert [e.kind for e in returned.events.order_by("at", "id")] == [
        "open",
        "prepare",
        "log",
        "add_photo",
        "measure",
        "mark",
        "return",
    ]
    assert returned.mark.comment
    assert Event.objects.order_by("at").first().at < Event.objects.order_by("-at").first().at  # type: ignore[union-attr]


def test_an_interrupted_load_leaves_nothing_behind(monkeypatch: pytest.MonkeyPatch) -> None:
    told = small(monkeypatch)

    def fail(*_: object, **__: object) -> None:
        raise OSError("No space left on device")

    monkeypatch.setattr(loading, "set_mark", fail)
    with pytest.raises(OSError, match="No space"):
        loading.load(told)
    assert not Course.objects.exists()
    assert not User.objects.exists()
    assert not Attempt.objects.exists()
