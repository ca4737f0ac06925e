"""The rows of `./judicum bench-load` fit the tables as they are, and every page of them can be read."""

import pytest
from django.test import Client

from judicum.bench import load_data
from judicum.bench.load import CLASS_PAGE, OF_STAFF
from judicum.server.people.courses.models import Membership
from judicum.server.record.attempts.models import Attempt
from tests.drawn import bead_photo


@pytest.mark.django_db(transaction=True)
def test_the_rows_fit_the_tables_and_the_class_page_reads_them(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(load_data, "LARGE", (1, 2, 3))
    monkeypatch.setattr(load_data, "CLASS", (1, 3, 2))
    monkeypatch.setattr(load_data, "SMALL", (0, 0, 0))
    monkeypatch.setattr("judicum.bench.course.drawn", lambda seed=3: bead_photo().jpeg)
    response = load_data.fill()
    assert response == {"attempts": Attempt.objects.count()}
    assert response["attempts"] == load_data.COUPONS * (2 * 3 + 3 * 2)
    assert set(CLASS_PAGE) <= set(OF_STAFF)
    for teacher in Membership.objects.filter(role="instructor").select_related("user"):
        client = Client()
        client.force_login(teacher.user, backend="django.contrib.auth.backends.ModelBackend")
        student = Membership.objects.filter(course_id=teacher.course_id, role="student").first()
        assert student is not None
        for page in (
            "attempts",
            "desk",
            "wall",
            "standings",
            "week",
            "agreement",
            f"students/{student.user_id}/progress",
        ):
            answer = client.get(f"/api/courses/{teacher.course_id}/{page}")
            assert answer.status_code == 200, page
            assert answer.json(), page
