"""Other settings foretold, a bead callipered, and how true measuring is: walked and without a violation."""

import re
from typing import Any

from playwright.sync_api import Browser, expect

from judicum.server.follow.trust.models import Calliper
from tests.browser.walk import LAPTOP, PHONE, no_violations, open_page, sign_in
from tests.core.trust.test_trust import shot
from tests.drawn import bead_photo
from tests.measured import measured_attempt
from tests.patience import until
from tests.people import create_course


def test_what_if_callipers_and_a_phone_checked(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    course = create_course()
    attempt = measured_attempt(course)
    phone = open_page(browser, live_server.url, PHONE, complaints)
    sign_in(phone, course.student)
    phone.goto(f"/course/{course.row.pk}/attempt/{attempt.pk}")
    phone.get_by_text("What would come of other settings").click()
    expect(phone.get_by_text("Foretold, not measured: it counts nowhere.")).to_be_visible()
    expect(phone.get_by_role("img", name="Drawn, not photographed")).to_be_visible()
    phone.get_by_role("slider", name="Welding current").press("PageUp")
    expect(phone.get_by_text("Where settings give the wanted bead")).to_be_visible()
    no_violations(phone)
    phone.get_by_role("button", name=re.compile(r"A at .* mm")).nth(40).click()
    phone.get_by_role("button", name="Start with this next time").click()
    expect(phone.get_by_text("Saved: the next log opens with it.")).to_be_visible()
    no_violations(phone)
    phone.get_by_text("Widths by callipers").click()
    phone.get_by_label(re.compile(r"^At \d")).first.fill("4.40")
    phone.get_by_role("button", name="Save widths").click()
    until(lambda: Calliper.objects.filter(attempt=attempt).exists(), "the width is kept")
    expect(phone.get_by_text(re.compile(r"^measured \d"))).to_be_visible()
    phone.goto(f"/course/{course.row.pk}/measuring")
    phone.get_by_label("Name of the phone").fill("blue one")
    with phone.expect_file_chooser() as chooser:
        phone.get_by_text("Take the photo of the target").click()
    chooser.value.set_files({"name": "target.jpg", "mimeType": "image/jpeg", "buffer": shot()})
    expect(phone.get_by_text("This phone measures well as you hold it.")).to_be_visible()
    no_violations(phone)

    staff = open_page(browser, live_server.url, LAPTOP, complaints)
    sign_in(staff, course.instructor)
    staff.goto(f"/course/{course.row.pk}/measuring")
    expect(staff.get_by_text("Fewer than two beads have callipered widths")).to_be_visible()
    expect(staff.get_by_text("No marked bead yet")).to_be_visible()
    staff.get_by_label("Beads", exact=True).fill("2")
    staff.get_by_label("People, by comma").fill("Ilka")
    staff.get_by_label("Phones, by comma").fill("blue one")
    staff.get_by_role("button", name="Start study").click()
    expect(staff.get_by_text("Ilka takes it with blue one")).to_be_visible()
    staff.locator("label", has_text="Take photo of bead").locator("input").set_input_files(
        {"name": "bead.jpg", "mimeType": "image/jpeg", "buffer": bead_photo().jpeg}
    )
    expect(staff.get_by_text("Taken: 1 of 4")).to_be_visible()
    no_violations(staff)
    staff.goto(f"/course/{course.row.pk}/markers")
    expect(staff.get_by_role("heading", name="Causes that were suggested first")).to_be_visible()
    no_violations(staff)
