"""Tables of a course: out to a spreadsheet, foreseen line by line, in again, all or nothing."""

import csv
import io
from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client

from judicum.core.marking import SCHEMES, USUAL_SCHEME
from judicum.server.catalogue.coupons.models import Assignment, Design
from judicum.server.exchange.sheets import MAX_BYTES, SHEETS
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Membership
from judicum.server.record.attempts.models import Attempt, Event, Run
from judicum.server.record.marking.actions.mark_attempt import set_mark
from judicum.server.record.marking.models import Mark
from judicum.words import tables as words
from tests.measured import measured_attempt
from tests.people import PASSWORD, RUN, Course, logged

pytestmark = pytest.mark.django_db
SCORES = dict.fromkeys(SCHEMES[USUAL_SCHEME].keys, 8.0)


@pytest.fixture
def staff(course: Course, client_of: Callable[..., Client]) -> Client:
    return client_of(course.instructor)


def at(course: Course, sheet: str) -> str:
    return f"/api/courses/{course.row.pk}/sheets/{sheet}.csv"


def rows(client: Client, course: Course, sheet: str) -> list[dict[str, str]]:
    text = client.get(at(course, sheet)).content.decode("utf-8-sig")
    return list(csv.DictReader(io.StringIO(text)))


def foresee(client: Client, course: Course, sheet: str, text: str) -> list[dict[str, Any]]:
    response = client.post(at(course, sheet), text, "text/csv").json()
    assert response.get("kept") is False, response["detail"]
    lines: list[dict[str, Any]] = response["lines"]
    return lines


def put(client: Client, course: Course, sheet: str, text: str) -> tuple[bool, list[str]]:
    response = client.put(at(course, sheet), text, "text/csv").json()
    return response["kept"], [one["outcome"] for one in response["lines"]]


def test_every_table_has_its_words() -> None:
    assert list(SHEETS) == list(words.SHEETS)


def test_what_goes_out_comes_in_as_the_same(course: Course, staff: Client) -> None:
    attempt = measured_attempt(course)
    set_mark(course.instructor, attempt.pk, attempt.version, scores=SCORES, comment="=Calm, even", next_change="")
    for name in SHEETS:
        text = staff.get(at(course, name)).content.decode()
        lines = foresee(staff, course, name, text)
        assert lines, name
        assert {one["outcome"] for one in lines} == {"same"}, (name, lines)
    assert "'=Calm" in staff.get(at(course, "marks")).content.decode(), "no spreadsheet runs it"
    before = Event.objects.count()
    assert put(staff, course, "marks", staff.get(at(course, "marks")).content.decode()) == (True, ["same"])
    assert Event.objects.count() == before


def test_people_are_foreseen_then_made_and_each_sets_a_password(course: Course, staff: Client) -> None:
    table = "﻿Login name;Name;Role\r\nrunar;Runar Ek;\r\nsanne;;assistant\r\nodo;;student\r\n"
    lines = foresee(staff, course, "people", table)
    assert [(one["line"], one["outcome"]) for one in lines] == [(2, "made"), (3, "changed"), (4, "same")]
    assert lines[0]["hand_over"] is None, "nothing was made yet"
    assert not User.objects.filter(username="runar").exists()
    response = staff.put(at(course, "people"), table, "text/csv").json()
    assert response["kept"] is True
    _, who, token = response["lines"][0]["hand_over"].rsplit("/", 2)
    body = {"person": int(who), "token": token, "password": PASSWORD}
    assert Client().post("/api/password-reset", body, "application/json").status_code == 204
    assert Membership.objects.get(user__username="runar").role == "student"
    assert Membership.objects.get(user=course.student).role == "assistant"


def test_one_line_refused_and_nothing_is_kept(course: Course, staff: Client) -> None:
    table = "username;name;role\nrunar;Runar;student\nstig;;student\nodo;Other Name;\nilka;;student\nnew;;king\n"
    lines = foresee(staff, course, "people", table)
    assert [one["outcome"] for one in lines] == ["made", "refused", "refused", "refused", "refused"]
    assert [[p["field"] for p in one["problems"]] for one in lines[1:]] == [["username"], ["name"], [], ["role"]]
    assert "one instructor" in lines[3]["what"], "the rules of the page"
    assert lines[2]["problems"][0]["given"] == "Other Name"
    assert put(staff, course, "people", table)[0] is False
    assert not User.objects.filter(username__in=("runar", "new")).exists()


