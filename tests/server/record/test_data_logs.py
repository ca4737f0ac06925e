"""What the machine did, beside what was typed: the measured one counts, and pumping has two witnesses."""

from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client

from judicum.logger.draw import LoggedWeld, draw_log
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.models import MachineLog, Run
from judicum.server.record.causes.queries import case_of
from tests.measured import measured_attempt
from tests.people import RUN, Course, logged

pytestmark = pytest.mark.django_db
PUMPED = LoggedWeld(current_a=58, postflow_s=3, pump_hz=0.8, pump_depth=0.25)


def send(client: Client, attempt_id: int, text: str, run: int = 1) -> Any:
    return client.put(f"/api/attempts/{attempt_id}/runs/{run}/data-log?name=booth-2.csv", text, "text/csv")


def test_it_stands_beside_what_was_typed_and_counts(course: Course, client_of: Callable[..., Client]) -> None:
    attempt, student = logged(course), client_of(course.student)
    before = student.get(f"/api/attempts/{attempt.pk}/setup").json()["checks"][0]["deviations"]
    shown = send(student, attempt.pk, draw_log(PUMPED))
    assert shown.status_code == 200
    (run,) = shown.json()["runs"]
    assert (run["postflow_s"], run["machine"]["postflow_s"]) == (RUN["postflow_s"], pytest.approx(3, abs=0.05))
    assert run["machine"]["pumping"]["per_second"] == pytest.approx(0.8, rel=0.1)
    after = student.get(f"/api/attempts/{attempt.pk}/setup").json()["checks"][0]["deviations"]
    assert "postflow_s" in {one["key"] for one in after} - {one["key"] for one in before}
    trace = student.get(f"/api/attempts/{attempt.pk}/runs/1/data-log").json()
    assert trace["name"] == "booth-2.csv"
    assert len(trace["share"]) == len(trace["current_a"]) <= 800
    assert trace["share"] == sorted(trace["share"])


def test_pumping_seen_in_the_current_speaks_for_its_cause_and_a_calm_one_against(course: Course) -> None:
    from io import StringIO

    from judicum.core.causes import explain_case
    from judicum.core.datalog import read_data_log
    from judicum.server.record.attempts.actions.attach_data_log import attach_data_log

    attempt = measured_attempt(course)
    shares = {}
    for name, weld in (("none", None), ("pumped", PUMPED), ("calm", LoggedWeld(current_a=58))):
        if weld:
            attach_data_log(course.student, attempt.pk, 1, read_data_log(StringIO(draw_log(weld))))
        case = case_of(attempt)
        assert case.looks.get("current_swings") == {"none": None, "pumped": True, "calm": False}[name]
        found = explain_case(case)
        shares[name] = next((one.share for one in found.causes if one.code == "pedal_pumping"), 0.0)
    assert shares["pumped"] >= shares["none"] >= shares["calm"]


@pytest.mark.parametrize(
    ("text", "field"),
    [("not,a,log\n1,2,3\n", "line 1"), ("time,current\n1,x\n", "line 2"), ("", "log"),
     ("time,current\n" + "".join(f"{k / 50},0\n" for k in range(100)), "log")],
)  # fmt: skip
def test_a_broken_log_leaves_nothing_behind(
    course: Course, client_of: Callable[..., Client], text: str, field: str
) -> None:
    attempt = logged(course)
    version = attempt.version
    refused = send(client_of(course.student), attempt.pk, text)
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (400, field)
    attempt.refresh_from_db()
    assert (attempt.version, Run.objects.get().machine, MachineLog.objects.count()) == (version, None, 0)


def test_who_may_send_and_see_it(course: Course, client_of: Callable[..., Client]) -> None:
    attempt, text = logged(course), draw_log(PUMPED)
    url = f"/api/attempts/{attempt.pk}/runs/1/data-log"
    assert send(client_of(course.other), attempt.pk, text).status_code == 404
    assert send(client_of(course.stranger), attempt.pk, text).status_code == 404
    assert send(client_of(course.instructor), attempt.pk, text).status_code == 200
    assert client_of(course.other).get(url).status_code == 404
    assert client_of(course.assistant).get(url).status_code == 200
    assert send(client_of(course.student), attempt.pk, text, run=2).status_code == 404
    assert client_of(course.student).get(f"/api/attempts/{attempt.pk}/runs/2/data-log").status_code == 404


def test_one_that_is_too_large_is_not_read(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = logged(course)
    answer = client_of(course.student).put(
        f"/api/attempts/{attempt.pk}/runs/1/data-log",
        "time,current\n",
        "text/csv",
        CONTENT_LENGTH=str(200 * 1024 * 1024),
    )
    assert "at most 100 MB" in answer.json()["detail"]


def test_a_run_logged_anew_keeps_its_machines_log(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = logged(course)
    send(client_of(course.student), attempt.pk, draw_log(PUMPED))
    log_run(course.student, attempt.pk, {**RUN, "current_a": 61})
    assert Run.objects.get().machine["pumping"] is not None
