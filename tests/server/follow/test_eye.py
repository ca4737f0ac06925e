"""Rounds of the eye trainer: drawn by the worker, answered one after another, each one's own."""

from collections.abc import Callable
from datetime import timedelta
from typing import Any

import numpy as np
import pytest
from django.test import Client

from judicum.core import eye
from judicum.server.follow.eye import tasks
from judicum.server.follow.eye.models import EyeBead, EyeCard, EyeRound
from tests.people import Course

pytestmark = pytest.mark.django_db


@pytest.fixture(autouse=True)
def _small(monkeypatch: pytest.MonkeyPatch) -> None:
    """Pictures small enough to be drawn in no time."""
    monkeypatch.setattr(tasks, "SIZE", (160, 120))


def begun(client: Client) -> Any:
    made = client.post("/api/eye/rounds")
    assert made.status_code == 201
    return made.json()


def answer(client: Client, of: EyeRound, number: int, right: bool) -> Any:
    asked = eye.Question.from_json(of.questions[number - 1])
    wrong = next(code for code in asked.causes if code != asked.cause)
    said = asked.cause if right else wrong
    symptom = next(code for code in asked.symptoms if (code in asked.right) == right)
    body = {"symptom": symptom, "cause": said, "change": said}
    return client.post(f"/api/eye/rounds/{of.pk}/beads/{number}", body, "application/json")


def played(client: Client, user: Any, right: Callable[[int], bool]) -> EyeRound:
    of = EyeRound.objects.get(pk=begun(client)["id"])
    for number in range(1, eye.ROUND + 1):
        assert answer(client, of, number, right(number)).status_code == 200
    of.refresh_from_db()
    return of


def test_a_round_is_drawn_and_shows_the_log_but_not_the_answer(
    course: Course, client_of: Callable[..., Client], monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(eye, "ROUND", 3)
    student = client_of(course.student)
    made = begun(student)
    assert [one["drawn"] for one in made["questions"]] == [False] * 3
    tasks.draw_round(made["id"])
    tasks.draw_round(made["id"])  # once more draws nothing twice
    assert EyeBead.objects.count() == 3
    shown = student.get(f"/api/eye/rounds/{made['id']}").json()
    one = shown["questions"][0]
    assert one["drawn"]
    assert one["given"] is None
    assert [name for name, _ in one["log"] if name == "Welding current"] == ["Welding current"]
    picture = student.get(f"/api/eye/rounds/{made['id']}/beads/1")
    assert (picture["Content-Type"], picture.content[:2]) == ("image/jpeg", b"\xff\xd8")
    assert student.get(f"/api/eye/rounds/{made['id']}/beads/9").status_code == 404


def test_answers_count_and_say_what_it_was(course: Course, client_of: Callable[..., Client]) -> None:
    student = client_of(course.student)
    of = EyeRound.objects.get(pk=begun(student)["id"])
    right = answer(student, of, 1, True).json()
    assert right["score"] == sum(eye.POINTS.values())
    assert right["questions"][0]["given"]["right"] == {"symptom": True, "cause": True, "change": True}
    wrong = answer(student, of, 2, False).json()
    assert wrong["score"] == right["score"]
    assert wrong["questions"][1]["given"]["advice"]
    assert wrong["questions"][2]["given"] is None


def test_what_is_known_comes_back_later_than_what_was_missed_and_levels_follow(
    course: Course, client_of: Callable[..., Client]
) -> None:
    student = client_of(course.student)
    first = played(student, course.student, lambda number: True)
    assert (first.level, first.score) == (1, eye.FULL_SCORE)
    second = played(student, course.student, lambda number: number == 1)
    assert (second.level, EyeBead.objects.count()) == (2, 0)
    page = student.get(f"/api/courses/{course.row.pk}/eye").json()
    assert (page["next_level"], page["open_round"], len(page["rounds"])) == (1, None, 2)
    assert page["shown"] == EyeCard.objects.count() > 4
    asked = [eye.Question.from_json(raw).cause for raw in second.questions]
    missed = {cause for cause in asked[1:] if cause != eye.SOUND} - {asked[0]}
    early = EyeCard.objects.filter(cause__in=missed).order_by("-due").first()
    assert early is not None
    assert early.due - second.started_at < timedelta(days=2)


def test_only_the_next_bead_is_answered_and_only_as_offered(course: Course, client_of: Callable[..., Client]) -> None:
    student = client_of(course.student)
    of = EyeRound.objects.get(pk=begun(student)["id"])
    assert answer(student, of, 2, True).json()["code"] == "wrong_state"
    body = {"symptom": "sound", "cause": "luck", "change": "sound"}
    refused = student.post(f"/api/eye/rounds/{of.pk}/beads/1", body, "application/json")
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (400, "cause")
    of.refresh_from_db()
    assert of.answers == []
    assert begun(student)["id"] == of.pk, "the open one goes on"


def test_a_round_is_ones_own(course: Course, client_of: Callable[..., Client]) -> None:
    made = begun(client_of(course.student))
    for who in (course.other, course.instructor, course.stranger):
        assert client_of(who).get(f"/api/eye/rounds/{made['id']}").status_code == 404
        assert client_of(who).get(f"/api/eye/rounds/{made['id']}/beads/1").status_code == 404
    assert client_of(course.stranger).get(f"/api/courses/{course.row.pk}/eye").status_code == 404
    assert client_of(course.assistant).get(f"/api/courses/{course.row.pk}/eye").status_code == 200


def test_every_cause_that_can_be_drawn_is_drawn_as_asked() -> None:
    from judicum.camera.welders import Welder, case_of
    from judicum.server.follow.eye.actions.play_round import SHOWN

    for code in SHOWN:
        _, case = case_of(Welder((code,), 7, bad=0.5))
        assert case["runs"]
        assert eye.question(code, 5, np.random.default_rng(1), SHOWN).cause == code
