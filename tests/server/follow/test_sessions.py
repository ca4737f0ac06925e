"""Sessions: sessions with holidays out, booths, who is away, a plan that keeps what was placed by hand, one's own place, calendars."""

from collections.abc import Callable
from datetime import date, datetime, time, timedelta
from typing import Any
from zoneinfo import ZoneInfo

import pytest
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext
from django.utils import timezone
from icalendar import Calendar

from judicum.server.catalogue.coupons.models import Design
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.follow.sessions.actions.make_sessions import make_sessions
from judicum.server.follow.sessions.actions.set_booth import set_booth
from judicum.server.follow.sessions.models import Attendance, Booth, BoothSlot, CalendarSubscription, Session
from judicum.server.follow.sessions.queries import today_in
from judicum.server.people.courses.models import Course as CourseRow
from judicum.server.read.sessions import session_plan
from judicum.server.record.attempts.actions.assign_coupon import assign_coupon
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.models import Mark
from tests.people import Course, logged

pytestmark = pytest.mark.django_db


def soon(days: int = 1) -> date:
    return timezone.now().date() + timedelta(days=days)


def meeting(course: Course, weeks: int = 2, minutes: int = 180) -> list[Session]:
    """Sessions from tomorrow on at six in the session."""
    return make_sessions(course.instructor, course.row.pk, soon(), time(18, 0), minutes, weeks)


def booth(course: Course, name: str = "1", *has: str) -> int:
    return set_booth(course.instructor, course.row.pk, None, name, has).pk


def url(course: Course, what: str) -> str:
    return f"/api/courses/{course.row.pk}/{what}"


def put(client: Client, course: Course, session: Session, at: int, start: int, student: Any = None) -> Any:
    body = {
        "assignment": course.assignment.pk, "student": (student or course.student).pk, "session": session.pk, "booth": at,
        "start": start,
    }  # fmt: skip
    return client.put(url(course, "rota"), body, "application/json")


