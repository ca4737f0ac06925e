"""What people do by hand to photos: look before sending, correct, set a scale, read an angle, lay two over one another."""

import re
from pathlib import Path
from typing import Any

import cv2
import numpy as np
import pytest
from playwright.sync_api import Browser, Page, expect

from judicum.camera.torch import take_torch_photo
from judicum.core.photo.decode import decode, encode_jpeg
from judicum.server.record.attempts.models import Run
from judicum.server.record.photos.models import Correction, Measurement, Photo
from tests.browser.walk import LAPTOP, PHONE, no_violations, open_page, sign_in
from tests.drawn import bead_photo
from tests.measured import measured_attempt
from tests.people import create_course, logged


def place(page: Page, share_along: float, n_mm: float) -> tuple[float, float]:
    """Where on the screen a place of the strip lies."""
    box = page.get_by_role("img", name="Toes and ripple fronts").bounding_box()
    assert box is not None
    return box["x"] + box["width"] * share_along, box["y"] + box["height"] * (0.5 + n_mm / 16)


def drag(page: Page, from_: tuple[float, float], to: tuple[float, float]) -> None:
    page.mouse.move(*from_)
    page.mouse.down()
    page.mouse.move(*to, steps=6)
    page.mouse.up()


def test_a_bad_photo_is_held_back_and_said_why(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str], tmp_path: Path
) -> None:
    course = create_course()
    attempt = logged(course)
    picture = decode(bead_photo().jpeg)
    blurred, dark = tmp_path / "blurred.jpg", tmp_path / "dark.jpg"
    blurred.write_bytes(encode_jpeg(cv2.GaussianBlur(picture, (0, 0), 6)))
    dark.write_bytes(encode_jpeg((picture * 0.1).astype(np.uint8)[:, :1200]))
    phone = open_page(browser, live_server.url, PHONE, complaints)
    sign_in(phone, course.student)
    phone.goto(f"/course/{course.row.pk}/attempt/{attempt.pk}")
    for file, words in ((blurred, "The photo is blurred"), (dark, "The photo is too dark")):
        phone.get_by_label("Choose a file").set_input_files(file)
        expect(phone.get_by_role("alert")).to_contain_text(words)
    no_violations(phone)
    assert not Photo.objects.exists()
    phone.get_by_role("button", name="Send photo anyway").click()
    expect(phone.get_by_text("Photo received")).to_be_visible()
    assert Photo.objects.count() == 1