def test_coupons_and_what_is_given(course: Course, staff: Client) -> None:
    table = "coupon,title,metal,joint,Thickness (in)\n,Basin seam,304L,butt,0.0625\nplate-bead-15,Bead on plate,304L,plate_bead,1.5 mm\n"
    joints = {one["joint"] for one in rows(staff, course, "coupons")}
    table = table.replace("plate_bead", next(j for j in joints if Design.objects.get(code="plate-bead-15").joint == j))
    assert put(staff, course, "coupons", table) == (True, ["made", "made"])
    basin = Design.objects.get(title="Basin seam")
    assert (basin.course_id, basin.thickness_mm, basin.version) == (course.row.pk, pytest.approx(1.5875, abs=1e-3), 1)
    assert Design.objects.filter(title="Bead on plate", course=course.row).exists(), "the library's stays as it is"
    again = f"coupon,title,metal,joint,thickness_mm,length_mm\n{basin.code},Basin seam,304L,butt,2.0,80\n"
    assert put(staff, course, "coupons", again) == (True, ["changed"])
    assert Design.objects.filter(code=basin.code).count() == 2
    refused = foresee(staff, course, "coupons", "coupon,title,metal,joint,thickness_mm\nnone,x,304L,butt,2\n")
    assert refused[0]["problems"][0]["field"] == "coupon"
    given = f"coupon;due;students;pass_mark\n{basin.code};25.3.2031;sanne odo;72,5\n{basin.code};26.3.2031;nobody;\n"
    lines = foresee(staff, course, "assignments", given)
    assert [one["outcome"] for one in lines] == ["made", "refused"]
    assert put(staff, course, "assignments", given.rpartition(f"{basin.code};26")[0]) == (True, ["made"])
    made = Assignment.objects.get(design__code=basin.code)
    assert (made.pass_mark, made.attempts.count(), made.due_on.isoformat()) == (72.5, 2, "2031-03-25")
    other = foresee(staff, course, "assignments", f"coupon;due;pass_mark\n{basin.code};2031-03-25;80\n")
    assert other[0]["problems"][0]["field"] == "pass_mark"


def test_runs_come_in_for_students_from_their_notebooks(course: Course, staff: Client) -> None:
    head = "student;coupon;attempt;run;current (A);Gas flow (CFH);postflow_s;note\n"
    table = head + "sanne;plate-bead-15;1;1;52;23,3;8;first\nsanne;plate-bead-15;2;1;54;20;;=second\n"
    assert put(staff, course, "runs", table) == (True, ["made", "made"])
    first, second = Run.objects.order_by("attempt__number")
    assert (first.current_a, round(first.gas_l_min or 0, 2), first.postflow_s) == (52.0, 11.0, 8.0)
    assert (second.attempt.number, second.note) == (2, "=second")
    log = Event.objects.filter(attempt=first.attempt, kind="log").get()
    assert log.actor == course.instructor, "the log says who did"
    assert put(staff, course, "runs", table) == (True, ["same", "same"])
    assert put(staff, course, "runs", head + "sanne;plate-bead-15;1;1;55;23,3;8;first\n") == (True, ["changed"])
    odd = (
        head
        + "sanne;plate-bead-15;9;1;52;20;;\nnobody;plate-bead-15;1;1;52;20;;\nodo;none;1;1;52;20;;\nodo;plate-bead-15;1;1;5000;20;;\n"
    )
    lines = foresee(staff, course, "runs", odd)
    assert [one["problems"][0]["field"] for one in lines] == ["attempt", "student", "coupon", "current_a"]


def test_figures_are_the_photos_and_findings_come_in(course: Course, staff: Client) -> None:
    attempt = measured_attempt(course)
    (row,) = rows(staff, course, "figures")
    assert float(row["width_mean_mm"]) == pytest.approx(attempt.summary.width_mean_mm, abs=1e-4)
    head = "student;coupon;attempt;width_mean_mm;distortion_mm\n"
    number = attempt.number
    good = head + f"sanne;plate-bead-15;{number};{row['width_mean_mm']};1,5\n"
    assert put(staff, course, "figures", good) == (True, ["made"])
    assert Attempt.objects.get(pk=attempt.pk).by_hand == {"distortion_mm": 1.5}
    (line,) = foresee(staff, course, "figures", head + f"sanne;plate-bead-15;{number};3,21;1,5\n")
    assert (line["problems"][0]["field"], line["problems"][0]["given"]) == ("width_mean_mm", "3.21")
    (line,) = foresee(staff, course, "figures", head + "odo;plate-bead-15;1;3,21;\n")
    assert "there is none" in line["problems"][0]["allowed"]


