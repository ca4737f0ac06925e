"""Whether two mark alike, what would have fitted better, reference beads and a test on them."""

from collections.abc import Callable

import pytest
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from judicum.server.catalogue.schemes.queries import scheme_coded
from judicum.server.read.agreement import agreement_page
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.models import Mark, Reference, SecondMark
from tests.measured import measured_attempt
from tests.people import Course
from tests.server.read.test_forecasts import returned
from tests.server.read.test_lists import many
from tests.server.record.test_marking import SCORES

pytestmark = pytest.mark.django_db


def marked_twice(course: Course, count: int, higher: float = 0.5) -> list[Attempt]:
    """So many attempts with both marks, the second one higher; the first one a point over what was suggested."""
    attempts, scheme = many(course, count), scheme_coded(course.row.pk, "training")
    for k, attempt in enumerate(attempts):
        first = dict.fromkeys(SCORES, 4.0 + k % 5)
        seen = timezone.now()
        Mark.objects.create(
            attempt=attempt, scheme=scheme, scores=first, suggested={key: s - 1 for key, s in first.items()},
            readings={"tint": 0.1 * (k % 12), "width_evenness": 0.03 + 0.01 * (k % 12)}, total=40.0 + 10 * (k % 5),
            passed=k % 5 > 2, marked_by=course.instructor, marked_at=seen, returned_at=seen,
        )  # fmt: skip
        SecondMark.objects.create(
            attempt=attempt, asked_at=seen, first={"scores": first, "total": 40.0 + 10 * (k % 5), "passed": k % 5 > 2},
            first_marker=course.instructor, scores={key: s + higher for key, s in first.items()},
            total=40.0 + 10 * (k % 5) + 10 * higher, passed=k % 5 > 2, marked_by=course.assistant, marked_at=seen,
        )  # fmt: skip
    Attempt.objects.filter(pk__in=[a.pk for a in attempts]).update(state="returned")
    return attempts


def test_agreement_is_said_by_line_in_total_and_by_pass(course: Course, client_of: Callable[..., Client]) -> None:
    marked_twice(course, 24)
    response = client_of(course.assistant).get(f"/api/courses/{course.row.pk}/agreement").json()
    lines = {one["key"]: one for one in response["lines"]}
    assert set(lines) == {*SCORES, "total", "passed"}
    tint = lines["tint"]
    assert (tint["pairs"], tint["difference"]["value"]) == (24, 0.5)
    assert tint["icc"]["value"] > 0.9
    assert tint["kappa"]["value"] > 0.9
    assert tint["said"] == "second marks are 0.50 above first marks; agreement: good"
    assert (lines["passed"]["kappa"]["value"], lines["total"]["difference"]["value"]) == (1.0, 5.0)
    markers = {one["marker"]["display_name"]: one for one in response["markers"]}
    assert markers["Ilka"]["usual"] == pytest.approx(10.0)
    assert markers["Asmus"]["usual"] == pytest.approx(15.0)
    assert not markers["Ilka"]["drifts"]
    departure = next(one for one in response["departures"] if one["criterion"] == "tint")
    assert departure["said"] == "marks are 1.25 above the suggested marks"


def test_a_scheme_that_fits_better_is_offered_and_never_applied(
    course: Course, client_of: Callable[..., Client]
) -> None:
    marked_twice(course, 24)
    staff = client_of(course.instructor)
    offers = staff.get(f"/api/courses/{course.row.pk}/agreement").json()["offers"]
    assert [one["code"] for one in offers] == ["training"]
    assert "Even width" in offers[0]["changed"]
    before = scheme_coded(course.row.pk, "training")
    assert before.version == 1
    body = {"code": "training", "scheme": offers[0]["scheme"]}
    tried = staff.post(f"/api/courses/{course.row.pk}/schemes/try", body, "application/json")
    assert len(tried.json()["marks"]) == 24
    assert scheme_coded(course.row.pk, "training").version == 1


