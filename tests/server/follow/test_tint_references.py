"""Tint references: flattened, named, told beside the scale, for those who teach."""

import json
from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client

from judicum.camera import Scene, View, take_photo
from judicum.core.photo.tint_strip import DENSITY
from judicum.server.follow.trust.models import TintReference
from tests.people import Course

pytestmark = pytest.mark.django_db


def photo() -> bytes:
    return take_photo(Scene(None, (45.0, 55.0), grain=0.1, stripe_nm=48.0, view=View(size=(1400, 1050)), seed=4)).jpeg


def name(client: Client, reference: int, *patches: tuple[float, float, int]) -> Any:
    body = {"patches": [{"x_px": x, "y_px": y, "level": level} for x, y, level in patches]}
    return client.put(f"/api/tint-references/{reference}", json.dumps(body), "application/json")


def test_a_strip_is_named_and_the_scale_is_read_beside_it(course: Course, client_of: Callable[..., Client]) -> None:
    client, at = client_of(course.assistant), f"/api/courses/{course.row.pk}/tint-references"
    made = client.post(at, photo(), "application/octet-stream")
    assert made.status_code == 201, made.content
    strip = made.json()
    assert client.get(strip["picture"]).content[:4] == b"\x89PNG"
    row = 25 * DENSITY
    named = name(client, strip["id"], (400, row, 5), (700, row, 3), (500, 40, 0)).json()
    assert [one["read_level"] for one in named["patches"]] == [5, 5, 0]
    assert named["said"][0] == "3 places named, 2 of them read as named."
    assert named["said"][1] == "Named 3 copper, read as 5 blue."
    assert name(client, strip["id"], (400, row, 5), (700, row, 5)).status_code == 400, "none is bare"
    assert len(client.get(at).json()["references"][0]["patches"]) == 3, "what was named stays"
    for method, url in (("GET", at), ("GET", strip["picture"]), ("DELETE", f"/api/tint-references/{strip['id']}")):
        assert client_of(course.student).generic(method, url).status_code == 403
    assert client_of(course.student).post(at, b"x", "application/octet-stream").status_code == 403
    assert name(client_of(course.student), strip["id"], (400, row, 5)).status_code == 403
    assert client.delete(f"/api/tint-references/{strip['id']}").status_code == 204
    assert not TintReference.objects.exists()


def test_what_is_no_photo_of_a_strip_is_refused(course: Course, client_of: Callable[..., Client]) -> None:
    at = f"/api/courses/{course.row.pk}/tint-references"
    answer = client_of(course.instructor).post(at, b"no picture", "application/octet-stream")
    assert answer.status_code == 400
    assert not TintReference.objects.exists()
