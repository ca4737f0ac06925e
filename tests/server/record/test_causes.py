"""Causes on the desk: explained from what is kept, taken and set aside, and looked for in the next attempt."""

from collections.abc import Callable
from typing import Any

import pytest
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext

from judicum.core.causes import CAUSES
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.actions.open_attempt import open_attempt
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.causes.models import Verdict
from judicum.server.record.causes.queries import case_of
from judicum.server.record.photos.models import Measurement
from judicum.words.catalogue import codes_of
from judicum.words.causes import TRACKS
from tests.measured import measured_attempt
from tests.people import RUN, Course
from tests.server.record.test_marking import SCORES, mark

pytestmark = pytest.mark.django_db


def grey_at_end(attempt: Attempt) -> None:
    """The attempt's measurement with ten grey millimetres before its end."""
    made = Measurement.objects.get(photo__attempt=attempt, photo__kind="bead")
    report: dict[str, Any] = dict(made.report or {})
    along = report["tint"]["along"]
    report["tint"]["along"] = along[:-10] + [7] * 10
    Measurement.objects.filter(pk=made.pk).update(report=report)


def short_attempt(course: Course, postflow_s: float = 3, electrode: str | None = "dull") -> Attempt:
    attempt = measured_attempt(course)
    Attempt.objects.filter(pk=attempt.pk).update(state="measured")
    log_run(course.student, attempt.pk, {**RUN, "postflow_s": postflow_s, "electrode_after": electrode})
    grey_at_end(attempt)
    attempt.refresh_from_db()
    return attempt


def explained(client: Client, attempt: Attempt) -> Any:
    return client.get(f"/api/attempts/{attempt.pk}/causes").json()


