"""What the machine did, beside what was typed: the measured one counts, and pumping has two witnesses."""

from collections.abc import Callable, Iterator
from http.server import ThreadingHTTPServer
from threading import Thread
from typing import Any

import pytest
from django.test import Client

from judicum.logger.__main__ import Logger
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


def test_its_time_lies_on_the_bead_by_the_dabs_where_ripples_and_current_tell_the_same_number(
    course: Course, client_of: Callable[..., Client]
) -> None:
    attempt, student = measured_attempt(course), client_of(course.student)
    fronts = student.get(f"/api/attempts/{attempt.pk}").json()["photos"][0]["measurements"][0]["report"]["ripple"]
    placed = {}
    for dabs in (fronts["count"], 2 * fronts["count"]):
        send(student, attempt.pk, draw_log(LoggedWeld(arc_s=40, pump_hz=dabs / 40, pump_depth=0.2, downslope_s=0)))
        placed[dabs] = student.get(f"/api/attempts/{attempt.pk}/runs/1/data-log").json()
    assert [one["by_dabs"] for one in placed.values()] == [True, False]
    assert all(one["share"] == sorted(one["share"]) for one in placed.values())


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


@pytest.fixture
def wired(settings: Any) -> Iterator[type[Logger]]:
    """A simulated logger on a port of loopback; another that is named does not answer."""
    own = type("OneLogger", (Logger,), {"last": None})
    server = ThreadingHTTPServer(("127.0.0.1", 0), own)
    settings.LOGGERS = {"booth-2": f"http://127.0.0.1:{server.server_port}", "gone": "http://127.0.0.1:1"}
    Thread(target=server.serve_forever, daemon=True).start()
    yield own
    server.shutdown()
    server.server_close()


def read_logger(client: Client, attempt_id: int, name: str, run: int = 1) -> Any:
    url = f"/api/attempts/{attempt_id}/runs/{run}/data-log/last-weld"
    return client.post(url, {"logger": name}, "application/json")


def test_the_last_weld_of_a_wired_logger_is_read(
    course: Course, client_of: Callable[..., Client], wired: type[Logger]
) -> None:
    attempt, student = logged(course), client_of(course.student)
    assert student.get(f"/api/attempts/{attempt.pk}/setup").json()["loggers"] == ["booth-2", "gone"]
    wired.last = draw_log(PUMPED).encode()
    (run,) = read_logger(student, attempt.pk, "booth-2").json()["runs"]
    assert run["machine"]["postflow_s"] == pytest.approx(3, abs=0.05)
    assert MachineLog.objects.get().name == "booth-2"


def test_a_logger_that_cannot_be_read_leaves_nothing_behind(
    course: Course, client_of: Callable[..., Client], wired: type[Logger]
) -> None:
    attempt, student = logged(course), client_of(course.student)
    silent = [read_logger(student, attempt.pk, name) for name in ("booth-2", "gone")]
    assert [(one.status_code, one.json()["code"]) for one in silent] == [(503, "busy")] * 2
    wired.last = b"not,a,log\n1,2,3\n"
    refused = [read_logger(student, attempt.pk, name).json()["errors"][0]["field"] for name in ("booth-2", "other")]
    assert refused == ["line 1", "logger"]
    wired.last = draw_log(PUMPED).encode()
    assert read_logger(client_of(course.other), attempt.pk, "booth-2").status_code == 404
    assert not MachineLog.objects.exists()
