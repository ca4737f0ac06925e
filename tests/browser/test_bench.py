"""The bench as practised: several runs, a machine without a timer, a pulse uphill, a purged sleeve."""

from datetime import date
from typing import Any

from django.utils import timezone
from playwright.sync_api import Browser, Page, expect

from judicum.server.catalogue.coupons.models import Design
from judicum.server.follow.sessions.models import Booth
from judicum.server.record.attempts.actions.assign_coupon import assign_coupon
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.actions.store_measurement import store_measurement
from judicum.server.record.photos.models import Measurement
from tests.browser.walk import LAPTOP, PHONE, no_violations, open_page, sign_in
from tests.drawn import bead_photo
from tests.measured import bead_measured
from tests.people import Course, create_course


def given(course: Course, code: str) -> Attempt:
    """The student's first attempt at a coupon of the library."""
    design = Design.objects.get(code=code)
    goal = assign_coupon(
        course.instructor, course.row.pk, design_id=design.pk, target_width_mm=design.target_width_mm,
        finish=design.finish, good_in_a_row=1, due_on=date(2031, 1, 1), student_ids=[course.student.pk],
    )  # fmt: skip
    return Attempt.objects.get(assignment=goal, student=course.student)


def opened(page: Page, course: Course, attempt: Attempt) -> Page:
    page.goto(f"/course/{course.row.pk}/attempt/{attempt.pk}")
    return page


def test_a_fillet_of_three_runs_is_planned_logged_run_by_run_and_marked(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    course = create_course()
    attempt = given(course, "tee-60-three-runs")
    phone = open_page(browser, live_server.url, PHONE, complaints)
    sign_in(phone, course.student)
    opened(phone, course, attempt)
    expect(phone.get_by_role("img", name="3 runs in section, numbered as they are welded")).to_be_visible()
    for words in ("1. Root:", "2. Second:", "3. Weave:", "brush with a clean stainless brush"):
        expect(phone.get_by_text(words)).to_be_visible()
    no_violations(phone)
    phone.get_by_role("button", name="Save log").click()
    phone.get_by_role("button", name="Log run 2: Second").click()
    expect(phone.get_by_label("Cup number", exact=True)).to_have_value("8")
    phone.get_by_role("button", name="Save log").click()
    phone.get_by_role("button", name="Log run 3: Weave").click()
    no_violations(phone)
    phone.locator("summary").filter(has_text="Technique").click()
    phone.get_by_label("Hand propped on").select_option("arm")
    phone.get_by_label("Cooled since the last run (s)").fill("240")
    phone.get_by_role("button", name="Save log").click()
    expect(phone.get_by_role("button", name="Edit run 3")).to_be_visible()
    runs = list(Run.objects.filter(attempt=attempt))
    assert [(run.pass_number, run.cup, run.brushed) for run in runs] == [(1, 7, None), (2, 8, True), (3, 12, True)]
    assert (runs[2].prop, runs[2].cooled_s) == ("arm", 240)

    photo = send_photo(course.student, attempt.pk, bead_photo().jpeg, "bead.jpg", measure=False)
    made = Measurement.objects.create(photo=photo, requested_at=timezone.now())
    assert store_measurement(made.pk, [bead_measured()])
    staff = open_page(browser, live_server.url, LAPTOP, complaints)
    sign_in(staff, course.instructor)
    opened(staff, course, attempt)
    for number in (1, 2, 3):
        expect(staff.get_by_role("heading", name=f"Run {number}").first).to_be_visible()
    staff.get_by_label("One change for next time").fill("Wait until it is hand-warm.")
    staff.get_by_role("button", name="Save and return").click()
    expect(staff.get_by_role("heading", name="To mark")).to_be_visible()
    attempt.refresh_from_db()
    assert attempt.mark.returned_at is not None


def test_the_card_follows_the_machine_the_position_and_the_tube(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    course = create_course()
    staff = open_page(browser, live_server.url, LAPTOP, complaints)
    sign_in(staff, course.instructor)
    staff.get_by_role("link", name="Sessions").click()
    staff.get_by_role("button", name="Add booth").click()
    staff.get_by_label("Name").fill("North")
    staff.locator("summary").filter(has_text="Machine").click()
    staff.get_by_label("Control").select_option("pedal")
    staff.get_by_label("No post-flow timer").click()
    staff.get_by_label("Highest current (A)").fill("160")
    no_violations(staff)
    staff.get_by_role("button", name="Save booth").click()
    expect(staff.get_by_role("button", name="North")).to_be_visible()
    assert Booth.objects.get().machine == {"control": "pedal", "no_postflow": True, "max_a": 160.0}

    # A booth without a post-flow timer: the card has none, and says what is done instead.
    pulsed, sleeve = given(course, "tee-pulsed-vertical-16"), given(course, "sleeve-10-purged")
    phone = open_page(browser, live_server.url, PHONE, complaints)
    sign_in(phone, course.student)
    card = opened(phone, course, pulsed).locator("details").filter(has_text="Setup card")
    expect(card.get_by_text("Post-flow", exact=True)).to_be_visible()
    phone.get_by_role("combobox", name="Booth").select_option(label="North")
    expect(card.get_by_text("strike again for an instant")).to_be_visible()
    expect(card.get_by_text("Post-flow", exact=True)).to_have_count(0)

    # A pulse uphill: its mean stands on the card, torch pushed 20°, the back looked at.
    expect(card.get_by_text("Pulse mean")).to_be_visible()
    expect(card.get_by_text("45° / 20°")).to_be_visible()
    expect(card.get_by_text("Look at the back")).to_be_visible()
    no_violations(phone)

    # A sleeve with a full tube of argon, in runs as long as the cup covers.
    card = opened(phone, course, sleeve).locator("details").filter(has_text="Setup card")
    expect(card.get_by_text("2.6 L/min")).to_be_visible()
    expect(card.get_by_text("Longest run:")).to_be_visible()
    phone.locator("summary").filter(has_text="Purge and backing").click()
    phone.get_by_label("Purge flow (L/min)").fill("2.5")
    phone.get_by_label("Purge had a vent").click()
    phone.get_by_role("button", name="Save log").click()
    expect(phone.get_by_role("button", name="Log another run")).to_be_visible()
    run = Run.objects.get(attempt=sleeve)
    assert (run.purge_l_min, run.purge_vent) == (2.5, True)
