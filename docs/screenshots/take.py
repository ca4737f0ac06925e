"""Takes the pictures of docs/screenshots from a running demo: python docs/screenshots/take.py http://127.0.0.1:8000"""

import sys
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from playwright.sync_api import Browser, Locator, Page, ViewportSize, sync_playwright

HERE = Path(__file__).parent
DRAWN = "() => [...document.images].every(one => one.complete || one.getBoundingClientRect().top > innerHeight)"
"""Every picture in sight is there."""
LAPTOP, PHONE = (1280, 800), (390, 844)


@contextmanager
def chromium() -> Iterator[Browser]:
    """Debian's Chromium without a screen, closed at the end."""
    with sync_playwright() as p:
        browser = p.chromium.launch(
            executable_path="/usr/bin/chromium-headless-shell",
            args=["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
        )
        yield browser
        browser.close()


def signed_in(browser: Browser, base: str, name: str, size: tuple[int, int], locale: str = "en-GB") -> Page:
    """A page of somebody who has signed in."""
    viewport: ViewportSize = {"width": size[0], "height": size[1]}
    context = browser.new_context(base_url=base, viewport=viewport, locale=locale)
    page = context.new_page()
    page.goto("/sign-in")
    page.get_by_label("Name").fill(name)
    page.get_by_label("Password").fill("fountain-demo")
    page.get_by_role("button", name="Sign in").click()
    page.wait_for_url("**/course/**")
    return page


def take(page: Page, name: str) -> None:
    """Wait until the page is quiet, then keep its picture."""
    page.wait_for_load_state("networkidle")
    page.wait_for_timeout(600)
    # What the page asked for meanwhile, pictures above all.
    page.wait_for_load_state("networkidle")
    page.wait_for_timeout(1500)
    page.wait_for_function(DRAWN)
    page.screenshot(path=HERE / f"{name}.png")


def open_last_attempt(page: Page, student: str) -> None:
    """From the desk to the newest attempt of a student that waits to be marked."""
    page.get_by_role("link", name="To mark").click()
    page.get_by_role("link").filter(has_text=student).filter(has_text="attempt").last.click()


def american(browser: Browser, base: str, name: str, size: tuple[int, int]) -> Page:
    """A page in American English and US units; `metric` sets the units back."""
    page = signed_in(browser, base, name, size, "en-US")
    page.get_by_role("button", name="Units: mm").click()
    page.get_by_role("button", name="Units: thousandths").wait_for()
    return page


def metric(page: Page) -> None:
    """The account's units as they were."""
    page.get_by_role("button", name="Units: thousandths").click()
    page.get_by_role("button", name="Units: mm").wait_for()


def of_corner(phone: Page) -> Locator:
    """Of one's coupons, the one that everybody welded last."""
    return phone.locator("section").filter(has=phone.get_by_role("heading", name="Fused corner"))


def main(base: str) -> None:
    """All pictures, from the demo data."""
    with chromium() as browser:
        staff = signed_in(browser, base, "ines", LAPTOP)
        take(staff, "desk")
        for tab, name in (("Coupon library", "coupons"), ("Class", "wall")):
            staff.get_by_role("link", name=tab).click()
            if name == "coupons":
                staff.get_by_role("button", name="Assign Bead on plate, 1.5 mm").click()
            take(staff, name)
        staff.get_by_role("link", name="Marking consistency").click()
        take(staff, "markers")
        staff.get_by_role("link", name="Calculators").click()
        take(staff, "workbench")
        staff.get_by_role("link", name="Sessions", exact=True).click()
        take(staff, "session")
        staff.get_by_role("link", name="Stock", exact=True).click()
        take(staff, "stock")
        staff.get_by_role("link", name="Class", exact=True).click()
        staff.get_by_role("link", name="Alma Reuss").first.click()
        take(staff, "student")
        open_last_attempt(staff, "Dara Quill")
        staff.get_by_text("Torch leans to one side").wait_for()
        staff.keyboard.press("1")
        staff.get_by_role("button", name="tint wider on one side").first.focus()
        take(staff, "marking")
        staff.get_by_role("link", name="Coupon library").click()
        staff.get_by_role("link", name="Marking schemes").click()
        staff.get_by_role("button", name="Training").click()
        staff.get_by_label("Weight of Even ripples").fill("60")
        staff.get_by_role("button", name="Even ripples").first.click()
        take(staff, "schemes")
        staff.get_by_role("link", name="Class", exact=True).click()
        staff.get_by_role("link", name="Alma Reuss").first.click()
        staff.get_by_role("link", name="compare first and last").first.click()
        take(staff, "compare")
        american_staff = american(browser, base, "ines", LAPTOP)
        american_staff.get_by_role("link", name="Coupon library").click()
        american_staff.get_by_role("link", name="Build a coupon").click()
        american_staff.get_by_label("Thickness (in)", exact=True).fill("3/32")
        take(american_staff, "builder")
        metric(american_staff)
        phone = signed_in(browser, base, "fenna", PHONE)
        take(phone, "phone-coupons")
        of_corner(phone).get_by_role("link", name="Attempt 1").first.click()
        phone.get_by_role("slider").scroll_into_view_if_needed()
        take(phone, "phone-photo")
        phone = signed_in(browser, base, "bo", PHONE)
        of_corner(phone).get_by_role("link", name="Attempt 1").first.click()
        take(phone, "phone-feedback")
        phone.get_by_role("link", name="My coupons").first.click()
        of_corner(phone).get_by_role("button", name="Start another attempt").first.click()
        phone.get_by_role("heading", name="Log of the run").wait_for()
        take(phone, "phone-card")
        phone.get_by_role("link", name="Open booth view").click()
        phone.get_by_role("button", name="Forward").click()
        phone.get_by_text("1 of").first.wait_for()
        take(phone, "phone-booth")
        tries = signed_in(browser, base, "juno", LAPTOP)
        of_corner(tries).get_by_role("link", name="Attempt 1").first.click()
        tries.get_by_role("link", name="Try settings on a practice plate").click()
        tries.get_by_text("Change which bead lies on which line").scroll_into_view_if_needed()
        take(tries, "trial")
        asks = signed_in(browser, base, "cleo", LAPTOP)
        of_corner(asks).get_by_role("link", name="Attempt 1").first.click()
        asks.get_by_text("What would come of other settings").click()
        asks.get_by_role("slider", name="Welding current").press("PageUp")
        asks.get_by_role("heading", name="Where settings give the wanted bead").scroll_into_view_if_needed()
        take(asks, "what-if")


if __name__ == "__main__":
    main(sys.argv[1] if len(sys.argv) > 1 else "http://127.0.0.1:8000")
