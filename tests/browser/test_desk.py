"""The marking desk as those who teach use it: one screen, one key for a clear pass, two for a fail with its cause, undo."""

import re
from datetime import timedelta
from importlib import import_module
from typing import Any

import pytest
from django.utils import timezone
from playwright.sync_api import Browser, Page, expect

from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.causes.models import Verdict
from judicum.server.record.photos.models import StoredPicture
from tests.browser.walk import LAPTOP, no_violations, open_page, sign_in
from tests.measured import measured_attempt
from tests.patience import until
from tests.people import RUN, Course, create_course
from tests.server.record.test_causes import grey_at_end


def on_one_screen(page: Page) -> None:
    """Nothing has to be scrolled to: the page is as high as the screen, the mark's buttons are in it."""
    high = page.evaluate("document.documentElement.scrollHeight")
    assert high <= LAPTOP["height"] + 1, f"the page is {high} px high"
    expect(page.get_by_role("button", name="Save and return")).to_be_in_viewport()
    expect(page.get_by_role("region", name="Likely causes")).to_be_in_viewport(ratio=1)


def with_a_cause(course: Course, **more: Any) -> Attempt:
    attempt = measured_attempt(course)
    log_run(course.student, attempt.pk, {**RUN, "postflow_s": 3, "electrode_after": "dull", **more})
    grey_at_end(attempt)
    attempt.refresh_from_db()
    return attempt


def another_picture(attempt: Attempt) -> None:
    """As if it had been photographed by itself: nothing is said of the very same picture."""
    picture = StoredPicture.objects.get()
    picture.pk = "f" * 64
    picture.save(force_insert=True)
    attempt.photos.update(picture=picture)


def unhurried(page: Page, monkeypatch: pytest.MonkeyPatch) -> None:
    """What is offered for seconds stays: how many they are is tested elsewhere, and a slow machine needs more."""
    page.clock.set_fixed_time(timezone.now())
    monkeypatch.setattr(
        import_module("judicum.server.record.marking.actions.take_back"), "ON_THE_WAY", timedelta(minutes=10)
    )


def test_a_class_is_marked_with_few_keys_on_one_screen(
    browser: Browser,
    live_server: Any,
    transactional_db: None,
    complaints: list[str],
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    course = create_course()
    sound, short = measured_attempt(course), with_a_cause(course)
    another_picture(short)
    page = open_page(browser, live_server.url, LAPTOP, complaints)
    unhurried(page, monkeypatch)
    sign_in(page, course.instructor)
    page.goto(f"/course/{course.row.pk}/desk?order=coupon&assignment={course.assignment.pk}")
    expect(page.get_by_label("Show one coupon")).to_have_value(str(course.assignment.pk))
    no_violations(page)
    page.get_by_role("link").filter(has_text="Sanne").first.click()

    # A clear pass: one key, and the next of the same coupon is there.
    expect(page.get_by_text("passes")).to_be_visible()
    on_one_screen(page)
    page.keyboard.press("Enter")
    expect(page.get_by_text("Post-flow too short")).to_be_visible()
    assert "order=coupon" in page.url
    on_one_screen(page)
    no_violations(page)

    # Undo within seconds, and forth again.
    expect(page.get_by_text("to Sanne.")).to_be_visible()
    page.keyboard.press("u")
    expect(page.get_by_text("marked, not returned")).to_be_visible()
    assert Attempt.objects.get(pk=sound.pk).state == "marked"
    page.keyboard.press("Enter")
    expect(page.get_by_text("Post-flow too short")).to_be_visible()

    # Evidence lights up where it lies; a fail with its cause: two keys.
    page.get_by_role("button", name="grey at the end").first.focus()
    expect(page.get_by_test_id("lit-tint")).to_be_visible()
    page.keyboard.press("1")
    expect(page.get_by_label("One change for next time")).to_have_value(
        "Hold the torch over the end until the gas has run longer: post-flow 3 s → 8 s. The end oxidised while hot."
    )
    page.get_by_role("heading", name="Sanne").click(position={"x": 200, "y": 5}, force=True)
    page.locator("body").press("Enter")
    expect(page.get_by_role("heading", name="To mark")).to_be_visible()
    assert Verdict.objects.get().cause == "postflow_short"
    assert Attempt.objects.get(pk=short.pk).mark.next_change.startswith("Hold the torch")


def test_two_habits_on_one_bead_are_confirmed_by_one_key(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    course = create_course()
    attempt = with_a_cause(course, arc="spiralling", gas_l_min=24)
    page = open_page(browser, live_server.url, LAPTOP, complaints)
    sign_in(page, course.instructor)
    page.goto(f"/course/{course.row.pk}/attempt/{attempt.pk}")
    expect(page.get_by_text("Likely both: Post-flow too short and Too much gas.")).to_be_visible()
    no_violations(page)
    page.keyboard.press("d")
    expect(page.get_by_label("One change for next time")).to_have_value(re.compile("^Hold the torch over the end"))
    page.get_by_role("button", name="Save", exact=True).click()
    until(
        lambda: (
            Verdict.objects.filter(beside=True).exists()
            and Verdict.objects.filter(confirmed=True, beside=False).exists()
        ),
        "both are kept",
    )
    assert dict(Verdict.objects.values_list("cause", "beside")) == {"postflow_short": False, "flow_high": True}
    page.reload()
    expect(page.get_by_role("region", name="Likely causes")).to_contain_text("Confirmed beside it")
    no_violations(page)


def test_findings_phrases_schemes_and_answers_are_open_to_everybody(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    course = create_course()
    attempt = with_a_cause(course)
    page = open_page(browser, live_server.url, LAPTOP, complaints)
    sign_in(page, course.instructor)
    page.goto(f"/course/{course.row.pk}/attempt/{attempt.pk}")
    expect(page.get_by_text("Post-flow too short")).to_be_visible()

    page.keyboard.press("f")
    page.get_by_label("Out of flat (mm)").fill("2.5")
    no_violations(page)
    page.get_by_role("button", name="Save checks").click()
    expect(page.get_by_text("Out of flat:")).to_be_visible()
    expect(page.get_by_text("distortion", exact=True).first).to_be_visible()

    page.keyboard.press("c")
    page.get_by_role("button", name="Edit phrases").click()
    page.get_by_label("Key 1").fill("Width {width}, {name}.")
    no_violations(page)
    page.get_by_role("button", name="Save phrases").click()
    page.get_by_role("button", name="Sanne.").click()
    expect(page.get_by_label("Comment")).to_have_value(re.compile(r"Width 4\.\d mm, Sanne\."))

    page.keyboard.press("Escape")
    page.get_by_role("button", name="Weld again …").click()
    page.get_by_label("Why does this coupon not count?").fill("Wrong side of the sheet.")
    no_violations(page)
    page.get_by_role("button", name="Weld again", exact=True).click()
    expect(page.get_by_role("heading", name="To mark")).to_be_visible()
    assert Attempt.objects.get(pk=attempt.pk).answer == "Wrong side of the sheet."

    page.goto(f"/course/{course.row.pk}/schemes?scheme=training")
    page.get_by_label("Pass mark").fill("80")
    page.get_by_role("button", name="Even width").first.click()
    no_violations(page)
    page.get_by_role("button", name="Save as next version").click()
    expect(page.get_by_text("version 1, your own")).to_be_visible()
