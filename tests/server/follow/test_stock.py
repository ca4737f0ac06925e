"""The store of a course: what a logged run takes, counts, bottles and gauges, how long it lasts, what it costs, what is cut."""

import csv
import io
import re
from collections.abc import Callable
from datetime import date, datetime, time, timedelta
from typing import Any

import ezdxf
import pytest
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from judicum.core.setup.record import Run
from judicum.core.stock.bottle import litres
from judicum.core.stock.use import run_gas_l
from judicum.server.catalogue.coupons.setup import card_for
from judicum.server.follow.sessions.actions.make_sessions import make_sessions
from judicum.server.follow.sessions.actions.plan_sessions import plan_rest
from judicum.server.follow.sessions.actions.set_booth import set_booth
from judicum.server.follow.stock.actions.consume_stock import consume_stock
from judicum.server.follow.stock.actions.save_item import move, save_item
from judicum.server.follow.stock.actions.use_bottle import open_bottle, read_gauge
from judicum.server.follow.stock.models import Bottle, GaugeReading, Item, Movement, Use
from judicum.server.follow.stock.queries import store_in
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.actions.open_attempt import weld_another
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.photos.models import MeasurementSummary
from tests.measured import measured_attempt
from tests.people import RUN, Course, logged

pytestmark = pytest.mark.django_db

BLANK = {"metal": "304L", "thickness_mm": 1.5, "blank_length_mm": 100.0, "blank_width_mm": 50.0}
WIRE = {"filler_alloy": "308L", "filler_mm": 1.6}
FILLED = {**RUN, "arc_s": 40, "preflow_s": 0.5, "filler_alloy": "308L", "filler_mm": 1.6, "technique": "dab"}


def url(course: Course, what: str = "stock") -> str:
    return f"/api/courses/{course.row.pk}/{what}"


def item(course: Course, kind: str, name: str, **given: Any) -> Item:
    return save_item(course.instructor, course.row.pk, None, kind, {"name": name, **given})


def stocked(course: Course) -> tuple[Item, Item, Item]:
    """Forty blanks, ten metres of wire and two full bottles."""
    blank = item(course, "blank", "Blank 1.5", price=1.2, lead_days=7, supplier="Millrace Metals", **BLANK)
    wire = item(course, "wire", "Rod 1.6", price=0.8, **WIRE)
    gas = item(course, "gas", "Argon 20", price=90.0, bottle_l=20.0)
    for one, amount in ((blank, 40), (wire, 10), (gas, 2)):
        move(course.instructor, course.row.pk, one.pk, "counted", amount)
    return blank, wire, gas


def response(client: Client, course: Course) -> dict[str, Any]:
    answer = client.get(url(course))
    assert answer.status_code == 200
    found: dict[str, Any] = answer.json()
    return found


def of(store: dict[str, Any], name: str) -> dict[str, Any]:
    found: dict[str, Any] = next(one for one in store["items"] if one["name"] == name)
    return found


def test_a_logged_run_takes_wire_gas_and_one_blank(course: Course, client_of: Callable[..., Client]) -> None:
    stocked(course)
    before = response(client_of(course.instructor), course)
    log_run(course.student, course.attempt.pk, FILLED)
    after = response(client_of(course.instructor), course)
    used = Use.objects.get()
    assert used.gas_l == pytest.approx(11 * (0.5 + 40 + 8) / 60)
    assert used.wire_m > 0.05
    assert of(after, "Blank 1.5")["left"] == 39
    assert of(before, "Rod 1.6")["left"] - of(after, "Rod 1.6")["left"] == pytest.approx(used.wire_m)


def test_a_run_logged_anew_takes_once(course: Course) -> None:
    logged(course)
    first = Use.objects.get().gas_l
    log_run(course.student, course.attempt.pk, {**RUN, "gas_l_min": 22})
    assert Use.objects.count() == 1
    assert Use.objects.get().gas_l > 1.7 * first


def test_what_was_not_logged_is_reckoned_by_the_card(course: Course) -> None:
    attempt = logged(course)
    expected = run_gas_l(Run.of(RUN), card_for(attempt.assignment), attempt.assignment.design.length_mm)
    assert Use.objects.get().gas_l == pytest.approx(expected)


