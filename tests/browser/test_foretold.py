"""Other settings foretold, one found and welded, a bead callipered, and how true measuring is: walked and without a violation."""

import re
from typing import Any

from django.utils import timezone
from playwright.sync_api import Browser, expect

from judicum.server.follow.trust.models import Calliper
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.actions.store_measurement import store_measurement
from judicum.server.record.photos.models import Measurement, MeasurementSummary
from tests.browser.walk import LAPTOP, PHONE, no_violations, open_page, sign_in
from tests.core.trust.test_trust import shot
from tests.drawn import bead_photo
from tests.measured import bead_measured, measured_attempt
from tests.patience import until
from tests.people import Course, create_course


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


def test_a_dark_bead_a_setting_found_and_the_bead_that_came_of_it(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    course = create_course()
    for amps, width, tint in [(46 + 2 * k, 3.4 + 0.16 * k, k // 2) for k in range(10)]:
        welded(course, amps, width, tint)
    dark = welded(course, 68, 5.2, 5)
    Attempt.objects.filter(assignment=course.assignment).update(state="returned", shown_state="returned")
    phone = open_page(browser, live_server.url, PHONE, complaints)
    sign_in(phone, course.student)
    phone.goto(f"/course/{course.row.pk}/attempt/{dark.pk}")
    phone.get_by_text("What would come of other settings").click()
    offer = phone.get_by_text(re.compile(r"^Likeliest: "))
    amps, speed = re.findall(r"Likeliest: (\d+) A at ([\d.]+) mm/s", offer.inner_text())[0]
    phone.get_by_role("button", name=f"{amps} A at {speed} mm/s").first.click()
    phone.get_by_role("button", name="Start with this next time").click()
    expect(phone.get_by_text("Saved: the next log opens with it.")).to_be_visible()

    phone.goto(f"/course/{course.row.pk}/mine")
    # The guide comes last and moves what is below it: a tap just then would land beside the button.
    expect(phone.get_by_role("region", name="First time here")).to_be_visible()
    phone.get_by_role("button", name="Start another attempt").click()
    expect(phone.get_by_role("button", name="Save log")).to_be_visible()
    found = float(phone.get_by_role("textbox", name=re.compile("^Welding current")).input_value())
    assert round(found) == int(amps) < 68
    phone.get_by_role("button", name="Save log").click()
    expect(phone.get_by_role("button", name="Edit")).to_be_visible()
    attempt = Attempt.objects.latest("pk")
    photographed(course, attempt, 4.1, 1)
    phone.reload()
    phone.get_by_text("What would come of other settings").click()
    expect(phone.get_by_role("heading", name="This bead: foretold and measured")).to_be_visible()
    expect(phone.get_by_role("row", name=re.compile(r"^Width \d.* to .* 4.1 mm"))).to_be_visible()
    expect(phone.get_by_role("row", name=re.compile(r"^Tint of the bead .*1 straw"))).to_be_visible()
    no_violations(phone)


def welded(course: Course, amps: float, width_mm: float, tint: int) -> Attempt:
    """A bead of the class with this current, width and tint."""
    attempt = measured_attempt(course)
    Run.objects.filter(attempt=attempt).update(current_a=amps)
    MeasurementSummary.objects.filter(attempt=attempt).update(width_mean_mm=width_mm, tint_level=tint)
    return attempt


def photographed(course: Course, attempt: Attempt, width_mm: float, tint: int) -> None:
    """The photo of a welded attempt, measured."""
    photo = send_photo(course.student, attempt.pk, bead_photo().jpeg, "bead.jpg", measure=False)
    made = Measurement.objects.create(photo=photo, requested_at=timezone.now())
    assert store_measurement(made.pk, [bead_measured()])
    MeasurementSummary.objects.filter(attempt=attempt).update(width_mean_mm=width_mm, tint_level=tint)
