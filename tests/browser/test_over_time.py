"""Over time as instructor, second marker and student see it: two marks agreed, a self-test, the class, a story, a report."""

from typing import Any

from playwright.sync_api import Browser, Page, expect

from judicum.server.read.reports.models import Report
from judicum.server.read.reports.tasks import draw_report
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.actions.mark_attempt import return_mark, set_mark
from judicum.server.record.marking.actions.references import save_reference
from tests.browser.walk import LAPTOP, PHONE, no_violations, open_page, sign_in
from tests.measured import measured_attempt
from tests.people import Course, create_course
from tests.server.record.test_marking import SCORES


def returned(course: Course, score: float) -> Attempt:
    attempt = measured_attempt(course)
    set_mark(course.instructor, attempt.pk, attempt.version, dict.fromkeys(SCORES, score), "calm", "hold the beat")
    attempt.refresh_from_db()
    return_mark(course.instructor, attempt.pk, attempt.version)
    return attempt


def at(page: Page, course: Course, where: str) -> None:
    page.goto(f"/course/{course.row.pk}/{where}")


def test_two_marks_a_story_and_a_report(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    course = create_course()
    for score in (6.0, 7.0, 8.0):
        save_reference(course.instructor, returned(course, score).pk, "as it is")
    attempt = measured_attempt(course)

    # The assistant marks first and asks for a second mark; the instructor gives it blind.
    first = open_page(browser, live_server.url, LAPTOP, complaints)
    sign_in(first, course.assistant)
    at(first, course, f"attempt/{attempt.pk}")
    first.get_by_label("Comment").fill("a first word")
    first.get_by_role("button", name="Save", exact=True).click()
    first.get_by_role("button", name="Ask for a second mark").click()
    expect(first.get_by_text("Waiting for a second mark from someone else")).to_be_visible()
    second = open_page(browser, live_server.url, LAPTOP, complaints)
    sign_in(second, course.instructor)
    second.get_by_role("link").filter(has_text="waiting for a second mark").click()
    expect(second.get_by_text("Their mark is hidden")).to_be_visible()
    assert "a first word" not in second.inner_text("body")
    assert course.assistant.display_name not in second.inner_text("body")
    no_violations(second)
    second.get_by_label("Straight toes: half a point less").click()
    second.get_by_role("button", name="Save second mark").click()
    expect(second.get_by_role("heading", name="To mark")).to_be_visible()
    first.reload()
    expect(first.get_by_role("row").filter(has_text="Straight toes")).to_be_visible()
    no_violations(first)
    first.get_by_role("button", name="Use second mark").click()
    first.get_by_role("button", name="Agree and return").click()
    expect(first.get_by_role("heading", name="To mark")).to_be_visible()
    assert Attempt.objects.get(pk=attempt.pk).state == "returned"

    # A new assistant begins with the references.
    at(first, course, "markers")
    expect(first.get_by_text("New markers start here")).to_be_visible()
    no_violations(first)
    first.get_by_role("button", name="Start self-test").click()
    expect(first.get_by_role("heading", name="Bead 1 of 3")).to_be_visible()
    no_violations(first)
    for number in (2, 3):
        first.get_by_role("button", name="Save my mark").click()
        expect(first.get_by_role("heading", name=f"Bead {number} of 3")).to_be_visible()
    first.get_by_role("button", name="Save my mark").click()
    expect(first.get_by_role("heading", name="Your marks compared with the references")).to_be_visible()

    # The class, a student with tables open, and a report.
    at(second, course, "wall")
    expect(second.get_by_role("heading", name="Ready for the next coupon")).to_be_visible()
    second.keyboard.press("t")
    expect(second.get_by_role("button", name="PNG").first).to_be_visible()
    no_violations(second)
    with second.expect_download() as plot:
        second.get_by_role("button", name="PNG").first.click()
    assert plot.value.path().read_bytes().startswith(b"\x89PNG")
    at(second, course, f"student/{course.student.pk}")
    expect(second.get_by_role("list", name="Coupon sequence")).to_be_visible()
    no_violations(second)
    at(second, course, "reports")
    second.get_by_role("button", name="Create report").click()
    expect(second.get_by_text("waiting", exact=True)).to_be_visible()
    draw_report(Report.objects.get().pk)
    expect(second.get_by_role("link", name="Open")).to_be_visible()
    no_violations(second)

    # The student reads the agreed mark and their own story on a phone, beside nobody.
    phone = open_page(browser, live_server.url, PHONE, complaints)
    sign_in(phone, course.student)
    at(phone, course, "time")
    expect(phone.get_by_role("heading", name="My progress")).to_be_visible()
    expect(phone.get_by_text("hold the beat").first).to_be_visible()
    assert course.other.display_name not in phone.inner_text("body")
    no_violations(phone)
    at(phone, course, "reports")
    expect(phone.get_by_role("heading", name="My report")).to_be_visible()
    no_violations(phone)