def test_the_cause_is_said_with_its_evidence_and_where_it_lies(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt = short_attempt(course)
    found = explained(client_of(course.assistant), attempt)
    top = found["causes"][0]
    assert (top["code"], top["words"], found["sound"]) == ("postflow_short", "Post-flow too short", False)
    by_what = {one["what"]: one for one in top["speaks_for"]}
    assert by_what["grey_at_end"]["track"] == "tint"
    assert by_what["grey_at_end"]["to_mm"] > by_what["grey_at_end"]["from_mm"] > 40
    assert by_what["postflow_s"]["words"] == "post-flow 3 s, card 6 to 15 s"
    assert "3 s → 8 s" in top["advice"]
    assert {s["code"] for s in found["symptoms"]} == {"grey_at_end", "electrode_dull"}


def test_nothing_is_invented_for_a_good_bead(course: Course, client_of: Callable[..., Client]) -> None:
    found = explained(client_of(course.instructor), measured_attempt(course))
    assert (found["causes"], found["symptoms"], found["sound"], found["asked"]) == ([], [], True, None)


def test_what_is_taken_or_set_aside_tilts_the_ranking_in_this_course_visibly(
    course: Course, client_of: Callable[..., Client]
) -> None:
    client = client_of(course.instructor)
    first = short_attempt(course, 5.4, None)
    before = {one["code"]: one["share"] for one in explained(client, first)["causes"]}
    for _ in range(3):
        other = short_attempt(course, 5.4, None)
        client.put(f"/api/attempts/{other.pk}/causes/postflow_short", {"verdict": "ruled_out"}, "application/json")
        confirmed = client.put(
            f"/api/attempts/{other.pk}/causes/torch_pulled_early", {"verdict": "confirmed"}, "application/json"
        )
        assert {c["code"]: c["verdict"] for c in confirmed.json()["causes"]}["torch_pulled_early"] == "confirmed"
    after = {one["code"]: one for one in explained(client, first)["causes"]}
    assert after["torch_pulled_early"]["share"] > before["torch_pulled_early"]
    assert after["postflow_short"]["share"] < before["postflow_short"]
    assert "3 × in this course" in after["torch_pulled_early"]["history"]
    assert after["postflow_short"]["history"] == "ruled out 3 ×"
    # Evidence still decides.
    assert next(iter(after)) == "postflow_short"


def test_one_cause_is_taken_at_a_time_and_null_takes_it_back(course: Course, client_of: Callable[..., Client]) -> None:
    client, attempt = client_of(course.instructor), short_attempt(course)
    url = f"/api/attempts/{attempt.pk}/causes"
    for cause in ("postflow_short", "flow_low"):
        assert client.put(f"{url}/{cause}", {"verdict": "confirmed"}, "application/json").status_code == 200
    assert [(v.cause, v.confirmed) for v in Verdict.objects.all()] == [("flow_low", True)]
    client.put(f"{url}/flow_low", {"verdict": None}, "application/json")
    assert not Verdict.objects.exists()
    assert client.put(f"{url}/bad_luck", {"verdict": "confirmed"}, "application/json").status_code == 400
    assert client.put(f"{url}/flow_low", {"verdict": "perhaps"}, "application/json").status_code == 400


def test_the_next_log_opens_with_the_change_and_the_desk_says_whether_it_was_made(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff, student = client_of(course.instructor), client_of(course.student)
    first = short_attempt(course)
    marked = mark(staff, first, cause="postflow_short", next_change="Post-flow 3 s → 8 s").json()
    staff.post(f"/api/attempts/{first.pk}/return", {"version": marked["version"]}, "application/json")
    still = short_attempt(course)
    answer = student.get(f"/api/attempts/{still.pk}").json()["asked"]
    assert (answer["text"], answer["number"], answer["done"]) == ("Post-flow 3 s → 8 s", 1, None)
    asked = explained(staff, still)["asked"]
    assert (asked["done"], asked["gone"]) == ("not", "still")
    log_run(course.student, still.pk, {**RUN, "postflow_s": 8})
    Measurement.objects.filter(photo__attempt=still).update(
        report=measured_attempt(course).photos.get().measurements.get().report
    )
    asked = explained(staff, still)["asked"]
    assert (asked["done"], asked["gone"], asked["followed"]) == ("done", "gone", "done; gone")


def test_a_mark_without_a_cause_takes_the_cause_back(course: Course, client_of: Callable[..., Client]) -> None:
    staff, attempt = client_of(course.instructor), short_attempt(course)
    mark(staff, attempt, cause="postflow_short")
    assert Verdict.objects.get().change == {"key": "postflow_s", "from": 3.0, "to": 8.0}
    attempt.refresh_from_db()
    mark(staff, attempt, cause=None)
    assert not Verdict.objects.exists()
    attempt.refresh_from_db()
    assert mark(staff, attempt, cause="bad_luck").status_code == 400


def test_a_case_knows_what_was_skipped_noticed_and_found_by_hand(course: Course) -> None:
    attempt = short_attempt(course)
    assert case_of(attempt).skipped is None
    attempt.prepared = ["blank_wiped"]
    attempt.by_hand = {"face": "ropey"}
    case = case_of(attempt)
    assert case.skipped is not None
    assert "rod_wiped" in case.skipped
    assert "blank_wiped" not in case.skipped
    assert (case.by_hand, case.looks["electrode_after"]) == ({"face": "ropey"}, "dull")


def test_every_cause_step_and_symptom_has_its_words() -> None:
    from judicum.core.causes import SKIPPABLE
    from judicum.core.causes.evidence import TESTS

    assert codes_of("cause") == set(CAUSES)
    assert codes_of("evidence-step") == set(SKIPPABLE)
    assert {code for codes in TRACKS.values() for code in codes} <= codes_of("symptom")
    assert TESTS
    assert SCORES


def test_two_causes_are_confirmed_and_one_is_what_is_to_change(
    course: Course, client_of: Callable[..., Client]
) -> None:
    client, attempt = client_of(course.instructor), short_attempt(course, 5.9, None)
    url = f"/api/attempts/{attempt.pk}/causes"
    client.put(f"{url}/postflow_short", {"verdict": "confirmed"}, "application/json")
    client.put(f"{url}/torch_pulled_early", {"verdict": "beside"}, "application/json")
    verdicts = {one["code"]: one["verdict"] for one in explained(client, attempt)["causes"]}
    assert (verdicts["postflow_short"], verdicts["torch_pulled_early"]) == ("confirmed", "beside")
    client.put(f"{url}/flow_low", {"verdict": "confirmed"}, "application/json")
    kept = {one.cause: one.beside for one in Verdict.objects.filter(attempt=attempt)}
    assert kept == {"flow_low": False, "torch_pulled_early": True}
    client.put(f"{url}/torch_pulled_early", {"verdict": "confirmed"}, "application/json")
    assert {one.cause: one.beside for one in Verdict.objects.filter(attempt=attempt)} == {"torch_pulled_early": False}


def test_what_is_ruled_out_comes_back_only_with_new_evidence_and_says_which(
    course: Course, client_of: Callable[..., Client]
) -> None:
    client, attempt = client_of(course.instructor), short_attempt(course, 9, "shiny")
    assert "torch_pulled_early" in {one["code"] for one in explained(client, attempt)["causes"]}
    url = f"/api/attempts/{attempt.pk}/causes/torch_pulled_early"
    found = client.put(url, {"verdict": "ruled_out"}, "application/json").json()
    assert "torch_pulled_early" not in {one["code"] for one in found["causes"]}
    assert [one["code"] for one in found["ruled_out"]] == ["torch_pulled_early"]
    log_run(course.student, attempt.pk, {**RUN, "postflow_s": 9, "electrode_after": "dull"})
    back = next(one for one in explained(client, attempt)["causes"] if one["code"] == "torch_pulled_early")
    assert (back["verdict"], back["new"]) == ("ruled_out", ["dull tungsten"])
    gone = client.put(url, {"verdict": None}, "application/json").json()
    assert (gone["ruled_out"], Verdict.objects.count()) == ([], 0)


def test_a_log_that_repeats_the_card_is_said_kindly_to_those_who_teach_alone(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff, student = client_of(course.instructor), client_of(course.student)
    attempt = short_attempt(course)
    assert explained(staff, attempt)["log_note"] is None
    card = student.get(f"/api/attempts/{attempt.pk}/setup").json()["card_run"]
    student.put(f"/api/attempts/{attempt.pk}/runs/1", card, "application/json")
    note = explained(staff, attempt)["log_note"]
    assert note.startswith("The log repeats the card")
    assert note not in student.get(f"/api/attempts/{attempt.pk}").content.decode()
    assert student.get(f"/api/attempts/{attempt.pk}/causes").status_code == 403


def test_how_first_suggestions_fared_stands_under_consistency(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.instructor)
    for cause, verdict in (
        ("postflow_short", "confirmed"),
        ("torch_pulled_early", "confirmed"),
        ("postflow_short", "ruled_out"),
    ):
        attempt = short_attempt(course)
        client.put(f"/api/attempts/{attempt.pk}/causes/{cause}", {"verdict": verdict}, "application/json")
    page = client.get(f"/api/courses/{course.row.pk}/agreement").json()
    (row,) = page["causes"]
    assert (row["code"], row["first"], row["confirmed"], row["ruled_out"]) == ("postflow_short", 3, 1, 1)
    assert row["instead"] == ["Torch pulled away early (1)"]
    assert [(one["judged"], one["right"]) for one in page["months"]] == [(2, 1)]


def test_attempts_before_are_told_whole_in_a_fixed_number_of_queries(
    course: Course,
) -> None:
    for _ in range(3):
        last = short_attempt(course)
    case = case_of(last)
    assert [one.case is not None for one in case.earlier] == [True, True]
    with CaptureQueriesContext(connection) as few:
        case_of(last)
    for _ in range(3):
        last = short_attempt(course)
    case_of(last)
    with CaptureQueriesContext(connection) as many:
        case_of(last)
    assert len(many) == len(few)


def test_somebody_whose_logs_repeat_the_card_is_asked_for_one_figure_off_the_machine(
    course: Course, client_of: Callable[..., Client]
) -> None:
    student = client_of(course.student)
    first = measured_attempt(course)
    Attempt.objects.filter(pk=first.pk).update(state="returned", shown_state="returned")
    card = student.get(f"/api/attempts/{first.pk}/setup").json()["card_run"]
    for own, asked in (
        ({}, "gas_l_min"),
        ({"current_a": 57, "gas_l_min": 9.2, "postflow_s": 5, "travel_mm_s": 2.05}, None),
    ):
        Run.objects.filter(attempt=first).update(
            **{**{k: v for k, v in card.items() if k != "note" and v is not None}, **own}
        )
        second = Attempt.objects.filter(number=2).first() or open_attempt(
            course.assignment, course.student, course.student
        )
        assert student.get(f"/api/attempts/{second.pk}/setup").json()["read_off"] == asked