def test_the_instructor_corrects_on_the_strip(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    course = create_course()
    attempt = measured_attempt(course)
    computed = Measurement.objects.get().report
    page = open_page(browser, live_server.url, LAPTOP, complaints)
    sign_in(page, course.instructor)
    page.goto(f"/course/{course.row.pk}/attempt/{attempt.pk}")
    page.get_by_role("button", name="Correct", exact=True).click()
    half = computed["bead"]["width_mm"]["mean"] / 2
    drag(page, place(page, 0.5, half), place(page, 0.5, half + 1.2))
    listed = page.get_by_role("region", name="Corrections")
    expect(listed).to_contain_text("right toe moved at")
    expect(listed).to_contain_text("Ilka")
    expect(page.get_by_text("Saved.")).to_have_count(0)
    no_violations(page)

    # By keyboard too: the red line is moved, the buttons act there.
    page.get_by_role("slider", name="Place along the bead").focus()
    page.keyboard.press("PageUp")
    page.get_by_role("button", name="Mark faults").click()
    page.get_by_role("button", name="Add fault at the red line, mid-bead").click()
    expect(listed).to_contain_text("pore added at")
    expect(page.get_by_label("Faults: score")).to_have_text("8")
    page.get_by_role("button", name="Remove fault").click()
    expect(listed).to_contain_text("removed")
    page.get_by_role("button", name="Add or remove fronts").click()
    page.get_by_role("button", name="No distinct ripples").click()
    page.get_by_text("Even ripples", exact=False).first.click()
    expect(page.get_by_text("no distinct ripples; toes and width count instead")).to_be_visible()
    page.get_by_role("button", name="Swap start and end").click()
    expect(listed).to_contain_text("start and end swapped")
    assert [c.step["step"] for c in Correction.objects.all()] == [
        "move_toe", "add_fault", "remove_fault", "no_ripples", "start_at_other_end",
    ]  # fmt: skip
    page.get_by_role("button", name="Undo all corrections").click()
    expect(listed).to_have_count(0)
    assert Measurement.objects.get().report == computed

    # Zoomed, the strip scrolls; everything else stays.
    page.get_by_role("button", name="4 ×").click()
    scroller = page.get_by_role("group", name="Strip, scrolled sideways")
    assert scroller.evaluate("e => e.scrollWidth / e.clientWidth") == pytest.approx(4, abs=0.1)

    # A photo without a card: two points a known length apart.
    page.get_by_role("button", name="Set scale").click()
    no_violations(page)
    end = page.get_by_role("slider", name="known length: second end")
    end.focus()
    page.keyboard.press("Shift+ArrowRight")
    page.get_by_label(re.compile("^Known length")).fill("50")
    page.get_by_role("button", name="Measure with this scale").click()
    expect(page.get_by_text("Being measured.")).to_be_visible()
    assert Measurement.objects.filter(scale_points__isnull=False).count() == 1


def test_an_angle_is_read_on_the_torch_and_two_beads_laid_over_one_another(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str], tmp_path: Path
) -> None:
    course = create_course()
    first = measured_attempt(course)
    second = measured_attempt(course)
    drawn = take_torch_photo(70.0)
    file = tmp_path / "torch.jpg"
    file.write_bytes(drawn.jpeg)
    phone = open_page(browser, live_server.url, PHONE, complaints)
    sign_in(phone, course.student)
    phone.goto(f"/course/{course.row.pk}/attempt/{second.pk}")
    phone.get_by_label("Torch in place").set_input_files(file)
    phone.get_by_role("button", name="Read angle").click()
    photo = phone.get_by_role("group", name="Photo of the torch with two lines")
    photo.scroll_into_view_if_needed()
    no_violations(phone)
    box = photo.bounding_box()
    assert box is not None
    scale = box["width"] / 1600
    for line, ends in (("torch", drawn.torch), ("plate", drawn.plate)):
        for which, (x, y) in zip(("second", "first"), reversed(ends), strict=True):
            handle = photo.get_by_role("slider", name=line).and_(photo.get_by_role("slider", name=f"{which} end"))
            at = handle.bounding_box()
            assert at is not None
            drag(
                phone,
                (at["x"] + at["width"] / 2, at["y"] + at["height"] / 2),
                (box["x"] + x * scale, box["y"] + y * scale),
            )
    phone.get_by_role("button", name="Save to log").click()
    expect(phone.get_by_text("Work angle: 70°")).to_be_visible()
    run = Run.objects.get(attempt=second)
    assert (run.work_angle_deg, run.measured) == (70, ["work_angle_deg"])

    page = open_page(browser, live_server.url, LAPTOP, complaints)
    sign_in(page, course.instructor)
    page.goto(f"/course/{course.row.pk}/attempt/{second.pk}")
    page.wait_for_load_state("networkidle")  # what comes in above moves the button
    page.get_by_role("button", name="all measurements").click()
    expect(page.get_by_text("measured", exact=True)).to_be_visible()
    page.get_by_role("link", name=f"compare with attempt {first.number}").click()
    expect(page.get_by_role("img", name="Strip of")).to_have_count(2)
    expect(page.get_by_role("row").filter(has_text="Width variation")).to_contain_text("no change")
    no_violations(page)
    assert page.url.endswith(f"/compare/{first.pk}/{second.pk}")
