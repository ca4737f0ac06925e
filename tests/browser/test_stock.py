"""Four sessions planned, one of them run on two phones and a laptop: a late comer, a broken booth, a bottle that ends; then stock counted, ordered and cut."""

import re
from datetime import time, timedelta
from pathlib import Path
from typing import Any

from django.utils import timezone
from playwright.sync_api import Browser, Locator, Page, expect

from judicum.core.stock.bottle import KEPT_BAR
from judicum.server.follow.sessions.actions.make_sessions import make_sessions
from judicum.server.follow.sessions.actions.set_booth import set_booth
from judicum.server.follow.sessions.models import BoothSlot
from judicum.server.follow.sessions.queries import today_in
from judicum.server.follow.stock.models import Bottle, GaugeReading, Use
from judicum.server.record.attempts.actions.log_run import log_run
from tests.browser.walk import LAPTOP, PHONE, no_violations, open_page, sign_in
from tests.people import RUN, create_course


def gauge_picture(path: Path) -> Path:
    """A drawn gauge of 400 by 400 pixels: hub in the middle, 0 below on the left, the end below on the right, the needle up."""
    from PIL import Image, ImageDraw

    picture = Image.new("RGB", (400, 400), "white")
    draw = ImageDraw.Draw(picture)
    draw.ellipse((40, 40, 360, 360), outline="black", width=6)
    draw.line((200, 200, 200, 80), fill="black", width=6)
    picture.save(path)
    return path


def add_item(page: Page, kind: str, **fields: str) -> None:
    page.get_by_role("button", name="New item").click()
    page.get_by_label("Kind").select_option(label=kind)
    for label, value in fields.items():
        field = page.get_by_label(re.compile(f"^{label.replace('_', ' ')}"))
        (field.select_option if field.evaluate("e => e.tagName") == "SELECT" else field.fill)(value)
    page.get_by_role("button", name=re.compile("^Save (item|booth)")).click()
    expect(page.get_by_role("button", name=re.compile("^Save (item|booth)"))).to_be_hidden()


def count(page: Page, name: str, amount: str, what: str = "counted") -> None:
    page.get_by_role("button", name=re.compile(f"^{name}")).click()
    page.get_by_label("Type of change").select_option(label=what)
    page.get_by_label(re.compile("^Amount")).fill(amount)
    page.get_by_role("button", name="Save change").click()
    expect(page.get_by_role("button", name="Save change")).to_be_hidden()


def tap(picture: Locator, *points: tuple[int, int]) -> None:
    """Taps at pixels of a picture of 400 by 400."""
    box = picture.bounding_box()
    assert box is not None
    for x, y in points:
        picture.click(position={"x": x * box["width"] / 400, "y": y * box["height"] / 400})


