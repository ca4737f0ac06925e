"""Repeat studies: planned at random, photographed turn by turn, taken apart when all photos are there."""

import json
from collections.abc import Callable
from typing import Any

import cv2
import numpy as np
import pytest
from django.test import Client
from django.utils import timezone

from judicum.server.follow.trust.actions.repeat_study import start_study
from judicum.server.follow.trust.models import RepeatStudy, StudyPhoto
from judicum.server.people.courses.models import Course as CourseRow
from tests.drawn import bead_photo
from tests.people import Course

pytestmark = pytest.mark.django_db
ASKED = {"beads": 2, "people": ["Alma"], "phones": ["blue"], "photos": 2}


def start(client: Client, course: Course, **changes: Any) -> Any:
    return client.post(f"/api/courses/{course.row.pk}/studies", json.dumps({**ASKED, **changes}), "application/json")


def photograph(client: Client, study: int, turn: int, data: bytes) -> Any:
    return client.put(f"/api/studies/{study}/photos/{turn}", data, "application/octet-stream")


def mm(words: str) -> float:
    figure, unit = words.split()
    assert unit == "mm"
    return float(figure)


def filled(study: RepeatStudy, phones_off_mm: float = 0.0) -> None:
    """Photos of beads from 3.0 mm upwards, the second phone off by so much, each photo by some hundredths."""
    rng = np.random.default_rng(4)
    StudyPhoto.objects.bulk_create(
        StudyPhoto(
            study=study,
            turn=turn,
            figures={
                "width_mm": 3.0 + 0.3 * bead + phones_off_mm * phone + float(rng.normal(0, 0.02)),
                "width_cv": 0.05 + float(rng.normal(0, 0.01)),
                "pitch_mm": None if bead == 0 else 2.0,
                "pitch_cv": 0.1,
                "tint": "gold" if bead % 2 else "blue",
                "faults": ["pore"] if bead == 3 and phone == 0 else [],
            },
            strip=b"",
            wide_mm=80.0,
            at=timezone.now(),
        )
        for turn, (bead, _, phone) in enumerate(study.turns)
    )


def test_a_study_is_photographed_turn_by_turn_and_printed(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.instructor)
    study = start(client, course).json()
    assert (study["total"], study["done"], study["next"]["turn"]) == (4, 0, 0)
    refused = photograph(client, study["id"], 0, b"no picture")
    assert refused.status_code == 400
    for turn in range(4):
        study = photograph(client, study["id"], turn, bead_photo().jpeg).json()
    assert (study["done"], study["next"]) == (4, None)
    assert "wide" in study["last"]["words"]
    assert {one["name"] for one in study["figures"]} >= {"Width variation"}
    sheet = client.get(f"/api/studies/{study['id']}/sheet.pdf?paper=letter")
    assert (sheet.status_code, sheet.content[:5]) == (200, b"%PDF-")
    assert b"/Image" in sheet.content, "strips stand in it"
    assert client.get(f"/api/studies/{study['id']}/sheet.pdf?paper=a9").status_code == 400
    again = photograph(client, study["id"], 2, bead_photo().jpeg)
    assert again.json()["done"] == 4, "the newer photo counts"
    assert client.delete(f"/api/studies/{study['id']}").status_code == 204
    assert client.get(f"/api/courses/{course.row.pk}/studies").json()["studies"] == []


def test_a_photo_that_cannot_be_measured_says_why_and_takes_no_turn(
    course: Course, client_of: Callable[..., Client]
) -> None:
    client = client_of(course.instructor)
    study = start(client, course).json()
    answer = photograph(client, study["id"], 0, _no_card())
    assert answer.status_code == 400
    assert "Take it again" in answer.json()["detail"]
    assert not StudyPhoto.objects.exists()


def test_what_differs_is_said_when_all_photos_are_taken(
    course: Course, client_of: Callable[..., Client], django_assert_max_num_queries: Callable[..., Any]
) -> None:
    study = start_study(course.instructor, course.row.pk, 10, ["Alma", "Tobin"], ["blue", "old"], 2)
    filled(study, phones_off_mm=0.2)
    client = client_of(course.instructor)
    with django_assert_max_num_queries(24):  # 80 photos
        page = client.get(f"/api/courses/{course.row.pk}/studies").json()
    (shown,) = page["studies"]
    width, evenness, pitch_cv = shown["figures"]
    assert [one["name"] for one in shown["figures"]][1:2] == ["Width variation"]
    assert mm(width["phones"]) == pytest.approx(0.141, abs=0.01)
    assert mm(width["people"]) < 0.01
    assert mm(width["repeat"]) == pytest.approx(0.02, abs=0.006)
    assert evenness["classes"] < 5 <= width["classes"]
    assert pitch_cv["repeat"] == "0.0%"
    tint, pore = shown["consistency"]
    assert (tint["share"], tint["kappa"], pore["share"] < 1) == (1.0, 1.0, True)
    assert any("That is enough" in line for line in shown["said"])


@pytest.mark.parametrize(
    ("changes", "field"),
    [
        ({"beads": 1}, "beads"),
        ({"photos": 9}, "photos"),
        ({"people": []}, "people"),
        ({"people": ["Alma", "Alma"]}, "people"),
        ({"phones": ["x" * 41]}, "phones"),
        ({"beads": 20, "people": ["a", "b", "c"], "phones": ["d", "e"]}, "photos"),
    ],
)
def test_a_study_that_makes_no_sense_is_refused(
    course: Course, client_of: Callable[..., Client], changes: dict[str, Any], field: str
) -> None:
    answer = start(client_of(course.instructor), course, **changes)
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (400, field)
    assert not RepeatStudy.objects.exists()


def test_studies_are_of_those_who_teach(course: Course, client_of: Callable[..., Client]) -> None:
    study = start(client_of(course.assistant), course).json()["id"]
    for method, path in (
        ("GET", f"/api/courses/{course.row.pk}/studies"),
        ("GET", f"/api/studies/{study}"),
        ("DELETE", f"/api/studies/{study}"),
        ("GET", f"/api/studies/{study}/sheet.pdf"),
    ):
        assert client_of(course.student).generic(method, path).status_code == 403, path
    assert photograph(client_of(course.student), study, 0, b"x").status_code == 403
    CourseRow.objects.filter(pk=course.row.pk).update(archived_at=timezone.now())
    assert photograph(client_of(course.instructor), study, 0, b"x").status_code == 409


def _no_card() -> bytes:
    return cv2.imencode(".jpg", np.full((900, 1200, 3), 128, np.uint8))[1].tobytes()
