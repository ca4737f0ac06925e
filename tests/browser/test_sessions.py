"""A session as instructor and student see it: planned, a slot dragged and moved by keys, told on the phone, one who is away."""

from datetime import time, timedelta
from typing import Any

from django.utils import timezone
from playwright.sync_api import Browser, expect

from judicum.server.follow.sessions.actions.make_sessions import make_sessions
from judicum.server.follow.sessions.actions.set_booth import set_booth
from judicum.server.follow.sessions.models import BoothSlot
from tests.browser.walk import LAPTOP, PHONE, no_violations, open_page, sign_in
from tests.people import create_course


def test_a_session_is_planned_changed_by_hand_and_read_on_a_phone(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    course = create_course()
    tomorrow = timezone.now().date() + timedelta(days=1)
    make_sessions(course.instructor, course.row.pk, tomorrow, time(18, 0), 180, 2)
    for name in ("1", "2"):
        set_booth(course.instructor, course.row.pk, None, name, ["pulse"])
    page = open_page(browser, live_server.url, LAPTOP, complaints)
    sign_in(page, course.instructor)
    page.get_by_role("link", name="Sessions").click()
    page.get_by_role("button", name="Schedule the rest").click()
    sanne = page.get_by_role("button", name="Sanne, Bead on plate, 1.5 mm, booth")
    expect(sanne).to_be_visible()
    expect(page.get_by_text("Everything is scheduled.")).to_be_visible()
    no_violations(page)

    # Dragged by the mouse to the right, it stays where it was dropped; a key moves it on by five minutes.
    box = sanne.bounding_box()
    assert box is not None
    begin = BoothSlot.objects.get(student=course.student).start
    page.mouse.move(box["x"] + 20, box["y"] + 10)
    page.mouse.down()
    page.mouse.move(box["x"] + 140, box["y"] + 12, steps=6)
    page.mouse.up()
    expect(page.get_by_role("button", name="Sanne").filter(has_text="Bead").and_(page.locator("[aria-label*='placed by hand']"))).to_be_visible()  # fmt: skip
    moved = BoothSlot.objects.get(student=course.student)
    assert moved.kept
    assert moved.start > begin + 5
    bar = page.locator("[aria-label^='Sanne, Bead'][aria-label*='placed by hand']")
    with page.expect_response(lambda answer: answer.url.endswith("/rota")):
        bar.press("ArrowRight")
    assert BoothSlot.objects.get(student=course.student).start == moved.start + 5

    phone = open_page(browser, live_server.url, PHONE, complaints)
    sign_in(phone, course.student)
    expect(phone.get_by_text(f"booth {moved.booth.name}")).to_be_visible()
    expect(phone.get_by_text("Bring blanks")).to_be_visible()
    phone.get_by_text("Upcoming sessions").click()
    no_violations(phone)
    phone.get_by_role("button", name="I will be absent").first.click()
    expect(phone.get_by_text("No booth assigned yet.")).to_be_visible()
    page.reload()
    expect(page.get_by_role("button", name="Sanne: absent")).to_be_visible()