def test_a_measured_bead_tells_its_own_wire(course: Course) -> None:
    attempt = measured_attempt(course)
    log_run(course.student, attempt.pk, FILLED)
    own = Use.objects.get().wire_m
    mean = MeasurementSummary.objects.get().width_mean_mm
    assert mean is not None
    MeasurementSummary.objects.update(width_mean_mm=2 * mean)
    consume_stock(attempt)
    assert Use.objects.get().wire_m == pytest.approx(4 * own), "twice as wide is four times the crown"


def test_a_count_is_all_that_is_there_whatever_was_reckoned(course: Course, client_of: Callable[..., Client]) -> None:
    blank, *_ = stocked(course)
    log_run(course.student, course.attempt.pk, FILLED)
    client = client_of(course.assistant)
    answer = client.post(url(course, f"stock/{blank.pk}/moves"), {"kind": "counted", "amount": 31, "note": "five bent"}, "application/json")  # fmt: skip
    assert of(answer.json(), "Blank 1.5")["left"] == 31
    client.post(url(course, f"stock/{blank.pk}/moves"), {"kind": "delivered", "amount": 20}, "application/json")
    client.post(url(course, f"stock/{blank.pk}/moves"), {"kind": "thrown", "amount": 1}, "application/json")
    store = response(client, course)
    assert of(store, "Blank 1.5")["left"] == 50
    assert of(store, "Blank 1.5")["real"] == 3.0, "nine went for each that was logged: more than makes sense"


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ({"kind": "eaten", "amount": 1}, "kind"),
        ({"kind": "opened", "amount": 1}, "kind"),
        ({"kind": "counted", "amount": -4}, "amount"),
        ({"kind": "counted", "amount": 1, "note": "x" * 300}, "note"),
    ],
)
def test_moves_that_are_none_are_refused_by_name(
    course: Course, client_of: Callable[..., Client], body: dict[str, Any], field: str
) -> None:
    blank, *_ = stocked(course)
    before = Movement.objects.count()
    answer = client_of(course.instructor).post(url(course, f"stock/{blank.pk}/moves"), body, "application/json")
    assert answer.status_code == 400
    assert answer.json()["errors"][0]["field"] == field
    assert Movement.objects.count() == before


def test_items_are_made_changed_and_dropped(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.instructor)
    body = {"kind": "cup", "given": {"name": "Cup 8", "cup": 8, "price": 2.5}}
    made = of(client.post(url(course), body, "application/json").json(), "Cup 8")
    assert made["what"] == "number 8"
    twice = client.post(url(course), body, "application/json")
    assert (twice.status_code, twice.json()["errors"][0]["field"]) == (400, "name")
    changed = {"kind": "cup", "given": {"name": "Cup 8 glass", "cup": 8}}
    store = client.put(url(course, f"stock/{made['id']}"), changed, "application/json").json()
    assert [one["name"] for one in store["items"]] == ["Cup 8 glass"]
    other = client.put(url(course, f"stock/{made['id']}"), {"kind": "wire", "given": {**WIRE, "name": "x"}}, "application/json")  # fmt: skip
    assert other.status_code == 400
    assert client.delete(url(course, f"stock/{made['id']}")).status_code == 204
    assert response(client, course)["items"] == []


def test_the_flow_a_cups_maker_names_outranks_the_cards_rule(course: Course, client_of: Callable[..., Client]) -> None:
    client, setup = client_of(course.instructor), f"/api/attempts/{course.attempt.pk}/setup"
    card = client.get(setup).json()["card"]
    number, by_rule = card["cup"]["number"], card["gas_l_min"]["aim"]
    body = {"kind": "cup", "given": {"name": "Glass", "cup": number, "cup_flow_l_min": 2 * by_rule}}
    made = of(client.post(url(course), body, "application/json").json(), "Glass")
    assert client.get(setup).json()["card"]["gas_l_min"]["aim"] == pytest.approx(2 * by_rule, rel=0.05)
    client.put(
        url(course, f"stock/{made['id']}"), {**body, "given": {**body["given"], "cup": number + 4}}, "application/json"
    )
    assert client.get(setup).json()["card"]["gas_l_min"]["aim"] == by_rule
    client.delete(url(course, f"stock/{made['id']}"))
    course.row.refresh_from_db()
    assert course.row.cup_flows == {}


