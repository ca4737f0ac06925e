"""An instructor makes a course like theirs and hands over a reset link; whoever gets it signs in with a new password."""

from typing import Any

from playwright.sync_api import Browser, expect

from judicum.server.people.courses.models import Course, Membership
from tests.browser.walk import LAPTOP, PHONE, no_violations, open_page, sign_in
from tests.people import create_course


def test_a_second_course_a_lost_password_and_somebody_let_go(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    course = create_course()
    page = open_page(browser, live_server.url, LAPTOP, complaints)
    sign_in(page, course.instructor)
    page.get_by_role("link", name="People, join code, new course").click()
    page.get_by_role("button", name="Reset password of Sanne").click()
    link = page.get_by_role("status").locator("strong").text_content() or ""
    no_violations(page)
    page.get_by_role("button", name="Remove Odo from course").click()
    page.get_by_role("button", name="Remove Odo").click()
    expect(page.get_by_label("Role of Odo")).to_be_hidden()
    assert not Membership.objects.filter(course=course.row, user=course.other).exists()

    phone = open_page(browser, live_server.url, PHONE, complaints)
    phone.goto(link)
    phone.get_by_label("New password (at least 8 characters)").fill("a-password-of-her-own")
    no_violations(phone)
    phone.get_by_role("button", name="Save password").click()
    phone.get_by_role("link", name="Go to sign-in").click()
    phone.get_by_label("Name").fill("sanne")
    phone.get_by_label("Password").fill("a-password-of-her-own")
    phone.get_by_role("button", name="Sign in").click()
    expect(phone.get_by_role("heading", name="My coupons")).to_be_visible()
    phone.get_by_role("link", name="Account of Sanne").click()
    no_violations(phone)
    phone.get_by_role("button", name="Sign out everywhere").click()
    expect(phone.get_by_role("heading", name="Sign in")).to_be_visible()

    page.get_by_label("Course name").fill("Spring course")
    page.get_by_role("button", name="Create course").click()
    expect(page.get_by_label("Switch course").locator("option:checked")).to_have_text("Spring course")
    page.get_by_role("link", name="Coupon library").click()
    expect(page.get_by_text("Bead on plate, 1.5 mm").first).to_be_visible()
    assert Course.objects.filter(name="Spring course").count() == 1
    page.get_by_label("Switch course").select_option(label="Test course")
    expect(page.get_by_role("heading", name="To mark")).to_be_visible()