def test_few_pairs_are_said_to_be_few(course: Course) -> None:
    marked_twice(course, 3)
    found = agreement_page(course.instructor, course.row.pk)
    tint = next(line for line in found.lines if line.key == "tint")
    assert tint.said.endswith("only 3 pairs, so this is uncertain")
    assert found.markers[0].said.endswith("18 more marks needed to detect drift")


def test_agreement_takes_as_many_queries_for_few_as_for_many(course: Course) -> None:
    counts = []
    marked_twice(course, 2)
    for _ in range(2):
        with CaptureQueriesContext(connection) as caught:
            agreement_page(course.instructor, course.row.pk)
        counts.append(len(caught))
        attempt = measured_attempt(course)
        seen = timezone.now()
        Mark.objects.create(
            attempt=attempt, scheme=scheme_coded(course.row.pk, "training"), scores=SCORES, suggested=SCORES, total=80.0,
            passed=True, marked_by=course.assistant, marked_at=seen, returned_at=seen,
        )  # fmt: skip
    assert counts[0] == counts[1]


def test_a_marker_tests_themselves_on_references_blind(course: Course, client_of: Callable[..., Client]) -> None:
    staff, assistant = client_of(course.instructor), client_of(course.assistant)
    attempts = [returned(staff, course, score) for score in (4.0, 6.0, 8.0, 9.0)]
    base = f"/api/courses/{course.row.pk}"
    assert assistant.post(f"{base}/self-tests", content_type="application/json").status_code == 409
    for attempt in attempts:
        kept = staff.put(f"/api/attempts/{attempt.pk}/reference", {"comment": "this is it"}, "application/json")
        assert kept.status_code == 204
    listed = assistant.get(f"{base}/references").json()
    assert (listed["tested"], len(listed["references"])) == (False, 4)
    test = assistant.post(f"{base}/self-tests", content_type="application/json").json()
    assert [bead["total"] for bead in test["beads"]] == [None] * 4
    assert "tint" in test["beads"][0]["lines"]
    assert not {"setup_followed", "preparation"} & set(test["beads"][0]["lines"])
    assert all(bead["comment"] is None and bead["scores"] is None for bead in test["beads"])
    assert test["beads"][0]["measurement"]["strip"] is not None
    url = f"{base}/self-tests/{test['id']}"
    assert staff.get(url).status_code == 404
    for bead in test["beads"]:
        answer = assistant.put(
            f"{url}/beads/{bead['id']}", {"scores": dict.fromkeys(bead["lines"], 7.0)}, "application/json"
        )
        assert answer.status_code == 200
    again = assistant.put(f"{url}/beads/{bead['id']}", {"scores": dict.fromkeys(SCORES, 7.0)}, "application/json")
    assert again.status_code == 409
    over = assistant.get(url).json()
    assert over["finished"]
    assert over["result"]["difference"]["value"] == pytest.approx(0.25)
    assert sorted(bead["total"] for bead in over["beads"]) == [40.0, 60.0, 80.0, 90.0]
    assert {bead["comment"] for bead in over["beads"]} == {"this is it"}
    assert assistant.get(f"{base}/references").json()["tested"]


def test_a_reference_is_a_returned_mark_and_is_let_go(course: Course, client_of: Callable[..., Client]) -> None:
    staff = client_of(course.instructor)
    waiting, over = measured_attempt(course), returned(staff, course, 8.0)
    url = "/api/attempts/{}/reference"
    assert staff.put(url.format(waiting.pk), {"comment": "x"}, "application/json").status_code == 409
    assert staff.put(url.format(over.pk), {"comment": " "}, "application/json").status_code == 400
    for comment in ("first", "better"):
        staff.put(url.format(over.pk), {"comment": comment}, "application/json")
    assert [one.comment for one in Reference.objects.filter(released_at=None)] == ["better"]
    assert staff.delete(url.format(over.pk)).status_code == 204
    assert staff.delete(url.format(over.pk)).status_code == 404
    assert Reference.objects.count() == 2
