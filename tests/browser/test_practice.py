"""Practice before the arc: a coupon built, given, prepared, and logged in a few taps."""

from typing import Any

import pytest
from playwright.sync_api import Browser, expect

from judicum.server.record.attempts.models import Attempt, Run
from tests.browser.walk import LAPTOP, PHONE, no_violations, open_page, sign_in
from tests.people import create_course


@pytest.mark.usefixtures("complaints")
def test_from_the_builder_to_the_log(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    course = create_course()
    staff = open_page(browser, live_server.url, LAPTOP, complaints)
    sign_in(staff, course.instructor)

    # The builder: the card follows what is typed and says what moved.
    staff.get_by_role("link", name="Coupon library").click()
    staff.get_by_role("link", name="Build a coupon").click()
    figures = staff.get_by_role("region", name="Setup card, live")
    expect(figures.get_by_text("Why 80 A")).to_be_visible()
    staff.get_by_label("Thickness (mm)", exact=True).fill("3")
    expect(figures.get_by_text("Current: 80 A →")).to_be_visible()
    staff.get_by_label("Thickness (mm)", exact=True).fill("thick")
    expect(figures.get_by_role("alert")).to_contain_text("Thickness: enter 0.01 to 300 mm (you entered thick).")
    complaints.clear()  # the browser writes that refusal into its console
    staff.get_by_label("Thickness (mm)", exact=True).fill("2.5")
    expect(figures.get_by_role("img", name="Section of the joint, torch at 45°")).to_be_visible()
    no_violations(staff)
    staff.get_by_label("Title").fill("Basin corner")
    staff.get_by_role("button", name="Save and assign").click()
    expect(staff.get_by_role("heading", name="Assign “Basin corner”")).to_be_visible()
    staff.get_by_role("button", name="Assign coupon").click()
    expect(staff.get_by_role("row").filter(has_text="Basin corner")).to_be_visible()

    # The schools of the course, and the workbench with a link that keeps its figures.
    staff.get_by_role("link", name="Course methods").click()
    # Not check(): it looks before the page has drawn what it just heard.
    staff.get_by_label("Denatured alcohol").click()
    expect(staff.get_by_label("Denatured alcohol")).to_be_checked()
    no_violations(staff)
    staff.get_by_role("link", name="Calculators").click()
    gas = staff.get_by_role("region", name="Cup and flow")
    expect(gas.get_by_text("995")).to_be_visible()
    gas.get_by_label("Gas flow").fill("16.5")
    gas.get_by_label("Cup number").fill("6")
    expect(gas.get_by_text("Turbulent: the jet")).to_be_visible()
    no_violations(staff)
    gas.get_by_role("button", name="Copy link for").click()
    staff.goto(staff.url)
    expect(staff.get_by_role("region", name="Cup and flow").get_by_label("Gas flow")).to_have_value("16.5")

    # The student: prepared and logged as the card in three taps.
    phone = open_page(browser, live_server.url, PHONE, complaints)
    sign_in(phone, course.student)
    phone.locator("section").filter(has_text="Basin corner").get_by_role("link", name="Weld attempt 1").click()
    expect(phone.get_by_text("Blank wiped with denatured alcohol")).to_be_visible()
    expect(phone.get_by_text("Filled with the card settings")).to_be_visible()
    phone.get_by_label("Blank wiped with denatured alcohol").click()
    expect(phone.get_by_text("1 of 10")).to_be_visible()
    phone.get_by_role("button", name="Tick all").click()
    expect(phone.get_by_text("10 of 10")).to_be_visible()

    # A slip of units is asked about before it is kept; what is off the card says so at once.
    phone.get_by_label("Gas flow (L/min)").fill("24")
    expect(phone.get_by_text("typed as L/min")).to_be_visible()
    no_violations(phone)
    phone.get_by_role("button", name="Save log").click()
    expect(phone.get_by_role("heading", name="Log of the run")).to_be_visible()
    phone.get_by_role("button", name="Use 11.3 L/min").click()
    expect(phone.get_by_label("Gas flow (L/min)")).to_have_value("11.3")
    phone.get_by_label("Post-flow (s)", exact=True).fill("3")
    expect(phone.get_by_text("the end oxidises while hot").first).to_be_visible()
    phone.get_by_role("button", name="Save log").click()
    expect(phone.get_by_role("button", name="Log another run")).to_be_visible()
    phone.get_by_role("button", name="Log another run").click()
    expect(phone.get_by_text("Filled with run 1")).to_be_visible()
    for group in ("Filler, tungsten, torch", "Pulse", "Purge and backing", "Technique", "What you noticed"):
        phone.locator("summary").filter(has_text=group).click()
    no_violations(phone)
    assert phone.evaluate("document.documentElement.scrollWidth") <= PHONE["width"]
    phone.get_by_label("Run number", exact=True).fill("2")
    phone.get_by_role("button", name="Start timer when the arc starts").click()
    phone.get_by_role("button", name="Stop timer").click()
    phone.get_by_label("Tungsten after the weld").select_option("dull")
    phone.get_by_label("Draught noticed").click()
    phone.get_by_role("button", name="Save log").click()
    expect(phone.get_by_role("button", name="Edit run 2")).to_be_visible()
    attempt = Attempt.objects.get(student=course.student, assignment__design__title="Basin corner")
    runs = list(Run.objects.filter(attempt=attempt))
    assert [(r.pass_number, r.electrode_after, r.draught) for r in runs] == [(None, None, None), (2, "dull", True)]
    assert runs[1].arc_s is not None

    # The cadence counts and holds.
    phone.get_by_text("Setup card").click()
    phone.get_by_role("link", name="Cadence").click()
    phone.get_by_label("Dabs per run", exact=True).fill("2")
    no_violations(phone)
    phone.get_by_role("button", name="Start").click()
    expect(phone.get_by_text("Make the puddle")).to_be_visible()
    expect(phone.get_by_text("Hold still", exact=True)).to_be_visible(timeout=60_000)

    # What was prepared and what lies off the card stands before the marker.
    staff.goto(f"/course/{course.row.pk}/attempt/{attempt.pk}")
    expect(staff.get_by_role("heading", name="Run 2").first).to_be_visible()
    staff.get_by_role("button", name="all measurements").click()
    expect(staff.get_by_role("heading", name="Prep checklist")).to_be_visible()
    no_violations(staff)