def test_a_weekly_pattern_leaves_holidays_out_and_refuses_what_overlaps(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff = client_of(course.instructor)
    body = {"first": soon().isoformat(), "start": "18:00", "minutes": 180, "weeks": 4, "without": [soon(8).isoformat()]}
    made = staff.post(url(course, "sessions"), body, "application/json").json()
    assert [one["date"] for one in made["sessions"]] == [soon(d).isoformat() for d in (1, 15, 22)]
    assert made["sessions"][0]["start"] == "18:00"
    again = staff.post(url(course, "sessions"), {**body, "start": "20:00"}, "application/json")
    assert (again.status_code, again.json()["code"]) == (409, "wrong_state")
    wrong = staff.post(url(course, "sessions"), {**body, "minutes": 5}, "application/json")
    assert wrong.json()["errors"][0]["allowed"] == "15 to 720 min"
    assert staff.delete(f"/api/sessions/{made['sessions'][0]['id']}").status_code == 204
    assert Session.objects.count() == 2


def test_the_rest_is_planned_around_what_was_placed_by_hand(course: Course, client_of: Callable[..., Client]) -> None:
    first, second = meeting(course)
    at, staff = booth(course), client_of(course.assistant)
    placed = put(staff, course, second, at, 30)
    assert placed.status_code == 200
    planned = staff.post(url(course, "rota"), content_type="application/json").json()
    where = {
        one["student"]["display_name"]: (one["session"], one["start"], one["kept"]) for one in planned["plan"]["slots"]
    }
    assert where == {"Sanne": (second.pk, 30, True), "Odo": (first.pk, 0, False)}
    assert planned["unplaced"] == []
    again = staff.post(url(course, "rota"), content_type="application/json").json()
    assert len(again["plan"]["slots"]) == 2


def test_a_place_by_hand_takes_planned_ones_out_and_says_what_is_impossible_at_once(
    course: Course, client_of: Callable[..., Client]
) -> None:
    first, _ = meeting(course)
    at, staff = booth(course), client_of(course.instructor)
    staff.post(url(course, "rota"), content_type="application/json")
    slots = {one.student_id: one for one in BoothSlot.objects.all()}
    odo = slots[course.other.pk]
    moved = put(staff, course, odo.session, at, odo.start).json()
    assert moved["gone"] == ["Odo, Bead on plate, 1.5 mm"]
    against = put(staff, course, odo.session, at, odo.start + 5, course.other)
    assert against.status_code == 400
    assert "10 min between them" in against.json()["detail"]
    late = put(staff, course, first, at, 170)
    assert "a start that leaves 45 min before the session ends" in late.json()["detail"]
    assert BoothSlot.objects.get(student=course.student).start == odo.start
    nobody = put(staff, course, first, 999, 0)
    assert nobody.status_code == 404


def test_a_weak_machine_gets_no_coupon_that_it_cannot_weld(course: Course, client_of: Callable[..., Client]) -> None:
    first, _ = meeting(course)
    weak = set_booth(course.instructor, course.row.pk, None, "weak", (), machine={"max_a": 20}).pk
    staff = client_of(course.instructor)
    left = staff.post(url(course, "rota"), content_type="application/json").json()
    assert left["plan"]["slots"] == []
    assert "20 A" in left["unplaced"][0]["words"]
    refused = put(staff, course, first, weak, 0).json()["detail"]
    assert "a booth with a machine and torch for more than 20 A" in refused
    strong = set_booth(course.instructor, course.row.pk, None, "strong", (), machine={"max_a": 200}).pk
    after = staff.post(url(course, "rota"), content_type="application/json").json()
    assert {one["booth"] for one in after["plan"]["slots"]} == {strong}


def test_who_is_away_loses_the_place_and_is_planned_elsewhere(course: Course, client_of: Callable[..., Client]) -> None:
    first, second = meeting(course)
    booth(course)
    staff, student = client_of(course.instructor), client_of(course.student)
    staff.post(url(course, "rota"), content_type="application/json")
    mine = student.get(url(course, "my-sessions")).json()
    assert mine["slots"][0]["booth"] == "1"
    assert "gloves" in mine["slots"][0]["bring"]
    said = student.put(
        f"/api/sessions/{first.pk}/attendance", {"student": course.student.pk, "there": False}, "application/json"
    )
    assert said.status_code == 204
    assert not BoothSlot.objects.filter(student=course.student).exists()
    staff.post(url(course, "rota"), content_type="application/json")
    assert BoothSlot.objects.get(student=course.student).session_id == second.pk
    for body in ({"student": course.other.pk, "there": False}, {"student": course.student.pk, "there": True}):
        assert student.put(f"/api/sessions/{first.pk}/attendance", body, "application/json").status_code == 403
    staff.put(f"/api/sessions/{first.pk}/attendance", {"student": course.student.pk, "there": None}, "application/json")
    assert Attendance.objects.count() == 0


def test_the_door_opens_to_its_code_while_the_session_goes_on(course: Course, client_of: Callable[..., Client]) -> None:
    now = timezone.now()
    running = Session.objects.create(
        course=course.row, date=now.date(), start=now.time().replace(microsecond=0), minutes=60
    )
    later = meeting(course)[0]
    student = client_of(course.student)
    wrong = student.post(f"/api/sessions/{running.pk}/door", {"code": "x"}, "application/json")
    assert (wrong.status_code, wrong.json()["errors"][0]["field"]) == (400, "code")
    assert (
        student.post(f"/api/sessions/{running.pk}/door", {"code": running.door_code}, "application/json").status_code
        == 204
    )
    assert Attendance.objects.get().there
    assert (
        student.post(f"/api/sessions/{later.pk}/door", {"code": later.door_code}, "application/json").status_code == 409
    )
    assert "door_code" not in student.get(url(course, "my-sessions")).content.decode()


def test_a_booth_has_what_coupons_want_and_a_closed_one_takes_nobody(
    course: Course, client_of: Callable[..., Client]
) -> None:
    first, second, third = meeting(course, weeks=3)
    staff = client_of(course.instructor)
    at = booth(course, "1", "ac")
    design = Design.objects.filter(joint="tube_butt", version=1, title__contains="purged").get()
    assign_coupon(
        course.instructor, course.row.pk, design_id=design.pk, target_width_mm=4, finish="warm", good_in_a_row=2, due_on=soon(60)
    )  # fmt: skip
    planned = staff.post(url(course, "rota"), content_type="application/json").json()
    wants = {one["title"]: one["wants"] for one in planned["plan"]["work"]}
    assert wants[design.title] == ["purge gas"]
    assert planned["unplaced"][0]["words"] == "no booth has purge gas"
    body = {"name": "1", "has": ["ac", "purge", "pulse", "turntable"], "broken": "pedal sticks", "closed": [first.pk]}
    staff.put(url(course, f"booths/{at}"), body, "application/json")
    assert not BoothSlot.objects.filter(session=first).exists()
    planned = staff.post(url(course, "rota"), content_type="application/json").json()
    assert planned["unplaced"] == []
    assert {one["session"] for one in planned["plan"]["slots"]} == {second.pk, third.pk}
    twice = staff.post(url(course, "booths"), {"name": "1", "has": []}, "application/json")
    assert twice.json()["errors"][0]["allowed"] == "a name that no other booth has"
    odd = staff.post(url(course, "booths"), {"name": "2", "has": ["coffee"]}, "application/json")
    assert odd.json()["errors"][0]["field"] == "has"


def test_a_calendar_has_a_secret_address_that_can_be_renewed(course: Course, client_of: Callable[..., Client]) -> None:
    CourseRow.objects.filter(pk=course.row.pk).update(time_zone="Europe/Helsinki")
    first, _ = meeting(course)
    booth(course)
    client_of(course.instructor).post(url(course, "rota"), content_type="application/json")
    student = client_of(course.student)
    address = student.get(url(course, "my-calendar")).json()["address"]
    events = Calendar.from_ical(Client().get(address).content).walk("VEVENT")
    assert [str(one["summary"]) for one in events] == ["Bead on plate, 1.5 mm, booth 1"]
    begins = events[0]["dtstart"].dt
    slot = BoothSlot.objects.get(student=course.student)
    hour = datetime.combine(first.date, time(18, 0), ZoneInfo("Europe/Helsinki")) + timedelta(minutes=slot.start)
    assert begins == hour
    whole = client_of(course.assistant).get(url(course, "calendar")).json()["address"]
    assert len(Calendar.from_ical(Client().get(whole).content).walk("VEVENT")) == 2
    new = student.put(url(course, "my-calendar")).json()["address"]
    assert new != address
    assert Client().get(address).status_code == 404
    assert Client().get("/api/calendar/guessed.ics").status_code == 404
    course.row.memberships.filter(user=course.student).delete()
    assert Client().get(new).status_code == 404
    assert CalendarSubscription.objects.count() == 2


def test_the_page_of_sessions_takes_as_many_queries_for_few_as_for_many(course: Course) -> None:
    counts = []
    for k in range(2):
        make_sessions(course.instructor, course.row.pk, soon(10 * k + 1), time(18, 0), 120, 2)
        booth(course, str(k))
        with CaptureQueriesContext(connection) as caught:
            session_plan(course.instructor, course.row.pk)
        counts.append(len(caught))
    assert counts[0] == counts[1]


def test_what_is_past_is_forgotten_when_the_rest_is_planned(course: Course, client_of: Callable[..., Client]) -> None:
    past = Session.objects.create(course=course.row, date=soon(-7), start=time(18, 0), minutes=180)
    at = booth(course)
    BoothSlot.objects.create(
        session=past, booth_id=at, assignment=course.assignment, student=course.student, start=0, minutes=45, kept=True
    )
    meeting(course)
    planned = client_of(course.instructor).post(url(course, "rota"), content_type="application/json").json()
    assert {one["session"] for one in planned["plan"]["slots"]} == {Session.objects.get(date=soon(1)).pk}
    slot = BoothSlot.objects.get(student=course.student)
    gone = client_of(course.instructor).delete(url(course, f"slots/{slot.pk}"))
    assert gone.status_code == 204


def test_what_a_student_wrote_of_a_fault_is_read_by_those_who_teach_and_others_are_told_to_ask(
    course: Course, client_of: Callable[..., Client]
) -> None:
    staff, one, other = (client_of(who) for who in (course.instructor, course.student, course.other))
    set_booth(course.instructor, course.row.pk, None, "1", [], "")
    booth = Booth.objects.get()
    reported = one.post(f"/api/courses/{course.row.pk}/booths/{booth.pk}/notes", {"text": "My wrist hurts here"}, "application/json")  # fmt: skip
    assert reported.json()["broken"] == "My wrist hurts here"
    theirs = Attempt.objects.get(student=course.other)

    def broken(client: Client, attempt: Attempt) -> str:
        return client.get(f"/api/attempts/{attempt.pk}/machine").json()["booths"][0]["broken"]

    assert "wrist" in broken(one, course.attempt)
    assert "wrist" in broken(staff, theirs)
    assert broken(other, theirs) == "a fault was reported here. Ask your instructor before you weld"
    set_booth(course.instructor, course.row.pk, booth.pk, "1", [], "pedal sticks")
    assert broken(other, theirs) == "pedal sticks", "those who teach write for everybody"


def test_a_machine_remembers_what_worked_on_it(course: Course, client_of: Callable[..., Client]) -> None:
    first, second = booth(course, "1"), booth(course, "2")
    attempt, student = logged(course), client_of(course.student)
    asked = f"/api/attempts/{attempt.pk}/machine"
    response = student.get(asked).json()
    assert (response["booth"], response["worked"]) == (None, None)
    assert [one["name"] for one in response["booths"]] == ["1", "2"]
    assert student.put(asked, {"booth": first}, "application/json").json()["booth"] == first
    assert student.put(asked, {"booth": 999}, "application/json").status_code == 400
    Attempt.objects.filter(pk=attempt.pk).update(state="returned")
    usual = Scheme.objects.filter(code=course.assignment.scheme).latest("version")
    mark = Mark.objects.create(
        attempt=attempt,
        scheme=usual,
        scores={},
        total=80,
        passed=True,
        marked_by=course.instructor,
        marked_at=timezone.now(),
    )
    # Somebody else at the same machine with the same coupon; the mark is not returned yet.
    other = Attempt.objects.get(student=course.other, number=1)
    there = client_of(course.other)
    assert there.put(f"/api/attempts/{other.pk}/machine", {"booth": first}, "application/json").json()["worked"] is None
    Mark.objects.filter(pk=mark.pk).update(returned_at=timezone.now())
    worked = there.get(f"/api/attempts/{other.pk}/machine").json()["worked"]
    assert "welding current 52 A" in worked["words"]
    assert worked["run"]["gas_l_min"] == 11
    elsewhere = there.put(f"/api/attempts/{other.pk}/machine", {"booth": second}, "application/json").json()
    assert elsewhere["worked"] is None, "another machine remembers nothing"


def test_the_plan_says_where_one_welds_until_somebody_says_otherwise(
    course: Course, client_of: Callable[..., Client]
) -> None:
    at = booth(course)
    (today,) = make_sessions(course.instructor, course.row.pk, today_in(course.row), time(0, 0), 12 * 60, 1)
    put(client_of(course.instructor), course, today, at, 0)
    assert client_of(course.student).get(f"/api/attempts/{course.attempt.pk}/machine").json()["booth"] == at


def test_what_is_broken_is_said_by_whoever_stands_there_and_kept_over_time(
    course: Course, client_of: Callable[..., Client]
) -> None:
    at, student, staff = booth(course, "3"), client_of(course.student), client_of(course.instructor)
    answer = student.post(url(course, f"booths/{at}/notes"), {"text": "pedal sticks"}, "application/json")
    assert answer.json()["broken"] == "pedal sticks"
    for text in (" ", "x" * 300):
        refused = student.post(url(course, f"booths/{at}/notes"), {"text": text}, "application/json")
        assert refused.status_code == 400
    kept = {"name": "3", "has": []}
    mended = staff.put(url(course, f"booths/{at}"), {**kept, "broken": ""}, "application/json").json()
    assert mended["booths"][0]["broken"] == ""
    staff.put(url(course, f"booths/{at}"), {**kept, "broken": "gas valve leaks"}, "application/json")
    notes = staff.get(url(course, "sessions")).json()["notes"]
    assert [(one["text"], one["mended_at"] is None) for one in notes] == [
        ("gas valve leaks", True),
        ("pedal sticks", False),
    ]
    assert notes[1]["by"]["display_name"] == "Sanne"


def test_the_instructor_says_where_the_course_meets(course: Course, client_of: Callable[..., Client]) -> None:
    meeting(course, weeks=1)
    staff = client_of(course.instructor)
    response = staff.put(url(course, "time-zone"), {"time_zone": "Europe/Oslo"}, "application/json").json()
    assert response["time_zone"] == "Europe/Oslo"
    assert response["sessions"][0]["start"] == "18:00", "the clock of a session stays"
    refused = staff.put(url(course, "time-zone"), {"time_zone": "Moon/Sea"}, "application/json")
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (400, "time_zone")