def test_fields_of_each_kind_come_from_the_server(course: Course, client_of: Callable[..., Client]) -> None:
    kinds = {kind["key"]: kind for kind in response(client_of(course.instructor), course)["kinds"]}
    wire = {spec["key"]: spec for spec in kinds["wire"]["specs"]}
    assert wire["filler_mm"]["needed"]
    assert (wire["filler_mm"]["low"], wire["filler_mm"]["high"]) == (0.5, 6.4)
    assert "308L" in wire["filler_alloy"]["options"]


def test_an_opened_bottle_comes_off_the_shelf_and_falls_with_what_is_welded(
    course: Course, client_of: Callable[..., Client]
) -> None:
    *_, gas = stocked(course)
    client = client_of(course.instructor)
    client.post(url(course, "bottles"), {"item": gas.pk, "name": "shed"}, "application/json")
    bottle = Bottle.objects.get()
    read = client_of(course.student).post(f"/api/bottles/{bottle.pk}/readings", {"bar": 150, "temperature_c": 20}, "application/json")  # fmt: skip
    assert read.status_code == 200
    assert read.json()["how"] == "typed"
    full = response(client, course)["bottles"][0]["share"] * litres(20, 200)
    assert full == pytest.approx(litres(20, 150, 20))
    log_run(course.student, course.attempt.pk, FILLED)
    store = response(client, course)
    assert full - store["bottles"][0]["share"] * litres(20, 200) == pytest.approx(Use.objects.get().gas_l)
    assert of(store, "Argon 20")["left"] == 1
    assert client.put(f"/api/bottles/{bottle.pk}", {"closed": True}, "application/json").json()["bottles"] == []
    again = client_of(course.student).post(f"/api/bottles/{bottle.pk}/readings", {"bar": 9}, "application/json")
    assert again.status_code == 404, "a closed bottle is read no more"


def test_a_gauge_is_read_off_a_photo_by_four_taps(course: Course, client_of: Callable[..., Client]) -> None:
    *_, gas = stocked(course)
    bottle = open_bottle(course.instructor, course.row.pk, gas.pk, "shed")
    dial = {"hub": [100, 100], "tip": [100, 40], "zero": [50, 150], "full": [150, 150], "full_bar": 300}
    student = client_of(course.student)
    answer = student.post(f"/api/bottles/{bottle.pk}/readings", {"dial": dial}, "application/json").json()
    assert answer["bar"] == 150
    assert answer["how"] == "photo"
    assert answer["off_bar"] > 300 * 0.025 / 3
    for body in ({}, {"bar": 20, "dial": dial}, {"bar": 900}, {"dial": {**dial, "tip": [100, 100]}}, {"dial": {**dial, "hub": [1]}}):  # fmt: skip
        refused = student.post(f"/api/bottles/{bottle.pk}/readings", body, "application/json")
        assert refused.status_code == 400, body
        assert refused.json()["errors"][0]["field"]
    assert GaugeReading.objects.count() == 1


def test_a_leak_is_said_and_a_class_that_welds_makes_none(course: Course, client_of: Callable[..., Client]) -> None:
    *_, gas = stocked(course)
    begun = timezone.now() - timedelta(days=9)
    bottle = open_bottle(course.instructor, course.row.pk, gas.pk, "shed", begun)
    for days, bar in ((0, 180), (6, 120), (8, 119)):
        read_gauge(course.student, bottle.pk, bar, 20, at=begun + timedelta(days=days))
    low = client_of(course.assistant).get(url(course, "stock/low")).json()["lines"]
    assert any("nobody welded" in line and "shed" in line for line in low)
    Use.objects.create(
        attempt=course.attempt, course=course.row, at=begun + timedelta(days=3), gas_l=1100, wire_m=0, blanks=1
    )
    store = store_in(course.row)
    assert store.bottles[0].leak is None
    assert 1.0 <= store.gas_real <= 1.3, "what is really used over what is logged"


def sessions_of_use(course: Course, count: int = 6, gas_l: float = 300.0, blanks: int = 6) -> None:
    """Weekly sessions of the past, each with one attempt that took much."""
    for k in range(count):
        attempt = course.attempt if k == 0 else Attempt.objects.create(
            course=course.row, assignment=course.assignment, student=course.student, number=k + 1, state="returned",
            created_at=timezone.now(), updated_at=timezone.now(), shown_at=timezone.now(),
        )  # fmt: skip
        Use.objects.create(
            attempt=attempt, course=course.row, at=timezone.now() - timedelta(days=7 * (count - k)), gas_l=gas_l,
            wire_alloy="308L", wire_mm=1.6, wire_m=2.0, blanks=blanks,
        )  # fmt: skip


