"""Walking through the page: signing in, and looking for what keeps anybody out."""

from axe_playwright_python.sync_playwright import Axe
from playwright.sync_api import Browser, Page, expect

from judicum.server.people.accounts.models import User
from tests.browser.conftest import OPEN, listen
from tests.people import PASSWORD

PHONE = {"width": 390, "height": 844}
PATIENCE_MS = 60_000
"""A machine four times as slow still passes; a fast one waits no longer than it needs."""
expect.set_options(timeout=PATIENCE_MS)
PATIENT = "const wait = AbortSignal.timeout.bind(AbortSignal); AbortSignal.timeout = ms => wait(20 * ms)"
"""The page itself gives up what takes too long, the look at a photo for one; not here."""
NARROW = {"width": 320, "height": 640}
"""The narrowest phone in use."""
LAPTOP = {"width": 1280, "height": 800}


BY_THEME = {
    "day": (Axe(), {"resultTypes": ["violations"]}),
    "night": (Axe("0"), {"resultTypes": ["violations"], "runOnly": ["color-contrast", "link-in-text-block"]}),
}
"""What axe is asked: all its rules, and by night anew only what colours can break; its half megabyte is in the page by then."""


def no_violations(page: Page) -> None:
    """axe finds nothing on the page once it is there, by day and by night."""
    expect(page.locator("h1")).not_to_have_count(0)
    for theme, (axe, asked) in BY_THEME.items():
        page.evaluate("theme => { document.documentElement.dataset.theme = theme }", theme)
        page.wait_for_timeout(80)  # motion is off: only a repaint
        found = axe.run(page, options=asked)
        assert found.violations_count == 0, f"{page.url} by {theme}: {found.generate_report()}"


def fits_narrow(page: Page) -> None:
    """On the narrowest phone nothing reaches past the side, and each tab below keeps its words in one line."""
    size = page.viewport_size
    assert size is not None
    page.set_viewport_size(NARROW)  # type: ignore[arg-type]
    assert page.evaluate("document.documentElement.scrollWidth") <= NARROW["width"]
    lines = "tabs => tabs.map(tab => { const words = document.createRange(); words.selectNode(tab.lastChild); return words.getClientRects().length })"
    assert page.locator("nav[aria-label=Course] a").evaluate_all(lines) == [1, 1, 1]
    page.set_viewport_size(size)


def open_page(browser: Browser, address: str, size: dict[str, int], heard: list[str]) -> Page:
    context = browser.new_context(
        base_url=address, viewport=size, reduced_motion="reduce", locale="en-GB", service_workers="block"
    )  # type: ignore[arg-type]
    OPEN.append(context)
    context.add_init_script(PATIENT)
    page = context.new_page()
    page.set_default_timeout(PATIENCE_MS)
    listen(page, heard)
    return page


def sign_in(page: Page, user: User) -> None:
    user.set_password(PASSWORD)
    user.save()
    page.goto("/")
    page.get_by_label("Name").fill(user.username)
    page.get_by_label("Password").fill(PASSWORD)
    page.get_by_role("button", name="Sign in").click()
    page.wait_for_url("**/course/**")
