"""A trial, from the plan to the chosen setting with one photo, on a phone."""

from typing import Any

from playwright.sync_api import Browser, expect

from judicum.core.photo.measure import measure_all
from judicum.server.follow.trials.models import StartValue, Trial
from judicum.server.follow.trials.queries import planned
from judicum.server.record.photos.actions.store_measurement import MeasuredBead, store_measurement
from judicum.server.record.photos.models import Measurement
from tests.browser.walk import LAPTOP, PHONE, fits_narrow, no_violations, open_page, sign_in
from tests.drawn import trial_photo
from tests.patience import until
from tests.people import create_course


def test_a_trial_from_plan_to_setting_with_one_photo(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    course = create_course()
    attempt = course.attempt
    phone = open_page(browser, live_server.url, PHONE, complaints)
    sign_in(phone, course.student)
    phone.goto(f"/course/{course.row.pk}/attempt/{attempt.pk}")
    phone.get_by_role("link", name="Try settings on a practice plate").click()
    expect(phone.get_by_label("What changes")).to_have_value("current_a")
    phone.get_by_label("From (A)").fill("38")
    phone.get_by_label("To (A)").fill("68")
    no_violations(phone)
    phone.get_by_role("button", name="Start trial").click()
    for number, value in ((1, 38), (3, 51), (5, 68), (2, 44), (4, 59)):
        expect(phone.get_by_text(f"Next: line {number} at {value} A")).to_be_visible()
        phone.get_by_role("button", name=f"Confirm line {number} welded").click()
    trial = Trial.objects.get(attempt=attempt)
    jpeg = trial_photo(planned(trial), without=(2,))
    with phone.expect_file_chooser() as chooser:
        phone.get_by_text("Take the photo of all beads").click()
    chooser.value.set_files({"name": "plate.jpg", "mimeType": "image/jpeg", "buffer": jpeg})
    until(lambda: Measurement.objects.filter(photo__kind="trial").exists(), "the photo arrives")
    made = Measurement.objects.get(photo__kind="trial")
    assert store_measurement(made.pk, [MeasuredBead.of(one) for one in measure_all(jpeg, "plate.jpg")])
    expect(phone.get_by_text("No bead on line 2.")).to_be_visible()
    expect(phone.get_by_text("Best welding current:")).to_be_visible()
    no_violations(phone)
    fits_narrow(phone)
    phone.get_by_role("button", name="as my start value").click()
    expect(phone.get_by_text("Found by your trial: welding current")).to_be_visible()
    best = StartValue.objects.get(student=course.student).value
    phone.goto(f"/course/{course.row.pk}/attempt/{attempt.pk}")
    expect(phone.get_by_text("Filled with what your trials found.")).to_be_visible()
    expect(phone.get_by_label("Welding current (A)")).to_have_value(f"{best:g}")

    staff = open_page(browser, live_server.url, LAPTOP, complaints)
    sign_in(staff, course.instructor)
    staff.goto(f"/course/{course.row.pk}/attempt/{attempt.pk}/trials")
    staff.get_by_role("button", name="for the class").click()
    until(lambda: StartValue.objects.filter(student=None, booth=None).exists(), "the class has it")
    no_violations(staff)
    staff.goto(f"/course/{course.row.pk}/assign")
    staff.get_by_role("button", name="Weld it myself").click()
    expect(staff.get_by_role("button", name="Start trial")).to_be_visible()
    staff.go_back()
    staff.get_by_role("button", name="Weld it myself").click()
    expect(staff.get_by_role("button", name="Start trial")).to_be_visible()
