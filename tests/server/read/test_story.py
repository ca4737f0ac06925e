"""A student's story and a class's week: sequence, figures and where they go, changes asked for, what goes wrong now."""

from collections.abc import Callable
from datetime import timedelta

import pytest
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from judicum.core.acceptance import STUCK_DAYS
from judicum.core.photo.engine import engine_version
from judicum.server.people.courses.models import Membership
from judicum.server.read.progress.story import story
from judicum.server.read.progress.week import week_of
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.causes.models import Verdict
from judicum.server.record.photos.models import MeasurementSummary
from judicum.words.progress import became_words
from tests.measured import measured_attempt
from tests.people import Course
from tests.server.read.test_forecasts import returned
from tests.server.read.test_lists import many

pytestmark = pytest.mark.django_db


def progress(client: Client, course: Course) -> dict:
    return client.get(f"/api/courses/{course.row.pk}/students/{course.student.pk}/progress").json()


def test_the_ladder_says_what_is_done_tried_ready_and_locked(course: Course, client_of: Callable[..., Client]) -> None:
    staff = client_of(course.instructor)
    states = [step_number["state"] for step_number in progress(staff, course)["sequence"]]
    assert states[:2] == ["ready", "locked"]
    returned(staff, course, 8.0)
    assert progress(staff, course)["sequence"][0]["state"] == "tried"
    for _ in range(2):
        returned(staff, course, 8.0)
    sequence = progress(staff, course)["sequence"]
    assert [step_number["state"] for step_number in sequence][:3] == ["done", "ready", "locked"]
    assert sequence[0]["assignment"] == course.assignment.pk


def test_toes_are_compared_by_what_the_hand_was_propped_on_once_two_ways_can_be(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff = client_of(course.instructor)
    for prop, waviness in (("arm", 0.04), ("arm", 0.06), ("none", 0.10)):
        attempt = measured_attempt(course)
        Run.objects.filter(attempt=attempt).update(prop=prop)
        MeasurementSummary.objects.filter(attempt=attempt).update(toe_waviness=waviness)
        assert progress(staff, course)["propped"] == []
        Attempt.objects.filter(pk=attempt.pk).update(state="returned")
    attempt = measured_attempt(course)
    Run.objects.filter(attempt=attempt).update(prop="none")
    MeasurementSummary.objects.filter(attempt=attempt).update(toe_waviness=0.08)
    found = progress(staff, course)["propped"]
    assert [(one["prop"], one["count"], round(one["toe_waviness"], 3)) for one in found] == [
        ("arm", 2, 0.05),
        ("none", 2, 0.09),
    ]


def test_each_figure_has_its_band_its_values_and_where_it_goes(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff = client_of(course.instructor)
    for score in (6.0, 7.0, 8.0):
        returned(staff, course, score)
    figures = {one["key"]: one for one in progress(staff, course)["series"][0]["figures"]}
    assert set(figures) == {"width_cv", "pitch_cv", "toe_waviness", "tint_level", "total"}
    assert (figures["width_cv"]["good"], len(figures["width_cv"]["values"]), len(figures["width_cv"]["cone"])) == (
        0.06,
        3,
        3,
    )
    assert figures["total"]["values"] == [60.0, 70.0, 80.0]
    assert figures["total"]["formatted"] == ["60", "70", "80"]
    assert figures["total"]["cone"][0]["mid"] > 80
    measured_attempt(course)
    mine = progress(client_of(course.student), course)["series"][0]
    assert mine["figures"][-1]["values"][-1] is None
    assert mine["engines"] == [engine_version()]


def test_changes_are_said_with_what_became_of_them_and_the_cause_to_those_who_teach(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff, student = client_of(course.instructor), client_of(course.student)
    returned(staff, course, 6.0, next_change="count a steady beat", cause="cadence_uneven")
    first = progress(staff, course)["changes"][0]
    assert (first["text"], first["cause"], first["became"]) == ("count a steady beat", "Uneven dabbing", "")
    returned(staff, course, 7.0, next_change="hold it")
    verdict = Verdict.objects.get(cause="cadence_uneven")
    assert verdict.gone in ("gone", "less", "still", "unknown")
    Verdict.objects.filter(pk=verdict.pk).update(done="done", gone="gone")
    changes = progress(student, course)["changes"]
    assert [one["text"] for one in changes] == ["hold it", "count a steady beat"]
    assert changes[1]["became"] == became_words("done", "gone") != ""
    assert [one["cause"] for one in changes] == [None, None]


def test_the_week_tells_faults_and_causes_beside_the_month_before(
    course: Course, client_of: Callable[..., Client]
) -> None:
    Membership.objects.update(joined_at=timezone.now() - timedelta(days=STUCK_DAYS + 1))
    attempts = many(course, 24)
    pore = [{"kind": "pore", "s_mm": 10.0}]
    MeasurementSummary.objects.filter(attempt__in=attempts[-5:]).update(faults=pore)
    MeasurementSummary.objects.filter(attempt=attempts[0]).update(faults=[{"kind": "undercut", "s_mm": 4.0}])
    Verdict.objects.create(
        attempt=attempts[-1], cause="flow_low", confirmed=True, by=course.instructor, at=timezone.now()
    )
    answer = client_of(course.assistant).get(f"/api/courses/{course.row.pk}/week").json()
    assert [one["words"] for one in answer["faults"]] == ["pore", "undercut"]
    assert (answer["faults"][0]["now"], answer["faults"][0]["now_of"], answer["faults"][0]["before"]) == (5, 7, 0)
    assert answer["faults"][0]["said"] == "5 of 7 beads, 0 of 17 in the month before"
    assert [one["now"] for one in answer["causes"]] == [1]
    spread = {one["key"]: one for one in answer["figures"]}
    assert [one["student"]["display_name"] for one in spread["width_cv"]["places"]] == ["Sanne"]
    assert spread["width_cv"]["good"] == 0.06
    assert [one["student"]["display_name"] for one in answer["resting"]] == ["Odo"]


def test_a_course_that_has_rested_is_said_of_its_last_week(course: Course) -> None:
    attempts = many(course, 5)
    Attempt.objects.filter(pk__in=[a.pk for a in attempts]).update(created_at=timezone.now() - timedelta(days=60))
    found = week_of(course.instructor, course.row.pk)
    assert found.since < timezone.now() - timedelta(days=60)
    assert found.until - found.since == timedelta(days=7)


@pytest.mark.parametrize(
    "read", [lambda c: story(c.instructor, c.row.pk, c.student.pk), lambda c: week_of(c.instructor, c.row.pk)]
)
def test_story_and_week_take_as_many_queries_for_few_as_for_many(
    course: Course, read: Callable[[Course], object]
) -> None:
    counts = []
    for _ in range(2):
        measured_attempt(course)
        with CaptureQueriesContext(connection) as caught:
            read(course)
        counts.append(len(caught))
    assert counts[0] == counts[1]