def test_what_runs_out_is_said_with_a_range_and_ordered_by_its_lead_time(
    course: Course, client_of: Callable[..., Client]
) -> None:
    _, wire, _ = stocked(course)
    sessions_of_use(course)
    Movement.objects.update(at=timezone.now() - timedelta(hours=1))
    make_sessions(course.instructor, course.row.pk, date.today() + timedelta(days=2), time(18), 180, 10)
    store = response(client_of(course.instructor), course)
    blanks = of(store, "Blank 1.5")
    assert re.match(r"about 6 sessions \(\d to \d\)", blanks["lasts"])
    assert re.search(r"\d+ pieces, by ", blanks["order"])
    ordered = int(blanks["order"].split()[0])
    assert ordered >= 10 * 6 - 40
    assert blanks["cost"] == pytest.approx(ordered * 1.2)
    assert of(store, "Argon 20")["order"] == "", "eight thousand litres last thirty sessions of three hundred"
    move(course.instructor, course.row.pk, wire.pk, "counted", 1)
    low = client_of(course.instructor).get(url(course, "stock/low")).json()["lines"]
    assert any(line.startswith("Rod 1.6: 1.0 m left") for line in low)


def test_the_plan_of_a_session_counts_before_the_usual(course: Course) -> None:
    stocked(course)
    sessions_of_use(course)
    Movement.objects.update(at=timezone.now() - timedelta(hours=1))
    Attempt.objects.filter(number=1, student=course.student).update(state="assigned")
    make_sessions(course.instructor, course.row.pk, date.today() + timedelta(days=2), time(18), 180, 1)
    set_booth(course.instructor, course.row.pk, None, "1", [])
    usual = store_in(course.row).gas_lasts
    plan_rest(course.instructor, course.row.pk)
    planned = store_in(course.row).gas_lasts
    assert usual and planned
    assert (planned.mid or 60) >= (usual.mid or 60), "two coupons take less than three hundred litres"


def test_costs_by_person_coupon_and_session_add_up(course: Course, client_of: Callable[..., Client]) -> None:
    stocked(course)
    sessions_of_use(course, count=3)
    costs = response(client_of(course.instructor), course)["costs"]
    one = 300 * 90 / litres(20, 200) + 2.0 * 0.8 + 6 * 1.2
    assert costs["whole"]["total"] == pytest.approx(3 * one)
    assert costs["unpriced"] == ""
    people = {row["name"]: row for row in costs["people"]}
    assert people["Sanne"]["total"] == pytest.approx(3 * one)
    assert people["Odo"]["total"] == 0
    assert [row["coupons"] for row in costs["sessions"]] == [1, 1, 1]
    assert costs["coupons"][0]["coupons"] == 3
    assert costs["coupons"][0]["postflow_l"] < costs["coupons"][0]["gas_l"]


def test_what_has_no_price_is_said(course: Course, client_of: Callable[..., Client]) -> None:
    sessions_of_use(course, count=1)
    assert "no price" in response(client_of(course.instructor), course)["costs"]["unpriced"]


def cut_ready(course: Course) -> None:
    stocked(course)
    sessions_of_use(course)
    Movement.objects.update(at=timezone.now() - timedelta(hours=1))
    sheet = item(course, "sheet", "Half sheet", metal="304L", thickness_mm=1.5, blank_length_mm=1000.0, blank_width_mm=500.0)  # fmt: skip
    move(course.instructor, course.row.pk, sheet.pk, "counted", 1)
    move(course.instructor, course.row.pk, Item.objects.get(name="Blank 1.5").pk, "counted", 5)


def test_blanks_of_the_coming_sessions_are_laid_on_the_sheets_there_are(
    course: Course, client_of: Callable[..., Client]
) -> None:
    cut_ready(course)
    client = client_of(course.assistant)
    (group,) = client.get(url(course, "cut-list"), {"sessions": 4, "kerf_mm": 2}).json()
    wanted = group["wanted"]["Blank 1.5"]
    assert wanted >= 4 * 6 - 5
    assert group["short"] == {}
    (sheet,) = group["sheets"]
    assert len(sheet["laid"]) == wanted
    assert len(sheet["cuts"]) >= wanted - 1
    many = client.get(url(course, "cut-list"), {"sessions": 26, "kerf_mm": 2}).json()[0]
    assert many["short"]["Blank 1.5"] > 0, "one sheet is not enough for half a year"
    bad = client.get(url(course, "cut-list"), {"sessions": 99})
    assert (bad.status_code, bad.json()["errors"][0]["field"]) == (400, "sessions")


