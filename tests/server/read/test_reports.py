"""Student reports in the background, the class sheet and job sheets: the same figures as on the page, readable as PDF and CSV."""

import csv
import io
from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client
from procrastinate.contrib.django.models import ProcrastinateJob
from pypdf import PdfReader

from judicum.server.people.accounts.models import User
from judicum.server.read.reports.models import Report
from judicum.server.read.reports.tasks import draw_report
from tests.people import Course
from tests.server.read.test_forecasts import returned

pytestmark = pytest.mark.django_db


def made(client: Client, course: Course, **asked: Any) -> dict[str, Any]:
    """A report asked for and drawn as the worker does."""
    body = {"student": course.student.pk, "paper": "a4", **asked}
    answer = client.post(f"/api/courses/{course.row.pk}/reports", body, "application/json")
    assert answer.status_code == 201, answer.content
    draw_report(answer.json()["id"])
    return next(
        one for one in client.get(f"/api/courses/{course.row.pk}/reports").json() if one["id"] == answer.json()["id"]
    )


def read(client: Client, url: str) -> PdfReader:
    answer = client.get(url)
    assert answer.status_code == 200
    assert answer["Content-Type"] == "application/pdf"
    data = b"".join(answer.streaming_content) if answer.streaming else answer.content
    return PdfReader(io.BytesIO(data))


def text_of(pdf: PdfReader) -> str:
    return " ".join(" ".join(page.extract_text().split()) for page in pdf.pages)


def test_a_student_report_holds_the_figures_of_the_page_on_paper_of_both_sizes(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff = client_of(course.instructor)
    for score in (6.0, 7.0, 8.0):
        returned(staff, course, score, next_change="slower")
    url = f"/api/courses/{course.row.pk}/students/{course.student.pk}/progress"
    page = {one["key"]: one["formatted"][-1] for one in staff.get(url).json()["series"][0]["figures"]}
    for paper, size in (("a4", (595, 842)), ("letter", (612, 792))):
        report = made(staff, course, paper=paper)
        assert (report["state"], report["done"], report["total"]) == ("done", 1, 1)
        pdf = read(staff, f"/api/reports/{report['id']}/file")
        assert tuple(round(float(side)) for side in pdf.pages[0].mediabox[2:]) == size
        said = text_of(pdf)
        for response in page.values():
            assert response in said
        for words in (
            "Sanne",
            "Bead on plate",
            "slower",
            "true size",
            "Instructor, date",
            "qualifies no one",
            "Coupon sequence",
        ):
            assert words in said
        assert len(pdf.pages[0].images) >= 1


def test_everybody_s_reports_are_one_file_and_a_period_leaves_the_rest_out(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff = client_of(course.instructor)
    returned(staff, course, 8.0)
    everybody = made(staff, course, student=None)
    assert (everybody["total"], everybody["student"]) == (2, None)
    said = text_of(read(staff, f"/api/reports/{everybody['id']}/file"))
    assert "Sanne" in said
    assert "Odo" in said
    past = made(staff, course, since="2020-01-01", until="2020-02-01")
    assert past["period"] == "1 Jan 2020 to 1 Feb 2020"
    assert "No bead was photographed" in text_of(read(staff, f"/api/reports/{past['id']}/file"))


def test_a_report_waits_behind_photos_and_tells_when_it_is_not_there_yet(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff = client_of(course.instructor)
    url = f"/api/courses/{course.row.pk}/reports"
    asked = staff.post(url, {"student": None, "paper": "a4"}, "application/json").json()
    assert ProcrastinateJob.objects.get(task_name="reports.draw", args__report_id=asked["id"]).priority == -5
    early = staff.get(f"/api/reports/{asked['id']}/file")
    assert (early.status_code, early.json()["code"]) == (409, "wrong_state")
    wrong = staff.post(
        url, {"student": None, "paper": "a4", "since": "2026-02-02", "until": "2026-01-01"}, "application/json"
    )
    assert wrong.json()["errors"][0] == {
        "field": "until",
        "words": "Until",
        "given": "2026-01-01",
        "allowed": "2026-02-02 or later",
        "message": "Until: enter 2026-02-02 or later (you entered 2026-01-01).",
    }


def test_a_student_has_a_report_of_their_own_only(course: Course, client_of: Callable[..., Client]) -> None:
    student, other = client_of(course.student), client_of(course.other)
    returned(client_of(course.instructor), course, 8.0)
    mine = made(student, course)
    assert "Sanne" in text_of(read(student, f"/api/reports/{mine['id']}/file"))
    assert other.get(f"/api/reports/{mine['id']}/file").status_code == 404
    url = f"/api/courses/{course.row.pk}/reports"
    for who in (None, course.other.pk):
        assert student.post(url, {"student": who, "paper": "a4"}, "application/json").status_code == 403


def test_the_class_sheet_says_who_has_done_what_as_pdf_and_csv(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff = client_of(course.instructor)
    User.objects.filter(pk=course.other.pk).update(display_name="=cmd()")
    for score in (6.0, 8.0, 8.0, 8.0):
        returned(staff, course, score)
    answer = staff.get(f"/api/courses/{course.row.pk}/class.csv")
    rows = list(csv.DictReader(io.StringIO(answer.content.decode("utf-8-sig"))))
    assert [row["Student"] for row in rows] == ["'=cmd()", "Sanne"]
    assert (rows[0]["State"], rows[0]["Attempts"]) == ("not started", "0")
    mine = rows[1]
    assert (mine["Attempts"], mine["Best mark"], mine["Passes in a row"], mine["State"]) == ("4", "80", "3", "done")
    said = text_of(read(staff, f"/api/courses/{course.row.pk}/class.pdf?paper=letter"))
    assert "Sanne" in said
    assert "done" in said


def test_a_job_sheet_says_goal_settings_and_cautions(course: Course, client_of: Callable[..., Client]) -> None:
    said = text_of(read(client_of(course.student), f"/api/assignments/{course.assignment.pk}/job.pdf"))
    for words in (
        "Bead on plate",
        "4.5 mm wide",
        "Pass mark 70 of 100",
        "Welding current",
        "Before the arc",
        "Cautions",
    ):
        assert words in said
    assert client_of(course.stranger).get(f"/api/assignments/{course.assignment.pk}/job.pdf").status_code == 404
    wrong = client_of(course.student).get(f"/api/assignments/{course.assignment.pk}/job.pdf?paper=a3")
    assert wrong.json()["errors"][0]["allowed"] == "one of a4, letter"


def test_a_report_that_cannot_be_drawn_says_so(
    course: Course, client_of: Callable[..., Client], monkeypatch: Any
) -> None:
    staff = client_of(course.instructor)
    asked = staff.post(
        f"/api/courses/{course.row.pk}/reports", {"student": None, "paper": "a4"}, "application/json"
    ).json()
    monkeypatch.setattr("judicum.server.read.reports.actions.make_report.student_report", lambda *_: 1 / 0)
    with pytest.raises(ZeroDivisionError):
        draw_report(asked["id"])
    assert Report.objects.get(pk=asked["id"]).state == "failed"