def test_a_session_on_two_phones_and_a_laptop(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str], tmp_path: Path
) -> None:
    course = create_course()
    today = today_in(course.row)
    for name in ("1", "2"):
        set_booth(course.instructor, course.row.pk, None, name, [])
    now = timezone.now()
    start = time(min(now.hour, 12), 0)  # the session goes on now, whenever this runs
    make_sessions(course.instructor, course.row.pk, today, start, 12 * 60 - 1 if now.hour < 12 else 11 * 60, 4)

    # The laptop: what there is, an opened bottle, the plan of four sessions.
    laptop = open_page(browser, live_server.url, LAPTOP, complaints)
    sign_in(laptop, course.instructor)
    laptop.get_by_role("link", name="Stock", exact=True).click()
    expect(laptop.get_by_text("No stock yet")).to_be_visible()
    add_item(laptop, "Argon, full bottles", Name="Argon 20", Bottle_size="20", Price="80", Supplier="Quayside Gas")
    add_item(laptop, "Blanks", Name="Blank 1.5", Metal="304L", Thickness="1.5", Length="100", Width="50", Price="1")
    add_item(laptop, "Sheets to cut", Name="Half sheet", Metal="304L", Thickness="1,5", Length="1000", Width="500")
    for name, amount in (("Argon 20", "2"), ("Blank 1.5", "12"), ("Half sheet", "1")):
        count(laptop, name, amount)
    laptop.get_by_label("Location").fill("shed")
    laptop.get_by_role("button", name="Put in use").click()
    expect(laptop.get_by_label("Bottle shed")).to_contain_text("No reading yet")
    no_violations(laptop)
    laptop.get_by_role("link", name="Sessions", exact=True).click()
    laptop.get_by_role("button", name="Schedule the rest").click()
    expect(laptop.get_by_text("Everything is scheduled.")).to_be_visible()

    # The first phone reads the gauge by photo: the needle stands straight up, half way round.
    first = open_page(browser, live_server.url, PHONE, complaints)
    sign_in(first, course.student)
    expect(first.get_by_text(re.compile("booth [12]")).first).to_be_visible()
    first.get_by_role("button", name="shed").click()
    first.get_by_label("Or photograph the gauge").set_input_files(gauge_picture(tmp_path / "gauge.png"))
    taps = first.get_by_test_id("gauge-taps")
    expect(first.get_by_text("Tap the hub")).to_be_visible()
    tap(taps, (200, 200), (200, 80), (87, 313), (313, 313))
    first.get_by_label("End of scale, bar").fill("300")
    first.get_by_role("button", name="Save reading").last.click()
    expect(first.get_by_text(re.compile("1(49|50|51) bar saved"))).to_be_visible()
    reading = GaugeReading.objects.get()
    assert abs(reading.bar - 150) < 2
    assert reading.how == "photo"
    no_violations(first)

    # At the booth something is broken; the first phone tells it, the laptop closes the booth and plans anew.
    mine = BoothSlot.objects.get(student=course.student)
    first.get_by_role("link", name="Weld attempt 1").click()
    expect(first.get_by_role("combobox", name="Booth")).to_have_value(str(mine.booth_id))
    first.get_by_role("button", name="Report a fault").click()
    first.get_by_label("What is broken?").fill("gas valve sticks")
    first.get_by_role("button", name="Send", exact=True).click()
    expect(first.get_by_text("Reported fault: gas valve sticks")).to_be_visible()
    no_violations(first)
    laptop.reload()
    laptop.get_by_role("button", name=mine.booth.name, exact=True).click()
    expect(laptop.get_by_text("gas valve sticks: Sanne")).to_be_visible()
    laptop.get_by_label("Closed for this session").check()
    laptop.get_by_role("button", name=re.compile("^Save (item|booth)")).click()
    expect(laptop.get_by_role("button", name=re.compile("^Save (item|booth)"))).to_be_hidden()
    laptop.get_by_role("button", name="Schedule the rest").click()
    expect(laptop.get_by_text("Everything is scheduled.")).to_be_visible()
    assert BoothSlot.objects.get(student=course.student).booth_id != mine.booth_id

    # The late comer comes in by the door's code on the second phone.
    late = open_page(browser, live_server.url, PHONE, complaints)
    sign_in(late, course.other)
    door = BoothSlot.objects.get(student=course.other).session.course.sessions.order_by("date").first()
    assert door is not None
    late.get_by_label("Door code").fill(door.door_code)
    late.get_by_role("button", name="Check in").click()
    expect(late.get_by_label("Door code")).to_be_hidden()
    laptop.reload()
    expect(laptop.get_by_role("button", name="Odo: present")).to_be_visible()

    # Both weld; then the bottle is at its end. The desk says so, and another one is opened.
    log_run(course.student, course.attempt.pk, {**RUN, "arc_s": 60})
    for days in range(1, 7):
        Use.objects.update_or_create(
            attempt=course.attempt,
            defaults={
                "course": course.row,
                "at": now - timedelta(days=7 * days),
                "gas_l": 400,
                "wire_m": 1,
                "blanks": 4,
            },
        )
    late.get_by_role("button", name="shed").click()
    late.get_by_label("Gauge, bar").fill(f"{KEPT_BAR:g}")
    late.get_by_role("button", name="Save reading").click()
    expect(late.get_by_text("2 bar saved")).to_be_visible()
    laptop.get_by_role("link", name="Stock", exact=True).click()
    expect(laptop.get_by_label("Bottle shed")).to_contain_text("2 bar")
    laptop.get_by_label("Bottle shed").get_by_role("button", name="Mark as empty").click()
    expect(laptop.get_by_label("Bottle shed")).to_be_hidden()
    laptop.get_by_label("Location").fill("shed")
    laptop.get_by_role("button", name="Put in use").click()
    expect(laptop.get_by_label("Bottle shed")).to_be_visible()
    assert Bottle.objects.filter(closed_at=None).count() == 1
    expect(laptop.get_by_role("button", name=re.compile("^Argon 20"))).to_contain_text("0 bottles")

    # Counted, ordered, costed, cut.
    count(laptop, "Blank 1.5", "3")
    expect(laptop.get_by_label("To order")).to_contain_text("Blank 1.5")
    expect(laptop.get_by_label("To order")).to_contain_text("Quayside Gas")
    laptop.get_by_role("link", name="To mark").click()
    expect(laptop.get_by_text(re.compile("^Stock: "))).to_be_visible()
    laptop.get_by_text(re.compile("^Stock: ")).click()
    no_violations(laptop)
    laptop.get_by_role("link", name="Open stock").click()
    laptop.get_by_role("button", name="Costs").click()
    expect(laptop.get_by_label("By person")).to_contain_text("Sanne")
    no_violations(laptop)
    laptop.get_by_role("button", name="Cut list").click()
    expect(laptop.get_by_role("img", name=re.compile("^Half sheet: "))).to_be_visible()
    no_violations(laptop)
    with laptop.expect_download() as file:
        laptop.get_by_role("link", name="DXF").click()
    assert "LWPOLYLINE" in Path(file.value.path()).read_text()