def test_the_cut_list_is_drawn_as_dxf_and_svg(course: Course, client_of: Callable[..., Client]) -> None:
    cut_ready(course)
    client = client_of(course.instructor)
    (group,) = client.get(url(course, "cut-list")).json()
    drawn = ezdxf.read(io.StringIO(client.get(url(course, "cut-list.dxf")).content.decode()))
    space = drawn.modelspace()
    assert len(space.query('LWPOLYLINE[layer=="BLANKS"]')) == sum(group["wanted"].values())
    assert len(space.query('LINE[layer=="CUTS"]')) == len(group["sheets"][0]["cuts"])
    assert drawn.units == ezdxf.units.MM
    picture = client.get(url(course, "cut-list.svg"))
    assert picture["Content-Type"].startswith("image/svg+xml")
    assert b"<svg" in picture.content


def test_stock_moves_and_plan_go_out_as_csv(course: Course, client_of: Callable[..., Client]) -> None:
    blank, *_ = stocked(course)
    move(course.instructor, course.row.pk, blank.pk, "thrown", 2, "=HYPERLINK(1)")
    make_sessions(course.instructor, course.row.pk, date.today() + timedelta(days=2), time(18), 180, 1)
    set_booth(course.instructor, course.row.pk, None, "7", [])
    plan_rest(course.instructor, course.row.pk)
    client = client_of(course.instructor)

    def rows(name: str) -> list[dict[str, str]]:
        return list(csv.DictReader(io.StringIO(client.get(url(course, name)).content.decode("utf-8-sig"))))

    assert {row["Name"]: row["Left"] for row in rows("stock.csv")} == {"Blank 1.5": "38.0", "Rod 1.6": "10.0", "Argon 20": "2.0"}  # fmt: skip
    assert rows("stock-moves.csv")[-1]["Note"] == "'=HYPERLINK(1)"
    plan = rows("plan.csv")
    assert {row["Student"] for row in plan} == {"Sanne", "Odo"}
    assert {row["Booth"] for row in plan} == {"7"}
    assert datetime.fromisoformat(plan[0]["Begins"]).hour == 18


def test_the_store_asks_a_constant_number_of_queries(course: Course, client_of: Callable[..., Client]) -> None:
    stocked(course)
    sessions_of_use(course, count=2)
    client = client_of(course.instructor)
    response(client, course)

    def asked() -> int:
        with CaptureQueriesContext(connection) as queries:
            response(client, course)
        return len(queries)

    few = asked()
    for k in range(4):
        more = item(course, "cup", f"Cup {k}", cup=5 + k)
        move(course.instructor, course.row.pk, more.pk, "counted", 3)
    Attempt.objects.filter(number__gt=1).delete()
    Use.objects.all().delete()
    sessions_of_use(course, count=9)
    assert asked() == few


def test_another_attempt_takes_another_blank(course: Course, client_of: Callable[..., Client]) -> None:
    stocked(course)
    logged(course)
    second = weld_another(course.student, course.assignment)
    log_run(course.student, second.pk, FILLED)
    assert of(response(client_of(course.instructor), course), "Blank 1.5")["left"] == 38


def test_the_kit_list_tells_of_a_spare_by_what_breaks_here(course: Course, client_of: Callable[..., Client]) -> None:
    attempt = logged(course)
    card = client_of(course.student).get(f"/api/attempts/{attempt.pk}/setup").json()
    number = card["card"]["cup"]["number"]
    assert not any("spare" in part for part in card["kit"])
    cup = item(course, "cup", "Cups", cup=number)
    log_run(course.student, attempt.pk, FILLED)
    for amount in (9, 7):
        move(course.instructor, course.row.pk, cup.pk, "counted", amount)
    kit = client_of(course.student).get(f"/api/attempts/{attempt.pk}/setup").json()["kit"]
    (spare,) = (part for part in kit if "spare" in part)
    assert "cup" in spare.lower() and spare.endswith("1 session here")