def test_marks_come_in_by_the_coupons_scheme_and_are_returned(
    course: Course, staff: Client, client_of: Callable[..., Client]
) -> None:
    attempt = measured_attempt(course)
    keys = list(SCORES)
    head = "student;coupon;attempt;" + ";".join(keys) + ";comment;returned\n"
    line = f"sanne;plate-bead-15;{attempt.number};" + ";".join(["7,5"] * len(keys)) + ";Good;"
    assert put(staff, course, "marks", head + line + "no\n") == (True, ["made"])
    mark = Mark.objects.get(attempt=attempt)
    assert (mark.total, mark.returned_at, mark.comment) == (75.0, None, "Good")
    assert put(staff, course, "marks", head + line + "yes\n") == (True, ["changed"])
    shown = client_of(course.student).get(f"/api/attempts/{attempt.pk}").json()
    assert shown["state"] == "returned"
    assert put(staff, course, "marks", head + line + "yes\n") == (True, ["same"])
    (refused,) = foresee(staff, course, "marks", head + line.replace("7,5", "75", 1) + "yes\n")
    assert refused["problems"][0]["field"].endswith(keys[0])
    (refused,) = foresee(staff, course, "marks", head + line.replace("sanne", "odo") + "yes\n")
    assert refused["outcome"] == "refused"


def test_a_blind_second_mark_keeps_the_first_out_of_the_table(course: Course, staff: Client) -> None:
    attempt = measured_attempt(course)
    set_mark(course.instructor, attempt.pk, attempt.version, scores=SCORES, comment="", next_change="")
    assert len(rows(staff, course, "marks")) == 1
    Attempt.objects.filter(pk=attempt.pk).update(state="second_asked")
    assert rows(staff, course, "marks") == []


def test_odd_files_are_refused_in_words(course: Course, staff: Client) -> None:
    for text, field in (("", "table"), ("a,b\n1,2\n", "columns"), ("x" * (MAX_BYTES + 1), "table")):
        answer = staff.put(at(course, "people"), text, "text/csv")
        assert (answer.status_code, answer.json()["errors"][0]["field"]) == (400, field)
    assert staff.get(at(course, "weather")).status_code == 404
    logged(course)
    assert RUN["current_a"] == float(rows(staff, course, "runs")[0]["current_a"])


COLUMN_OF = {
    "assignments": ("coupon;due;{column}", "plate-bead-15;2031-01-01;{cell}", ("good_in_a_row", "pass_mark")),
    "runs": (
        "student;coupon;attempt;current_a;gas_l_min;{column}",
        "sanne;plate-bead-15;1;50;10;{cell}",
        ("run", "dabs"),
    ),
    "figures": ("student;coupon;attempt;{column}", "sanne;plate-bead-15;1;{cell}", ("tint_level", "distortion_mm")),
    "marks": ("student;coupon;attempt;{column}", "sanne;plate-bead-15;1;{cell}", (next(iter(SCORES)),)),
}


@pytest.mark.parametrize("cell", ["1e999", "-1e999", "111111111111", "1" * 400, "9e15", "NaN", "0x10"])
@pytest.mark.parametrize("sheet", COLUMN_OF)
def test_a_figure_that_is_none_is_refused_by_its_column(course: Course, staff: Client, sheet: str, cell: str) -> None:
    measured_attempt(course)
    head, line, columns = COLUMN_OF[sheet]
    for column in (*columns, "attempt") if "attempt" in head else columns:
        table = head.format(column=column) + "\n" + line.format(cell=cell) + "\n"
        if column == "attempt":
            table = (
                head.replace(";{column}", "") + "\n" + line.replace(";1;", f";{cell};").replace(";{cell}", "") + "\n"
            )
        (answer,) = foresee(staff, course, sheet, table)
        assert answer["outcome"] == "refused", column
        assert [one["field"].rpartition(".")[2] for one in answer["problems"]] == [column], answer


def test_who_may_read_and_write_which_table(course: Course, client_of: Callable[..., Client]) -> None:
    for name, sheet in SHEETS.items():
        for who, code in (("student", 403), ("stranger", 404), ("assistant", 403 if sheet.instructors else 200)):
            client = client_of(getattr(course, who))
            assert client.get(at(course, name)).status_code == code, (name, who)
            if code != 200:
                assert client.put(at(course, name), "x", "text/csv").status_code == code, (name, who)
                assert client.post(at(course, name), "x", "text/csv").status_code == code, (name, who)
